<script setup lang="ts">
/** Cases to look at before the signature, one below the other, each with why it is here. */
import { printDate, printTime, sayDoubt, type DoubtfulCase, type OpenReason } from '@able-gauge/core'
import { eventName, fullName, type Day } from '../day/day.ts'

const props = defineProps<{
  day: Day
  cases: readonly DoubtfulCase[]
  /** The case whose captures are shown. */
  chosen: { readonly entryId: string; readonly eventId: string | null } | null
}>()

const emit = defineEmits<{
  choose: [entryId: string, eventId: string]
}>()

const OPEN: Readonly<Record<OpenReason, string>> = {
  nearTheCut: 'Nearer to the cut than the method can tell. A person decides.',
  stoppedForSafety: 'Stopped for safety. An officer decides what follows.',
  noBand: 'No row of the standard is for this person.',
  severalBands: 'Several rows of the standard would be for this person.',
  notJudged: 'What was captured makes no sense to the rules of the event.',
  choiceNotOffered: 'The alternate or variant on the entry is not for this person. Choose anew at muster, or decide.',
  noBodyMass: 'The cut follows from body mass, which was not taken at muster.',
}
const sayCase = (one: DoubtfulCase): string => {
  switch (one.kind) {
    case 'open':
      return OPEN[one.reason]
    case 'incomplete':
      return 'Begun, and captures are missing. Others have ended this event.'
    case 'watches':
      return `Two watches are ${printTime(one.apartMs)} apart, more than hand timing explains.`
    case 'nearTheCut':
      return 'The mark stands, and lies within what the method can tell.'
    case 'restNotKept':
      return `Begun ${printTime(one.leftMs)} before the rest after ${nameOfEvent(one.afterEventId)} was over.`
    case 'elsewhere':
      return `Begun while still at ${nameOfEvent(one.afterEventId)}.`
    case 'notClear':
      return 'Begun though nobody put on record that they were clear to start.'
    case 'outOfTurn':
      return `Begun before ${nameOfEvent(one.beforeEventId)}, which the standard has done first.`
    case 'retestTooEarly':
      return `Tested on ${printDate(one.testedOn)}; the standard allows a retest from ${printDate(one.earliestOn)}.`
    case 'referee':
      return sayDoubt(one.code, one.count, one.figures)
    case 'protest':
      return `Protest: ${one.text}`
    case 'untimely':
      return `${one.count} captured by a clock outside the day, or ahead of it. Ordered by their arrival.`
    case 'clockStepped':
      return `The server's clock was set by ${printTime(Math.abs(one.byMs))} while this was measured.`
  }
}
const needsDecision = ({ kind }: DoubtfulCase): boolean => kind === 'open' || kind === 'protest'
const entryOf = (id: string) => props.day.entries.find((entry) => entry.id === id)
const nameOf = (id: string): string => {
  const entry = entryOf(id)
  return entry ? fullName(entry) : ''
}
const nameOfEvent = (id: string): string => eventName(props.day, id)
</script>

<template>
  <p v-if="cases.length === 0" class="sheet part">
    Nothing is doubtful: no case is open, nothing was against a rule or beyond sense, nobody protests.
  </p>
  <ol v-else class="sheet queue">
    <li v-for="one in cases" :key="`${one.kind} ${'code' in one ? one.code : ''} ${one.entryId} ${one.eventId}`">
      <button
        :class="{ chosen: one.entryId === chosen?.entryId && one.eventId === chosen?.eventId }"
        @click="emit('choose', one.entryId, one.eventId)"
      >
        <strong class="figures">{{ entryOf(one.entryId)?.bib ?? '–' }}</strong>
        <span>
          <strong>{{ nameOf(one.entryId) }}, {{ nameOfEvent(one.eventId) }}</strong>
          <small>{{ sayCase(one) }}</small>
        </span>
        <span class="chip">{{ needsDecision(one) ? '◈ to decide' : '◇ to look at' }}</span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.queue {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  width: 100%;
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 10px;
  align-items: center;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: inherit;
  padding: 10px 16px;
  min-height: 56px;
}
.chosen {
  background: var(--tint);
}
small {
  display: block;
  color: var(--ink-2);
}
.chip {
  white-space: nowrap;
  font-size: 0.8125rem;
}
</style>
