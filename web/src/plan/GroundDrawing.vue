<script setup lang="ts">
/** The ground of one event, to scale: lap, turn, lines or step, with the start line where it has to be. */
import { printLength, type SetOut } from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

const props = defineProps<{
  set: SetOut
}>()

const [WIDTH, PAD] = [560, 34]
/** A loop needs more room than a line. */
const HEIGHT = computed(() => (props.set.ground.shape === 'loop' ? 290 : 170))

/** A track has straights and half circles of the same length, as most have: 2 straights and 2 bends of a quarter each. */
const lap = computed(() => {
  const { lengthMm } = props.set.ground
  const straightMm = lengthMm / 4
  const radiusMm = lengthMm / 4 / Math.PI
  const scale = scaleLinear()
    .domain([0, straightMm + 2 * radiusMm])
    .range([0, WIDTH - 2 * PAD])
  const [straight, radius] = [scale(straightMm), scale(radiusMm)]
  const middle = HEIGHT.value / 2
  const [left, right, top, bottom] = [PAD + radius, PAD + radius + straight, middle - radius, middle + radius]
  const path = `M${left} ${bottom} H${right} A${radius} ${radius} 0 0 0 ${right} ${top} H${left} A${radius} ${radius} 0 0 0 ${left} ${bottom} Z`
  /** Where somebody is who has so far to go to the finish line, which stands at the right end of the lower straight. */
  const pointBefore = (beforeMm: number): { x: number; y: number; turn: number } => {
    const at = beforeMm % lengthMm
    if (at <= straightMm) return { x: right - scale(at), y: bottom, turn: 0 }
    const bend = straightMm
    if (at <= straightMm + bend) {
      const angle = ((at - straightMm) / bend) * Math.PI
      return {
        x: left - radius * Math.sin(angle),
        y: middle + radius * Math.cos(angle),
        turn: (angle * 180) / Math.PI,
      }
    }
    if (at <= 2 * straightMm + bend) return { x: left + scale(at - straightMm - bend), y: top, turn: 180 }
    const angle = ((at - 2 * straightMm - bend) / bend) * Math.PI
    return {
      x: right + radius * Math.sin(angle),
      y: middle - radius * Math.cos(angle),
      turn: 180 + (angle * 180) / Math.PI,
    }
  }
  return { path, finish: pointBefore(0), start: pointBefore(props.set.startBeforeFinishMm ?? 0) }
})

const line = computed(() => {
  const { lengthMm, shape } = props.set.ground
  const x = scaleLinear()
    .domain([0, lengthMm])
    .range([PAD, WIDTH - PAD])
  const before = props.set.startBeforeFinishMm ?? 0
  const start = shape === 'outAndBack' ? (before <= lengthMm ? before : 2 * lengthMm - before) : 0
  return { x, start }
})
/** A scale bar of a round length. */
const bar = computed(() => {
  const { lengthMm, shape } = props.set.ground
  const perMm =
    shape === 'loop' ? (WIDTH - 2 * PAD) / (lengthMm / 4 + lengthMm / 2 / Math.PI) : (WIDTH - 2 * PAD) / lengthMm
  const rounds = [10, 50, 100, 500, 1_000, 5_000, 10_000, 50_000, 100_000, 500_000, 1_000_000]
  const mm = rounds.findLast((round) => round * perMm <= 140) ?? lengthMm
  return { mm, width: mm * perMm }
})
const label = computed(
  () => `The ground to scale: ${props.set.ground.shape}, ${printLength(props.set.ground.lengthMm)}`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="label">
    <template v-if="set.ground.shape === 'loop'">
      <path :d="lap.path" class="way" />
      <g
        v-if="set.startBeforeFinishMm"
        :transform="`translate(${lap.start.x}, ${lap.start.y}) rotate(${lap.start.turn})`"
      >
        <line y1="-13" y2="13" class="start" />
      </g>
      <text v-if="set.startBeforeFinishMm" :x="lap.start.x" :y="lap.start.y - 18" text-anchor="middle">start</text>
      <line :x1="lap.finish.x" :x2="lap.finish.x" :y1="lap.finish.y - 13" :y2="lap.finish.y + 13" class="finish" />
      <text :x="lap.finish.x" :y="lap.finish.y + 28" text-anchor="middle">
        {{ set.startBeforeFinishMm ? 'finish' : 'start and finish' }}
      </text>
    </template>
    <template v-else-if="set.ground.shape === 'step'">
      <path :d="`M${PAD} 150 H200 V60 H360 V150 H${WIDTH - PAD}`" class="way" />
      <text x="280" y="112" text-anchor="middle">{{ printLength(set.ground.lengthMm) }}</text>
    </template>
    <template v-else>
      <line :x1="line.x(0)" :x2="line.x(set.ground.lengthMm)" :y1="HEIGHT / 2" :y2="HEIGHT / 2" class="way" />
      <line :x1="line.x(0)" :x2="line.x(0)" :y1="HEIGHT / 2 - 26" :y2="HEIGHT / 2 + 26" class="finish" />
      <line
        :x1="line.x(set.ground.lengthMm)"
        :x2="line.x(set.ground.lengthMm)"
        :y1="HEIGHT / 2 - 26"
        :y2="HEIGHT / 2 + 26"
        :class="set.ground.shape === 'straight' ? 'finish' : 'start'"
      />
      <line
        v-if="set.ground.shape === 'outAndBack' && line.start > 0"
        :x1="line.x(line.start)"
        :x2="line.x(line.start)"
        :y1="HEIGHT / 2 - 18"
        :y2="HEIGHT / 2 + 18"
        class="start"
      />
      <text
        v-if="set.ground.shape === 'outAndBack' && line.start > 0"
        :x="line.x(line.start)"
        :y="HEIGHT / 2 - 26"
        text-anchor="middle"
      >
        start
      </text>
      <text :x="line.x(0)" :y="HEIGHT / 2 + 46" text-anchor="start">
        {{ set.ground.shape === 'outAndBack' ? 'finish' : set.ground.shape === 'straight' ? 'start' : 'line' }}
      </text>
      <text :x="line.x(set.ground.lengthMm)" :y="HEIGHT / 2 + 46" text-anchor="end">
        {{ set.ground.shape === 'outAndBack' ? 'turn' : set.ground.shape === 'straight' ? 'finish' : 'line' }}
      </text>
    </template>
    <g
      v-if="set.ground.shape !== 'step'"
      :transform="
        set.ground.shape === 'loop'
          ? `translate(${WIDTH / 2 - bar.width / 2 - 20}, ${HEIGHT / 2})`
          : 'translate(34, 14)'
      "
    >
      <path :d="`M0 0 v6 h${bar.width} v-6`" class="scale" />
      <text :x="bar.width + 8" y="7">{{ printLength(bar.mm) }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 560px;
  display: block;
}
.way {
  fill: none;
  stroke: var(--bar-2);
  stroke-width: 7;
}
.finish {
  stroke: var(--ink);
  stroke-width: 4;
}
.start {
  stroke: var(--ink);
  stroke-width: 4;
  stroke-dasharray: 4 3;
}
.scale {
  fill: none;
  stroke: var(--ink-2);
}
text {
  font: 600 14px var(--bs-body-font-family);
  fill: var(--ink);
}
</style>
