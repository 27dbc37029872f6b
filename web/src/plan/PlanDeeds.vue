<script setup lang="ts">
/** What can be done with a day as a whole: copied, put under another standard, cancelled; a rehearsal thrown away. */
import { forceOn, MadeAnswer, type VersionSummary } from '@able-gauge/core'
import { BButton, BFormCheckbox, BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, reactive, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { call, tell } from '../api.ts'
import { useAsking } from '../ui/useAsking.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useSession } from '../session/sessionStore.ts'
import { listVersions } from '../standards/standardCalls.ts'
import DateField from '../ui/DateField.vue'
import { today } from '../ui/localTime.ts'

const props = defineProps<{ day: Day }>()

type Deed = 'copy' | 'standard' | 'cancel' | 'throwAway'
const TITLES: Readonly<Record<Deed, string>> = {
  copy: 'Copy the day',
  standard: 'Another standard',
  cancel: 'Cancel the day',
  throwAway: 'Throw the rehearsal away',
}
const session = useSession()
const store = useDay()
const router = useRouter()
const occasion = computed(() => props.day.occasion)
const isStaff = computed(() => props.day.staff.some(({ accountId }) => accountId === session.account?.id))
const isOpen = computed(() => !occasion.value.signedOff && !occasion.value.cancelled)
const begun = computed(() => props.day.standard.events.some(({ id }) => store.settledIn(id).value.length > 0))

const deed = ref<Deed | null>(null)
const draft = reactive({ name: '', testDate: '', chosen: '', withPeople: false, reason: '' })
const versions = shallowRef<readonly VersionSummary[]>([])
const { busy, problem, asking: doing } = useAsking()

const keyOf = ({ id, version }: Pick<VersionSummary, 'id' | 'version'>): string => `${id} ${version}`
const offered = computed(() =>
  versions.value
    .filter(({ id, state }) => state !== 'draft' && (deed.value === 'standard' || id === occasion.value.standardId))
    .map((one) => {
      const isNow = forceOn(one, deed.value === 'copy' ? draft.testDate : occasion.value.testDate) === 'now'
      return { value: keyOf(one), text: `${one.name}, version ${one.version}${isNow ? ', in force then' : ''}` }
    }),
)

const open = async (which: Deed): Promise<void> => {
  const { name, standardId: id, standardVersion: version } = occasion.value
  Object.assign(draft, { name, testDate: today(), chosen: keyOf({ id, version }), withPeople: false, reason: '' })
  deed.value = which
  if (which === 'cancel' || which === 'throwAway') return
  await doing(async () => {
    versions.value = await listVersions()
    const current = versions.value.find((one) => one.id === id && forceOn(one, draft.testDate) === 'now')
    if (which === 'copy' && current) draft.chosen = keyOf(current)
  })
}

const chosen = computed(() => {
  const [standardId = '', version = ''] = draft.chosen.split(' ')
  return { standardId, version: Number(version) }
})
const WORK: Readonly<Record<Deed, () => Promise<void>>> = {
  copy: async () => {
    const { name, testDate, withPeople } = draft
    const body = { name: name.trim(), testDate, withPeople, version: chosen.value.version }
    const { id } = await call('POST', `/occasions/${occasion.value.id}/copy`, MadeAnswer, body)
    await router.push({ name: 'plan', params: { dayId: id } })
  },
  standard: async () => {
    await tell('PUT', `/occasions/${occasion.value.id}/standard`, chosen.value)
    // another battery has other events: the day is opened anew
    const { id } = occasion.value
    store.close()
    await store.open(id)
  },
  cancel: async () => {
    await tell('PUT', `/occasions/${occasion.value.id}/cancellation`, { reason: draft.reason.trim() })
    await store.reread(occasion.value.id)
  },
  throwAway: async () => {
    await tell('DELETE', `/rehearsals/${occasion.value.id}`)
    await router.push({ name: 'days' })
  },
}
const apply = (): Promise<void> =>
  doing(async () => {
    if (!deed.value) return
    await WORK[deed.value]()
    deed.value = null
  })
const takeBack = (): Promise<void> =>
  doing(async () => {
    await tell('DELETE', `/occasions/${occasion.value.id}/cancellation`)
    await store.reread(occasion.value.id)
  })
const lacks = computed(
  () =>
    (deed.value === 'copy' && (draft.name.trim() === '' || draft.testDate === '')) ||
    (deed.value === 'cancel' && draft.reason.trim() === ''),
)
</script>

<template>
  <section v-if="session.can('days.copy') || occasion.rehearsal" class="sheet">
    <h2>The day as a whole</h2>
    <template v-if="occasion.cancelled">
      <p>Cancelled by {{ occasion.cancelled.by }}: {{ occasion.cancelled.reason }}</p>
      <BButton v-if="isStaff" variant="quiet" size="sm" :disabled="busy" @click="takeBack"
        >It takes place after all</BButton
      >
    </template>
    <div class="deeds">
      <BButton v-if="session.can('days.copy') && !occasion.rehearsal" variant="quiet" size="sm" @click="open('copy')"
        >Copy the day</BButton
      >
      <template v-if="isOpen && isStaff && session.can('day.cancel') && !occasion.rehearsal && !begun">
        <BButton variant="quiet" size="sm" @click="open('standard')">Another standard</BButton>
        <BButton variant="quiet" size="sm" @click="open('cancel')">Cancel the day</BButton>
      </template>
      <BButton
        v-if="occasion.rehearsal && isStaff && session.can('rehearsal.throwAway')"
        variant="quiet"
        size="sm"
        @click="open('throwAway')"
        >Throw the rehearsal away</BButton
      >
    </div>
    <p v-if="problem && !deed" class="problem" role="alert">{{ problem }}</p>
    <BModal
      :model-value="deed !== null"
      :title="deed ? TITLES[deed] : ''"
      :ok-title="deed ? TITLES[deed] : ''"
      cancel-title="Back"
      :ok-disabled="busy || lacks"
      @ok.prevent="apply"
      @hidden="deed = null"
    >
      <form v-if="deed" class="form" @submit.prevent="apply">
        <template v-if="deed === 'copy'">
          <p class="quiet">Venue, plan and staff come along, and nothing that happened.</p>
          <label for="copy-name">Name</label>
          <BFormInput id="copy-name" v-model="draft.name" maxlength="120" />
          <label for="copy-date">Test date</label>
          <DateField id="copy-date" v-model="draft.testDate" />
        </template>
        <template v-if="deed === 'copy' || deed === 'standard'">
          <label for="deed-standard">{{ deed === 'copy' ? 'Version of the standard' : 'Standard' }}</label>
          <BFormSelect id="deed-standard" v-model="draft.chosen" :options="offered" />
        </template>
        <BFormCheckbox v-if="deed === 'copy'" v-model="draft.withPeople"
          >Enter the same {{ day.entries.length }} people again</BFormCheckbox
        >
        <p v-if="deed === 'standard'" class="quiet">
          People and staff stay. Variants and alternates chosen for people belong to the standard before, and go.
        </p>
        <template v-if="deed === 'cancel'">
          <p>Nothing more is taken on a cancelled day. It stays in the list with its reason.</p>
          <label for="cancel-reason">Reason</label>
          <BFormInput id="cancel-reason" v-model="draft.reason" maxlength="300" />
        </template>
        <p v-if="deed === 'throwAway'">
          Nobody in it is real. All that was captured, planned and signed in this rehearsal goes for good.
        </p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      </form>
    </BModal>
  </section>
</template>

<style scoped>
section {
  padding: 18px 20px;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.form {
  display: grid;
  gap: 6px;
}
.form label {
  font-weight: 650;
  margin-top: 8px;
}
</style>
