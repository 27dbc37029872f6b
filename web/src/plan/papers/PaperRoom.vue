<script setup lang="ts">
/** Papers of the day, to print: run sheet, starting lists, station cards, strike-off sheets, score cards, kit list. */
import { planFor } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Day } from '../../day/day.ts'
import { shortDate } from '../../ui/localTime.ts'
import PaperKit from './PaperKit.vue'
import PaperRunSheet from './PaperRunSheet.vue'
import PaperScoreCards from './PaperScoreCards.vue'
import PaperStartingLists from './PaperStartingLists.vue'
import PaperWaveSheets from './PaperWaveSheets.vue'
import PaperStationCards from './PaperStationCards.vue'

const props = defineProps<{
  day: Day
}>()

const TITLES = {
  'run-sheet': 'Run sheet',
  'station-cards': 'Station cards',
  'starting-lists': 'Starting lists',
  'strike-off': 'Strike-off sheets',
  'score-cards': 'Paper score cards',
  kit: 'Kit list',
} as const

const route = useRoute()
const paper = computed(() => {
  const wanted = String(route.params['paper'])
  return wanted in TITLES ? (wanted as keyof typeof TITLES) : 'run-sheet'
})
const plan = computed(() => planFor(props.day.standard, props.day.plan?.plan ?? null))
const print = (): void => window.print()
</script>

<template>
  <main class="room paper">
    <div class="tools no-print">
      <RouterLink class="btn btn-quiet" :to="{ name: 'plan', query: { part: 'papers' } }">Back to the plan</RouterLink>
      <BButton variant="primary" @click="print">Print</BButton>
    </div>
    <header>
      <h1>{{ TITLES[paper] }}</h1>
      <p>
        {{ day.occasion.name }}, {{ day.occasion.venue }}, {{ shortDate(day.occasion.testDate) }}.
        {{ day.standard.name }}, version {{ day.standard.version }}.
      </p>
    </header>
    <PaperStationCards v-if="paper === 'station-cards'" :day="day" :plan="plan" />
    <PaperStartingLists v-else-if="paper === 'starting-lists'" :day="day" :plan="plan" />
    <PaperWaveSheets v-else-if="paper === 'strike-off'" :day="day" />
    <PaperScoreCards v-else-if="paper === 'score-cards'" :day="day" />
    <PaperKit v-else-if="paper === 'kit'" :day="day" :plan="plan" />
    <PaperRunSheet v-else :day="day" :plan="plan" />
  </main>
</template>

<style scoped>
.paper {
  max-width: 900px;
}
.tools {
  display: flex;
  justify-content: space-between;
  margin-bottom: 16px;
}
header p {
  margin: 2px 0 12px;
  color: var(--ink-2);
}
@media print {
  .paper {
    padding: 0;
  }
}
</style>
