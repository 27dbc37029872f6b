<script setup lang="ts">
/** People as squares along the gauge: filled met it, hollow fell short, the cut a notch through them. */
import {
  columnRange,
  columnWidth,
  perSquare,
  type EventCount,
  type InsightEvent,
  type StripColumn,
} from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { printEnd } from './eventWords.ts'
import { MOST_SQUARES } from './squares.ts'

const props = defineProps<{
  event: InsightEvent
  count: EventCount
  /** Whether there is somebody to open. */
  canOpen: boolean
}>()
const emit = defineEmits<{ open: [column: { atLeast: number; below: number }] }>()

const [WIDTH, LEFT, RIGHT, BASE, RULER] = [640, 36, 36, 74, 9] as const
const [UP, GAP] = [5, 1.1] as const

const strip = computed(() => props.count.strip)
const x = computed(() => scaleLinear([strip.value?.from ?? 0, strip.value?.to ?? 1], [LEFT, WIDTH - RIGHT]))
const pitch = computed(() => (WIDTH - LEFT - RIGHT) / (strip.value?.bins ?? 1))
/** Squares are as high as they stand apart, and no wider. */
const wide = computed(() => Math.min(pitch.value - GAP, 1.8 * (UP - GAP)))
const each = computed(() => perSquare(strip.value?.columns ?? [], MOST_SQUARES))

/** Squares one above another: whoever met it first. */
const stacked = computed(() =>
  (strip.value?.columns ?? []).map((column: StripColumn) => {
    const left = LEFT + column.at * pitch.value + (pitch.value - wide.value) / 2
    const rows = (['met', 'scored', 'short'] as const).flatMap((kind) =>
      Array.from({ length: Math.ceil(column[kind] / each.value) }, () => kind),
    )
    const squares = rows.map((kind, row) => ({ kind, y: BASE - 1.5 - (row + 1) * UP }))
    return { column, left, squares }
  }),
)
const isLessBetter = computed(() => strip.value?.by === 'value' && props.event.sense === 'atMost')
/** Beyond the column of those who reached it exactly, where less is better. */
const cutX = computed(() => {
  if (!strip.value || strip.value.cut === null) return null
  return x.value(strip.value.cut + (isLessBetter.value ? columnWidth(strip.value) : 0))
})
/** Where the met side of the ruler lies. */
const metSide = computed(() => {
  if (cutX.value === null) return null
  return isLessBetter.value
    ? { x: LEFT, width: cutX.value - LEFT }
    : { x: cutX.value, width: WIDTH - RIGHT - cutX.value }
})
const print = (value: number): string => (strip.value ? printEnd(strip.value, value, props.event) : '')
const labels = computed(() => {
  if (!strip.value) return []
  const { from, to, cut, by } = strip.value
  const ends = [
    { at: LEFT, says: print(from) },
    { at: WIDTH - RIGHT, says: print(to) },
  ]
  const middle = cut === null ? [] : [{ at: cutX.value ?? LEFT, says: by === 'margin' ? 'own cut' : print(cut) }]
  // a label that would run into the cut's says nothing that the cut does not
  return [...middle, ...ends.filter(({ at }) => middle.every((one) => Math.abs(one.at - at) > 70))]
})
const says = computed(() => {
  const { met, short, scored } = props.count
  const figures = scored > 0 && met + short === 0 ? `${scored} figures` : `${met} met it, ${short} fell short`
  return `${props.event.name}: ${figures}`
})
const open = ({ at }: StripColumn): void => {
  if (!props.canOpen || !strip.value) return
  const [atLeast, below] = columnRange(strip.value, at)
  // whoever lies beyond an end stands in the last column
  emit('open', {
    atLeast: at === 0 ? -2_000_000_000 : Math.ceil(atLeast),
    below: at === strip.value.bins - 1 ? 2_000_000_000 : Math.ceil(below),
  })
}
const columnSays = ({ met, short, scored }: StripColumn): string =>
  [met > 0 ? `${met} met it` : '', short > 0 ? `${short} fell short` : '', scored > 0 ? `${scored}` : '']
    .filter((part) => part !== '')
    .join(', ')
</script>

<template>
  <div class="strip">
    <svg v-if="strip" :viewBox="`0 0 ${WIDTH} 104`" role="img" :aria-label="says">
      <rect :x="LEFT" :y="BASE" :width="WIDTH - LEFT - RIGHT" :height="RULER" class="ruler" />
      <rect
        v-if="metSide"
        :x="metSide.x"
        :y="BASE"
        :width="Math.max(0, metSide.width)"
        :height="RULER"
        class="filled"
      />
      <g
        v-for="{ column, left, squares } in stacked"
        :key="column.at"
        :class="{ opens: canOpen }"
        @click="open(column)"
      >
        <title>{{ columnSays(column) }}</title>
        <rect :x="left - 1" y="0" :width="pitch" :height="BASE" fill="transparent" />
        <rect
          v-for="{ kind, y } in squares"
          :key="y"
          :x="kind === 'short' ? left + 0.5 : left"
          :y="kind === 'short' ? y + 0.5 : y"
          :width="kind === 'short' ? wide - 1 : wide"
          :height="UP - GAP - (kind === 'short' ? 1 : 0)"
          :class="kind"
        />
      </g>
      <template v-if="cutX !== null">
        <line :x1="cutX" :x2="cutX" y1="4" :y2="BASE + RULER" class="cut" />
        <path :d="`M${cutX - 6} 0h12l-6 7z`" class="notch" />
      </template>
      <text v-for="{ at, says: label } in labels" :key="at" :x="at" y="98" text-anchor="middle">{{ label }}</text>
    </svg>
    <p v-else class="quiet none">
      {{ event.unit === 'done' ? 'Done or not done: there is no figure to lay out.' : 'Too few figures to lay out.' }}
    </p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.ruler {
  fill: var(--sheet-2);
  stroke: var(--line-2);
}
.filled {
  fill: var(--tint);
  stroke: var(--line-2);
}
.met {
  fill: var(--met);
}
.scored {
  fill: var(--bar-2);
}
.short {
  fill: var(--sheet);
  stroke: var(--short);
  stroke-width: 1;
}
.cut {
  stroke: var(--ink);
  stroke-width: 2;
}
.notch {
  fill: var(--ink);
}
text {
  font: 13px var(--mono);
  fill: var(--ink-2);
}
.opens {
  cursor: pointer;
}
.opens:hover .met,
.opens:hover .short,
.opens:hover .scored {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.none {
  margin: 8px 0;
}
</style>
