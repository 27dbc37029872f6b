<script setup lang="ts">
/** How closely one thing comes out again, and how large a change of one person has to be to be more than noise. */
import { printQuantity, type RepeatChoice, type Repeated } from '@able-gauge/core'
import { uncertaintyOf } from '@able-gauge/core/statistics'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import AgreementChart from './AgreementChart.vue'
import FilterBar from './FilterBar.vue'
import { printMean } from './eventWords.ts'
import { readRepeats } from './insightCalls.ts'
import { useFilters } from './useFilters.ts'
import { useLooked } from './useLooked.ts'
import { useSums } from './useOverview.ts'
import { useTakeOver } from './useTakeOver.ts'

const session = useSession()
const { filters, valueOf, set } = useFilters()
const { answer: overview } = useSums()
const { answer, problem } = useLooked(
  () => ({
    ...filters.value,
    event: valueOf('event'),
    of: valueOf('of'),
    part: valueOf('part'),
    within: valueOf('within'),
  }),
  readRepeats,
)

const WHAT: Readonly<Record<Repeated, string>> = {
  retests: 'two tests close together',
  count: 'two graders counting',
  watch: 'two watches',
  tries: 'two tries of one day',
  method: 'by hand and by instrument',
}
const nameOf = ({ eventId, of, part }: RepeatChoice): string => {
  const event = answer.value?.events.find((one) => one.eventId === eventId)?.name ?? eventId
  return `${event}${part === '' ? '' : `, ${part}`}: ${WHAT[of]}`
}
const keyOf = ({ eventId, of, part }: RepeatChoice): string => `${eventId} ${of} ${part}`
const options = computed(() =>
  (answer.value?.choices ?? []).map((choice) => ({
    value: keyOf(choice),
    text: `${nameOf(choice)} (${choice.pairs})`,
  })),
)
const choose = (key: string): void => {
  const choice = answer.value?.choices.find((one) => keyOf(one) === key)
  if (choice) void set({ event: choice.eventId, of: choice.of, part: choice.part })
}
const within = computed({
  get: () => valueOf('within') || '60',
  set: (days: string) => void set({ within: /^[1-9]\d{0,2}$/.test(days) ? days : '' }),
})
const chosen = computed(() => answer.value?.chosen ?? null)
const found = computed(() => answer.value?.found ?? null)
/** @param decimals of what is counted, as the literature prints it */
const print = (value: number, decimals = 1): string => printMean(value, answer.value?.unit ?? 'count', decimals)

/** Two tests of a person differ by more than the method. */
const OF_THE_METHOD: readonly Repeated[] = ['count', 'watch', 'method']
const uncertainty = computed(() =>
  chosen.value && found.value && OF_THE_METHOD.includes(chosen.value.of)
    ? uncertaintyOf(found.value, chosen.value.pairs)
    : null,
)
const takeOver = useTakeOver(() => overview.value?.standardId ?? '')
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <FilterBar v-if="overview" class="bar" :answer="overview" />
  <template v-if="answer">
    <p v-if="answer.choices.length === 0" class="sheet part none">
      Nothing was measured twice here. Second counts, second watches, two tries of one day and tests within
      {{ answer.withinDays }} days of each other appear by themselves.
    </p>
    <template v-else>
      <p class="ask">
        <BFormSelect
          :model-value="chosen ? keyOf(chosen) : ''"
          class="event"
          :options="options"
          aria-label="What was measured twice"
          @update:model-value="(key) => choose(String(key))"
        />
        <label v-if="chosen?.of === 'retests'" class="within"
          >within
          <BFormInput
            v-model.lazy="within"
            class="figures days"
            inputmode="numeric"
            aria-label="Days between two tests"
          />
          days</label
        >
      </p>
      <div class="grid">
        <section class="sheet part" aria-label="Pair by pair">
          <h2>Pair by pair</h2>
          <p class="quiet">
            A square is one pair: how far apart over how large. Line: mean difference; dashed: limits within which 95 of
            100 lie.
          </p>
          <AgreementChart
            v-if="answer.agreement && answer.points.length > 1"
            :points="answer.points"
            :agreement="answer.agreement"
            :unit="answer.unit"
          />
          <p v-else class="quiet">One pair alone says nothing of agreement.</p>
        </section>
        <section class="sheet part figures-part" aria-label="How closely">
          <h2>How closely</h2>
          <dl v-if="found && answer.agreement">
            <dt>ICC(2,1)</dt>
            <dd class="figures">
              {{ found.icc21.toFixed(4) }}
              <small>95 % {{ found.limits.low.toFixed(2) }} to {{ found.limits.high.toFixed(2) }}</small>
            </dd>
            <dt>Standard error of measurement</dt>
            <dd class="figures">{{ print(found.standardError, 4) }}</dd>
            <dt>Smallest real change</dt>
            <dd class="figures">{{ print(found.smallestRealChange, 4) }}</dd>
            <dt>Mean difference</dt>
            <dd class="figures">{{ print(answer.agreement.meanDifference, 3) }}</dd>
            <dt>Limits of agreement</dt>
            <dd class="figures">
              {{ print(answer.agreement.limits.low, 2) }} to {{ print(answer.agreement.limits.high, 2) }}
            </dd>
          </dl>
          <p v-else class="quiet">Too few pairs, or all of them alike.</p>
          <p v-if="found" class="says">
            A change of one person by less than <b>{{ print(found.smallestRealChange) }}</b> may be noise.
          </p>
          <p class="quiet small">
            {{ chosen?.pairs }} pairs{{
              answer.leftOut > 0 ? `; ${answer.leftOut} people without a second one in time left out` : ''
            }}. ICC: two-way random, absolute agreement, of one trial (Shrout and Fleiss 1979; limits after McGraw and
            Wong 1996). A constant shift between both counts in it, and not in the standard error nor the smallest real
            change (Weir 2005). Limits of agreement: Bland and Altman 1986, ±1.96 deviations.
          </p>
          <template v-if="uncertainty !== null && session.can('standards.write')">
            <BButton
              variant="quiet"
              :disabled="takeOver.busy.value"
              @click="takeOver.take(chosen?.eventId ?? '', uncertainty)"
              >Take ± {{ printQuantity(uncertainty, answer.unit) }} over into a new version</BButton
            >
            <p class="quiet small">
              As the uncertainty near the cut: 1.96 standard errors of the method. Nothing changes until the version is
              published.
            </p>
            <p v-if="takeOver.problem.value" class="problem" role="alert">{{ takeOver.problem.value }}</p>
          </template>
        </section>
      </div>
    </template>
  </template>
  <p v-else-if="problem === ''" class="sheet part none quiet">Reading …</p>
</template>

<style scoped src="./insightViews.css"></style>
<style scoped>
.within {
  display: flex;
  align-items: center;
  gap: 6px;
}
.days {
  width: 70px;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px 16px;
  margin: 8px 0;
}
dt {
  font-weight: 400;
}
dd {
  margin: 0;
  text-align: right;
  font-weight: 650;
}
dd small {
  display: block;
  font-weight: 400;
}
.says {
  border-left: 6px solid var(--vest);
  padding-left: 10px;
}
</style>
