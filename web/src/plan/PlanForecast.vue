<script setup lang="ts">
/** What will really happen: where people wait, when the day ends, and what would help; each with the figures in words beside it. */
import { holdsFor, printTime, type Habits, type Timetable, type TimetableTask } from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { area, curveMonotoneX, line } from 'd3-shape'
import { computed, toRef } from 'vue'
import { clockAt } from './clockAt.ts'
import { useForecast } from '../day/useForecast.ts'

const props = defineProps<{
  task: TimetableTask
  timetable: Timetable
  habits: Habits
  /** Index in the days of the plan. */
  dayIndex: number
  eventName: (id: string) => string
  /** HH:MM */
  startsAt: string
  /** As the timetable has it. */
  endMs: number
  boundMs: number
}>()

const MINUTE_MS = 60_000
const [WIDTH, ROW, NAMES, SAYS] = [540, 34, 142, 76]
const forecast = useForecast(
  toRef(props, 'task'),
  toRef(props, 'timetable'),
  toRef(props, 'habits'),
  () => props.dayIndex,
)
const NOTHING = { endsMs: [], likelyMs: 0, middleMs: 0, events: [] }
const simulated = computed(() => forecast.value?.simulated ?? NOTHING)
const slowest = computed(() =>
  simulated.value.events.reduce<string | null>((worst, { eventId, most }) => {
    const before = simulated.value.events.find((one) => one.eventId === worst)
    return most > (before?.most ?? 0) ? eventId : worst
  }, null),
)
const lastMs = computed(() => Math.max(MINUTE_MS, ...simulated.value.endsMs))
const x = computed(() =>
  scaleLinear()
    .domain([0, lastMs.value])
    .range([NAMES, WIDTH - SAYS]),
)
const highest = computed(() =>
  Math.max(4, ...simulated.value.events.flatMap(({ queue }) => queue.map(({ high }) => high))),
)
const queues = computed(() =>
  simulated.value.events.map(({ eventId, queue, most, waitMs }, index) => {
    const base = (index + 1) * ROW
    const y = scaleLinear()
      .domain([0, highest.value])
      .range([base, base - ROW + 4])
    const spread = area<(typeof queue)[number]>()
      .x(({ atMs }) => x.value(atMs))
      .y0(({ low }) => y(low))
      .y1(({ high }) => y(high))
      .curve(curveMonotoneX)
    const middle = line<(typeof queue)[number]>()
      .x(({ atMs }) => x.value(atMs))
      .y((one) => y(one.middle))
      .curve(curveMonotoneX)
    return {
      eventId,
      base,
      name: props.eventName(eventId),
      says: most === 0 ? 'none wait' : most === 1 ? '1 waits' : `${most} wait`,
      waits: `${props.eventName(eventId)}: at most ${most} wait at once, ${Math.round(waitMs / MINUTE_MS)} minutes each on average`,
      spread: spread([...queue]) ?? '',
      middle: middle([...queue]) ?? '',
    }
  }),
)

/** So many simulated days are one square. */
const DAYS_A_SQUARE = 5
const SQUARE = 8
const bins = computed(() => {
  const { endsMs, likelyMs } = simulated.value
  const [first = 0, last = 0] = [endsMs[0], endsMs.at(-1)]
  const count = 30
  const stepMs = Math.max(MINUTE_MS, (last - first) / count)
  const days = Array.from({ length: count + 1 }, () => 0)
  for (const endMs of endsMs) {
    const at = Math.min(count, Math.floor((endMs - first) / stepMs))
    days[at] = (days[at] ?? 0) + 1
  }
  const columns = days.map((own, index) => ({
    index,
    isLate: first + index * stepMs > likelyMs,
    squares: Math.ceil(own / DAYS_A_SQUARE),
  }))
  const tallest = Math.max(1, ...columns.map(({ squares }) => squares))
  return { columns, tallest, first, last, notch: (likelyMs - first) / stepMs }
})
const likely = computed(() => clockAt(props.startsAt, simulated.value.likelyMs))
/** What was learnt of starts like those that are planned. */
const learntSlots = computed(() =>
  props.habits.slots.flatMap((slot) => {
    const event = props.task.events.find(({ eventId }) => eventId === slot.eventId)
    return event && holdsFor(slot, event.together) ? [{ ...slot, slotMs: event.slotMs }] : []
  }),
)
const learnt = computed(() => {
  const from = learntSlots.value.reduce((sum, slot) => sum + slot.from, 0)
  return from === 0
    ? 'No signed day tells of starts like these: they take what is planned, give or take a sixth.'
    : `Durations from ${from} starts of your own past days, where they tell.`
})
const helps = computed(() =>
  (forecast.value?.help ?? []).map(({ eventId, savesMs, most }) => ({
    eventId,
    what: `One more station at ${props.eventName(eventId).toLowerCase()}, with a grader`,
    says: `${Math.round(savesMs / MINUTE_MS)} minutes less; at most ${most} ${most === 1 ? 'waits' : 'wait'} there.`,
  })),
)
const EARLIER_MS = 15 * MINUTE_MS
/** Starts that take another time than planned by more than this are worth planning anew. */
const APART = 0.15
const MOST_APART = 2
const apart = computed(() =>
  learntSlots.value
    .map((slot) => ({ ...slot, by: Math.abs(Math.log(slot.usualMs / slot.slotMs)) }))
    .filter(({ by }) => by > APART)
    .sort((a, b) => b.by - a.by)
    .slice(0, MOST_APART),
)
const whole = (ms: number): string => printTime(Math.round(ms / 1_000) * 1_000)
</script>

<template>
  <p v-if="!forecast" class="quiet" role="status">Five hundred days are being worked through …</p>
  <div v-else class="panels">
    <section class="sheet panel" aria-labelledby="waits">
      <h3 id="waits">Where people wait</h3>
      <p class="quiet">
        {{ simulated.endsMs.length }} days simulated: the middle, and the range of 8 in 10. {{ learnt }}
      </p>
      <div class="scroll" tabindex="0" role="region" aria-label="People who wait, over the day">
        <svg class="wide" :viewBox="`0 0 ${WIDTH} ${queues.length * ROW + 22}`" role="img" aria-labelledby="waits">
          <g v-for="one in queues" :key="one.eventId" :class="{ worst: one.eventId === slowest }">
            <title>{{ one.waits }}</title>
            <line :x1="NAMES" :x2="WIDTH - SAYS" :y1="one.base" :y2="one.base" class="rule" />
            <path :d="one.spread" class="spread" />
            <path :d="one.middle" class="middle" />
            <text x="0" :y="one.base - 4" class="event">{{ one.name }}</text>
            <text :x="WIDTH" :y="one.base - 4" text-anchor="end" class="says">{{ one.says }}</text>
          </g>
          <text :x="NAMES" :y="queues.length * ROW + 17" class="axis">{{ startsAt }}</text>
          <text :x="WIDTH - SAYS" :y="queues.length * ROW + 17" text-anchor="end" class="axis">
            {{ clockAt(startsAt, lastMs) }}
          </text>
        </svg>
      </div>
    </section>
    <section class="sheet panel" aria-labelledby="ends">
      <h3 id="ends">When it ends</h3>
      <p class="quiet">A square is five simulated days.</p>
      <svg
        class="days"
        :viewBox="`-6 -18 ${31 * SQUARE + 12} ${bins.tallest * SQUARE + 38}`"
        role="img"
        aria-labelledby="ends"
      >
        <g v-for="column in bins.columns" :key="column.index" :class="{ late: column.isLate }">
          <rect
            v-for="square in column.squares"
            :key="square"
            :x="column.index * SQUARE"
            :y="(bins.tallest - square) * SQUARE"
            :width="SQUARE - 1.5"
            :height="SQUARE - 1.5"
            class="square"
          />
        </g>
        <line :x1="0" :x2="31 * SQUARE" :y1="bins.tallest * SQUARE" :y2="bins.tallest * SQUARE" class="rule" />
        <g :transform="`translate(${bins.notch * SQUARE}, 0)`">
          <path d="M0 -4 l-5 -8 h10 z" class="notch" />
          <line :y1="-4" :y2="bins.tallest * SQUARE" class="bound" />
        </g>
        <text x="0" :y="bins.tallest * SQUARE + 15" class="axis">{{ clockAt(startsAt, bins.first) }}</text>
        <text :x="31 * SQUARE" :y="bins.tallest * SQUARE + 15" text-anchor="end" class="axis">
          {{ clockAt(startsAt, bins.last) }}
        </text>
      </svg>
      <p class="end">
        <strong class="figures big">{{ likely }}</strong> in <strong>8 of 10</strong> days. On paper
        <span class="figures">{{ clockAt(startsAt, endMs) }}</span>; no timetable of these waves beats
        <span class="figures">{{ clockAt(startsAt, boundMs) }}</span>.
      </p>
    </section>
    <section class="sheet panel help" aria-labelledby="helps">
      <h3 id="helps">What would help</h3>
      <dl>
        <template v-for="one in helps" :key="one.eventId">
          <dt>{{ one.what }}</dt>
          <dd>{{ one.says }}</dd>
        </template>
        <template v-for="one in apart" :key="one.eventId">
          <dt>{{ eventName(one.eventId) }}: plan what it takes</dt>
          <dd>
            A start took <span class="figures">{{ whole(one.usualMs) }}</span> on your own days,
            <span class="figures">{{ whole(one.slotMs) }}</span> is planned.
          </dd>
        </template>
        <dt>The first event a quarter of an hour earlier</dt>
        <dd>Done by {{ clockAt(startsAt, simulated.likelyMs - EARLIER_MS) }} in 8 of 10 days.</dd>
      </dl>
      <p v-if="helps.length === 0" class="quiet">No single station more would save three minutes.</p>
    </section>
  </div>
</template>

<style scoped>
.panels {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  margin-top: 14px;
}
.panel {
  padding: 16px 18px;
}
h3 {
  font-size: 1.125rem;
  margin: 0 0 2px;
}
.panel > p {
  font-size: 0.8125rem;
  margin: 0 0 10px;
}
svg {
  display: block;
  width: 100%;
}
.wide {
  min-width: 430px;
}
.scroll {
  overflow-x: auto;
}
.days {
  max-width: 340px;
}
.rule {
  stroke: var(--line);
}
.spread {
  fill: var(--tint);
}
.middle {
  fill: none;
  stroke: var(--bar-2);
  stroke-width: 2;
}
.worst .spread {
  fill: var(--decide-tint);
}
.worst .middle {
  stroke: var(--decide-edge);
}
.event {
  font-size: 13.5px;
  font-weight: 650;
  fill: var(--ink);
}
.says,
.axis {
  font: 500 12.5px var(--mono);
  fill: var(--ink-2);
}
.worst .says {
  fill: var(--decide);
  font-weight: 700;
}
.square {
  fill: var(--bar-2);
}
.late .square {
  fill: var(--sheet);
  stroke: var(--decide-edge);
  stroke-width: 1.5;
}
.notch {
  fill: var(--ink);
}
.bound {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.panel > .end {
  font-size: 0.9375rem;
  margin: 10px 0 0;
}
.big {
  font-size: 1.625rem;
}
.help {
  border-left: 5px solid var(--vest);
}
dl {
  margin: 0;
}
dt {
  font-weight: 650;
}
dd {
  margin: 0 0 8px;
}
@media (max-width: 1000px) {
  .panels {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
