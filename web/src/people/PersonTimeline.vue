<script setup lang="ts">
/** All events of a person on one time axis, each as the distance to the cut of its day: above the line met it. */
import { printDate, printPoints, printQuantity, type PersonTest } from '@able-gauge/core'
import { scaleLinear, scaleUtc } from 'd3-scale'
import { utcYear } from 'd3-time'
import { computed } from 'vue'
import { changeOf, lanesOf, type Lane, type LanePoint, type Noise } from './personLanes.ts'
import type { PersonLine } from './personLines.ts'

const props = defineProps<{
  lines: readonly PersonLine[]
  tests: readonly PersonTest[]
  /** How large a change has to be to be more than noise, by event; empty until it is known. */
  noise: Noise
}>()

const [WIDTH, LEFT, RIGHT, ROW, BOTTOM] = [960, 150, 170, 76, 26] as const
const lanes = computed(() => lanesOf(props.lines, props.tests, props.noise))
const height = computed(() => lanes.value.length * ROW + BOTTOM)
const momentOf = (date: string): Date => new Date(`${date}T00:00:00Z`)
const x = computed(() => {
  const times = lanes.value.flatMap(({ points }) => points.map(({ date }) => momentOf(date).getTime()))
  const [first, last] = [Math.min(...times), Math.max(...times)]
  const pad = Math.max(20 * 86_400_000, (last - first) * 0.03)
  return scaleUtc([first - pad, last + pad], [LEFT, WIDTH - RIGHT])
})
const years = computed(() =>
  x.value.ticks(utcYear).map((at) => ({ at: x.value(at), year: String(at.getUTCFullYear()) })),
)
/** Better is up, the cut in the middle unless everybody lies on one side of it. */
const yOf = (lane: Lane) => {
  const all = [
    ...lane.points.map(({ height: h }) => h),
    ...lane.levels.map(({ at }) => at),
    ...(lane.hasCut ? [0] : []),
  ]
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const pad = Math.max((most - least) * 0.12, 1)
  return scaleLinear([least - pad, most + pad], [ROW - 12, 10])
}
const drawn = computed(() =>
  lanes.value.map((lane, at) => {
    const y = yOf(lane)
    const top = at * ROW
    const official = lane.points.filter(({ own }) => !own)
    const place = (point: LanePoint) => ({ x: x.value(momentOf(point.date)), y: top + y(point.height) })
    return {
      lane,
      top,
      base: lane.hasCut ? top + y(0) : null,
      points: lane.points.map((point) => ({ point, ...place(point) })),
      way: official
        .map(place)
        .map((p, index) => `${index === 0 ? 'M' : 'L'}${p.x} ${p.y}`)
        .join(''),
      band: bandOf(lane, top, y),
      levels: lane.levels.map(({ name, at: level }) => ({ name, y: top + y(level) })),
      change: changeOf(lane),
    }
  }),
)
/** Round the figure before the last: within it the last one may be noise. */
const bandOf = (lane: Lane, top: number, y: (value: number) => number) => {
  const official = lane.points.filter(({ own }) => !own)
  const [before, last] = official.slice(-2)
  if (!before || !last || lane.real === null) return null
  // as high as it would stand against the cut of the last day
  const at = last.height + (lane.isLessBetter ? last.value - before.value : before.value - last.value)
  const [high, low] = [top + y(at + lane.real), top + y(at - lane.real)]
  const [from, to] = [x.value(momentOf(before.date)), x.value(momentOf(last.date))]
  return {
    x: from,
    width: to - from,
    y: Math.max(top + 2, high),
    height: Math.min(top + ROW - 4, low) - Math.max(top + 2, high),
  }
}
const print = (lane: Lane, value: number): string =>
  lane.unit === null ? printPoints(value) : printQuantity(value, lane.unit)
const say = (lane: Lane, { date, value, cut, about }: LanePoint): string =>
  `${printDate(date)}: ${print(lane, value)}${cut === null ? '' : `, asked ${print(lane, cut)}`}, ${about}`
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${height}`"
    role="img"
    :aria-label="drawn.map(({ lane }) => `${lane.name}: ${lane.points.map((p) => say(lane, p)).join('; ')}`).join('. ')"
  >
    <g v-for="{ at, year } in years" :key="year">
      <line :x1="at" :x2="at" y1="0" :y2="height - BOTTOM" class="year" />
      <text :x="at + 4" :y="height - 8">{{ year }}</text>
    </g>
    <g v-for="{ lane, top, base, points, way, band, levels, change } in drawn" :key="lane.key">
      <line x1="0" :x2="WIDTH" :y1="top + ROW - 1" :y2="top + ROW - 1" class="between" />
      <rect
        v-if="base !== null"
        :x="LEFT"
        :y="top + 1"
        :width="WIDTH - LEFT - RIGHT"
        :height="Math.max(0, base - top - 1)"
        class="met-side"
      />
      <rect v-if="band" :x="band.x" :y="band.y" :width="band.width" :height="Math.max(0, band.height)" class="noise" />
      <line v-if="base !== null" :x1="LEFT" :x2="WIDTH - RIGHT" :y1="base" :y2="base" class="cut" />
      <g v-for="level in levels" :key="level.name">
        <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="level.y" :y2="level.y" class="level" />
        <text :x="LEFT + 4" :y="level.y - 3" class="level-name">{{ level.name }}</text>
      </g>
      <text x="0" :y="top + ROW / 2 - 2" class="name">{{ lane.name }}</text>
      <text v-if="lane.asked !== null" x="0" :y="top + ROW / 2 + 15" class="asked">
        asked {{ print(lane, lane.asked) }}
      </text>
      <path :d="way" class="way" />
      <rect
        v-for="{ point, x: px, y: py } in points"
        :key="`${point.date} ${point.value} ${point.own}`"
        :x="px - 4.5"
        :y="py - 4.5"
        width="9"
        height="9"
        :transform="`rotate(45 ${px} ${py})`"
        :class="point.own ? 'own' : point.state"
      >
        <title>{{ say(lane, point) }}</title>
      </rect>
      <text :x="WIDTH - RIGHT + 12" :y="top + ROW / 2 - 2" class="figure">
        {{ lane.last === null ? '' : print(lane, lane.last.value) }}
      </text>
      <text :x="WIDTH - RIGHT + 12" :y="top + ROW / 2 + 15" class="asked">{{ lane.last?.className || change }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
text {
  font-size: 13px;
  fill: var(--ink-2);
}
.name {
  font-weight: 650;
  font-size: 14px;
  fill: var(--ink);
}
.figure {
  font: 650 15px var(--mono);
  fill: var(--ink);
}
.year {
  stroke: var(--line);
}
.between {
  stroke: var(--line);
}
.met-side {
  fill: var(--tint);
  opacity: 0.55;
}
.noise {
  fill: var(--decide-tint);
  stroke: var(--decide-edge);
  stroke-width: 0.7;
}
.cut {
  stroke: var(--ink);
  stroke-width: 2;
}
.level {
  stroke: var(--line-2);
  stroke-dasharray: 4 3;
}
.level-name {
  font-size: 11px;
}
.way {
  fill: none;
  stroke: var(--bar-2);
  stroke-width: 1.5;
}
.good {
  fill: var(--met);
}
.short,
.decide {
  fill: var(--sheet);
  stroke: var(--short);
  stroke-width: 2;
}
.decide {
  stroke: var(--decide);
  stroke-dasharray: 2 1.5;
}
.own {
  fill: var(--sheet);
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
</style>
