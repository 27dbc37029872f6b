<script setup lang="ts">
/** Starts a rehearsal: made-up people are run through a standard, faster than the clock, to practise and to show. */
import { ALL_EVENTS, MadeAnswer, type StandardEvent, type VersionSummary } from '@able-gauge/core'
import { BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords } from '../api.ts'
import { readStandard } from '../standards/readStandard.ts'
import { listVersions, readVersion } from '../standards/standardCalls.ts'

const open = defineModel<boolean>({ required: true })
const router = useRouter()

const versions = ref<readonly VersionSummary[]>([])
const chosen = ref('')
const people = ref(24)
const speed = ref(10)
const ownEventId = ref('')
const events = ref<readonly Pick<StandardEvent, 'id' | 'name'>[]>([])
const problem = ref('')
const starting = ref(false)

const published = computed(() => versions.value.filter(({ state }) => state !== 'draft'))
const version = computed(() => published.value.find((one) => keyOf(one) === chosen.value))
const keyOf = ({ id, version: number }: VersionSummary): string => `${id} ${number}`

watch(open, async (isOpen) => {
  if (!isOpen) return
  problem.value = ''
  try {
    versions.value = await listVersions()
    const [first] = published.value
    if (first && !version.value) chosen.value = keyOf(first)
  } catch (error) {
    problem.value = inWords(error)
  }
})
watch(version, async (one) => {
  ownEventId.value = ''
  events.value = []
  if (!one) return
  try {
    const { standard } = await readStandard(await readVersion(one.id, one.version))
    events.value = standard?.events ?? []
  } catch (error) {
    problem.value = inWords(error)
  }
})

const start = async (): Promise<void> => {
  const one = version.value
  if (!one) return
  starting.value = true
  problem.value = ''
  try {
    const own = ownEventId.value === '' ? {} : { ownEventId: ownEventId.value }
    const wish = { standardId: one.id, version: one.version, people: people.value, speed: speed.value, ...own }
    const { id } = await call('POST', '/rehearsals', MadeAnswer, wish)
    await router.push(
      ownEventId.value === '' || ownEventId.value === ALL_EVENTS
        ? { name: 'run', params: { dayId: id } }
        : { name: 'event', params: { dayId: id, eventId: ownEventId.value } },
    )
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    starting.value = false
  }
}
</script>

<template>
  <BModal
    v-model="open"
    title="Rehearse a day"
    ok-title="Start the rehearsal"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="!version || starting"
    @ok.prevent="start"
  >
    <p>
      Made-up people go through a standard by themselves, through the same captures as on a real day. Nothing of it
      reaches anybody's record.
    </p>
    <label class="form-label" for="rehearsal-standard">Standard</label>
    <BFormSelect id="rehearsal-standard" v-model="chosen">
      <option v-for="one in published" :key="keyOf(one)" :value="keyOf(one)">
        {{ one.name }}, version {{ one.version }}
      </option>
    </BFormSelect>
    <div class="two">
      <div>
        <label class="form-label" for="rehearsal-people">People</label>
        <BFormInput id="rehearsal-people" v-model.number="people" type="number" min="4" max="200" />
      </div>
      <div>
        <label class="form-label" for="rehearsal-speed">Times as fast</label>
        <BFormInput id="rehearsal-speed" v-model.number="speed" type="number" min="1" max="60" />
      </div>
    </div>
    <label class="form-label" for="rehearsal-own">An event to work yourself</label>
    <BFormSelect id="rehearsal-own" v-model="ownEventId">
      <option value="">none: watch it happen</option>
      <option v-for="{ id, name } in events" :key="id" :value="id">{{ name }}</option>
      <option :value="ALL_EVENTS">all of them: only the people are made up</option>
    </BFormSelect>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin: 12px 0;
}
</style>
