<script setup lang="ts">
/** Everybody in the event, with those on the console marked; a touch puts somebody on or off. */
import { printQuantity, type StandardEvent } from '@able-gauge/core'
import { fullName, type Day, type Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useAfterPaint } from '../../ui/useAfterPaint.ts'
import { figureOf, wordFor } from '../../ui/verdictWords.ts'
import QueueFilter from '../QueueFilter.vue'
import { useQueueFilter } from '../useQueueFilter.ts'
import type { useCandidates } from '../useQueue.ts'
import WithOther from '../WithOther.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent
  candidates: Pick<ReturnType<typeof useCandidates>, 'queue' | 'kindOf' | 'station' | 'others'>
  chosenIds: readonly string[]
  /** Whether people may be put on or off now. */
  mayChange: boolean
  /** How many can be on at once. */
  most: number
}>()
const emit = defineEmits<{ toggle: [entryId: string] }>()

const store = useDay()
const filter = useQueueFilter(() => props.day, props.candidates)
// a press is painted as the lane it is about; what it means for the list comes in the frame after
const queue = useAfterPaint(() => filter.found.value)
const marks = useAfterPaint(() => store.marksIn(props.event.id).value)
const { others } = props.candidates
const wordsFor = ({ id, attendance }: Entry): string => {
  if (attendance === 'held') return 'held'
  const mark = marks.value.get(id)
  if (!mark || mark.kind === 'waiting') return props.chosenIds.includes(id) ? 'on' : 'waiting'
  const figure = figureOf(mark)
  return figure === null || !('unit' in mark) ? wordFor(mark) : `${printQuantity(figure, mark.unit)} ${wordFor(mark)}`
}
const isFixed = ({ id, attendance }: Entry): boolean =>
  !props.mayChange ||
  attendance !== 'present' ||
  (!props.chosenIds.includes(id) && props.chosenIds.length >= props.most)
</script>

<template>
  <section class="sheet list" aria-label="Candidates">
    <p class="quiet">Up to {{ most }} together</p>
    <QueueFilter :filter="filter" />
    <ol>
      <li v-for="entry in queue" :key="entry.id">
        <button
          :class="{ on: chosenIds.includes(entry.id), held: entry.attendance === 'held' }"
          :aria-pressed="chosenIds.includes(entry.id)"
          :disabled="isFixed(entry)"
          @click="emit('toggle', entry.id)"
        >
          <strong class="figures">{{ entry.bib ?? '–' }}</strong>
          <span>{{ fullName(entry) }}<WithOther :claim="others.get(entry.id)" /></span>
          <span class="state figures">{{ wordsFor(entry) }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.list {
  overflow-y: auto;
}
p {
  margin: 0;
  padding: 8px 14px;
  font-weight: 650;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  width: 100%;
  min-height: 48px;
  display: grid;
  grid-template-columns: 40px 1fr auto;
  align-items: center;
  padding: 6px 14px 6px 10px;
  text-align: left;
  background: none;
  color: inherit;
  border: 0;
  border-left: 4px solid transparent;
  border-top: 1px solid var(--line);
}
strong {
  font-size: 1.125rem;
}
.state {
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.on {
  border-left-color: var(--ink);
  background: var(--tint);
}
.held {
  background: var(--decide-tint);
}
</style>
