<script setup lang="ts">
/** What one device observed of one person along the time: counted, refused, rested, crossed. */
import type { ReplayMoment } from '@able-gauge/core'
import { sayCapture } from '../ui/sayCapture.ts'

const props = defineProps<{
  moments: readonly ReplayMoment[]
  /** Where a moment stands across the drawing. */
  x: (atMs: number) => number
  toMs: number
  nowMs: number
  /** The lane's own upper edge and height. */
  top: number
  height: number
}>()

/** What is drawn for it: a tick that counts, one that was refused, a turn of the attempt, or a point. */
const lookOf = ({ capture }: ReplayMoment): 'tick' | 'refused' | 'caution' | 'turn' | 'point' => {
  switch (capture.kind) {
    case 'counted':
    case 'crossed':
    case 'lifted':
      return 'tick'
    case 'refused':
    case 'missed':
    case 'faulted':
      return 'refused'
    case 'cautioned':
      return 'caution'
    case 'started':
    case 'stopped':
    case 'restarted':
    case 'tookOver':
      return 'turn'
    default:
      return 'point'
  }
}
/** From each rest to its end. */
const rests = (): { from: number; to: number }[] =>
  props.moments.flatMap(({ capture, atMs }, at) => {
    if (capture.kind !== 'paused') return []
    const end = props.moments.slice(at + 1).find(({ capture: next }) => next.kind !== 'paused')?.atMs ?? props.toMs
    return [{ from: props.x(atMs), to: props.x(end) }]
  })
</script>

<template>
  <g>
    <rect
      v-for="rest in rests()"
      :key="rest.from"
      :x="rest.from"
      :width="Math.max(1, rest.to - rest.from)"
      :y="top + 9"
      :height="height - 18"
      class="rest"
    />
    <g v-for="moment in moments" :key="moment.id" :class="{ past: moment.atMs <= nowMs, undone: moment.isVoided }">
      <title>{{ sayCapture(moment.capture) }}{{ moment.isVoided ? ' (undone)' : '' }}</title>
      <rect
        v-if="lookOf(moment) === 'tick'"
        :x="x(moment.atMs) - 1.4"
        :y="top + 8"
        width="2.8"
        :height="height - 16"
        class="tick"
      />
      <rect
        v-else-if="lookOf(moment) === 'refused'"
        :x="x(moment.atMs) - 3"
        :y="top + 9"
        width="6"
        :height="height - 18"
        class="refused"
      />
      <path
        v-else-if="lookOf(moment) === 'caution'"
        :d="`M${x(moment.atMs)} ${top + 8}l6 ${height - 16}h-12z`"
        class="caution"
      />
      <line
        v-else-if="lookOf(moment) === 'turn'"
        :x1="x(moment.atMs)"
        :x2="x(moment.atMs)"
        :y1="top + 3"
        :y2="top + height - 3"
        class="turn"
      />
      <path v-else :d="`M${x(moment.atMs)} ${top + height / 2 - 5}l5 5l-5 5l-5 -5z`" class="point" />
    </g>
  </g>
</template>

<style scoped>
.tick,
.point {
  fill: var(--line-2);
}
.past .tick {
  fill: var(--met);
}
.past .point {
  fill: var(--bar-2);
}
.refused {
  fill: var(--sheet);
  stroke: var(--line-2);
  stroke-width: 1.6;
}
.past .refused {
  stroke: var(--short);
}
.caution {
  fill: var(--decide-tint);
  stroke: var(--line-2);
}
.past .caution {
  stroke: var(--decide);
}
.turn {
  stroke: var(--line-2);
  stroke-width: 2;
}
.past .turn {
  stroke: var(--ink);
}
.undone {
  opacity: 0.35;
}
.rest {
  fill: var(--tint);
}
</style>
