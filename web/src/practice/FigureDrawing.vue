<script setup lang="ts">
/** A person drawn from strokes with round ends, on the ground, with the bar or the line they work at. */
import type { Point, Shape } from '@able-gauge/core/drill'
import { computed } from 'vue'

const props = defineProps<{
  shapes: readonly Shape[]
  /** What is seen, in cm: from the left, from below, how wide, how high. */
  frame: readonly [left: number, bottom: number, width: number, height: number]
  /** Heights of bars, in cm. */
  bars?: readonly number[]
  label: string
  /** Looks to the right. */
  mirrored?: boolean
}>()

const at = ({ x, y }: Point): string => `${x.toFixed(1)} ${(-y).toFixed(1)}`
/** A stroke through three points bends so that it passes the one in the middle. */
const pathOf = ({ points }: Shape): string => {
  const [first, middle, last] = points
  if (!first) return ''
  if (!middle) return `M${at(first)}h0.01`
  if (!last) return `M${at(first)}L${at(middle)}`
  const bend = { x: 2 * middle.x - (first.x + last.x) / 2, y: 2 * middle.y - (first.y + last.y) / 2 }
  return `M${at(first)}Q${at(bend)} ${at(last)}`
}
const paths = computed(() =>
  props.shapes.map((shape) => ({ d: pathOf(shape), tone: shape.tone, width: shape.width.toFixed(1) })),
)
const box = computed(() => {
  const [left, bottom, width, height] = props.frame
  return `${left} ${-(bottom + height)} ${width} ${height}`
})
</script>

<template>
  <svg :class="{ mirrored }" :viewBox="box" role="img" :aria-label="label" preserveAspectRatio="xMidYMid meet">
    <rect :x="frame[0] - 500" y="0" :width="frame[2] + 1000" height="400" class="floor" />
    <slot name="behind" />
    <line :x1="frame[0] - 500" :x2="frame[0] + frame[2] + 500" y1="0" y2="0" class="ground" />
    <line v-for="bar in bars" :key="bar" x1="-62" x2="62" :y1="-bar" :y2="-bar" class="bar" />
    <path v-for="({ d, tone, width }, index) in paths" :key="index" :d="d" :stroke-width="width" :class="tone" />
    <slot />
  </svg>
</template>

<style scoped>
svg {
  overflow: hidden;
  display: block;
  width: 100%;
  height: 100%;
}
.mirrored {
  transform: scaleX(-1);
}
path {
  fill: none;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.body {
  stroke: var(--ink);
}
.near {
  stroke: var(--bar-2);
}
.far {
  stroke: var(--line-2);
}
.floor {
  fill: var(--sheet-2);
}
.ground {
  stroke: var(--line-2);
  stroke-width: 1.5;
}
.bar {
  stroke: var(--ink-2);
  stroke-width: 4;
  stroke-linecap: round;
}
</style>
