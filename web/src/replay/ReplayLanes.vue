<script setup lang="ts">
/** What was observed of each person along the time: counted, refused, rested, crossed; a lane for each device where there are two. */
import type { Mark, ReplayMoment } from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { shortName, type Entry } from '../day/day.ts'
import { sayCapture } from '../ui/sayCapture.ts'

const props = defineProps<{
  entries: readonly Entry[]
  moments: readonly ReplayMoment[]
  fromMs: number
  toMs: number
  nowMs: number
  /** What is told of somebody now. */
  sayMark: (entryId: string) => string
  marks: ReadonlyMap<string, Mark>
}>()
const emit = defineEmits<{ goTo: [atMs: number]; choose: [entryId: string] }>()

const [WIDTH, LEFT, RIGHT] = [960, 150, 130] as const
const x = computed(() => scaleLinear([props.fromMs, props.toMs], [LEFT, WIDTH - RIGHT]).clamp(true))

interface Lane {
  readonly entry: Entry
  readonly device: string
  readonly isFirst: boolean
  readonly devices: number
  readonly moments: readonly ReplayMoment[]
}
const lanes = computed((): Lane[] =>
  props.entries.flatMap((entry) => {
    const own = props.moments.filter(({ entryId }) => entryId === entry.id)
    const devices = [...new Set(own.map(({ deviceId }) => deviceId))]
    return devices.map((device, at) => ({
      entry,
      device,
      isFirst: at === 0,
      devices: devices.length,
      moments: own.filter(({ deviceId }) => deviceId === device),
    }))
  }),
)
/** A few lanes are drawn large. */
const row = computed(() => (lanes.value.length <= 2 ? 84 : lanes.value.length <= 8 ? 50 : 34))
const height = computed(() => lanes.value.length * row.value + 4)
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
const rests = (moments: readonly ReplayMoment[]): { from: number; to: number }[] =>
  moments.flatMap(({ capture, atMs }, at) => {
    if (capture.kind !== 'paused') return []
    const end = moments.slice(at + 1).find(({ capture: next }) => next.kind !== 'paused')?.atMs ?? props.toMs
    return [{ from: x.value(atMs), to: x.value(end) }]
  })
const isPast = ({ atMs }: ReplayMoment): boolean => atMs <= props.nowMs
const press = (event: MouseEvent): void => {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  emit('goTo', x.value.invert(((event.clientX - box.left) / box.width) * WIDTH))
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${height}`"
    role="img"
    :aria-label="`${entries.length} people, what was observed of each along the time`"
    @click="press"
  >
    <g v-for="({ entry, device, isFirst, devices, moments: own }, at) in lanes" :key="`${entry.id} ${device}`">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="at * row + row / 2" :y2="at * row + row / 2" class="lane" />
      <text v-if="isFirst" x="0" :y="at * row + row / 2 + 4" class="who" @click.stop="emit('choose', entry.id)">
        {{ entry.bib }} {{ shortName(entry).slice(0, 16) }}
      </text>
      <text v-else x="16" :y="at * row + row / 2 + 4" class="device">{{ device.slice(0, 18) }}</text>
      <rect
        v-for="rest in rests(own)"
        :key="rest.from"
        :x="rest.from"
        :width="Math.max(1, rest.to - rest.from)"
        :y="at * row + 9"
        :height="row - 18"
        class="rest"
      />
      <g v-for="moment in own" :key="moment.id" :class="{ past: isPast(moment), undone: moment.isVoided }">
        <title>{{ sayCapture(moment.capture) }}{{ moment.isVoided ? ' (undone)' : '' }}</title>
        <rect
          v-if="lookOf(moment) === 'tick'"
          :x="x(moment.atMs) - 1.4"
          :y="at * row + 8"
          width="2.8"
          :height="row - 16"
          class="tick"
        />
        <rect
          v-else-if="lookOf(moment) === 'refused'"
          :x="x(moment.atMs) - 3"
          :y="at * row + 9"
          width="6"
          :height="row - 18"
          class="refused"
        />
        <path
          v-else-if="lookOf(moment) === 'caution'"
          :d="`M${x(moment.atMs)} ${at * row + 8}l6 ${row - 16}h-12z`"
          class="caution"
        />
        <line
          v-else-if="lookOf(moment) === 'turn'"
          :x1="x(moment.atMs)"
          :x2="x(moment.atMs)"
          :y1="at * row + 3"
          :y2="at * row + row - 3"
          class="turn"
        />
        <path v-else :d="`M${x(moment.atMs)} ${at * row + row / 2 - 5}l5 5l-5 5l-5 -5z`" class="point" />
      </g>
      <text v-if="isFirst" :x="WIDTH - RIGHT + 10" :y="at * row + row / 2 + 4" class="figure">
        {{ sayMark(entry.id) }}
      </text>
      <text v-else-if="devices > 1" :x="WIDTH - RIGHT + 10" :y="at * row + row / 2 + 4" class="device">beside it</text>
    </g>
    <line :x1="x(nowMs)" :x2="x(nowMs)" y1="0" :y2="height" class="now" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  cursor: pointer;
}
.lane {
  stroke: var(--line);
}
text {
  font-size: 13px;
  fill: var(--ink);
}
.who {
  font-weight: 650;
  text-decoration: underline;
  text-decoration-color: var(--line-2);
}
.device {
  font-size: 11px;
  fill: var(--ink-2);
}
.figure {
  font: 650 14px var(--mono);
}
g {
  opacity: 1;
}
.tick {
  fill: var(--line-2);
}
.past .tick {
  fill: var(--met);
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
.point {
  fill: var(--line-2);
}
.past .point {
  fill: var(--bar-2);
}
.undone {
  opacity: 0.35;
}
.rest {
  fill: var(--tint);
}
.now {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
