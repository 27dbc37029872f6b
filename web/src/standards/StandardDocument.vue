<script setup lang="ts">
/** A standard like the printed document: what is asked, how it is conducted, how marks combine. */
import {
  bandsOf,
  COMBINATION_NAMES,
  parseField,
  printDate,
  printPoints,
  type Standard,
  printSeconds,
  printLength,
  printMass,
  sayOrder,
} from '@able-gauge/core'
import { BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive } from 'vue'
import StandardEventSection from './StandardEventSection.vue'

const props = defineProps<{
  standard: Standard
}>()

/** Whose cuts the gauges show, where they differ from person to person. */
const shownFor = reactive({ age: '25', category: props.standard.categories[0]?.id ?? '', bodyMass: '' })
const person = computed(() => {
  const mass = parseField(shownFor.bodyMass, { unit: 'g' })
  return {
    ageYears: /^\d{1,3}$/.test(shownFor.age) ? Number(shownFor.age) : 0,
    category: shownFor.category,
    ...(mass.ok ? { bodyMassG: mass.value } : {}),
  }
})
const differs = computed(() => props.standard.events.some(({ scoring }) => bandsOf(scoring).length > 0))
const needsMass = computed(() => props.standard.events.some(({ scoring }) => scoring.kind === 'relativeCut'))

const AGE = {
  testDate: 'on the day of the test',
  fixedDate: 'on a fixed date',
  endOfCalendarYear: 'at the end of the calendar year',
} as const

const combination = computed(() => {
  const { combination: how } = props.standard
  const lines = [`${COMBINATION_NAMES[how.kind]}.`]
  if (how.kind === 'pointsTotal') {
    const each = how.minimumEachCentipoints
    lines.push(
      `At least ${printPoints(how.totalCentipoints)} points in total${each ? `, and ${printPoints(each)} in each event` : ''}.`,
    )
    if (how.classes?.length) {
      lines.push(
        `Classes: ${how.classes.map(({ name, fromCentipoints }) => `${name} from ${printPoints(fromCentipoints)}`).join(', ')}.`,
      )
    }
  }
  if (how.kind === 'bestOf') lines.push(`${how.eventsToMeet} of ${props.standard.events.length} have to be met.`)
  if (how.safetyBreachOverrides) lines.push('A breach of safety makes the verdict short whatever the figures.')
  return lines
})
const outcomeWords = computed(() =>
  Object.values(props.standard.outcomeWords ?? {})
    .filter(Boolean)
    .join(', '),
)
const uncertainty = computed(() => {
  const { handTimingMs, lengthMm, massG, pulseBpm, nearTheCut } = props.standard.uncertainty
  const sure = [
    `hand timing ${printSeconds(handTimingMs)}`,
    ...(lengthMm ? [`lengths ${printLength(lengthMm)}`] : []),
    ...(massG ? [`masses ${printMass(massG)}`] : []),
    ...(pulseBpm ? [`a pulse ${pulseBpm} beats a minute`] : []),
  ]
  return `Readings are good to about: ${sure.join(', ')}. Nearer to the cut than that, ${nearTheCut === 'decide' ? 'a person decides' : 'the mark is flagged'}.`
})
</script>

<template>
  <article class="sheet document">
    <header>
      <p class="quiet">{{ standard.organisation }}</p>
      <h2 class="name">{{ standard.name }}</h2>
      <p>
        Version {{ standard.version }}, in force from {{ printDate(standard.inForceFrom)
        }}{{ standard.inForceTo ? ` to ${printDate(standard.inForceTo)}` : '' }}. {{ standard.source }}
      </p>
    </header>
    <div v-if="differs" class="shown-for no-print" role="group" aria-label="Whose cuts the gauges show">
      <label>Gauges for age <BFormInput v-model="shownFor.age" class="figures" inputmode="numeric" /></label>
      <label v-if="standard.categories.length > 1"
        >category
        <BFormSelect v-model="shownFor.category">
          <option v-for="{ id, name } in standard.categories" :key="id" :value="id">{{ name }}</option>
        </BFormSelect></label
      >
      <label v-if="needsMass"
        >body mass in kg <BFormInput v-model="shownFor.bodyMass" class="figures" inputmode="decimal" placeholder="71.5"
      /></label>
    </div>
    <StandardEventSection
      v-for="(event, index) in standard.events"
      :key="event.id"
      :standard="standard"
      :event="event"
      :person="person"
      :number="String(index + 1)"
    />
    <template v-if="standard.alternateEvents?.length">
      <h2 class="part">Alternates</h2>
      <StandardEventSection
        v-for="event in standard.alternateEvents"
        :key="event.id"
        :standard="standard"
        :event="event"
        :person="person"
        number=""
      />
    </template>
    <section class="rules">
      <h2>How it is judged</h2>
      <p v-for="line in [...combination, ...sayOrder(standard)]" :key="line">{{ line }}</p>
      <p v-for="exemption in standard.exemptions" :key="exemption.id">
        {{ exemption.name }}:
        {{ exemption.eventIds.map((id) => standard.events.find((event) => event.id === id)?.name ?? id).join(', ') }}
        {{
          exemption.effect === 'removed'
            ? 'left out.'
            : `counts with ${printPoints(exemption.fixedCentipoints ?? 0)} points.`
        }}
      </p>
      <p>
        Age is counted {{ AGE[standard.ageRule.countedOn]
        }}{{ standard.ageRule.fixedDate ? ` (${printDate(standard.ageRule.fixedDate)})` : '' }}. Somebody born on 29
        February has their birthday on {{ standard.ageRule.leapDayBirthday }} in other years.
      </p>
      <p>{{ uncertainty }}</p>
      <p v-if="outcomeWords">Words for the outcomes: {{ outcomeWords }}.</p>
      <p>
        Retest from {{ standard.retest.earliestAfterDays }} days after{{
          standard.retest.repeats === 'shortEvents' ? ', of the events that were short' : ''
        }}.
      </p>
      <p class="quiet">Local rules, clinicians and the law come before any standard.</p>
    </section>
  </article>
</template>

<style scoped>
.document {
  padding: 24px 32px 28px;
}
header p {
  margin: 0;
}
.name {
  font-size: 1.75rem;
}
.shown-for {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  margin-top: 14px;
}
.shown-for label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.shown-for input {
  width: 84px;
}
.part {
  font-size: 1.25rem;
  margin-top: 18px;
}
.rules {
  border-top: 2px solid var(--ink);
  padding-top: 14px;
  margin-top: 14px;
}
.rules p {
  margin: 6px 0 0;
}
@media (max-width: 700px) {
  .document {
    padding: 18px;
  }
}
@media print {
  .document {
    border: 0;
    padding: 0;
  }
}
</style>
