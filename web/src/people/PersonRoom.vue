<script setup lang="ts">
/** One person: every test, each event over time, set-up used last, retest due, self-tests apart, what was done to the record. */
import { NoiseAnswer, PersonRecord, type PersonTest, printDate, printHeat, retestDate } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { call, download, inWords, tell } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { useUnits } from '../session/unitStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import { today } from '../ui/localTime.ts'
import { saveFile } from '../ui/saveFile.ts'
import VerdictChip from '../ui/VerdictChip.vue'
import PersonTimeline from './PersonTimeline.vue'
import PersonChange from './PersonChange.vue'
import { personLines } from './personLines.ts'
import PersonOwnPage from './PersonOwnPage.vue'
import PersonSelfTest from './PersonSelfTest.vue'

const route = useRoute()
const session = useSession()
const units = useUnits()
const record = ref<PersonRecord | null>(null)
const problem = ref('')

const read = async (): Promise<void> => {
  try {
    await units.read()
    record.value = await call('GET', `/people/${String(route.params['personId'])}`, PersonRecord)
  } catch (error) {
    problem.value = inWords(error)
  }
}
watch(() => route.params['personId'], read, { immediate: true })

/** Rank, unit, category: what the register says besides. */
const kept = computed(() => {
  const { rank = '', unitId, category = '' } = record.value?.person ?? {}
  const parts = [rank, units.pathOf(unitId), category === '' ? '' : `category ${category}`].filter(Boolean)
  return parts.length === 0 ? '' : `${parts.join('; ')}.`
})
const lines = computed(() => (record.value ? personLines(record.value) : []))
const signed = computed(() => (record.value?.tests ?? []).filter(({ verdict }) => verdict !== null))
const last = computed(() => signed.value.at(-1))
const due = computed(() => {
  const { value } = last
  if (!value) return ''
  const from = retestDate({ retest: { earliestAfterDays: value.earliestAfterDays } }, value.testDate)
  return from <= today()
    ? `A retest is allowed since ${printDate(from)}.`
    : `A retest is allowed from ${printDate(from)}.`
})
type Change = PersonRecord['changes'][number]
const sayChange = ({ what, number }: Change): string =>
  ({
    merged: `Number ${number} was found to be this person`,
    unmerged: `The merge with number ${number} was taken back`,
    corrected: 'What is kept was corrected',
    erased: 'Personal data was erased',
  })[what]
/** The last thing said about a double decides whether it still points here. */
const mayUndo = ({ what, personId }: Change): boolean =>
  what === 'merged' &&
  session.can('people.change') &&
  record.value?.changes.findLast((one) => one.personId === personId && one.what !== 'corrected')?.what === 'merged'
const undo = async ({ personId, number }: Change): Promise<void> => {
  try {
    await tell('POST', `/people/${personId}/unmerge`, { reason: `Number ${number} is another person after all.` })
    await read()
  } catch (error) {
    problem.value = inWords(error)
  }
}
/** All that is kept about this person, as a file for them. */
const saveEverything = async (): Promise<void> => {
  const { person } = record.value ?? {}
  if (!person) return
  try {
    const file = await download(`/people/${person.id}/everything`)
    saveFile(`${today()} ${person.number}, everything kept.json`, 'application/json', file)
  } catch (error) {
    problem.value = inWords(error)
  }
}
/** A result that was brought in by mistake. */
const takeAway = async (resultId: string): Promise<void> => {
  try {
    await tell('DELETE', `/people/${record.value?.person.id ?? ''}/brought-results/${resultId}`)
    await read()
  } catch (error) {
    problem.value = inWords(error)
  }
}
/** How far each figure wanders by itself; nothing waits for it. */
const noise = ref<ReadonlyMap<string, number>>(new Map())
watch(signed, async (tests) => {
  const known = new Map<string, number>()
  for (const standardId of new Set(tests.map((test) => test.standardId))) {
    try {
      const answer = await call('GET', `/insight/noise?standard=${encodeURIComponent(standardId)}`, NoiseAnswer)
      for (const { eventId, smallestRealChange } of answer.noise)
        if (smallestRealChange !== null) known.set(`${standardId} ${eventId}`, smallestRealChange)
    } catch {
      // without it the page says nothing of noise, and all else
    }
  }
  noise.value = known
})
/** Air and wind, and what was set up, on the day. */
const aboutTest = ({ conditions, setUp: own }: PersonTest): string => {
  const air = conditions === null ? [] : [`${printHeat(conditions.airDeciC)}, ${conditions.humidityPercent} % humid`]
  const wind = conditions?.windKmh === undefined ? [] : [`wind ${conditions.windKmh} km/h`]
  const parts = [
    ...air,
    ...wind,
    ...Object.entries(own).map(([key, text]) => `${key.replaceAll(/[.-]/g, ' ')} ${text}`),
  ]
  return parts.length === 0 ? '' : `; ${parts.join(', ')}`
}
/** What was set up for this person the last time anything was. */
const setUp = computed(() => {
  const test = [...(record.value?.tests ?? [])].reverse().find((one) => Object.keys(one.setUp).length > 0)
  return test
    ? Object.entries(test.setUp).map(([key, text]) => ({
        key: key.replace('.', ', ').replaceAll('-', ' '),
        text,
        on: test.testDate,
      }))
    : []
})
</script>

<template>
  <HouseBand />
  <main class="room">
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="record">
      <header class="head">
        <div>
          <h1>{{ record.person.givenName }} {{ record.person.familyName }}</h1>
          <p class="quiet">
            Number <span class="figures">{{ record.person.number }}</span
            >{{
              record.person.erased
                ? '. Personal data erased; results stay.'
                : `, born ${printDate(record.person.birthDate)}.`
            }}
            {{ kept }} {{ due }}
          </p>
        </div>
        <span class="ways">
          <BButton v-if="session.can('people.export')" variant="quiet" @click="saveEverything"
            >Save everything kept</BButton
          >
          <RouterLink class="btn btn-quiet" :to="{ name: 'people' }">All people</RouterLink>
        </span>
      </header>
      <section v-if="lines.length > 0" class="sheet part">
        <h2>Over time</h2>
        <p class="quiet">
          Each event on its own line: above the cut of its day it was met. Filled met it, hollow fell short, thin a
          self-test. Within the yellow band a change since the test before may be noise.
        </p>
        <PersonTimeline :lines="lines" :tests="signed" :noise="noise" />
      </section>
      <section class="sheet part">
        <h2>Tests</h2>
        <p v-if="record.tests.length === 0" class="quiet">No test yet.</p>
        <div v-for="test in [...record.tests].reverse()" :key="test.entryId" class="test">
          <span v-if="test.broughtIn || !session.can('verdicts.read')">{{ printDate(test.testDate) }}</span>
          <RouterLink v-else :to="{ name: 'verdicts', params: { dayId: test.occasionId } }">{{
            printDate(test.testDate)
          }}</RouterLink>
          <span
            >{{ test.broughtIn ? `Brought in from ${test.broughtIn}` : test.name
            }}<small class="quiet">
              {{ test.standardName }}, version {{ test.standardVersion }}{{ aboutTest(test) }}</small
            ><small v-for="estimate in test.estimates" :key="estimate" class="quiet">{{ estimate }}</small></span
          >
          <VerdictChip v-if="test.verdict" :verdict="test.verdict" />
          <span v-else class="quiet">not signed off</span>
          <span class="after">
            <span v-if="test.amended" class="quiet">amended after sign-off</span>
            <RouterLink
              v-if="!test.broughtIn && session.can('verdicts.read')"
              :to="{ name: 'replay', params: { dayId: test.occasionId }, query: { entry: test.entryId } }"
              >Replay</RouterLink
            >
          </span>
          <BButton
            v-if="test.broughtIn && session.can('people.change')"
            variant="quiet"
            size="sm"
            @click="takeAway(test.entryId)"
            >Take it away</BButton
          >
        </div>
      </section>
      <section v-if="setUp.length > 0" class="sheet part">
        <h2>Set-up used last</h2>
        <p v-for="{ key, text, on } in setUp" :key="key">
          {{ key }}: <strong>{{ text }}</strong> <small class="quiet">{{ printDate(on) }}</small>
        </p>
      </section>
      <section class="sheet part">
        <h2>Self-tests, kept apart from official results</h2>
        <PersonSelfTest :record="record" @logged="read" />
      </section>
      <PersonOwnPage v-if="session.can('ownPages.make') && !record.person.erased" :person="record.person" />
      <PersonChange
        v-if="session.can('people.change') && !record.person.erased"
        :person="record.person"
        @changed="read"
      />
      <section v-if="record.changes.length > 0" class="sheet part">
        <h2>Done to this record</h2>
        <p v-for="one in record.changes" :key="one.atMs">
          {{ sayChange(one) }} by {{ one.by }}: {{ one.reason }}
          <BButton v-if="mayUndo(one)" variant="quiet" size="sm" @click="undo(one)">Take the merge back</BButton>
        </p>
      </section>
    </template>
  </main>
</template>

<style scoped>
.after {
  display: flex;
  gap: 12px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 12px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  flex-shrink: 0;
  gap: 8px;
}
.part {
  margin-bottom: 16px;
}
.test {
  display: grid;
  grid-template-columns: 150px 1fr auto auto;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
small {
  display: block;
}
@media (max-width: 700px) {
  .test {
    grid-template-columns: 1fr auto;
  }
}
</style>
