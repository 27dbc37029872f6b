<script setup lang="ts">
/** One event of the document. */
import {
  bandsOf,
  factsOf,
  findCut,
  minimumOf,
  whatIsAsked,
  type CutPerson,
  type PrintedEvent,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../ui/Gauge.vue'
import ScoringTable from './ScoringTable.vue'

const props = defineProps<{
  standard: Standard
  event: StandardEvent
  /** What is printed of it. */
  printed: PrintedEvent
  /** Whose cut the gauge shows. */
  person: CutPerson
  /** Place in the battery; empty for an alternate. */
  number: string
}>()

/** The gauge of a scoring that differs from person to person; one cut for all has its own beside its words. */
const gauge = computed(() => {
  const { event, person, standard } = props
  if (bandsOf(event.scoring).length === 0) return null
  const found = findCut(event, person, minimumOf(standard, event))
  if (!found.ok) return { cut: null, words: MISSING[found.reason] }
  if (found.cut) return { cut: found.cut, words: '' }
  // without a least number of points or a cut, the first step up stands in
  const [first] = whatIsAsked(standard, event, person)
  const { unit, sense } = factsOf(event.protocol)
  return first?.value === null || first === undefined
    ? null
    : { cut: { value: first.value, unit, sense, band: null }, words: `${first.label} begins here.` }
})
const MISSING = {
  noBand: 'No row is for this age and category.',
  severalBands: 'More than one row is for this age and category.',
  noBodyMass: 'With a body mass the gauge shows the cut.',
} as const
</script>

<template>
  <section class="event">
    <h2>
      <span v-if="number" class="figures number">{{ number }}</span> {{ printed.name }}
      <small class="quiet">{{ printed.kind }}</small>
    </h2>
    <p v-for="line in printed.rules" :key="line">{{ line }}</p>
    <div v-if="gauge" class="gauge-line">
      <Gauge v-if="gauge.cut" :cut="gauge.cut" :protocol="event.protocol" :value="null" size="large" />
      <span class="quiet">{{ gauge.words }}</span>
    </div>
    <template v-for="{ heading, scoring } in printed.scorings" :key="heading">
      <h3 v-if="heading">{{ heading }}</h3>
      <ScoringTable :event="event" :categories="standard.categories" :scoring="scoring" :person="person" />
    </template>
    <p v-for="line in printed.asked" :key="line">{{ line }}</p>
    <p v-for="caution in printed.cautions" :key="caution" class="quiet">{{ caution }}</p>
    <details v-if="printed.forStaff.length > 0">
      <summary>For staff: what is read, kit, notes</summary>
      <p v-for="line in printed.forStaff" :key="line">{{ line }}</p>
    </details>
    <p v-if="printed.rest" class="rest">{{ printed.rest }}</p>
  </section>
</template>

<style scoped>
.event {
  border-top: 1px solid var(--line);
  padding: 14px 0 4px;
  margin-top: 12px;
  break-inside: avoid;
}
.number {
  display: inline-block;
  width: 1.4em;
}
h2 small {
  font-weight: 400;
  font-size: 0.875rem;
  margin-left: 8px;
}
h3 {
  font-size: 0.9375rem;
  margin: 12px 0 0;
}
p {
  margin: 4px 0 0;
}
.gauge-line {
  max-width: 560px;
}
.rest {
  font-weight: 650;
}
details {
  margin-top: 6px;
}
summary {
  color: var(--ink-2);
  min-height: 28px;
}
</style>
