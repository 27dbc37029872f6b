<script setup lang="ts">
/** The cuts of an event as they are published: one for all as a gauge, or the table by band. */
import { EVENT_KIND_FACTS, printQuantity, type ScoringCategory, type StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import { printBand, printCut } from '../run/askedIn.ts'
import Gauge from '../ui/Gauge.vue'

const props = defineProps<{
  event: StandardEvent
  categories: readonly ScoringCategory[]
}>()

const facts = computed(() => EVENT_KIND_FACTS[props.event.protocol.kind])
const single = computed(() => {
  const { scoring } = props.event
  if (scoring.kind !== 'singleCut') return null
  const { unit, sense } = facts.value
  return { words: printCut(scoring, unit), cut: { value: scoring[sense] ?? 0, unit, sense } }
})
const table = computed(() => {
  const { scoring } = props.event
  if (scoring.kind !== 'cutByBand') return []
  const bands = [...new Set(scoring.rows.map(printBand))]
  return bands.map((band) => ({
    band,
    cuts: props.categories.map(({ id }) => {
      const row = scoring.rows.find((one) => one.category === id && printBand(one) === band)
      const value = row?.[facts.value.sense]
      return value === undefined ? '–' : printQuantity(value, scoring.unit)
    }),
  }))
})
</script>

<template>
  <div v-if="single" class="single">
    <strong>The same for everybody: {{ single.words }}</strong>
    <Gauge :cut="single.cut" :value="null" size="large" />
  </div>
  <table v-else class="table figures">
    <thead>
      <tr>
        <th scope="col">Age, {{ facts.sense === 'atLeast' ? 'at least' : 'at most' }}</th>
        <th v-for="category in categories" :key="category.id" scope="col">{{ category.name }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ band, cuts } in table" :key="band">
        <th scope="row">{{ band }}</th>
        <td v-for="(cut, index) in cuts" :key="index">{{ cut }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.single {
  margin-top: 8px;
  max-width: 560px;
}
.table {
  max-width: 420px;
  margin: 8px 0;
}
</style>
