<script setup lang="ts">
/** A rate on a ruled strip: its marker, the range chance allows, and where four fifths of the highest lie. Nothing where there are too few. */
import type { ComparedGroup } from '@able-gauge/core/statistics'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

const props = defineProps<{
  group: ComparedGroup
  /** As a share; null where nothing is held against. */
  fourFifths: number | null
}>()

const [WIDTH, HEIGHT] = [260, 22]
const x = scaleLinear([0, 1], [8, WIDTH - 8])
const says = computed(() => {
  const { name, rate, interval, reading } = props.group
  if (reading === 'tooFew') return `${name}: too few to say`
  const [low, high] = [interval.low, interval.high].map((share) => Math.round(100 * share))
  return `${name}: ${Math.round(100 * rate)} %, 95 % between ${low} and ${high} %`
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="says">
    <line :x1="x(0)" :x2="x(1)" y1="11" y2="11" class="rule" />
    <line v-if="fourFifths !== null" :x1="x(fourFifths)" :x2="x(fourFifths)" y1="1" y2="21" class="fifths" />
    <template v-if="group.reading !== 'tooFew'">
      <path :d="`M${x(group.interval.low)} 5v12m0 -6H${x(group.interval.high)}m0 -6v12`" class="interval" />
      <rect :x="x(group.rate) - 5" y="3" width="10" height="16" rx="2" class="rate" />
    </template>
    <text v-else :x="x(0)" y="9" class="few">too few to say</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.rule {
  stroke: var(--line-2);
}
.fifths {
  stroke: var(--decide-edge);
  stroke-width: 1.5;
  stroke-dasharray: 3 2;
}
.interval {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.rate {
  fill: var(--vest);
  stroke: #10201d;
  stroke-width: 1.8;
}
.few {
  fill: var(--ink-2);
  font-size: 11px;
}
</style>
