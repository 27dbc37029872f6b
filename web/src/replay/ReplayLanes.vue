<script setup lang="ts">
/** What was observed of each person along the time, a lane for each device that observed, side by side where two counted. */
import type { CountOnDevice, Difference, ReplayMoment } from '@able-gauge/core'
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, useTemplateRef } from 'vue'
import { shortName, type Entry } from '../day/day.ts'
import ReplayLane from './ReplayLane.vue'

const props = defineProps<{
  entries: readonly Entry[]
  moments: readonly ReplayMoment[]
  fromMs: number
  toMs: number
  nowMs: number
  /** What is told of somebody now. */
  sayMark: (entryId: string) => string
  /** Of whom several devices counted: each device's count now, the one that stands first. */
  counts: ReadonlyMap<string, readonly CountOnDevice[]>
  differences: readonly Difference[]
  /** Who graded somebody on a device. */
  graderOn: (entryId: string, deviceId: string) => string
}>()
const emit = defineEmits<{ goTo: [atMs: number]; choose: [entryId: string] }>()

/** Narrower than this, names and figures stand above their lanes. */
const NARROW = 600
const { width: available } = useElementSize(useTemplateRef<HTMLElement>('frame'))
const width = computed(() => available.value || 960)
const isNarrow = computed(() => width.value < NARROW)
/** Where the time begins and ends across the drawing. */
const left = computed(() => (isNarrow.value ? 6 : 180))
const right = computed(() => width.value - (isNarrow.value ? 6 : 150))
const x = computed(() => scaleLinear([props.fromMs, props.toMs], [left.value, right.value]).clamp(true))

interface Lane {
  readonly entry: Entry
  readonly device: string
  readonly isFirst: boolean
  /** Whether several devices counted. */
  readonly isBeside: boolean
  readonly moments: readonly ReplayMoment[]
}
const lanes = computed((): Lane[] =>
  props.entries.flatMap((entry) => {
    const own = props.moments.filter(({ entryId }) => entryId === entry.id)
    const counted = props.counts.get(entry.id)?.map(({ deviceId }) => deviceId) ?? []
    const devices = [...new Set([...counted, ...own.map(({ deviceId }) => deviceId)])]
    return devices.map((device, at) => ({
      entry,
      device,
      isFirst: at === 0,
      isBeside: counted.length > 1,
      moments: own.filter(({ deviceId }) => deviceId === device),
    }))
  }),
)
/** A few lanes are drawn large. */
const laneHeight = computed(() => (lanes.value.length <= 2 ? 84 : lanes.value.length <= 8 ? 50 : 34))
const labelHeight = computed(() => (isNarrow.value ? 18 : 0))
const row = computed(() => laneHeight.value + labelHeight.value)
const height = computed(() => lanes.value.length * row.value + 4)
const top = (at: number): number => at * row.value + labelHeight.value
const middle = (at: number): number => top(at) + laneHeight.value / 2
/** Where a line of a label stands: above its lane, or beside it in one line of two. */
const labelAt = (at: number, line: 'only' | 'first' | 'second'): number =>
  isNarrow.value ? top(at) - 4 : middle(at) + { only: 4, first: -4, second: 12 }[line]

/** Where two lanes of one person differ: from the middle of one to the middle of the other. */
const bridges = computed(() =>
  props.differences.flatMap(({ entryId, holder, deviceId, atMs }) => {
    const laneOf = (device: string): number =>
      lanes.value.findIndex((lane) => lane.entry.id === entryId && lane.device === device)
    const [from, to] = [laneOf(holder), laneOf(deviceId)]
    return from < 0 || to < 0
      ? []
      : [{ key: `${atMs} ${deviceId}`, x: x.value(atMs), from: middle(from), to: middle(to), atMs }]
  }),
)
const countOn = ({ entry, device }: Lane): number =>
  props.counts.get(entry.id)?.find(({ deviceId }) => deviceId === device)?.soFar ?? 0
const press = (event: MouseEvent): void => {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  emit('goTo', x.value.invert(event.clientX - box.left))
}
</script>

<template>
  <div ref="frame">
    <svg
      :viewBox="`0 0 ${width} ${height}`"
      role="img"
      :aria-label="`${entries.length} people, what was observed of each along the time`"
      @click="press"
    >
      <g v-for="(lane, at) in lanes" :key="`${lane.entry.id} ${lane.device}`">
        <line :x1="left" :x2="right" :y1="middle(at)" :y2="middle(at)" class="lane" />
        <text
          v-if="lane.isFirst"
          x="0"
          :y="labelAt(at, lane.isBeside ? 'first' : 'only')"
          class="who"
          @click.stop="emit('choose', lane.entry.id)"
        >
          {{ lane.entry.bib }} {{ shortName(lane.entry).slice(0, 20) }}
        </text>
        <text
          v-if="!lane.isFirst || (lane.isBeside && !isNarrow)"
          x="0"
          :y="labelAt(at, lane.isFirst ? 'second' : 'only')"
          class="device"
        >
          {{ graderOn(lane.entry.id, lane.device).slice(0, 26) }}
        </text>
        <ReplayLane :moments="lane.moments" :x="x" :to-ms="toMs" :now-ms="nowMs" :top="top(at)" :height="laneHeight" />
        <text
          v-if="lane.isFirst"
          :x="isNarrow ? width : right + 14"
          :y="labelAt(at, lane.isBeside ? 'first' : 'only')"
          :text-anchor="isNarrow ? 'end' : 'start'"
          class="figure"
        >
          {{ sayMark(lane.entry.id) }}
        </text>
        <text
          v-if="lane.isBeside && !(isNarrow && lane.isFirst)"
          :x="isNarrow ? width : right + 14"
          :y="labelAt(at, lane.isFirst ? 'second' : 'only')"
          :text-anchor="isNarrow ? 'end' : 'start'"
          class="device"
        >
          {{ countOn(lane) }} {{ lane.isFirst ? 'here, and stands' : 'beside it' }}
        </text>
      </g>
      <line
        v-for="bridge in bridges"
        :key="bridge.key"
        :x1="bridge.x"
        :x2="bridge.x"
        :y1="bridge.from"
        :y2="bridge.to"
        class="differs"
        :class="{ past: bridge.atMs <= nowMs }"
      />
      <line :x1="x(nowMs)" :x2="x(nowMs)" y1="0" :y2="height" class="now" />
    </svg>
  </div>
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
  font-size: 14px;
  fill: var(--ink);
}
.who {
  font-weight: 650;
  text-decoration: underline;
  text-decoration-color: var(--line-2);
}
.device {
  font-size: 13px;
  fill: var(--ink-2);
}
.figure {
  font: 650 14px var(--mono);
}
.differs {
  stroke: var(--line-2);
  stroke-width: 2;
  stroke-dasharray: 2 3;
}
.differs.past {
  stroke: var(--decide);
}
.now {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
