<script setup lang="ts">
/** A new test day from a standard that is in force on its date. */
import { AccountsAnswer, forceOn, MadeAnswer, type VersionSummary } from '@able-gauge/core'
import { BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords } from '../api.ts'
import { useSession, type Account } from '../session/sessionStore.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { listVersions } from '../standards/standardCalls.ts'
import { shortDate, today } from '../ui/localTime.ts'
import StaffFields from './StaffFields.vue'
import DateField from '../ui/DateField.vue'
import UnitSelect from '../ui/UnitSelect.vue'

const open = defineModel<boolean>({ required: true })
const router = useRouter()

const house = useHouseRules()
const name = ref('')
const venue = ref('')
const zone = ref(Intl.DateTimeFormat().resolvedOptions().timeZone)
const testDate = ref(today())
const chosen = ref('')
const unitId = ref(useSession().account?.unitId ?? '')
const versions = ref<readonly VersionSummary[]>([])
const accounts = ref<readonly Account[]>([])
/** Duty by account; whoever has one is on the staff. */
const duties = ref<Readonly<Record<string, string>>>({})
const problem = ref('')
const saving = ref(false)

const keyOf = ({ id, version }: VersionSummary): string => `${id} ${version}`
const published = computed(() => versions.value.filter(({ state }) => state !== 'draft'))
const version = computed(() => published.value.find((one) => keyOf(one) === chosen.value))
/** The version of the same standard that is in force on the date, when it is another one. */
const inForce = computed(() => {
  const one = version.value
  if (!one || testDate.value === '') return undefined
  const siblings = published.value.filter(({ id }) => id === one.id)
  return siblings.find((sibling) => forceOn(sibling, testDate.value) === 'now')
})
const warning = computed(() => {
  const one = version.value
  if (!one || testDate.value === '' || inForce.value?.version === one.version) return ''
  return inForce.value
    ? `On ${shortDate(testDate.value)} version ${inForce.value.version} is in force, not version ${one.version}.`
    : `No version of this standard is in force on ${shortDate(testDate.value)}.`
})

watch(open, async (isOpen) => {
  if (!isOpen) return
  problem.value = ''
  try {
    await house.read()
    versions.value = await listVersions()
    accounts.value = (await call('GET', '/accounts', AccountsAnswer)).accounts
    const current = published.value.find((one) => forceOn(one, testDate.value) === 'now')
    if (!version.value && current) chosen.value = keyOf(current)
  } catch (error) {
    problem.value = inWords(error)
  }
})

/** A venue that is known brings its time zone, also when what is known arrives after the name was typed. */
const knownVenue = computed(() => house.rules?.venues?.find(({ name: known }) => known === venue.value))
watch(knownVenue, (known) => {
  if (known) zone.value = known.zone
})

const save = async (): Promise<void> => {
  const one = version.value
  if (!one) return
  saving.value = true
  problem.value = ''
  try {
    const staff = Object.entries(duties.value).map(([accountId, duty]) => ({ accountId, duty }))
    const day = { name: name.value, venue: venue.value, zone: zone.value, testDate: testDate.value }
    const { id } = await call('POST', '/occasions', MadeAnswer, {
      ...day,
      standardId: one.id,
      version: one.version,
      unitId: unitId.value === '' ? null : unitId.value,
      staff,
    })
    await router.push({ name: 'plan', params: { dayId: id } })
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    saving.value = false
  }
}
const mayNotSave = computed(
  () => saving.value || !version.value || [name.value, venue.value, zone.value, testDate.value].includes(''),
)
</script>

<template>
  <BModal
    v-model="open"
    title="New test day"
    size="lg"
    ok-title="Plan the day"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="mayNotSave"
    @ok.prevent="save"
  >
    <div class="two">
      <div>
        <label class="form-label" for="day-name">Name</label>
        <BFormInput id="day-name" v-model="name" maxlength="120" autocomplete="off" />
      </div>
      <div>
        <label class="form-label" for="day-venue">Venue</label>
        <BFormInput id="day-venue" v-model="venue" maxlength="120" autocomplete="off" list="day-venues" />
        <datalist id="day-venues">
          <option v-for="one in house.rules?.venues ?? []" :key="one.name" :value="one.name" />
        </datalist>
      </div>
      <div>
        <label class="form-label" for="day-date">Test date</label>
        <DateField id="day-date" v-model="testDate" />
      </div>
      <div>
        <label class="form-label" for="day-zone">Time zone of the venue</label>
        <BFormInput id="day-zone" v-model="zone" maxlength="60" autocomplete="off" />
      </div>
    </div>
    <label class="form-label" for="day-standard">Standard</label>
    <BFormSelect id="day-standard" v-model="chosen">
      <option v-for="one in published" :key="keyOf(one)" :value="keyOf(one)">
        {{ one.name }}, version {{ one.version }}
      </option>
    </BFormSelect>
    <p v-if="warning" class="warning" role="status">{{ warning }}</p>
    <UnitSelect id="day-unit" v-model="unitId" class="unit" label="Unit" none="the whole organisation" />
    <StaffFields
      v-model="duties"
      :accounts="accounts"
      :groups="house.rules?.staffGroups ?? []"
      legend="Staff besides you"
    />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
  margin-bottom: 12px;
}
.unit {
  margin-top: 12px;
}
.warning {
  margin: 8px 0 0;
  padding: 8px 12px;
  background: var(--decide-tint);
  color: var(--decide);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
</style>
