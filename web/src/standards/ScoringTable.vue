<script setup lang="ts">
/** What a scoring asks, as it is published: one for all as a gauge, or the table by band. */
import { cutsOf, findCut, scoringTable, type Scoring, type ScoringCategory, type StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../ui/Gauge.vue'

const props = defineProps<{
  event: StandardEvent
  categories: readonly ScoringCategory[]
  /** A variant's scoring in place of the event's own. */
  scoring?: Scoring
}>()

const scoring = computed(() => props.scoring ?? props.event.scoring)
const table = computed(() => scoringTable(props.event, props.categories, scoring.value))
/** Whoever it is: nothing in this scoring depends on them. */
const ANYBODY = { ageYears: 30, category: '' }
const cut = computed(() => {
  if (scoring.value.kind !== 'singleCut' && scoring.value.kind !== 'completion') return null
  const found = findCut(props.event, ANYBODY, null, scoring.value)
  return found.ok && found.cut?.unit !== 'done' ? found.cut : null
})
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
          <th v-for="head in table.heading" :key="head" scope="col">{{ head }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ head, cells } in table.rows" :key="head">
          <th scope="row">{{ head }}</th>
          <td v-for="(cell, index) in cells" :key="index">{{ cell }}</td>
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
