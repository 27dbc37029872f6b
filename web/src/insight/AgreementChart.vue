<script setup lang="ts">
/** What was measured twice: the difference of each pair over its mean, with the mean difference and the limits of agreement. */
import type { AgreementShape, RepeatPoint, Unit } from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { printMean, printRough } from './eventWords.ts'

const props = defineProps<{
  points: readonly RepeatPoint[]
  agreement: AgreementShape
  unit: Unit
}>()

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [640, 310, 64, 96, 22, 48] as const
/** Pairs that lie on one another are one square, the larger the more they are. */
const pairs = computed(() => {
  const together = new Map<string, { mean: number; apart: number; times: number }>()
  for (const { first, second } of props.points) {
    const key = `${first} ${second}`
    const known = together.get(key) ?? { mean: (first + second) / 2, apart: first - second, times: 0 }
    together.set(key, { ...known, times: known.times + 1 })
  }
  return [...together.values()].map((pair) => ({ ...pair, size: Math.min(16, 5.2 * Math.sqrt(pair.times)) }))
})
const x = computed(() => {
  const means = pairs.value.map(({ mean }) => mean)
  return scaleLinear([Math.min(...means), Math.max(...means)], [LEFT + 12, WIDTH - RIGHT - 12]).nice()
})
const y = computed(() => {
  const { limits } = props.agreement
  const all = [...pairs.value.map(({ apart }) => apart), limits.low, limits.high, 0]
  return scaleLinear([Math.min(...all), Math.max(...all)], [HEIGHT - BOTTOM, TOP]).nice()
})
const lines = computed(() => {
  const { meanDifference, limits } = props.agreement
  const all = [
    { at: limits.high, kind: 'limit' },
    { at: meanDifference, kind: 'mean' },
    { at: limits.low, kind: 'limit' },
  ]
  return all.map((line) => ({ ...line, says: printMean(line.at, props.unit) }))
})
const range = computed(() => {
  const [from = 0, to = 1] = x.value.domain()
  return to - from
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="`Differences of ${points.length} pairs: ${lines.map(({ says }) => says).join(', ')}`"
  >
    <rect
      :x="LEFT"
      :width="WIDTH - LEFT - RIGHT"
      :y="y(agreement.limits.high)"
      :height="Math.max(0, y(agreement.limits.low) - y(agreement.limits.high))"
      class="band"
    />
    <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(0)" :y2="y(0)" class="zero" />
    <g v-for="{ at, kind, says } in lines" :key="at">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(at)" :y2="y(at)" :class="kind" />
      <text :x="WIDTH - RIGHT + 6" :y="y(at) + 4">{{ says }}</text>
    </g>
    <rect
      v-for="({ mean, apart, size }, index) in pairs"
      :key="index"
      :x="x(mean) - size / 2"
      :y="y(apart) - size / 2"
      :width="size"
      :height="size"
      class="pair"
    />
    <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="HEIGHT - BOTTOM + 4" :y2="HEIGHT - BOTTOM + 4" class="axis" />
    <text v-for="tick in x.ticks(5)" :key="tick" :x="x(tick)" :y="HEIGHT - BOTTOM + 22" text-anchor="middle">
      {{ printRough(tick, unit, range) }}
    </text>
    <text :x="LEFT - 8" :y="y(0) + 4" text-anchor="end">0</text>
    <text :x="(LEFT + WIDTH - RIGHT) / 2" :y="HEIGHT - 4" text-anchor="middle" class="axis-name">mean of both</text>
    <text x="0" y="12" class="axis-name">first less second</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.band {
  fill: var(--tint);
  opacity: 0.6;
}
.zero,
.axis {
  stroke: var(--line-2);
}
.mean {
  stroke: var(--ink);
  stroke-width: 2;
}
.limit {
  stroke: var(--ink);
  stroke-dasharray: 5 3;
}
.pair {
  fill: var(--bar-2);
  stroke: var(--sheet);
  stroke-width: 0.6;
}
text {
  font: 12.5px var(--mono);
  fill: var(--ink-2);
}
.axis-name {
  font-family: inherit;
}
</style>
