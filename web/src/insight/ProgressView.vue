<script setup lang="ts">
/** A unit or everybody over time: year by year, and how each person changed, told apart from noise. */
import { tallyChanges } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import ChangeChart from './ChangeChart.vue'
import FilterBar from './FilterBar.vue'
import YearsChart from './YearsChart.vue'
import { printMean } from './eventWords.ts'
import { readNoise, readProgress } from './insightCalls.ts'
import { useFilters } from './useFilters.ts'
import { useLooked } from './useLooked.ts'
import { useSums } from './useOverview.ts'

const { filters, valueOf, set } = useFilters()
const { answer: overview } = useSums()
const { answer, problem } = useLooked(() => ({ ...filters.value, event: valueOf('event') }), readProgress)

const MOST_SHOWN = 40
const event = computed(() => answer.value?.event ?? null)
const changes = computed(() => answer.value?.changes ?? [])
const shown = computed(() => changes.value.slice(0, MOST_SHOWN))
/** How far a figure wanders by itself is known from everybody, not from one unit or year. */
const { answer: noise } = useLooked(
  () => ({ standard: valueOf('standard'), event: event.value?.eventId }),
  async (asked) => (asked.event === undefined ? null : readNoise(asked)),
)
const real = computed(() => noise.value?.noise[0]?.smallestRealChange ?? null)
const says = computed(() => {
  if (!event.value || changes.value.length === 0) return 'Nobody has more than one result here yet.'
  const people = `${answer.value?.people ?? 0} people were tested more than once.`
  if (real.value === null) return `${people} Too few were tested twice within 60 days to tell a change from noise.`
  const { better, worse, noise } = tallyChanges(changes.value, event.value.sense, real.value)
  const of =
    changes.value.length < (answer.value?.people ?? 0) ? `Of the ${changes.value.length} who changed most ` : ''
  return `${people} ${of}${better} improved and ${worse} fell back by more than noise (${printMean(real.value, event.value.unit)}); ${noise} changed by less.`
})
const events = computed(() => (answer.value?.events ?? []).map(({ eventId, name }) => ({ value: eventId, text: name })))
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <FilterBar v-if="overview" class="bar" :answer="overview" />
  <template v-if="answer">
    <p v-if="!event" class="sheet part none">No signed day fits.</p>
    <template v-else>
      <p class="ask">
        <BFormSelect
          :model-value="event.eventId"
          class="event"
          :options="events"
          aria-label="Event"
          @update:model-value="(id) => set({ event: String(id) })"
        />
      </p>
      <div class="grid">
        <section class="sheet part" aria-label="Person by person">
          <h2>Person by person</h2>
          <p>{{ says }}</p>
          <ChangeChart v-if="shown.length > 0" :changes="shown" :event="event" :real="real" />
          <p class="quiet small">
            Ring: first figure; diamond: last; tinted: within it a change may be noise. Most changed first{{
              (answer.people ?? 0) > shown.length ? `; ${shown.length} of ${answer.people} are shown` : ''
            }}.
          </p>
        </section>
        <section class="sheet part years" aria-label="Year by year">
          <h2>Year by year</h2>
          <p class="quiet">Mean figure, better up; below, the share that met it.</p>
          <YearsChart v-if="answer.years.length > 1" :years="answer.years" :event="event" />
          <p v-else class="quiet">One year alone shows no way.</p>
        </section>
      </div>
    </template>
  </template>
  <p v-else-if="problem === ''" class="sheet part none quiet">Reading …</p>
</template>

<style scoped src="./insightViews.css"></style>
<style scoped>
section > p {
  margin: 0 0 8px;
}
</style>
