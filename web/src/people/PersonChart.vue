<script setup lang="ts">
/** One event over the years: each result, and the cut in force on its date as a notch; self-tests hollow and apart. */
import { printDate, printQuantity } from '@able-gauge/core'
import { scaleLinear, scaleTime } from 'd3-scale'
import { line as lineThrough } from 'd3-shape'
import { computed } from 'vue'
import type { LinePoint, PersonLine } from './personLines.ts'

const props = defineProps<{
  line: PersonLine
}>()

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [440, 190, 64, 20, 18, 30]
const dateOf = ({ date }: LinePoint): Date => new Date(`${date}T00:00:00Z`)
const x = computed(() => {
  const times = props.line.points.map((point) => dateOf(point).getTime())
  const [first, last] = [Math.min(...times), Math.max(...times)]
  const pad = Math.max(20 * 86_400_000, (last - first) * 0.06)
  return scaleTime()
    .domain([first - pad, last + pad])
    .range([LEFT, WIDTH - RIGHT])
})
const y = computed(() => {
  const values = props.line.points.flatMap(({ value, cut }) => [value, ...(cut ? [cut.value] : [])])
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
const years = computed(() => x.value.ticks(4))
</script>

<template>
  <figure>
    <figcaption>{{ line.name }}</figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`${line.name}: ${line.points.map(say).join('; ')}`"
    >
      <g v-for="tick in y.ticks(4)" :key="tick">
        <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(tick)" :y2="y(tick)" class="grid" />
        <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end">{{ print(tick) }}</text>
      </g>
      <text v-for="tick in years" :key="tick.getTime()" :x="x(tick)" :y="HEIGHT - 8" text-anchor="middle">
        {{ tick.getUTCFullYear() }}
      </text>
      <path :d="path" class="way" />
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
