<script setup lang="ts">
/** A new day with everybody who was chosen from the list. */
import type { DueCall, DuePerson } from '@able-gauge/core'
import { dateAfter, HouseRulesAnswer, type Venue } from '@able-gauge/core'
import { BFormInput, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { call as request, inWords } from '../api.ts'
import DateField from '../ui/DateField.vue'
import { useAsking } from '../ui/useAsking.ts'
import { makeDueDay } from './insightCalls.ts'

const props = defineProps<{
  people: readonly DuePerson[]
  call: DueCall | null
  /** YYYY-MM-DD at the house. */
  today: string
}>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const { busy, problem, asking } = useAsking()

const DAYS_AHEAD = 14
const name = ref('')
const venue = ref('')
const zone = ref(Intl.DateTimeFormat().resolvedOptions().timeZone)
const testDate = ref('')
const perWave = ref(12)
const venues = ref<readonly Venue[]>([])

watch(open, async (isOpen) => {
  if (!isOpen) return
  problem.value = ''
  name.value = props.call?.name ?? ''
  // where it was last; another can be typed over it
  if (venue.value === '' && props.call?.venue) {
    venue.value = props.call.venue
    zone.value = props.call.zone
  }
  testDate.value = dateAfter(props.today, DAYS_AHEAD)
  try {
    venues.value = (await request('GET', '/house-rules', HouseRulesAnswer)).rules.venues ?? []
  } catch (error) {
    problem.value = inWords(error)
  }
})
/** The version in force today; null for none. */
const version = computed(() => props.call?.version ?? null)
const known = computed(() => venues.value.find((one) => one.name === venue.value))
watch(known, (place) => {
  if (place) zone.value = place.zone
})
const early = computed(() =>
  props.people.filter(
    ({ allowedFrom }) => allowedFrom !== null && testDate.value !== '' && allowedFrom > testDate.value,
  ),
)
const mayNotMake = computed(
  () =>
    busy.value ||
    version.value === null ||
    props.people.length === 0 ||
    [name.value, venue.value, zone.value, testDate.value].includes('') ||
    !(perWave.value >= 1),
)
const make = (): Promise<void> =>
  asking(async () => {
    const { call } = props
    if (!call || version.value === null) return
    const { id } = await makeDueDay({
      name: name.value.trim(),
      venue: venue.value.trim(),
      zone: zone.value.trim(),
      testDate: testDate.value,
      standardId: call.standardId,
      standardVersion: version.value,
      personIds: props.people.map(({ personId }) => personId),
      perWave: Math.round(perWave.value),
    })
    await router.push({ name: 'plan', params: { dayId: id } })
  })
</script>

<template>
  <BModal
    v-model="open"
    :title="`A day with ${people.length} ${people.length === 1 ? 'person' : 'people'}`"
    :ok-title="`Enter ${people.length}`"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="mayNotMake"
    @ok.prevent="make"
  >
    <p v-if="call" class="quiet">
      {{ call.standardName
      }}{{ call.version === null ? ': no version is in force today.' : `, version ${call.version}` }}
    </p>
    <label class="form-label" for="due-name">Name</label>
    <BFormInput id="due-name" v-model="name" maxlength="120" autocomplete="off" />
    <label class="form-label" for="due-venue">Venue</label>
    <BFormInput id="due-venue" v-model="venue" maxlength="120" autocomplete="off" list="due-venues" />
    <datalist id="due-venues">
      <option v-for="one in venues" :key="one.name" :value="one.name" />
    </datalist>
    <div class="two">
      <div>
        <label class="form-label" for="due-date">Test date</label>
        <DateField id="due-date" v-model="testDate" />
      </div>
      <div>
        <label class="form-label" for="due-wave">In a wave, at most</label>
        <BFormInput id="due-wave" v-model.number="perWave" class="figures" type="number" min="1" max="500" />
      </div>
    </div>
    <label class="form-label" for="due-zone">Time zone of the venue</label>
    <BFormInput id="due-zone" v-model="zone" maxlength="60" autocomplete="off" />
    <p v-if="early.length > 0" class="warning" role="status">
      {{ early.length }} of them may not be tested again by then: {{ early.map((one) => one.name).join(', ') }}.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.form-label {
  margin: 8px 0 2px;
}
</style>
