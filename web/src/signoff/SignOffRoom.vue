<script setup lang="ts">
/** The end of the day: what is still open, and the officer's signature. */
import { confirmationOf, openHolds, openProtests, recordsOf, sayStep } from '@able-gauge/core'
import { BButton, BFormCheckbox } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { tell, inWords } from '../api.ts'
import { bibAndName, byBib, eventName, fullName, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useSession } from '../session/sessionStore.ts'
import { dateAndTime } from '../ui/localTime.ts'
import SignOffAnnex from './SignOffAnnex.vue'
import SignOffDevices from './SignOffDevices.vue'
import SignOffProgress from './SignOffProgress.vue'
import SignOffProof from './SignOffProof.vue'
import { sayRuled } from '../day/sayRuled.ts'
import SignatureFields from '../ui/SignatureFields.vue'
import { useSignature } from '../ui/useSignature.ts'
import VerdictChip from '../ui/VerdictChip.vue'

const props = defineProps<{
  day: Day
}>()

const store = useDay()
const session = useSession()
const { typed, isTyped, body, clear } = useSignature()
const acceptOpen = ref(false)
const problem = ref('')
const busy = ref(false)

const open = computed(() =>
  [...props.day.entries].sort(byBib).flatMap((entry) => {
    const verdict = store.verdicts.get(entry.id)
    return verdict && !verdict.settled && isHere(entry)
      ? [{ entry, verdict, because: verdict.trace.map((step) => sayStep(step).sentence)[0] }]
      : []
  }),
)
/** What should be settled first, beside open verdicts. */
const loose = computed(() => {
  const { standard, records, entries } = props.day
  const begun = standard.events.filter(({ id }) =>
    [...store.marksIn(id).value.values()].some(({ kind }) => kind !== 'waiting'),
  )
  const unconfirmed = begun.filter(({ id }) => !confirmationOf(records, id))
  const protests = openProtests(records).length
  const holds = openHolds(records).length
  const expected = entries.filter(({ attendance }) => attendance === 'expected' || attendance === 'late').length
  return [
    ...unconfirmed.map(({ name }) => `${name} is not confirmed by its grader or timer.`),
    ...(protests > 0 ? [`${protests} ${protests === 1 ? 'protest is' : 'protests are'} not answered.`] : []),
    ...(holds > 0 ? [`${holds} ${holds === 1 ? 'hold stands' : 'holds stand'}.`] : []),
    ...(expected > 0
      ? [`${expected} ${expected === 1 ? 'person is' : 'people are'} still expected: absent, or late?`]
      : []),
    ...(recordsOf(records, 'briefed').length === 0 ? ['No briefing is on record.'] : []),
    ...(recordsOf(records, 'conditions').length === 0 ? ['No conditions are on record.'] : []),
  ]
})
const isHere = ({ attendance }: Entry): boolean => attendance !== 'absent' && attendance !== 'withdrawn'
const openWords = computed(() => (open.value.length === 1 ? '1 verdict is' : `${open.value.length} verdicts are`))
const settledCount = computed(() => [...store.verdicts.values()].filter(({ settled }) => settled).length)
const mayHave = computed(() => session.can('day.sign') && !props.day.occasion.signedOff)
const ready = computed(() => store.waitingCount === 0 && isTyped.value && (open.value.length === 0 || acceptOpen.value))

const nameOf = (entryId: string): string => {
  const entry = props.day.entries.find(({ id }) => id === entryId)
  return entry ? bibAndName(entry, fullName) : ''
}
const nameOfEvent = (id: string): string => eventName(props.day, id)

const sign = async (): Promise<void> => {
  busy.value = true
  problem.value = ''
  const { id } = props.day.occasion
  try {
    await tell('POST', `/occasions/${id}/sign-off`, { ...body(), acceptOpen: acceptOpen.value })
    await store.reread(id)
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    store.signing = null
    clear()
    busy.value = false
  }
}
</script>

<template>
  <main class="room">
    <section v-if="day.occasion.signedOff" class="sheet signed">
      <h1>Signed off</h1>
      <p>
        By <strong>{{ day.occasion.signedOff.by }}</strong>,
        {{ dateAndTime(day.occasion.signedOff.atMs, day.occasion.zone) }}. {{ day.entries.length }} verdicts stand as
        signed, under {{ day.standard.name }}, version {{ day.standard.version }}.
      </p>
      <p v-if="day.readIn">
        <strong>Read in</strong> from an archive by {{ day.readIn.by }},
        {{ dateAndTime(day.readIn.atMs, day.occasion.zone) }}{{ day.readIn.proven ? '' : '. Not proven here' }}.
      </p>
      <SignOffProof :day="day" />
      <p class="quiet">Content hash of the standard: <span class="figures hash">{{ day.standardHash }}</span></p>
      <template v-if="day.amendments.length > 0">
        <h2>Amended since</h2>
        <p v-for="one in day.amendments" :key="one.id">
          {{ nameOf(one.entryId) }}, {{ nameOfEvent(one.eventId) }}: {{ sayRuled(day, one) }}. {{ one.reason }}
          <small class="quiet">{{ one.by }}, {{ dateAndTime(one.atMs, day.occasion.zone) }}</small>
        </p>
      </template>
      <p class="quiet">
        From now on only an amendment with a reason and a signature changes a mark; it is made in the reasons of that
        mark, and shown wherever the mark is.
      </p>
      <RouterLink class="btn btn-primary me-2" :to="{ name: 'verdicts', query: { part: 'hand-out' } }"
        >Hand out the results</RouterLink
      >
      <RouterLink class="btn btn-quiet" :to="{ name: 'verdicts' }">See the verdicts</RouterLink>
    </section>
    <SignOffAnnex
      v-if="day.occasion.signedOff && session.can('annex.read')"
      :key="String(day.occasion.signedOff.atMs)"
      :day="day"
    />
    <div v-if="!day.occasion.signedOff" class="columns">
      <section class="sheet">
        <h1>{{ open.length === 0 ? 'Nothing is open' : `${openWords} still open` }}</h1>
        <p class="quiet">
          {{ settledCount }} of {{ day.entries.length }} are settled. After the signature no capture is added and no
          verdict changes; what still arrives is kept apart.
        </p>
        <template v-if="loose.length > 0">
          <h2>Also loose</h2>
          <ul class="loose">
            <li v-for="sentence in loose" :key="sentence">◇ {{ sentence }}</li>
          </ul>
        </template>
        <SignOffDevices v-if="mayHave" :day="day" />
        <ul>
          <li v-for="{ entry, verdict, because } in open" :key="entry.id">
            <strong class="figures">{{ entry.bib ?? '–' }}</strong>
            <span>{{ fullName(entry) }}<small class="quiet">{{ because }}</small></span>
            <VerdictChip :verdict="verdict" />
          </li>
        </ul>
      </section>
      <form v-if="mayHave" class="sheet sign" @submit.prevent="sign">
        <h2>Sign as {{ session.account?.displayName }}</h2>
        <BFormCheckbox v-if="open.length > 0" v-model="acceptOpen" class="tick"
          >I know that {{ open.length === 1 ? '1 verdict stays' : `${open.length} verdicts stay` }} open and sign the
          day all the same.</BFormCheckbox
        >
        <SignatureFields v-model="typed" />
        <p v-if="store.waitingCount > 0" class="quiet">
          {{ store.waitingCount === 1 ? '1 capture is' : `${store.waitingCount} captures are` }} still on the way to the
          server. Signing waits for them.
        </p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <BButton variant="primary" size="lg" type="submit" :disabled="!ready || busy">Sign off the day</BButton>
        <SignOffProgress v-if="busy" :progress="store.signing" />
      </form>
      <div v-else class="sheet sign">
        The officer in charge signs here.
        <SignOffProgress v-if="store.signing" :progress="store.signing" />
      </div>
    </div>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 16px;
  align-items: start;
}
section,
.sign {
  padding: 18px 20px;
}
.signed {
  max-width: 700px;
}
.hash {
  overflow-wrap: anywhere;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 8px;
  align-items: center;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
.loose li {
  display: block;
}
li strong {
  font-size: 1.0625rem;
}
small {
  display: block;
}
form {
  display: grid;
  gap: 8px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
