<script setup lang="ts">
/** One day of the timetable: a row for each event, a bar for each wave at it. Bars are put elsewhere by dragging or with the arrow keys. */
import { timeOfDayMs, type Sitting } from '@able-gauge/core'
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, ref, useTemplateRef } from 'vue'
import { clockAt } from './clockAt.ts'

const props = defineProps<{
  /** In the order they are done. */
  events: readonly {
    readonly id: string
    readonly name: string
    /** Where and at how many stations. */
    readonly about: string
    readonly staff: readonly { readonly accountId: string; readonly name: string }[]
  }[]
  /** Of this day. */
  sittings: readonly Sitting[]
  /** HH:MM */
  startsAt: string
  /** What no timetable can beat. */
  boundMs: number
  /** `eventId wave` of the turns that break a rule. */
  broken: ReadonlySet<string>
  mayEdit: boolean
}>()

const emit = defineEmits<{
  /** A turn is put to a time; null lets it be laid again. */
  move: [eventId: string, wave: number, startMs: number | null]
  /** Somebody of the staff was dropped on an event. */
  assign: [eventId: string, accountId: string]
}>()

const MINUTE_MS = 60_000
const [NAMES, RIGHT, TOP, LANE, STAFF, GAP] = [164, 24, 34, 30, 13, 12]
const frame = useTemplateRef<HTMLElement>('frame')
const { width: available } = useElementSize(frame)
const width = computed(() => Math.max(available.value, 720))

/** Waves that are at one event at the same time stand below each other. */
const rows = computed(() => {
  let top = TOP
  return props.events.map(({ id, name, about, staff }) => {
    const own = props.sittings.filter(({ eventId }) => eventId === id).sort((a, b) => a.startMs - b.startMs)
    const laneEnds: number[] = []
    const bars = own.map((sitting) => {
      const free = laneEnds.findIndex((endMs) => endMs <= sitting.startMs)
      const lane = free < 0 ? laneEnds.length : free
      laneEnds[lane] = sitting.endMs
      return { sitting, lane }
    })
    const lanes = Math.max(1, laneEnds.length) * LANE
    const height = Math.max(lanes + staff.length * STAFF, LANE + STAFF)
    const [fromMs, toMs] = [own[0]?.startMs ?? 0, Math.max(0, ...own.map((one) => one.endMs))]
    const row = { id, name, about, staff, top, lanes, height, bars, fromMs, toMs }
    top += height + GAP
    return row
  })
})
const height = computed(() => (rows.value.at(-1)?.top ?? TOP) + (rows.value.at(-1)?.height ?? 0) + GAP)
const endMs = computed(() => Math.max(30 * MINUTE_MS, props.boundMs, ...props.sittings.map((one) => one.endMs)))
const x = computed(() =>
  scaleLinear()
    .domain([0, endMs.value])
    .range([NAMES, width.value - RIGHT]),
)
const ticks = computed(() => {
  const stepMs =
    [15, 30, 60, 120, 240].map((step) => step * MINUTE_MS).find((step) => endMs.value / step <= 10) ?? endMs.value
  const offsetMs = timeOfDayMs(props.startsAt) % stepMs
  const first = offsetMs === 0 ? 0 : stepMs - offsetMs
  return Array.from({ length: Math.ceil((endMs.value - first) / stepMs) }, (_, index) => first + index * stepMs)
})

const keyOf = ({ eventId, wave }: Sitting): string => `${eventId} ${wave}`
const dragged = ref<{ readonly key: string; readonly fromX: number; readonly startMs: number; shiftMs: number } | null>(
  null,
)
const shiftOf = (sitting: Sitting): number => (dragged.value?.key === keyOf(sitting) ? dragged.value.shiftMs : 0)

const onDown = (sitting: Sitting, event: PointerEvent): void => {
  if (!props.mayEdit || event.button !== 0) return
  // the listener stands on an element of the drawing
  ;(event.currentTarget as SVGElement).setPointerCapture(event.pointerId)
  dragged.value = { key: keyOf(sitting), fromX: event.clientX, startMs: sitting.startMs, shiftMs: 0 }
}
const onMove = (event: PointerEvent): void => {
  const { value } = dragged
  if (!value) return
  const rawMs = x.value.invert(x.value(0) + event.clientX - value.fromX)
  const shiftMs = Math.round(rawMs / MINUTE_MS) * MINUTE_MS
  dragged.value = { ...value, shiftMs: Math.max(shiftMs, -value.startMs) }
}
const onUp = (sitting: Sitting): void => {
  const { value } = dragged
  dragged.value = null
  if (value && value.shiftMs !== 0) emit('move', sitting.eventId, sitting.wave, sitting.startMs + value.shiftMs)
}
const onKey = (sitting: Sitting, event: KeyboardEvent): void => {
  if (!props.mayEdit) return
  const steps: Partial<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 }
  const step = steps[event.key]
  if (step !== undefined) {
    event.preventDefault()
    const startMs = sitting.startMs + step * (event.shiftKey ? 10 : 1) * MINUTE_MS
    emit('move', sitting.eventId, sitting.wave, Math.max(0, startMs))
  } else if (event.key === 'Delete' || event.key === 'Backspace') emit('move', sitting.eventId, sitting.wave, null)
}
const over = ref<string | null>(null)
/** What is dragged from beside the chart: an account of the staff. */
const onDrop = (eventId: string, event: DragEvent): void => {
  const accountId = event.dataTransfer?.getData('text/plain') ?? ''
  over.value = null
  if (props.mayEdit && accountId !== '') emit('assign', eventId, accountId)
}
const saySitting = (name: string, sitting: Sitting): string => {
  const span = `${clockAt(props.startsAt, sitting.startMs)} to ${clockAt(props.startsAt, sitting.endMs)}`
  const state = `${sitting.pinned ? ', put there by hand' : ''}${props.broken.has(keyOf(sitting)) ? ', breaks a rule' : ''}`
  return `${name}, wave ${sitting.wave}, ${span}${state}`
}
</script>

<template>
  <div ref="frame" class="frame" tabindex="0" role="region" aria-label="Timetable as a chart">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`">
      <g v-for="tick in ticks" :key="tick">
        <line :x1="x(tick)" :x2="x(tick)" :y1="TOP - 8" :y2="height - GAP" class="grid" />
        <text :x="x(tick)" :y="TOP - 14" text-anchor="middle" class="axis">{{ clockAt(startsAt, tick) }}</text>
      </g>
      <g
        v-for="row in rows"
        :key="row.id"
        @dragover.prevent="over = row.id"
        @dragleave="over = null"
        @drop.prevent="onDrop(row.id, $event)"
      >
        <line
          :x1="0"
          :x2="width"
          :y1="row.top + row.height + GAP / 2"
          :y2="row.top + row.height + GAP / 2"
          class="rule"
        />
        <rect
          :x="0"
          :y="row.top - GAP / 2"
          :width="width"
          :height="row.height + GAP"
          class="row"
          :class="{ over: over === row.id }"
        />
        <foreignObject x="0" :y="row.top - 2" :width="NAMES - 10" :height="row.height + 4" class="names">
          <div class="name">{{ row.name }}</div>
          <div class="about">{{ row.about }}</div>
        </foreignObject>
        <g v-for="(member, place) in row.staff" :key="member.accountId" class="names">
          <rect
            :x="x(row.fromMs)"
            :y="row.top + row.lanes - 3 + place * STAFF"
            :width="Math.max(6, x(row.toMs) - x(row.fromMs))"
            :height="STAFF - 2"
            class="staff"
          />
          <text :x="x(row.fromMs) + 5" :y="row.top + row.lanes + 6.5 + place * STAFF" class="member">
            {{ member.name }}
          </text>
        </g>
        <g
          v-for="{ sitting, lane } in row.bars"
          :key="sitting.wave"
          :transform="`translate(${x(sitting.startMs + shiftOf(sitting))}, ${row.top + lane * LANE})`"
          class="bar"
          :class="{
            pinned: sitting.pinned,
            broken: broken.has(keyOf(sitting)),
            held: dragged?.key === keyOf(sitting),
            still: !mayEdit,
          }"
          :tabindex="mayEdit ? 0 : undefined"
          role="button"
          :aria-label="saySitting(row.name, sitting)"
          @pointerdown="onDown(sitting, $event)"
          @pointermove="onMove"
          @pointerup="onUp(sitting)"
          @pointercancel="dragged = null"
          @keydown="onKey(sitting, $event)"
        >
          <title>{{ saySitting(row.name, sitting) }}</title>
          <rect :width="Math.max(6, x(sitting.endMs) - x(sitting.startMs))" :height="LANE - 6" rx="4" />
          <line
            v-for="start in sitting.starts"
            :key="`${start.station} ${start.startMs}`"
            :x1="x(start.startMs) - x(sitting.startMs)"
            :x2="x(start.startMs) - x(sitting.startMs)"
            :y1="LANE - 13"
            :y2="LANE - 6"
            class="start"
          />
          <text x="7" :y="LANE / 2 + 2">
            {{ broken.has(keyOf(sitting)) ? '◇ ' : '' }}{{ sitting.wave }}{{ sitting.pinned ? ' ·' : '' }}
          </text>
        </g>
      </g>
      <g v-if="boundMs > 0" :transform="`translate(${x(boundMs)}, 0)`">
        <path :d="`M0 ${TOP - 6} l-6 -9 h12 z`" class="notch" />
        <line :y1="TOP - 6" :y2="height - GAP" class="bound" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  overflow-x: auto;
  overflow-y: hidden;
}
svg {
  display: block;
  touch-action: pan-x pan-y;
}
.grid {
  stroke: var(--line);
}
.rule {
  stroke: var(--line);
  stroke-dasharray: 1 5;
}
.axis {
  font: 600 13px var(--mono);
  fill: var(--ink-2);
}
.name {
  font-weight: 650;
  font-size: 0.875rem;
  line-height: 1.15;
  display: flex;
  align-items: center;
  min-height: 20px;
}
.row {
  fill: transparent;
}
.row.over {
  fill: var(--vest);
  opacity: 0.35;
}
.names {
  pointer-events: none;
}
.about {
  font-size: 0.75rem;
  line-height: 1.2;
  color: var(--ink-2);
}
.staff {
  fill: var(--line);
  opacity: 0.6;
}
.member {
  font-size: 10.5px;
  fill: var(--ink);
}
.bar {
  cursor: grab;
  touch-action: none;
}
.bar.still {
  cursor: default;
}
.bar rect {
  fill: var(--tint);
  stroke: var(--bar-2);
}
.bar text {
  font: 700 14px var(--mono);
  fill: var(--ink);
  pointer-events: none;
}
.bar .start {
  stroke: var(--bar-2);
  opacity: 0.65;
}
.pinned rect {
  stroke-width: 2.5;
}
.broken rect {
  fill: var(--short-tint);
  stroke: var(--short);
  stroke-dasharray: 5 3;
  stroke-width: 2;
}
.held rect {
  fill: var(--vest);
}
.held text {
  fill: var(--vest-ink);
}
.bar:focus-visible {
  outline: none;
}
.bar:focus-visible rect {
  stroke: var(--ink);
  stroke-width: 4;
}
.notch {
  fill: var(--ink);
}
.bound {
  stroke: var(--ink);
  stroke-dasharray: 2 4;
}
</style>
