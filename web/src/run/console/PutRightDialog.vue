<script setup lang="ts">
/** The likely slips at a console, put right by one press: a start too early, forgotten or false, the wrong person. Each is a capture with its reason. */
import { notStarted, startedAt, wasAnother, type Capture, type ToCapture } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { bibAndName, type Day, type Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { lastMomentAt } from '../../ui/clockTime.ts'
import { timeOfDay } from '../../ui/localTime.ts'
import type { SlipTarget } from './slipTarget.ts'

const props = defineProps<{
  day: Day
  eventId: string
  targets: readonly SlipTarget[]
  /** Who it may have been instead. */
  others: readonly Entry[]
}>()
const open = defineModel<boolean>({ required: true })

/** As many are offered at one press. */
const OFFERED = 6
const store = useDay()
const clock = useAgreedClock()
const targetId = ref('')
const typed = ref('')
const problem = ref('')
watch(
  open,
  () => {
    targetId.value = props.targets[0]?.id ?? ''
    typed.value = ''
    problem.value = ''
  },
  { immediate: true },
)

const target = computed(() => props.targets.find(({ id }) => id === targetId.value))
const hasStart = computed(() => (target.value?.starts.length ?? 0) > 0)
const zone = computed(() => props.day.occasion.zone)
/** Starts of others in the event, the latest first: somebody stood beside and pressed in time. */
const otherStarts = computed(() =>
  store
    .settledIn(props.eventId)
    .value.filter(({ kind, entryId }) => kind === 'started' && entryId !== target.value?.entryId)
    .slice(-3)
    .reverse(),
)
const nameOf = (entryId: string | null): string => {
  const entry = store.entry(entryId)
  return entry ? bibAndName(entry) : ''
}
const candidates = computed(() => props.others.filter(({ id }) => id !== target.value?.entryId))
const more = computed(() => candidates.value.slice(OFFERED).map(({ id }) => ({ value: id, text: nameOf(id) })))

const capture = ({ entryId, observation }: ToCapture): Capture => store.capture(props.eventId, entryId, observation)
const done = (): void => {
  open.value = false
}
const setStart = (toMs: number, reason: string): void => {
  if (!target.value) return
  const { starts, begins, entryId } = target.value
  // a start that was forgotten is captured now, and put where it belongs
  const standing = starts.length > 0 ? starts : [capture({ entryId, observation: begins })]
  for (const one of startedAt(standing, toMs, reason)) capture(one)
  done()
}
const setTyped = (): void => {
  const toMs = lastMomentAt(typed.value, clock.nowMs(), zone.value)
  if (toMs === null)
    problem.value = `"${typed.value}" is not a time of day, such as ${timeOfDay(clock.nowMs(), zone.value)}.`
  else setStart(toMs, 'set by the clock')
}
const takeBack = (): void => {
  for (const start of target.value?.starts ?? []) capture(notStarted(start))
  done()
}
const itWas = (otherId: string): void => {
  for (const one of wasAnother(target.value?.own ?? [], otherId)) capture(one)
  done()
}
</script>

<template>
  <BModal v-model="open" title="Put right" no-footer>
    <BFormSelect
      v-if="targets.length > 1"
      v-model="targetId"
      aria-label="Whose"
      class="mb-3"
      :options="targets.map(({ id, name }) => ({ value: id, text: name }))"
    />
    <div v-if="target" class="slips">
      <template v-if="hasStart">
        <BButton variant="quiet" @click="setStart(clock.nowMs(), 'started too early')">
          Started too early: the clock starts now
        </BButton>
        <BButton variant="quiet" @click="takeBack">False start: take the start back</BButton>
      </template>
      <BButton
        v-for="one in otherStarts"
        :key="one.id"
        variant="quiet"
        @click="setStart(one.atMs, `started with ${nameOf(one.entryId)}`)"
      >
        {{ hasStart ? 'Started' : 'Forgot to start: started' }} with {{ nameOf(one.entryId) }},
        {{ timeOfDay(one.atMs, zone) }}
      </BButton>
      <form class="clock" @submit.prevent="setTyped">
        <label for="started-at">{{ hasStart ? 'The clock started at' : 'Forgot to start: it was at' }}</label>
        <BFormInput id="started-at" v-model="typed" class="figures" placeholder="hh:mm:ss" autocomplete="off" />
        <BButton variant="quiet" type="submit">Set the start</BButton>
      </form>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <template v-if="target.entryId !== null && target.own.length > 0 && candidates.length > 0">
        <h3>Wrong person: it was</h3>
        <div class="people">
          <BButton v-for="{ id } in candidates.slice(0, OFFERED)" :key="id" variant="quiet" @click="itWas(id)">{{
            nameOf(id)
          }}</BButton>
        </div>
        <BFormSelect
          v-if="more.length > 0"
          :model-value="''"
          aria-label="Somebody else"
          :options="[{ value: '', text: 'somebody else' }, ...more]"
          @update:model-value="(id) => id && itWas(String(id))"
        />
      </template>
    </div>
  </BModal>
</template>

<style scoped>
.slips {
  display: grid;
  gap: 8px;
}
.slips .btn {
  min-height: 52px;
  white-space: normal;
}
.clock {
  display: grid;
  grid-template-columns: 1fr 8.5em auto;
  align-items: center;
  gap: 8px;
}
.people {
  display: grid;
  grid-template-columns: repeat(2, 1fr);
  gap: 8px;
}
h3 {
  margin: 8px 0 0;
  font-size: 1rem;
}
.problem {
  margin: 0;
  color: var(--short);
}
</style>
