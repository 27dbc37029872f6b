<script setup lang="ts">
/** The site to scale: what is where, moved by pointer or by keys. Sizes of signs and words stay the same on any ground. */
import type { DayPlan, SiteMark, SitePlan } from '@able-gauge/core'
import { computed, ref, useTemplateRef } from 'vue'
import type { Day } from '../day/day.ts'
import { barOf, drawnMarks, inM, MARK_SIGNS } from './siteShapes.ts'

const props = defineProps<{
  day: Day
  plan: DayPlan
  site: SitePlan
  mayEdit: boolean
  /** Id of the mark that is being looked at. */
  chosen?: string
}>()
const emit = defineEmits<{
  choose: [id: string]
  move: [id: string, xMm: number, yMm: number]
  turn: [id: string, byDegrees: number]
  remove: [id: string]
}>()

const svg = useTemplateRef<SVGSVGElement>('svg')
const width = computed(() => inM(props.site.widthMm))
const depth = computed(() => inM(props.site.depthMm))
/** Metres for one sign or letter, so that they are as large on a yard as on a track. */
const unit = computed(() => Math.max(width.value, depth.value * 1.4) / 60)
const marks = computed(() => drawnMarks(props.day, props.plan, props.site))
const ways = computed(() =>
  props.site.ways.flatMap(({ from, to }) => {
    const [a, b] = [marks.value.find(({ mark }) => mark.id === from), marks.value.find(({ mark }) => mark.id === to)]
    return a && b ? [{ key: `${from} ${to}`, a, b, metres: Math.round(Math.hypot(a.x - b.x, a.y - b.y)) }] : []
  }),
)
const bar = computed(() => barOf(width.value))

/** A name that does not fit into its area stands below it. */
const nameBelow = ({ name, along, across }: (typeof marks.value)[number]): number =>
  name.length * unit.value * 0.6 > along || across < unit.value * 1.4 ? across / 2 + unit.value : 0

const dragged = ref<{ id: string; dx: number; dy: number } | null>(null)
/** Where the pointer is, in metres of the drawing. */
const pointAt = (event: PointerEvent): { x: number; y: number } => {
  const matrix = svg.value?.getScreenCTM()?.inverse()
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
  return { x: point.x, y: point.y }
}
const clamp = (value: number, most: number): number => Math.round(Math.min(Math.max(value, 0), most))
const moveTo = (id: string, x: number, y: number): void =>
  emit('move', id, clamp(x * 1_000, props.site.widthMm), clamp(y * 1_000, props.site.depthMm))

const grab = (mark: SiteMark, event: PointerEvent): void => {
  emit('choose', mark.id)
  if (!props.mayEdit) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  const { x, y } = pointAt(event)
  dragged.value = { id: mark.id, dx: inM(mark.xMm) - x, dy: inM(mark.yMm) - y }
}
const drag = (event: PointerEvent): void => {
  if (!dragged.value) return
  const { x, y } = pointAt(event)
  moveTo(dragged.value.id, Math.round(x + dragged.value.dx), Math.round(y + dragged.value.dy))
}
const drop = (): void => {
  dragged.value = null
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
const FAR = 10
const QUARTER = 15
const key = (mark: SiteMark, event: KeyboardEvent): void => {
  if (!props.mayEdit) return
  const step = STEPS[event.key]
  if (step) {
    const by = event.shiftKey ? FAR : 1
    moveTo(mark.id, inM(mark.xMm) + step[0] * by, inM(mark.yMm) + step[1] * by)
  } else if (event.key === 't' || event.key === 'T') emit('turn', mark.id, event.shiftKey ? -QUARTER : QUARTER)
  else if (event.key === 'Delete') emit('remove', mark.id)
  else return
  event.preventDefault()
}
const sayMark = ({ name, x, y }: (typeof marks.value)[number]): string =>
  `${name}, ${Math.round(x)} m from the left, ${Math.round(y)} m from the top`
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`${-unit} ${-unit} ${width + 2 * unit} ${depth + 4 * unit}`"
    :style="{ fontSize: `${unit}px` }"
    role="group"
    aria-label="The site to scale"
  >
    <rect :width="width" :height="depth" class="ground" />
    <g v-for="way in ways" :key="way.key" class="way">
      <line
        :x1="way.a.x"
        :y1="way.a.y"
        :x2="way.b.x"
        :y2="way.b.y"
        :stroke-width="unit / 4"
        :stroke-dasharray="unit / 2"
      />
      <text :x="(way.a.x + way.b.x) / 2" :y="(way.a.y + way.b.y) / 2 - unit / 3" text-anchor="middle">
        {{ way.metres }} m
      </text>
    </g>
    <g
      v-for="one in marks"
      :key="one.mark.id"
      :transform="`translate(${one.x} ${one.y})`"
      :class="{ chosen: one.mark.id === chosen, held: mayEdit }"
      class="spot"
      tabindex="0"
      role="button"
      :aria-label="sayMark(one)"
      :aria-pressed="one.mark.id === chosen"
      @pointerdown="grab(one.mark, $event)"
      @pointermove="drag"
      @pointerup="drop"
      @pointercancel="drop"
      @keydown="key(one.mark, $event)"
      @focus="emit('choose', one.mark.id)"
    >
      <template v-if="one.path">
        <path :d="one.path" :transform="`rotate(${one.turn})`" class="area" :stroke-width="unit / 5" />
        <text text-anchor="middle" dominant-baseline="middle" class="name" :y="nameBelow(one)">{{ one.name }}</text>
      </template>
      <template v-else>
        <circle :r="unit * 1.1" class="sign" :stroke-width="unit / 6" />
        <text text-anchor="middle" dominant-baseline="central" class="letter">{{ MARK_SIGNS[one.mark.kind] }}</text>
      </template>
    </g>
    <g :transform="`translate(0 ${depth + unit * 1.4})`" class="bar">
      <line x1="0" y1="0" :x2="bar" y2="0" :stroke-width="unit / 5" />
      <line x1="0" :y1="-unit / 3" x2="0" :y2="unit / 3" :stroke-width="unit / 5" />
      <line :x1="bar" :y1="-unit / 3" :x2="bar" :y2="unit / 3" :stroke-width="unit / 5" />
      <text :x="bar + unit / 2" y="0" dominant-baseline="central">{{ bar }} m</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-height: 620px;
  touch-action: none;
}
.ground {
  fill: var(--sheet-2);
  stroke: var(--line-2);
  vector-effect: non-scaling-stroke;
}
.area {
  fill: var(--tint);
  fill-opacity: 0.7;
  stroke: var(--ink);
}
.sign {
  fill: var(--sheet);
  stroke: var(--ink);
}
.letter,
.name {
  fill: var(--ink);
  font-weight: 700;
}
.way line {
  stroke: var(--ink-2);
}
.way text {
  fill: var(--ink-2);
}
.bar line {
  stroke: var(--ink);
}
.bar text {
  fill: var(--ink);
}
.held {
  cursor: grab;
}
.spot:focus-visible {
  outline: none;
}
.spot:focus-visible :is(.area, .sign),
.chosen :is(.area, .sign) {
  stroke: var(--ink);
  fill: var(--vest);
  fill-opacity: 1;
}
.chosen :is(.letter, .name) {
  fill: var(--vest-ink);
}
</style>
