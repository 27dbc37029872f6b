<script setup lang="ts">
/** How results came out: everybody along the gauge, what decides, groups, and what the figures say. */
import { perSquare, type EventCount, type GroupedBy, type InsightEvent, type Outcome } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref, shallowRef } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import BehindDialog from './BehindDialog.vue'
import DecidesChart from './DecidesChart.vue'
import FilterBar from './FilterBar.vue'
import GroupRates from './GroupRates.vue'
import InsightSays from './InsightSays.vue'
import ReportButton from './ReportButton.vue'
import ResultsTable from './ResultsTable.vue'
import StripChart from './StripChart.vue'
import type { Filters } from './insightCalls.ts'
import { MOST_SQUARES } from './squares.ts'
import { groupsBy, keysBy, useOverview } from './useOverview.ts'

const session = useSession()
const { filters, answer, events: eventGroups, graders, problem, sentences } = useOverview()
const canOpen = computed(() => session.can('people.read'))

const asked = shallowRef<{ title: string; filters: Filters; event: InsightEvent | null } | null>(null)
const open = (title: string, more: Filters, event: InsightEvent | null = null): void => {
  asked.value = { title, filters: { ...filters.value, ...more }, event }
}
const rows = computed(() =>
  (answer.value?.events ?? []).flatMap((event) => {
    const count = answer.value?.byEvent.find(({ eventId }) => eventId === event.eventId)
    return count ? [{ event, count, judged: count.met + count.short }] : []
  }),
)
const shortInAll = computed(() => (answer.value?.combinations ?? []).reduce((sum, { results }) => sum + results, 0))
const decidesSays = computed(() => {
  const first = answer.value?.combinations.find(({ eventIds }) => eventIds.length === 1)
  const name = answer.value?.events.find(({ eventId }) => eventId === first?.eventIds[0])?.name
  if (!first || name === undefined) return ''
  return `${shortInAll.value} fell short; ${name} alone decided ${first.results} of them.`
})
/** Who is in the picture, how many one square stands for where it is not one, and who is left out. */
const about = ({ met, short, scored, strip, otherForms }: EventCount): string => {
  const judged = met + short
  const people = perSquare(strip?.columns ?? [], MOST_SQUARES)
  return [
    judged > 0 ? `${judged} judged` : `${scored} figures`,
    ...(people > 1 ? [`a square is ${people}`] : []),
    ...(otherForms > 0 ? [`${otherForms} in another form left out`] : []),
  ].join('; ')
}
const nameOf = (id: string): string => answer.value?.events.find(({ eventId }) => eventId === id)?.name ?? id

const GROUPINGS: readonly { value: GroupedBy; text: string }[] = [
  { value: 'unit', text: 'By unit' },
  { value: 'category', text: 'By category' },
  { value: 'age', text: 'By age' },
  { value: 'version', text: 'By version' },
  { value: 'venue', text: 'By venue' },
  { value: 'year', text: 'By year' },
  { value: 'month', text: 'By month' },
]
const grouping = ref<GroupedBy>('unit')
const groups = computed(() => (answer.value ? groupsBy(answer.value, grouping.value) : []))
/** By which filter the people of a group are found. */
const FILTER_OF: Readonly<Partial<Record<GroupedBy, string>>> = {
  unit: 'unit',
  category: 'category',
  age: 'age',
  version: 'version',
  venue: 'venue',
  year: 'when',
  month: 'when',
}
const openGroup = (place: number): void => {
  const key = answer.value ? keysBy(answer.value, grouping.value)[place] : undefined
  const filter = FILTER_OF[grouping.value]
  if (key && filter !== undefined) open(`${groups.value[place]?.name ?? ''}: met it`, { [filter]: key, outcome: 'met' })
}
const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  met: 'Met',
  short: 'Short',
  tookPart: 'Took part',
  open: 'Open',
  notFinished: 'Not finished',
  notStarted: 'Never begun',
  withdrawn: 'Withdrawn',
  disqualified: 'Disqualified',
  exempt: 'Exempt',
}
const asTable = ref(false)
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <template v-if="answer">
    <div class="top">
      <FilterBar :answer="answer" />
      <div class="deeds no-print">
        <ReportButton :answer="answer" :event-groups="eventGroups" :graders="graders" />
        <BButton v-if="canOpen" variant="primary" :to="{ name: 'insight', params: { view: 'due' } }"
          >Who is due</BButton
        >
      </div>
    </div>
    <p v-if="answer.results === 0" class="sheet part none">
      No signed day fits. Results appear here once a day is signed; rehearsals never do.
    </p>
    <div v-else class="grid">
      <section class="sheet part wide" aria-label="How far from the cut">
        <div class="title">
          <h2>How far from the cut</h2>
          <BButton variant="quiet" size="sm" class="no-print" @click="asTable = !asTable">{{
            asTable ? 'Picture' : 'Table'
          }}</BButton>
        </div>
        <p class="quiet">
          Filled met it, hollow fell short; a square is a person, or as many as said.
          {{ canOpen ? 'Press one to open the tests behind it.' : '' }}
        </p>
        <div v-if="canOpen" class="outcomes no-print" role="group" aria-label="How it ended">
          <BButton
            v-for="{ outcome, results } in answer.outcomes"
            :key="outcome"
            variant="quiet"
            size="sm"
            @click="open(OUTCOME_WORDS[outcome], { outcome })"
            >{{ OUTCOME_WORDS[outcome] }} <span class="figures">{{ results }}</span></BButton
          >
          <BButton v-if="answer.near > 0" variant="quiet" size="sm" @click="open('Near a cut', { near: 'yes' })"
            >Near a cut <span class="figures">{{ answer.near }}</span></BButton
          >
        </div>
        <ResultsTable
          v-if="asTable"
          :answer="answer"
          :can-open="canOpen"
          @open="(event, kind, title) => open(title, { event: event.eventId, kind }, event)"
        />
        <div v-for="{ event, count, judged } in asTable ? [] : rows" :key="event.eventId" class="event">
          <div class="what">
            <b>{{ event.name }}</b>
            <small class="quiet">{{ about(count) }}</small>
          </div>
          <StripChart
            :event="event"
            :count="count"
            :can-open="canOpen"
            @open="
              ({ atLeast, below }) =>
                open(
                  event.name,
                  { event: event.eventId, by: count.strip?.by, atLeast: String(atLeast), below: String(below) },
                  event,
                )
            "
          />
          <div class="rate">
            <template v-if="judged > 0">
              <b class="figures">{{ Math.round((100 * count.met) / judged) }} %</b>
              <small class="quiet">met it</small>
            </template>
          </div>
        </div>
      </section>
      <section class="sheet part" aria-label="What decides">
        <h2>What decides</h2>
        <p class="quiet">{{ decidesSays || 'Nobody fell short.' }}</p>
        <DecidesChart
          v-if="shortInAll > 0"
          :combinations="answer.combinations"
          :events="answer.events"
          :can-open="canOpen"
          @open="(ids) => open(`Short in ${ids.map(nameOf).join(' and ')}`, { shortIn: ids.join('+') })"
        />
      </section>
      <section class="sheet part" aria-label="Groups">
        <BFormSelect v-model="grouping" class="grouping" :options="[...GROUPINGS]" aria-label="Grouped" />
        <p class="quiet">Share that met it, with the range chance allows (95 %). Dotted: four fifths of the highest.</p>
        <GroupRates :groups="groups" :can-open="canOpen" @open="openGroup" />
      </section>
      <InsightSays class="all" :sentences="sentences" />
    </div>
  </template>
  <div v-else-if="problem === ''" class="sheet part none quiet">Reading the results …</div>
  <BehindDialog :asked="asked" @close="asked = null" />
</template>

<style scoped>
.top {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  justify-content: space-between;
  margin: 8px 0 12px;
}
.deeds {
  display: flex;
  gap: 8px;
  white-space: nowrap;
}
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1.45fr) minmax(0, 1fr);
  gap: 14px;
}
.wide {
  grid-row: span 2;
  display: flex;
  flex-direction: column;
}
.all {
  grid-column: 1 / -1;
}
.outcomes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 8px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
h2 {
  font-size: 1.1875rem;
  margin: 0;
}
section > p {
  margin: 2px 0 8px;
  font-size: 0.875rem;
}
.event {
  display: grid;
  flex: 1;
  grid-template-columns: 142px minmax(0, 1fr) 62px;
  align-items: center;
  gap: 6px;
}
.what small,
.rate small {
  display: block;
  line-height: 1.2;
}
.rate b {
  font-size: 1.25rem;
  white-space: nowrap;
}
.grouping {
  width: auto;
  font-weight: 700;
  font-size: 1.0625rem;
}
.none {
  margin-top: 12px;
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
  .wide {
    grid-row: auto;
  }
  .top {
    flex-wrap: wrap;
  }
}
@media (max-width: 700px) {
  .event {
    grid-template-columns: minmax(0, 1fr) 62px;
    padding: 6px 0;
  }
  .event .strip {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
