<script setup lang="ts">
/** Each person from their first figure to their last, best last figures first; within the band a change may be noise. */
import { printDate, printQuantity, readChange, type ChangeShape, type InsightEvent } from '@able-gauge/core'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { printRough } from './eventWords.ts'

const props = defineProps<{
  changes: readonly ChangeShape[]
  event: InsightEvent
  /** A smaller change may be noise; null where nobody knows. */
  real: number | null
}>()

const [WIDTH, LEFT, RIGHT, ROW, TOP] = [640, 170, 20, 20, 26] as const
const x = computed(() => {
  const all = props.changes.flatMap(({ first, last }) => [first, last])
  return scaleLinear([Math.min(...all), Math.max(...all)], [LEFT + 10, WIDTH - RIGHT - 10]).nice()
})
const height = computed(() => TOP + props.changes.length * ROW + 8)
const rows = computed(() =>
  props.changes.map((change, at) => ({
    change,
    y: TOP + at * ROW + ROW / 2,
    state: readChange(change, props.event.sense, props.real),
  })),
)
const print = (value: number): string => printQuantity(value, props.event.unit, props.event.publishedIn)
const say = ({ name, first, last, firstDate, lastDate }: ChangeShape): string =>
  `${name}: ${print(first)} on ${printDate(firstDate)}, ${print(last)} on ${printDate(lastDate)}`
const range = computed(() => {
  const [from = 0, to = 1] = x.value.domain()
  return to - from
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${height}`"
    role="group"
    :aria-label="`${event.name}, first and last figure of each person`"
  >
    <g v-for="tick in x.ticks(5)" :key="tick">
      <line :x1="x(tick)" :x2="x(tick)" :y1="TOP - 4" :y2="height - 4" class="grid" />
      <text :x="x(tick)" y="14" text-anchor="middle" class="tick">{{ printRough(tick, event.unit, range) }}</text>
    </g>
    <g v-for="{ change, y, state } in rows" :key="change.personId" :class="state">
      <title>{{ say(change) }}</title>
      <RouterLink v-slot="{ href, navigate }" :to="{ name: 'person', params: { personId: change.personId } }" custom>
        <a :href="href" @click="navigate">
          <text x="0" :y="y + 4">{{ change.name.length > 24 ? `${change.name.slice(0, 23)}…` : change.name }}</text>
        </a>
      </RouterLink>
      <rect
        v-if="real !== null"
        :x="x(change.first - real)"
        :width="Math.max(0, x(change.first + real) - x(change.first - real))"
        :y="y - 5"
        height="10"
        class="band"
      />
      <line :x1="x(change.first)" :x2="x(change.last)" :y1="y" :y2="y" class="way" />
      <circle :cx="x(change.first)" :cy="y" r="4" class="first" />
      <rect
        :x="x(change.last) - 4.5"
        :y="y - 4.5"
        width="9"
        height="9"
        :transform="`rotate(45 ${x(change.last)} ${y})`"
        class="last"
      />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.grid {
  stroke: var(--line);
}
.tick {
  font: 12.5px var(--mono);
  fill: var(--ink-2);
}
text {
  font-size: 13px;
  fill: var(--ink);
}
.band {
  fill: var(--tint);
}
.way {
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.first {
  fill: var(--sheet);
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.last {
  fill: var(--ink-2);
}
.better .last {
  fill: var(--met);
}
.better .way {
  stroke: var(--met);
  stroke-width: 2.5;
}
.worse .last {
  fill: var(--sheet);
  stroke: var(--short);
  stroke-width: 2;
}
.worse .way {
  stroke: var(--short);
  stroke-width: 2.5;
}
</style>
