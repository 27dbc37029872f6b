<script setup lang="ts">
/** One event over the years: each result, and the cut in force on its date as a notch; self-tests hollow and apart. */
import { printDate, printQuantity, type Goal } from '@able-gauge/core'
import { scaleLinear, scaleUtc } from 'd3-scale'
import { line as lineThrough } from 'd3-shape'
import { utcYear } from 'd3-time'
import { computed } from 'vue'
import type { LinePoint, PersonLine } from './personLines.ts'

const props = defineProps<{
  line: PersonLine
  /** What the person wants to reach, and by when. */
  goal?: Goal | undefined
}>()

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [440, 190, 64, 20, 18, 30]
const dayOf = (date: string): Date => new Date(`${date}T00:00:00Z`)
const dateOf = ({ date }: LinePoint): Date => dayOf(date)
const x = computed(() => {
  const times = [
    ...props.line.points.map((point) => dateOf(point).getTime()),
    ...(props.goal ? [dayOf(props.goal.byDate).getTime()] : []),
  ]
  const [first, last] = [Math.min(...times), Math.max(...times)]
  const pad = Math.max(20 * 86_400_000, (last - first) * 0.06)
  return scaleUtc()
    .domain([first - pad, last + pad])
    .range([LEFT, WIDTH - RIGHT])
})
const y = computed(() => {
  const values = [
    ...props.line.points.flatMap(({ value, cut }) => [value, ...(cut ? [cut.value] : [])]),
    ...(props.goal ? [props.goal.value] : []),
  ]
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const pad = Math.max((most - least) * 0.15, most * 0.02, 1)
  // better is always up: a shorter time stands above a longer one
  const isLessBetter = props.line.points.some(({ cut }) => cut?.sense === 'atMost')
  const range: [number, number] = isLessBetter ? [TOP, HEIGHT - BOTTOM] : [HEIGHT - BOTTOM, TOP]
  return scaleLinear()
    .domain([least - pad, most + pad])
    .range(range)
})
const official = computed(() => props.line.points.filter(({ own }) => !own))
const path = computed(
  () =>
    lineThrough<LinePoint>()
      .x((point) => x.value(dateOf(point)))
      .y((point) => y.value(point.value))([...official.value]) ?? '',
)
const print = (value: number): string => printQuantity(Math.round(value), props.line.unit)
const say = ({ date, value, cut, about }: LinePoint): string =>
  `${printDate(date)}: ${print(value)}${cut ? `, asked ${cut.sense === 'atMost' ? 'at most' : 'at least'} ${print(cut.value)}` : ''}, ${about}`
/** The years the line goes through; where it goes through few, the first and the last month of it. */
const ticks = computed((): { at: Date; says: string }[] => {
  const years = x.value.ticks(utcYear)
  if (years.length > 1) {
    const step = Math.ceil(years.length / 5)
    return years.filter((_, index) => index % step === 0).map((at) => ({ at, says: String(at.getUTCFullYear()) }))
  }
  const dates = [...props.line.points.map(({ date }) => date), ...(props.goal ? [props.goal.byDate] : [])].sort()
  const ends = [...new Set([dates[0], dates.at(-1)])].flatMap((date) => date ?? [])
  return ends.map((date) => ({ at: dayOf(date), says: monthOf(date) }))
})
const monthOf = (date: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', month: 'short', year: 'numeric' }).format(dayOf(date))
const last = computed(() => props.line.points.at(-1))
const goalWords = computed(() =>
  props.goal ? `; goal ${print(props.goal.value)} by ${printDate(props.goal.byDate)}` : '',
)
</script>

<template>
  <figure>
    <figcaption>{{ line.name }}</figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`${line.name}: ${line.points.map(say).join('; ')}${goalWords}`"
    >
      <g v-for="tick in y.ticks(4)" :key="tick">
        <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(tick)" :y2="y(tick)" class="grid" />
        <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end">{{ print(tick) }}</text>
      </g>
      <text v-for="{ at, says } in ticks" :key="says" :x="x(at)" :y="HEIGHT - 8" text-anchor="middle">
        {{ says }}
      </text>
      <path :d="path" class="way" />
      <g v-if="goal && last" class="wanted">
        <line :x1="x(dateOf(last))" :y1="y(last.value)" :x2="x(dayOf(goal.byDate))" :y2="y(goal.value)" />
        <circle :cx="x(dayOf(goal.byDate))" :cy="y(goal.value)" r="5" />
      </g>
      <g v-for="(point, index) in line.points" :key="index">
        <template v-if="point.cut">
          <line
            :x1="x(dateOf(point)) - 13"
            :x2="x(dateOf(point)) + 13"
            :y1="y(point.cut.value)"
            :y2="y(point.cut.value)"
            class="cut"
          />
        </template>
        <rect
          :x="x(dateOf(point)) - 5"
          :y="y(point.value) - 5"
          width="10"
          height="10"
          :transform="`rotate(45 ${x(dateOf(point))} ${y(point.value)})`"
          :class="[point.own ? 'own' : point.state]"
        >
          <title>{{ say(point) }}</title>
        </rect>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
figcaption {
  font-weight: 650;
}
svg {
  width: 100%;
  display: block;
}
.grid {
  stroke: var(--line);
}
.way {
  fill: none;
  stroke: var(--bar-2);
  stroke-width: 1.5;
}
.cut {
  stroke: var(--ink);
  stroke-width: 3;
}
rect {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.good {
  fill: var(--met);
}
.short,
.decide {
  fill: var(--sheet);
  stroke: var(--short);
  stroke-width: 2.5;
}
.wanted {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.wanted line {
  stroke-dasharray: 4 4;
}
.own {
  fill: var(--sheet);
  stroke: var(--ink-2);
  stroke-dasharray: 2 2;
}
text {
  font: 600 13px var(--mono);
  fill: var(--ink-2);
}
</style>
