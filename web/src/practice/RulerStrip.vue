<script setup lang="ts">
/** A part of a ruler from above, with the fingers on it, or with marks that say what was where. */
import { printField } from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

const props = defineProps<{
  /** In mm, as on the ruler. */
  fromMm: number
  toMm: number
  /** What it says at the feet. */
  zeroMm: number
  stepMm: number
  /** Of the nearer and the other hand; null while they are not on it. */
  tipsMm?: readonly [near: number, far: number] | null
  marks?: readonly { readonly mm: number; readonly as: 'truth' | 'dart' | 'ahead' | 'read' }[]
  label: string
}>()

const [WIDTH, HEIGHT, TOP, BOTTOM] = [600, 118, 34, 84] as const
const CM = { unit: 'mm', shownIn: 'cm' } as const
const x = computed(() => scaleLinear([props.fromMm, props.toMm], [0, WIDTH]))
const every = (mm: number): number[] => {
  const first = Math.ceil(props.fromMm / mm)
  return Array.from({ length: Math.floor(props.toMm / mm) - first + 1 }, (_, at) => (first + at) * mm)
}
/** A number at the edge would be cut. */
const EDGE = 11
const labelled = computed(() => every(10).filter((mm) => x.value(mm) >= EDGE && x.value(mm) <= WIDTH - EDGE))
/** Finer than the eye can part is not drawn. */
const finest = computed(() => Math.max(props.stepMm, 2))
const isZeroSeen = computed(() => props.zeroMm > props.fromMm && props.zeroMm < props.toMm)
const hands = computed(() =>
  props.tipsMm
    ? [
        { tone: 'far', x: x.value(props.tipsMm[1]), y: TOP + 2 },
        { tone: 'near', x: x.value(props.tipsMm[0]), y: BOTTOM - 2 },
      ]
    : [],
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="label">
    <rect x="0" :y="TOP" :width="WIDTH" :height="BOTTOM - TOP" class="ruler" />
    <line v-for="mm in every(finest)" :key="mm" :x1="x(mm)" :x2="x(mm)" :y1="TOP" :y2="TOP + 8" />
    <line v-for="mm in every(10)" :key="`cm ${mm}`" :x1="x(mm)" :x2="x(mm)" :y1="TOP" :y2="TOP + 15" class="cm" />
    <template v-if="isZeroSeen">
      <line :x1="x(zeroMm)" :x2="x(zeroMm)" :y1="TOP - 22" :y2="BOTTOM + 8" class="zero" />
      <text :x="x(zeroMm) - 6" :y="TOP - 10" text-anchor="end" class="words">feet</text>
    </template>
    <path
      v-for="hand in hands"
      :key="hand.tone"
      :d="`M${hand.x - 120} ${hand.y}H${hand.x - 13}`"
      :class="['hand', hand.tone]"
    />
    <text v-for="mm in labelled" :key="`at ${mm}`" :x="x(mm)" :y="TOP + 33" text-anchor="middle" class="figures">
      {{ printField(mm, CM) }}
    </text>
    <g v-for="(mark, index) in marks" :key="index" :transform="`translate(${x(mark.mm)} 0)`" :class="`as-${mark.as}`">
      <path v-if="mark.as === 'read'" :d="`M0 ${BOTTOM + 2}l9 18h-18z`" />
      <path v-else :d="`M0 ${TOP - 2}l8 -17h-16z`" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: auto;
}
.ruler {
  fill: var(--sheet-2);
  stroke: var(--line-2);
}
line {
  stroke: var(--ink-2);
}
.cm {
  stroke: var(--ink);
  stroke-width: 2;
}
.zero {
  stroke: var(--ink);
  stroke-width: 4;
}
text {
  fill: var(--ink);
  font-size: 15px;
}
.words {
  font-weight: 650;
}
.hand {
  fill: none;
  stroke-width: 26;
  stroke-linecap: round;
}
.near {
  stroke: var(--bar-2);
}
.far {
  stroke: var(--line-2);
}
.as-truth path {
  fill: var(--ink);
}
.as-dart path,
.as-ahead path {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2.5;
}
.as-read path {
  fill: var(--accent, var(--bar-2));
}
</style>
