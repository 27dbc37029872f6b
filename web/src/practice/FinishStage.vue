<script setup lang="ts">
/** The last metres before the line, seen along it: runners come in bunches, and some bibs are half hidden. */
import type { FinishRunner } from '@able-gauge/core/drill'
import { useRafFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'

const props = defineProps<{
  runners: readonly FinishRunner[]
  startedAtMs: number | null
}>()

const clock = useAgreedClock()
const nowMs = ref(clock.nowMs())
useRafFn(() => (nowMs.value = clock.nowMs()))

const [WIDTH, HEIGHT, LINE, BEYOND] = [1_240, 290, 1_120, 120] as const
/** Of a runner in the drawing, per ms. */
const SPEED = 0.16
const STRIDE_MS = 330

const seen = computed(() => {
  const from = props.startedAtMs
  if (from === null) return []
  return props.runners
    .map((runner) => {
      const x = LINE + (nowMs.value - from - runner.crossesAtMs) * SPEED
      const step = Math.sin(((nowMs.value + runner.bib * 97) / STRIDE_MS) * Math.PI)
      return { runner, x, y: 96 + runner.across * 150, step }
    })
    .filter(({ x }) => x > -40 && x < LINE + BEYOND + 40)
    .sort((a, b) => a.y - b.y)
})
const coverOf = ({ hidden: [left, right] }: FinishRunner) => ({ x: -17 + left * 34, width: (right - left) * 34 })
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" aria-label="Runners come to the line">
    <rect x="0" y="70" :width="WIDTH" :height="HEIGHT - 78" class="track" />
    <rect :x="LINE - 3" y="62" width="6" :height="HEIGHT - 66" class="line" />
    <text :x="LINE" y="50" text-anchor="middle" class="words">finish</text>
    <g v-for="{ runner, x, y, step } in seen" :key="runner.bib" :transform="`translate(${x} ${y})`">
      <path :d="`M-4 8L${-4 - step * 13} 30M-4 8L${-4 + step * 13} 30`" class="leg" />
      <path :d="`M2 -24L${2 - step * 12} -6`" class="arm far" />
      <path d="M-3 8L4 -26" class="trunk" />
      <circle cx="8" cy="-42" r="9.5" class="head" />
      <g transform="translate(1 -13)">
        <rect x="-17" y="-11" width="34" height="22" rx="2" class="bib" />
        <text y="7" text-anchor="middle" class="number">{{ runner.bib }}</text>
        <rect
          v-if="runner.hidden[1] > 0"
          :x="coverOf(runner).x"
          y="-12"
          :width="coverOf(runner).width"
          height="24"
          class="cover"
        />
      </g>
    </g>
    <text v-if="startedAtMs === null" :x="WIDTH / 2" y="200" text-anchor="middle" class="words">
      They come when you have started the wave.
    </text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
}
.track {
  fill: var(--tint);
}
.line {
  fill: var(--ink);
}
.words {
  fill: var(--ink-2);
  font-size: 17px;
  font-weight: 650;
}
path {
  fill: none;
  stroke-linecap: round;
}
.trunk {
  stroke: var(--ink);
  stroke-width: 17;
}
.leg {
  stroke: var(--ink);
  stroke-width: 8;
}
.arm {
  stroke: var(--bar-2);
  stroke-width: 6;
}
.head {
  fill: var(--ink);
}
.bib {
  fill: #fff;
  stroke: var(--line-2);
}
.number {
  fill: #10201d;
  font: 700 19px var(--mono);
}
.cover {
  fill: var(--bar-2);
}
</style>
