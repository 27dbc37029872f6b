<script setup lang="ts">
/** What graders refused, and whether alike; how they agree with whoever counted beside; who captured, put right and decided. */
import type { GraderShape } from '@able-gauge/core'
import { agreementOfDecisions, compareGraders, LEAST_IN_GROUP, sayGrader } from '@able-gauge/core/statistics'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import FilterBar from './FilterBar.vue'
import GraderRatio from './GraderRatio.vue'
import { printMean } from './eventWords.ts'
import { readGraders } from './insightCalls.ts'
import { useFilters } from './useFilters.ts'
import { useLooked } from './useLooked.ts'
import { useSums } from './useOverview.ts'
import { useSession } from '../session/sessionStore.ts'

const session = useSession()
const { filters, valueOf, set } = useFilters()
const { answer: overview } = useSums()
const { answer, problem } = useLooked(() => ({ ...filters.value, event: valueOf('event') }), readGraders)

const nameOf = ({ accountId, name }: GraderShape): string =>
  accountId === '' ? 'All the others' : accountId === session.account?.id ? `${name} (you)` : name
const graders = computed(() => answer.value?.graders.filter(({ attempts }) => attempts > 0) ?? [])
const compared = computed(() => compareGraders(graders.value.map((grader) => ({ ...grader, id: grader.accountId }))))
const rows = computed(() =>
  graders.value.flatMap((grader, at) => {
    const one = compared.value[at]
    return one ? [{ grader, compared: one, says: sayGrader(nameOf(grader), one) }] : []
  }),
)

const most = computed(() => Math.max(0.01, ...rows.value.map(({ compared: one }) => one.share ?? 0)))
const categoryName = (id: string): string => overview.value?.categories.find((one) => one.id === id)?.name ?? id
const mixOf = ({ categories, meanAge, metTheRest, candidates }: GraderShape): string => {
  const shares = categories.map(
    ({ id, times }) => `${Math.round((100 * times) / candidates)} % ${categoryName(id).toLowerCase()}`,
  )
  return `${shares.join(', ')}; ${meanAge.toFixed(0)} years old; ${Math.round((100 * metTheRest) / candidates)} % met every other event`
}

/** What both said of the same repetitions. */
const sayAgreement = ({ decisions }: GraderShape): string => {
  const reasons = (answer.value?.reasons ?? []).map(({ id }) => id)
  const found = agreementOfDecisions(decisions, reasons)
  if (found === null) return 'nothing to compare'
  const { same, counted, byReason, weighted } = found
  return [
    `${(100 * same).toFixed(1)} % of repetitions alike`,
    ...(counted === null ? [] : [`; kappa ${counted.toFixed(2)} counted or refused`]),
    ...(byReason === null ? [] : [`, ${byReason.toFixed(2)} by reason (${(weighted ?? 0).toFixed(2)} weighted)`]),
  ].join('')
}
const twice = computed(() => (answer.value?.graders ?? []).filter(({ countedTwice }) => countedTwice > 0))
const staff = computed(() =>
  (answer.value?.graders ?? []).filter((one) => one.captured + one.corrected + one.overruled + one.decided > 0),
)
const events = computed(() => (answer.value?.events ?? []).map(({ eventId, name }) => ({ value: eventId, text: name })))
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <FilterBar v-if="overview" class="bar" :answer="overview" />
  <template v-if="answer">
    <p v-if="answer.eventId === null" class="sheet part none">
      Nobody has refused or counted a repetition on a signed day that fits.
    </p>
    <template v-else>
      <p class="ask">
        <BFormSelect
          :model-value="answer.eventId"
          class="event"
          :options="events"
          aria-label="Event"
          @update:model-value="(id) => set({ event: String(id) })"
        />
        <span v-if="!answer.isWhole" class="quiet">You see yourself beside all the others together.</span>
      </p>
      <section class="sheet part" aria-label="Refused repetitions">
        <h2>Refused, of the repetitions made</h2>
        <div v-for="{ grader, compared: one, says } in rows" :key="grader.accountId" class="grader">
          <div class="who">
            <b>{{ nameOf(grader) }}</b>
            <small class="quiet">{{ grader.candidates }} candidates, {{ grader.attempts }} repetitions</small>
          </div>
          <GraderRatio :grader="grader" :share="one.share" :most="most" :reasons="answer.reasons" />
          <div class="words">
            <p :class="{ apart: one.reading === 'stricter' || one.reading === 'milder' }">{{ says }}</p>
            <small class="quiet">Candidates: {{ mixOf(grader) }}.</small>
          </div>
        </div>
        <p class="quiet method">
          Bars are divided by reason: {{ answer.reasons.map(({ name }) => name.toLowerCase()).join(', ') }}. Repetitions
          of one candidate are alike, so that ranges come from how far candidates lie apart (Cochran 1977); chance is
          adjusted after Holm. Under {{ LEAST_IN_GROUP }} candidates nothing is said; who did another form of the event
          is left out.
        </p>
      </section>
      <div class="grid">
        <section class="sheet part" aria-label="Second counts">
          <h2>Counted by two</h2>
          <p v-if="twice.length === 0" class="quiet">
            Nobody counted beside anybody. A second device on one candidate is a second count.
          </p>
          <table v-else class="table">
            <thead>
              <tr>
                <th scope="col">Grader</th>
                <th scope="col">Candidates</th>
                <th scope="col">Within 1</th>
                <th scope="col">Counts more by</th>
                <th scope="col">Repetition by repetition</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="grader in twice" :key="grader.accountId">
                <td>{{ nameOf(grader) }}</td>
                <td class="figures">{{ grader.countedTwice }}</td>
                <td class="figures">{{ Math.round((100 * grader.withinOne) / grader.countedTwice) }} %</td>
                <td class="figures">{{ (grader.countedMore / grader.countedTwice).toFixed(2) }}</td>
                <td>{{ sayAgreement(grader) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section v-if="answer.watches.length > 0" class="sheet part" aria-label="Two watches">
          <h2>Timed by two</h2>
          <table class="table">
            <thead>
              <tr>
                <th scope="col">Timer</th>
                <th scope="col">Finishes</th>
                <th scope="col">Own less the other</th>
                <th scope="col">95 of 100 within</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in answer.watches" :key="one.accountId">
                <td>{{ one.name }}</td>
                <td class="figures">{{ one.finishes }}</td>
                <td class="figures">{{ printMean(one.meanMs, 'ms') }}</td>
                <td class="figures">± {{ printMean(1.96 * one.deviationMs, 'ms') }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section class="sheet part" aria-label="Work">
          <h2>Who captured, put right and decided</h2>
          <table class="table">
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Captured</th>
                <th scope="col">Put right, own</th>
                <th scope="col">Of others</th>
                <th scope="col">Decided</th>
                <th scope="col">Took over</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in staff" :key="one.accountId">
                <td>{{ nameOf(one) }}</td>
                <td class="figures">{{ one.captured }}</td>
                <td class="figures">{{ one.corrected }}</td>
                <td class="figures">{{ one.overruled }}</td>
                <td class="figures">{{ one.decided }}</td>
                <td class="figures">{{ one.tookOver }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </template>
  </template>
  <p v-else-if="problem === ''" class="sheet part none quiet">Reading …</p>
</template>

<style scoped src="./insightViews.css"></style>
<style scoped>
.grader {
  display: grid;
  grid-template-columns: 190px minmax(160px, 1fr) minmax(0, 1.2fr);
  gap: 16px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
.who small {
  display: block;
}
.words p {
  margin: 0;
}
.apart {
  font-weight: 650;
}
.method {
  margin: 8px 0 0;
  font-size: 0.8125rem;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 480px), 1fr));
  gap: 14px;
  margin-top: 14px;
}
.grid section {
  overflow-x: auto;
}
.table {
  margin: 0;
}
@media (max-width: 800px) {
  .grader {
    grid-template-columns: minmax(0, 1fr);
    gap: 6px;
  }
}
</style>
