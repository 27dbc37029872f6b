<script setup lang="ts">
/** An event year by year: the mean figure as a line, and the share that met it below each year. */
import { type InsightEvent, type YearMean } from '@able-gauge/core'
import { scaleLinear, scalePoint } from 'd3-scale'
import { line as lineThrough } from 'd3-shape'
import { computed } from 'vue'
import { printMean } from './eventWords.ts'

const props = defineProps<{ years: readonly YearMean[]; event: InsightEvent }>()

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [420, 220, 70, 20, 24, 58] as const
const x = computed(() =>
  scalePoint(
    props.years.map(({ year }) => year),
    [LEFT + 10, WIDTH - RIGHT - 10],
  ),
)
const y = computed(() => {
  const means = props.years.map(({ mean }) => mean)
  const [least, most] = [Math.min(...means), Math.max(...means)]
  const pad = Math.max((most - least) * 0.4, most * 0.01)
  // better is always up
  const range: [number, number] = props.event.sense === 'atMost' ? [TOP, HEIGHT - BOTTOM] : [HEIGHT - BOTTOM, TOP]
  return scaleLinear([least - pad, most + pad], range)
})
const at = (year: string): number => x.value(year) ?? LEFT
const path = computed(
  () =>
    lineThrough<YearMean>()
      .x(({ year }) => at(year))
      .y(({ mean }) => y.value(mean))([...props.years]) ?? '',
)
const shareOf = ({ met, of }: YearMean): string => (of === 0 ? '' : `${Math.round((100 * met) / of)} %`)
const says = computed(() =>
  props.years.map((one) => `${one.year}: ${printMean(one.mean, props.event.unit)}, ${shareOf(one)} met it`).join('; '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="says">
    <path :d="path" class="way" />
    <g v-for="one in years" :key="one.year">
      <rect
        :x="at(one.year) - 5"
        :y="y(one.mean) - 5"
        width="10"
        height="10"
        :transform="`rotate(45 ${at(one.year)} ${y(one.mean)})`"
        class="mean"
      />
      <text :x="at(one.year)" :y="y(one.mean) - 12" text-anchor="middle" class="figure">
        {{ printMean(one.mean, event.unit) }}
      </text>
      <text :x="at(one.year)" :y="HEIGHT - 34" text-anchor="middle">{{ one.year }}</text>
      <text :x="at(one.year)" :y="HEIGHT - 14" text-anchor="middle" class="figure">{{ shareOf(one) }}</text>
    </g>
    <text x="0" :y="HEIGHT - 14">met it</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.way {
  fill: none;
  stroke: var(--bar-2);
  stroke-width: 2;
}
.mean {
  fill: var(--bar-2);
}
text {
  font-size: 13px;
  fill: var(--ink-2);
}
.figure {
  font: 650 13px var(--mono);
  fill: var(--ink);
}
</style>
