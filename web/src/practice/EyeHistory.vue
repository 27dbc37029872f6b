<script setup lang="ts">
/** A grader's marks over weeks, with what the house asks. */
import { printDate, type DrillResult } from '@able-gauge/core'
import { isMovement, type Practised } from '@able-gauge/core/drill'
import { scaleLinear, scaleTime } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import { useHouseRules } from '../day/houseRules.ts'
import { PRACTISED_NAMES } from './practisedNames.ts'

const props = defineProps<{
  what: Practised
  /** Of everything, newest first. */
  drills: readonly DrillResult[]
}>()

const house = useHouseRules()
const MOST = 40
const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [420, 150, 34, 10, 14, 24] as const
const marks = computed(() =>
  props.drills
    .flatMap((drill) => (drill.what === props.what && drill.mark !== null ? [{ ...drill, mark: drill.mark }] : []))
    .slice(0, MOST)
    .reverse(),
)
const x = computed(() => {
  const times = marks.value.map(({ doneAtMs }) => doneAtMs)
  const [first, last] = [Math.min(...times), Math.max(...times)]
  return scaleTime([first, Math.max(last, first + 1)], [LEFT + 8, WIDTH - RIGHT - 8])
})
const y = scaleLinear([0, 1], [HEIGHT - BOTTOM, TOP]).clamp(true)
const way = computed(() =>
  line<(typeof marks.value)[number]>(
    ({ doneAtMs }) => x.value(doneAtMs),
    ({ mark }) => y(mark),
  )(marks.value),
)
const asked = computed(() => {
  const rule = house.rules?.practice
  return rule && isMovement(props.what) ? rule.atLeastHundredths / 100 : null
})
const dateOf = (ms: number): string => printDate(new Date(ms).toISOString().slice(0, 10))
</script>

<template>
  <section v-if="marks.length > 1" class="sheet">
    <h2>{{ PRACTISED_NAMES[what] }}, set by set</h2>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`${marks.length} sets, the last ${marks.at(-1)?.mark.toFixed(2)}`"
    >
      <g v-for="tick in [0, 0.5, 1]" :key="tick">
        <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(tick)" :y2="y(tick)" class="grid" />
        <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end" class="figures">{{ tick.toFixed(1) }}</text>
      </g>
      <line v-if="asked !== null" :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(asked)" :y2="y(asked)" class="asked" />
      <path :d="way ?? ''" />
      <rect
        v-for="{ id, doneAtMs, mark, level } in marks"
        :key="id"
        x="-4"
        y="-4"
        width="8"
        height="8"
        :transform="`translate(${x(doneAtMs)} ${y(mark)}) rotate(45)`"
      >
        <title>{{ dateOf(doneAtMs) }}, level {{ level }}: {{ mark.toFixed(2) }}</title>
      </rect>
      <text v-if="asked !== null" :x="WIDTH - RIGHT" :y="y(asked) + 16" text-anchor="end" class="asked-words">
        {{ asked.toFixed(2) }} asked by the house
      </text>
      <text :x="LEFT" :y="HEIGHT - 6">{{ dateOf(marks[0]?.doneAtMs ?? 0) }}</text>
      <text :x="WIDTH - RIGHT" :y="HEIGHT - 6" text-anchor="end">{{ dateOf(marks.at(-1)?.doneAtMs ?? 0) }}</text>
    </svg>
  </section>
</template>

<style scoped>
.sheet {
  padding: 14px 18px;
}
h2 {
  font-size: 1.1875rem;
  margin: 0 0 6px;
}
svg {
  width: 100%;
  max-width: 620px;
}
text {
  font-size: 12px;
  fill: var(--ink-2);
}
.grid {
  stroke: var(--line);
}
.asked {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.asked-words {
  fill: var(--ink);
  font-weight: 700;
  stroke: var(--sheet);
  stroke-width: 4px;
  paint-order: stroke;
}
path {
  fill: none;
  stroke: var(--met);
  stroke-width: 1.5;
}
rect {
  fill: var(--met);
}
</style>
