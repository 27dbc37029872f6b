<script setup lang="ts">
/** A candidate's own page: results with their reasons, what is to come, a log of one's own. Opened by its link and the date of birth. */
import {
  OwnPageAnswer,
  type OwnGoal,
  printComingTests,
  printDate,
  printQuantity,
  retestDate,
  sayStep,
  type Mark,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { useSessionStorage } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { call, inWords, Refusal } from '../../api.ts'
import DateField from '../../ui/DateField.vue'
import Gauge from '../../ui/Gauge.vue'
import PlainBand from '../../ui/PlainBand.vue'
import VerdictChip from '../../ui/VerdictChip.vue'
import { figureOf, markerOf, wordFor } from '../../ui/verdictWords.ts'
import PersonChart from '../PersonChart.vue'
import { personLines, type PersonLine } from '../personLines.ts'
import { timeOfDay } from '../../ui/localTime.ts'
import { saveFile } from '../../ui/saveFile.ts'
import OwnGoals from './OwnGoals.vue'
import OwnSelfTest from './OwnSelfTest.vue'

const route = useRoute()
const code = route.hash.slice(1)
/** Asked for once while the page is open in this tab. */
const birthDate = useSessionStorage(`able-gauge-own-${code.slice(0, 8)}`, '')
const typed = ref('')
const page = shallowRef<OwnPageAnswer | null>(null)
const problem = ref('')
const busy = ref(false)

const open = async (date: string): Promise<void> => {
  busy.value = true
  problem.value = ''
  try {
    page.value = await call('POST', '/session/own', OwnPageAnswer, { code, birthDate: date })
    birthDate.value = date
  } catch (error) {
    if (error instanceof Refusal) birthDate.value = ''
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
onMounted(() => {
  if (birthDate.value !== '') void open(birthDate.value)
})

const record = computed(() => page.value?.record)
const lines = computed(() => (record.value ? personLines(record.value) : []))
/** One line for each event of the last standard, in the form it stands. */
const goalLines = computed(() => {
  const events = new Map(page.value?.standard?.events.map(({ id, name }) => [id, name]))
  return lines.value.filter(({ eventId, name }) => events.get(eventId) === name)
})
const goalOf = (line: PersonLine): OwnGoal | undefined =>
  goalLines.value.includes(line) ? page.value?.goals.find(({ eventId }) => eventId === line.eventId) : undefined
const saveCalendar = (): void =>
  saveFile('my test.ics', 'text/calendar', printComingTests(page.value?.coming ?? [], Date.now()))
const tests = computed(() => [...(record.value?.tests ?? [])].reverse())
const next = computed(() => {
  const [last] = tests.value
  if (!last) return ''
  const from = retestDate({ retest: { earliestAfterDays: last.earliestAfterDays } }, last.testDate)
  return `A retest is allowed from ${printDate(from)}, with the same set-up.`
})
/** "10, short": the figure where there is one, and what it was judged. */
const sayMark = (mark: Mark): string => {
  const figure = figureOf(mark)
  const word = wordFor(mark)
  return figure === null || !('unit' in mark) ? word : `${printQuantity(figure, mark.unit)}, ${word}`
}
const nameOf = (test: (typeof tests.value)[number], eventId: string): string =>
  test.events.find(({ id }) => id === eventId)?.name ?? eventId
</script>

<template>
  <PlainBand />
  <main class="room">
    <section v-if="!page" class="sheet part ask">
      <h1>Your results</h1>
      <p v-if="code === ''">Open the link on your result sheet, or scan its code.</p>
      <form v-else @submit.prevent="open(typed)">
        <label for="own-birth">Your date of birth</label>
        <DateField id="own-birth" v-model="typed" required />
        <BButton variant="primary" type="submit" :disabled="busy || typed === ''">Open my page</BButton>
      </form>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </section>
    <template v-else-if="record">
      <header>
        <h1>{{ record.person.givenName }} {{ record.person.familyName }}</h1>
        <p class="quiet">{{ page.organisation }}. Number {{ record.person.number }}. {{ next }}</p>
      </header>
      <section v-if="page.coming.length > 0" class="sheet part">
        <h2>To come</h2>
        <p v-for="day in page.coming" :key="`${day.testDate} ${day.name}`">
          <strong>{{ printDate(day.testDate) }}</strong> {{ day.name }}, {{ day.venue
          }}<template v-if="day.musterMs !== null"
            >, muster at {{ timeOfDay(day.musterMs, day.zone).slice(0, 5) }} there</template
          >
        </p>
        <BButton variant="quiet" size="sm" @click="saveCalendar">Put it into your calendar</BButton>
      </section>
      <section v-for="test in tests" :key="test.entryId" class="sheet part">
        <div class="head">
          <h2>{{ printDate(test.testDate) }}: {{ test.standardName }}</h2>
          <VerdictChip v-if="test.verdict" :verdict="test.verdict" />
        </div>
        <p v-if="test.broughtIn" class="quiet">From the records of earlier years.</p>
        <template v-if="test.verdict">
          <p v-for="{ title, sentence } in test.verdict.trace.map(sayStep)" :key="title">
            <strong>{{ title }}.</strong> {{ sentence }}
          </p>
          <details v-for="mark in test.verdict.marks" :key="mark.eventId">
            <summary>
              <span class="event">{{ nameOf(test, mark.eventId) }}</span>
              <span>{{ sayMark(mark) }}</span>
              <span class="turn" aria-hidden="true">›</span>
            </summary>
            <Gauge v-if="mark.cut" :cut="mark.cut" :value="figureOf(mark)" :state="markerOf(mark)" size="large" />
            <ul>
              <li v-for="({ title, sentence }, index) in mark.trace.map(sayStep)" :key="index">
                <strong>{{ title }}.</strong> {{ sentence }}
              </li>
            </ul>
          </details>
        </template>
      </section>
      <p v-if="tests.length === 0" class="sheet part quiet">
        No signed result yet. It stands here once the day is signed off.
      </p>
      <section v-if="lines.length > 0" class="sheet part">
        <h2>Over time</h2>
        <p class="quiet">Filled: met the standard in force then. Hollow: short. Dashed: your own tests.</p>
        <div class="charts">
          <PersonChart v-for="one in lines" :key="`${one.name} ${one.unit}`" :line="one" :goal="goalOf(one)" />
        </div>
      </section>
      <OwnGoals
        v-if="page.standard && goalLines.length > 0"
        :standard-id="page.standard.id"
        :lines="goalLines"
        :goals="page.goals"
        :opener="{ code, birthDate }"
        @changed="open(birthDate)"
      />
      <section v-if="page.standard" class="sheet part">
        <h2>Your own tests</h2>
        <p class="quiet">They are kept apart from official results and never decide anything.</p>
        <OwnSelfTest
          :standard="page.standard"
          :tests="record.selfTests"
          :opener="{ code, birthDate }"
          @logged="open(birthDate)"
        />
      </section>
      <p class="quiet care">
        Questions about a result go to the officer in charge of the day. Talk to a clinician before training if you had
        pain, faintness or an injury; stop at once if you feel unwell.
      </p>
    </template>
  </main>
</template>

<style scoped>
.room {
  max-width: 860px;
}
.part {
  margin-bottom: 16px;
}
.ask form {
  display: grid;
  gap: 10px;
  justify-items: start;
  max-width: 320px;
}
h2 {
  margin-bottom: 6px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 10px;
}
summary {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 12px;
  min-height: 44px;
  align-items: center;
  border-top: 1px solid var(--line);
  cursor: pointer;
}
.event {
  font-weight: 650;
}
.turn {
  color: var(--ink-2);
}
[open] .turn {
  transform: rotate(90deg);
}
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 18px;
}
.care {
  font-size: 0.8125rem;
}
</style>
