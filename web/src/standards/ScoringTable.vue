<script setup lang="ts">
/** What a scoring asks, as it is published: one for all as a gauge, or the table by band. */
import {
  cutsOf,
  findCut,
  scoringTable,
  type CutPerson,
  type Scoring,
  type ScoringCategory,
  type StandardEvent,
} from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../ui/Gauge.vue'

const props = defineProps<{
  event: StandardEvent
  categories: readonly ScoringCategory[]
  /** A variant's scoring in place of the event's own. */
  scoring?: Scoring
  /** Whose place in it is marked. */
  person?: CutPerson
}>()

const scoring = computed(() => props.scoring ?? props.event.scoring)
const table = computed(() => scoringTable(props.event, props.categories, scoring.value, props.person))
/** Whoever it is: nothing in this scoring depends on them. */
const ANYBODY = { ageYears: 30, category: '' }
const cut = computed(() => {
  if (scoring.value.kind !== 'singleCut' && scoring.value.kind !== 'completion') return null
  const found = findCut(props.event, ANYBODY, null, scoring.value)
  return found.ok && found.cut?.unit !== 'done' ? found.cut : null
})
/** In the row or the column that is the person's; where the table has both, in the one cell and at its heads. */
const isOwn = (row: number | null, column: number | null): boolean => {
  const own = table.value?.own
  if (!own) return false
  if (row === null) return own.column === column
  if (column === null) return own.row === row
  return (own.row ?? row) === row && (own.column ?? column) === column
}
const isCell = (row: number, column: number): boolean => {
  const own = table.value?.own
  return own !== undefined && own.row === row && own.column === column
}
const isWide = computed(() => (table.value?.heading.length ?? 0) > 4)
</script>

<template>
  <div v-if="!table" class="single">
    <strong>The same for everybody: {{ cutsOf(event, scoring) }}</strong>
    <Gauge v-if="cut" :cut="cut" :protocol="event.protocol" :value="null" size="large" />
  </div>
  <div
    v-else
    class="scroll"
    :class="{ wide: isWide }"
    tabindex="0"
    role="group"
    :aria-label="`${event.name}: ${table.title}`"
  >
    <table class="table figures">
      <thead>
        <tr>
          <th
            v-for="(head, index) in table.heading"
            :key="head"
            scope="col"
            :class="{ own: index > 0 && isOwn(null, index - 1) }"
          >
            {{ head }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="({ head, cells }, at) in table.rows" :key="head">
          <th scope="row" :class="{ own: isOwn(at, null) }">{{ head }}</th>
          <td v-for="(cell, index) in cells" :key="index" :class="{ own: isOwn(at, index) }">
            {{ cell }}<span v-if="isCell(at, index)" class="visually-hidden"> for the person shown</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.single {
  margin-top: 8px;
  max-width: 560px;
}
.scroll {
  max-width: 520px;
  max-height: 420px;
  overflow: auto;
  margin: 8px 0;
}
.scroll.wide {
  max-width: 100%;
  border: 1px solid var(--line);
  border-radius: 6px;
}
.table {
  margin: 0;
  font-size: 0.875rem;
}
.table :is(th, td) {
  padding: 4px 12px 4px 8px;
  white-space: nowrap;
}
thead th.own,
tbody th.own {
  box-shadow: inset 0 -3px 0 var(--ink);
}
td.own {
  background: var(--vest);
  color: var(--vest-ink);
  font-weight: 700;
}
.wide thead th {
  position: sticky;
  top: 0;
  background: var(--sheet-2);
  white-space: normal;
  vertical-align: bottom;
  min-width: 84px;
  font-size: 0.8125rem;
}
.wide tbody th {
  position: sticky;
  left: 0;
  background: var(--sheet-2);
}
</style>
