<script setup lang="ts">
/** What decides: how many fell short in each combination of events, a column each, diamonds for the events. */
import type { CombinationCount, InsightEvent } from '@able-gauge/core'
import { computed } from 'vue'

const props = defineProps<{
  combinations: readonly CombinationCount[]
  events: readonly InsightEvent[]
  canOpen: boolean
}>()
const emit = defineEmits<{ open: [eventIds: readonly string[]] }>()

const MOST = 8
const [LEFT, PITCH, BARS, ROW] = [130, 44, 86, 19] as const
/** Events anybody fell short in, in the order of the battery. */
const rows = computed(() =>
  props.events.filter(({ eventId }) => props.combinations.some(({ eventIds }) => eventIds.includes(eventId))),
)
const shown = computed(() => props.combinations.slice(0, MOST))
const rest = computed(() => props.combinations.slice(MOST).reduce((sum, { results }) => sum + results, 0))
const highest = computed(() => Math.max(1, ...shown.value.map(({ results }) => results)))
const height = computed(() => BARS + 14 + rows.value.length * ROW)
const width = computed(() => LEFT + Math.max(4, shown.value.length) * PITCH)
const rowY = (at: number): number => BARS + 20 + at * ROW
const namesOf = ({ eventIds }: CombinationCount): string =>
  eventIds.map((id) => props.events.find(({ eventId }) => eventId === id)?.name ?? id).join(' and ')
const columns = computed(() =>
  shown.value.map((combination, at) => {
    const own = rows.value.flatMap(({ eventId }, row) => (combination.eventIds.includes(eventId) ? [row] : []))
    const tall = (combination.results / highest.value) * (BARS - 18)
    return { combination, x: LEFT + at * PITCH + PITCH / 2, own, tall, names: namesOf(combination) }
  }),
)
const says = computed(() =>
  columns.value.map(({ names, combination }) => `${names}: ${combination.results}`).join('; '),
)
const open = (combination: CombinationCount): void => {
  if (props.canOpen) emit('open', combination.eventIds)
}
</script>

<template>
  <div>
    <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="says" :style="{ maxWidth: `${width}px` }">
      <g v-for="({ eventId, name }, row) in rows" :key="eventId">
        <text x="0" :y="rowY(row) + 4">{{ name.length > 19 ? `${name.slice(0, 18)}…` : name }}</text>
      </g>
      <g
        v-for="{ combination, x, own, tall, names } in columns"
        :key="names"
        :class="{ opens: canOpen }"
        @click="open(combination)"
      >
        <title>{{ names }}: {{ combination.results }}</title>
        <rect :x="x - PITCH / 2" y="0" :width="PITCH" :height="height" fill="transparent" />
        <rect :x="x - 9" :y="BARS - tall" width="18" :height="tall" class="bar" />
        <text :x="x" :y="BARS - tall - 5" text-anchor="middle" class="count">{{ combination.results }}</text>
        <line v-if="own.length > 1" :x1="x" :x2="x" :y1="rowY(own[0] ?? 0)" :y2="rowY(own.at(-1) ?? 0)" class="link" />
        <path
          v-for="(_, row) in rows"
          :key="row"
          :d="`M${x} ${rowY(row) - 6}l6 6l-6 6l-6 -6z`"
          :class="own.includes(row) ? 'is' : 'is-not'"
        />
      </g>
    </svg>
    <small v-if="rest > 0" class="quiet">{{ rest }} more in other combinations.</small>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
text {
  font-size: 12.5px;
  fill: var(--ink);
}
.count {
  font: 650 13px var(--mono);
}
.bar {
  fill: var(--bar-2);
}
.link {
  stroke: var(--ink);
  stroke-width: 2;
}
.is {
  fill: var(--ink);
}
.is-not {
  fill: var(--sheet);
  stroke: var(--line-2);
}
.opens {
  cursor: pointer;
}
.opens:hover .bar {
  fill: var(--ink);
}
</style>
