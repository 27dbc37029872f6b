<script setup lang="ts">
/** How far behind the day is, and when it will end: simulated from where everybody is now. */
import { makeTimetable, planFor, soFarOf, startOfDayMs, timeOfDayMs, timetableTask, type SoFar } from '@able-gauge/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { wavesOnGround, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useForecast, useHabits } from '../day/useForecast.ts'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { timeOfDay } from '../ui/localTime.ts'

const props = defineProps<{ day: Day }>()

const ASK_EVERY_MS = 60_000
const MINUTE_MS = 60_000
/** Later or earlier by less than this is in time. */
const IN_TIME_MS = 3 * MINUTE_MS
const ANOTHER_HOUR_MS = 60 * MINUTE_MS
/** A day on which nothing happens for so long is at a break, or over. */
const BREAK_MS = 90 * MINUTE_MS

const store = useDay()
const clock = useAgreedClock()
const plan = computed(() => planFor(props.day.standard, props.day.plan?.plan ?? null))
const task = computed(() => timetableTask(plan.value, props.day.standard, wavesOnGround(props.day)))
const timetable = computed(() => makeTimetable(task.value))
const plannedMs = computed(
  () =>
    startOfDayMs(props.day.occasion.testDate, props.day.occasion.zone) +
    timeOfDayMs(plan.value.days[0]?.startsAt ?? '09:00'),
)
/** Every moment somebody began or ended an event. */
const moments = computed(() =>
  props.day.standard.events.flatMap(({ id }) =>
    [...store.marksIn(id).value.values()].flatMap(({ span }) => (span ? [span.fromMs, span.toMs ?? span.fromMs] : [])),
  ),
)
const firstMs = computed(() => (moments.value.length === 0 ? null : Math.min(...moments.value)))
/** A day that began at another hour altogether is measured from there. */
const beganMs = computed(() =>
  firstMs.value !== null && Math.abs(firstMs.value - plannedMs.value) > ANOTHER_HOUR_MS
    ? firstMs.value
    : plannedMs.value,
)
const out = computed(
  () =>
    new Set(
      props.day.entries
        .filter(
          ({ id, attendance }) =>
            attendance !== 'present' || ['withdrawn', 'disqualified'].includes(store.verdicts.get(id)?.outcome ?? ''),
        )
        .map(({ id }) => id),
    ),
)
/** Looked at now and then: the page is no clock. */
const soFar = shallowRef<SoFar | null>(null)
const look = (): void => {
  const marks = props.day.standard.events.map(({ id }) => ({ eventId: id, marks: store.marksIn(id).value }))
  soFar.value = soFarOf(marks, out.value, beganMs.value, clock.nowMs())
}
look()
useIntervalFn(look, ASK_EVERY_MS)
const habits = useHabits(() => props.day)
const forecast = useForecast(
  task,
  timetable,
  habits,
  () => 0,
  () => soFar.value,
)

const said = computed(() => {
  const simulated = forecast.value?.simulated
  if (!soFar.value || !simulated) return null
  const lateMs = simulated.middleMs - (timetable.value.endMs[0] ?? 0)
  const minutes = Math.round(Math.abs(lateMs) / MINUTE_MS)
  const lastMs = Math.max(...moments.value)
  const nowMs = soFar.value.nowMs + beganMs.value
  const at = (ms: number): string => timeOfDay(beganMs.value + ms, props.day.occasion.zone).slice(0, 5)
  if (nowMs - lastMs > BREAK_MS) return { since: at(lastMs - beganMs.value) }
  return {
    since: null,
    isLate: lateMs >= IN_TIME_MS,
    pace:
      Math.abs(lateMs) < IN_TIME_MS ? 'In time' : `${minutes} minutes ${lateMs > 0 ? 'behind' : 'ahead of'} the plan`,
    begun: beganMs.value === plannedMs.value ? '' : `Begun at ${at(0)}. `,
    middle: at(simulated.middleMs),
    likely: at(simulated.likelyMs),
  }
})
</script>

<template>
  <p v-if="said && said.since !== null" class="pace" role="status">
    Nothing was begun or ended since <span class="figures">{{ said.since }}</span>. When the day ends is told again with
    the next start.
  </p>
  <p v-else-if="said" class="pace" :class="{ late: said.isLate }" role="status">
    {{ said.begun }}<strong>{{ said.pace }}.</strong> Done about <strong class="figures">{{ said.middle }}</strong>, by
    <span class="figures">{{ said.likely }}</span> in 8 of 10 days like this one.
  </p>
</template>

<style scoped>
.pace {
  margin: 0 0 12px;
  padding: 10px 14px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-left: 5px solid var(--bar-2);
  border-radius: 6px;
}
.late {
  border-left-color: var(--decide-edge);
  background: var(--decide-tint);
}
</style>
