<script setup lang="ts">
/** One event of the document. */
import {
  bandsOf,
  factsOf,
  findCut,
  KIND_NAMES,
  minimumOf,
  printPoints,
  printQuantity,
  printTime,
  rulesOf,
  whatIsAsked,
  type CutPerson,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../ui/Gauge.vue'
import ScoringTable from './ScoringTable.vue'

const props = defineProps<{
  standard: Standard
  event: StandardEvent
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

const alternates = computed(() =>
  (props.event.alternates ?? []).map(({ eventId, allowedBy }) => {
    const name = props.standard.alternateEvents?.find(({ id }) => id === eventId)?.name ?? eventId
    const by = { band: 'by band', choice: 'by choice', medicalProfile: 'on a medical profile' }[allowedBy]
    return `${name} may stand in its place, ${by}.`
  }),
)
const sureness = computed(() => {
  const { uncertainty, protocol } = props.event
  if (uncertainty === undefined) return ''
  return uncertainty === 0
    ? 'Its readings are taken as exact.'
    : `Its readings are good to about ${printQuantity(uncertainty, factsOf(protocol).unit)}.`
})
const EFFORT = { maximal: 'maximal', submaximal: 'submaximal', skill: 'skill' } as const
</script>

<template>
  <section class="event">
    <h2>
      <span v-if="number" class="figures number">{{ number }}</span> {{ event.name }}
      <small class="quiet">{{ KIND_NAMES[event.protocol.kind] }}</small>
    </h2>
    <p v-for="line in rulesOf(event.protocol, event.publishedIn)" :key="line">{{ line }}</p>
    <div v-if="gauge" class="gauge-line">
      <Gauge v-if="gauge.cut" :cut="gauge.cut" :protocol="event.protocol" :value="null" size="large" />
      <span class="quiet">{{ gauge.words }}</span>
    </div>
    <ScoringTable :event="event" :categories="standard.categories" />
    <template v-for="variant in event.variants" :key="variant.id">
      <h3>Variant: {{ variant.name }}</h3>
      <ScoringTable :event="event" :categories="standard.categories" :scoring="variant.scoring" />
    </template>
    <p v-if="sureness">{{ sureness }}</p>
    <p v-if="event.minimumCentipoints">At least {{ printPoints(event.minimumCentipoints) }} points.</p>
    <p v-for="line in alternates" :key="line">{{ line }}</p>
    <p v-for="caution in event.cautions" :key="caution" class="quiet">{{ caution }}</p>
    <details v-if="event.protocol.readOut?.length || event.kit?.length || event.protocol.notes">
      <summary>For staff: what is read, kit, notes</summary>
      <ul v-if="event.protocol.readOut?.length">
        <li v-for="line in event.protocol.readOut" :key="line">{{ line }}</li>
      </ul>
      <p v-if="event.kit?.length">Kit: {{ event.kit.join(', ') }}.</p>
      <p v-if="event.protocol.notes">
        Measures: {{ event.protocol.notes.measures }} ({{ EFFORT[event.protocol.notes.effort] }}).
        {{ event.protocol.notes.peopleAtOnce }} at once, {{ event.protocol.notes.secondsEach }} s each.
        <template v-if="event.protocol.notes.repeatability"
          >{{ event.protocol.notes.repeatability.figure }}, {{ event.protocol.notes.repeatability.source }}</template
        >
      </p>
    </details>
    <p v-if="event.restAfterMs" class="rest">Then rest at least {{ printTime(event.restAfterMs) }}.</p>
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
ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
