<script setup lang="ts">
/** What else can be ruled about one person in one event: protest, withdrawal, disqualification, breach, a second attempt; after the signature, an amendment. */
import {
  openProtests,
  voidedIds,
  type Capture,
  type Mark,
  type Ruled,
  type StandardEvent,
  type StopReason,
} from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect, BFormTextarea } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { tell, inWords } from '../api.ts'
import { bibAndName, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useRecords } from '../day/useRecords.ts'
import { useSession } from '../session/sessionStore.ts'
import { dateAndTime } from '../ui/localTime.ts'
import SignatureFields from '../ui/SignatureFields.vue'
import { useDone } from '../ui/done.ts'
import { useSignature } from '../ui/useSignature.ts'
import RuledFields from './RuledFields.vue'
import { sayRuled } from '../day/sayRuled.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
  /** The event, or what was done in its place. */
  done: StandardEvent
  entry: Entry
  /** Of this person in this event. */
  captures: readonly Capture[]
  mark: Mark
}>()

const store = useDay()
const { tell: tellDone } = useDone()
const session = useSession()
const { write, writing, problem } = useRecords(() => props.day)
const signed = computed(() => props.day.occasion.signedOff !== null)
const isOfficer = computed(() => session.can('log.protestAnswered'))

type Ruling = 'protest' | 'withdrawn' | 'disqualified' | 'breach' | 'second' | 'amend'
const RULINGS: readonly {
  readonly id: Ruling
  readonly label: string
  readonly officer: boolean
  readonly after: boolean
}[] = [
  { id: 'protest', label: 'A protest of the candidate', officer: false, after: false },
  { id: 'withdrawn', label: 'Withdrawn on medical grounds', officer: true, after: false },
  { id: 'breach', label: 'Breach of safety', officer: true, after: false },
  { id: 'disqualified', label: 'Disqualified', officer: true, after: false },
  { id: 'second', label: 'A second attempt: what was captured counts no more', officer: true, after: false },
  { id: 'amend', label: 'Amend the signed mark', officer: true, after: true },
]
/** A result that is complete stands: whoever withdraws after it does so in the next event. */
const isComplete = computed(() => !['waiting', 'running', 'open'].includes(props.mark.kind))
const offered = computed(() =>
  RULINGS.filter(
    ({ id, officer, after }) =>
      after === signed.value &&
      !(id === 'withdrawn' && isComplete.value) &&
      (isOfficer.value || (!officer && session.can('log.protested'))),
  ),
)

const TOLD: Readonly<Record<Exclude<Ruling, 'protest'>, string>> = {
  withdrawn: 'Withdrawn on medical grounds',
  breach: 'A breach of safety is on record',
  disqualified: 'Disqualified',
  second: 'A second attempt is granted',
  amend: 'The signed mark is amended',
}

const ruling = ref<Ruling | ''>('')
const reason = ref('')
const ruled = ref<Pick<Ruled, 'as' | 'value'> | null>(null)
const { typed, body, clear } = useSignature()
const failed = ref('')
const busy = ref(false)

const stop = (how: StopReason): void => {
  store.capture(props.event.id, props.entry.id, {
    kind: 'stopped',
    payload: { reason: how, note: reason.value.trim().slice(0, 300) },
  })
}
/** Every capture of the attempt is voided with the reason, so that the event can be worked anew. */
const grantSecond = (): void => {
  const voided = voidedIds(props.captures)
  const standing = props.captures.filter(
    ({ id, entryId, kind }) => entryId === props.entry.id && kind !== 'voided' && !voided.has(id),
  )
  for (const { id } of standing) {
    const payload = { captureId: id, reason: `second attempt: ${reason.value.trim()}`.slice(0, 300) }
    store.capture(props.event.id, props.entry.id, { kind: 'voided', payload })
  }
}
const amend = async (): Promise<void> => {
  const { id } = props.day.occasion
  await tell('POST', `/occasions/${id}/amendments`, {
    entryId: props.entry.id,
    eventId: props.event.id,
    ...ruled.value,
    reason: reason.value.trim(),
    ...body(),
  })
  await store.reread(id)
}
const rule = async (): Promise<void> => {
  const { value } = ruling
  busy.value = true
  failed.value = ''
  try {
    if (value === 'protest') {
      await write({ kind: 'protested', entryId: props.entry.id, eventId: props.event.id, text: reason.value.trim() })
    } else if (value === 'second') grantSecond()
    else if (value === 'amend') await amend()
    else if (value !== '') stop(value)
    // a protest is told by whoever writes it into the log
    if (value !== '' && value !== 'protest') tellDone(`${TOLD[value]}: ${bibAndName(props.entry)}.`)
    ruling.value = reason.value = ''
  } catch (error) {
    failed.value = inWords(error)
  } finally {
    clear()
    busy.value = false
  }
}

const protests = computed(() =>
  openProtests(props.day.records).filter(
    ({ content }) => content.entryId === props.entry.id && content.eventId === props.event.id,
  ),
)
const answer = ref('')
const answerAs = (protestId: string, outcome: 'upheld' | 'dismissed'): Promise<boolean> =>
  write({ kind: 'protestAnswered', protestId, outcome, reason: answer.value.trim() })
const amendments = computed(() =>
  props.day.amendments.filter(({ entryId, eventId }) => entryId === props.entry.id && eventId === props.event.id),
)
</script>

<template>
  <div v-for="protest in protests" :key="protest.id" class="protest">
    <p>
      <strong>Protest.</strong> {{ protest.content.text }}
      <small class="quiet">Taken by {{ protest.actor }}, {{ dateAndTime(protest.atMs, day.occasion.zone) }}</small>
    </p>
    <template v-if="isOfficer && !signed">
      <p class="quiet">
        Uphold it after correcting the captures above, or granting a second attempt; then the figures follow by
        themselves.
      </p>
      <label>Answer, for the record <BFormInput v-model="answer" maxlength="1000" /></label>
      <BButton
        variant="quiet"
        size="sm"
        :disabled="writing || answer.trim() === ''"
        @click="answerAs(protest.id, 'upheld')"
      >
        Uphold
      </BButton>
      <BButton
        variant="quiet"
        size="sm"
        :disabled="writing || answer.trim() === ''"
        @click="answerAs(protest.id, 'dismissed')"
      >
        Dismiss
      </BButton>
    </template>
  </div>
  <p v-for="one in amendments" :key="one.id" class="protest">
    <strong>Amended to {{ sayRuled(day, one) }}.</strong> {{ one.reason }}
    <small class="quiet">{{ one.by }}, {{ dateAndTime(one.atMs, day.occasion.zone) }}</small>
  </p>
  <form v-if="offered.length > 0" class="rulings" @submit.prevent="rule">
    <label
      >{{ signed ? 'After the signature' : 'Also to record' }}
      <BFormSelect v-model="ruling">
        <option value="">nothing</option>
        <option v-for="{ id, label } in offered" :key="id" :value="id">{{ label }}</option>
      </BFormSelect></label
    >
    <template v-if="ruling !== ''">
      <RuledFields v-if="ruling === 'amend'" v-model="ruled" :event="done" name="amend" />
      <label
        >{{ ruling === 'protest' ? 'In the words of the candidate' : 'Reason, for the record' }}
        <BFormTextarea v-model="reason" rows="2" maxlength="500" required />
      </label>
      <SignatureFields v-if="ruling === 'amend'" v-model="typed" label="Your password, as signature" />
      <BButton
        variant="quiet"
        type="submit"
        :disabled="busy || reason.trim() === '' || (ruling === 'amend' && ruled === null)"
      >
        {{ ruling === 'amend' ? 'Sign the amendment' : 'Put it on record' }}
      </BButton>
    </template>
  </form>
  <p v-if="problem || failed" class="problem" role="alert">{{ problem || failed }}</p>
</template>

<style scoped>
.rulings {
  display: grid;
  gap: 8px;
  margin-top: 14px;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.protest {
  margin: 10px 0 0;
  padding: 8px 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.protest small {
  display: block;
}
.btn-sm {
  margin: 6px 6px 0 0;
}
</style>
