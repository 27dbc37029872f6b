<script setup lang="ts">
/** A standard like the printed document: what is asked, how it is conducted, how marks combine. */
import { bandsOf, parseField, printStandard, type Standard } from '@able-gauge/core'
import { BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive } from 'vue'
import StandardEventSection from './StandardEventSection.vue'

const props = defineProps<{
  standard: Standard
}>()

/** Whose place in the tables and cuts on the gauges are shown, where they differ from person to person. */
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

const printed = computed(() => printStandard(props.standard))
</script>

<template>
  <article class="sheet document">
    <header>
      <p class="quiet">{{ printed.organisation }}</p>
      <h2 class="name">{{ printed.name }}</h2>
      <p>{{ printed.about }}</p>
    </header>
    <div v-if="differs" class="shown-for no-print" role="group" aria-label="Whose place in the tables is shown">
      <label>For age <BFormInput v-model="shownFor.age" class="figures" inputmode="numeric" /></label>
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
      :printed="printed.events[index]!"
      :person="person"
      :number="String(index + 1)"
    />
    <template v-if="standard.alternateEvents?.length">
      <h2 class="part">Alternates</h2>
      <StandardEventSection
        v-for="(event, index) in standard.alternateEvents"
        :key="event.id"
        :standard="standard"
        :event="event"
        :printed="printed.alternates[index]!"
        :person="person"
        number=""
      />
    </template>
    <section class="rules">
      <h2>How it is judged</h2>
      <p v-for="line in printed.judging" :key="line">{{ line }}</p>
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
