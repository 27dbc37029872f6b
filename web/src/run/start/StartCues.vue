<script setup lang="ts">
/** Before a start, at a glance: what is open, how this candidate does it, what they wear and are set up with, what the event asks. */
import {
  asksBefore,
  asVaried,
  cuesFor,
  outsideOf,
  rulingFor,
  sayCue,
  type Cue,
  type StandardEvent,
} from '@able-gauge/core'
import { computed } from 'vue'
import { candidateFrom, eventName, type Day, type Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useTick } from '../../ui/useTick.ts'
import { useRests } from '../useRests.ts'

const props = defineProps<{
  day: Day
  /** As this candidate does it. */
  event: StandardEvent
  entry: Entry
}>()

const store = useDay()
const rests = useRests(() => props.day)
const nowMs = useTick(500)
const settled = store.settledIn(props.event.id)

/** Told where they are needed: at the check itself, with the start words, when it ends. */
const TOLD_ELSEWHERE: ReadonlySet<string> = new Set([
  'rest up',
  'rest upOrDown',
  'rest nowhere',
  'clearBefore',
  'startWord',
  'startPace',
  'ending',
  'setUp',
])

const open = computed(() => {
  const { event, entry, day } = props
  const outside = outsideOf(event, entry.id, settled.value, rests.value.get(entry.id))
  // a rest that runs is told above the console, with its clock
  return asksBefore(outside, nowMs.value).flatMap((ask) => {
    if (ask.code === 'resting') return []
    return ask.code === 'notClear' ? `to be clear of: ${ask.what}` : `still at ${eventName(day, ask.eventId)}`
  })
})
const cues = computed<readonly Cue[]>(() => {
  const { day, event, entry } = props
  const battery = day.standard.events.find(({ id }) => id === event.id) ?? event
  const { id: entryId, wave, category, gear, setUp } = entry
  const candidate = asVaried(
    candidateFrom(entry),
    event.id,
    settled.value.filter((capture) => capture.entryId === entry.id),
  )
  const own = cuesFor(day.standard, battery, candidate, {
    gear,
    setUp,
    earlierSetUp: day.earlierSetUps[entryId] ?? {},
    earlierFigures: day.earlierFigures[entryId] ?? [],
  })
  const asked = rulingFor(event, { entryId, wave, category }, [], 0).cues
  return [...own, ...asked.filter(({ code }) => !TOLD_ELSEWHERE.has(code))]
})
const lines = computed(() => cues.value.map((cue) => ({ ...sayCue(cue), isMissing: cue.code === 'noBodyMass' })))
</script>

<template>
  <dl v-if="open.length + lines.length > 0" class="cues">
    <div v-for="text in open" :key="text" class="open">
      <dt>Open</dt>
      <dd>{{ text }}</dd>
    </div>
    <div v-for="{ about, text, isMissing } in lines" :key="`${about} ${text}`" :class="{ open: isMissing }">
      <dt>{{ about }}</dt>
      <dd>{{ text }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.cues {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0 0;
}
.cues div {
  display: flex;
  gap: 2px 8px;
  flex-wrap: wrap;
  align-items: baseline;
  padding: 2px 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet-2);
}
dt {
  font-size: 0.8125rem;
  font-weight: 500;
  color: var(--ink-2);
}
dd {
  margin: 0;
  font-weight: 650;
}
.cues .open {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
</style>
