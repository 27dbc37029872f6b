<script setup lang="ts">
/** Who has done the event, who is waiting, who may not start. */
import { isMarkOver, printQuantity, type Mark, type StandardEvent } from '@able-gauge/core'
import { nextTick, onMounted, ref, watch } from 'vue'
import { fullName, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { figureOf, wordFor } from '../ui/verdictWords.ts'
import QueueFilter from './QueueFilter.vue'
import { useQueueFilter } from './useQueueFilter.ts'
import type { useCandidates } from './useQueue.ts'
import WithOther from './WithOther.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent
  candidates: Pick<ReturnType<typeof useCandidates>, 'queue' | 'kindOf' | 'station' | 'others'>
  /** Id of the entry on the console. */
  current: string
}>()

const emit = defineEmits<{ choose: [entryId: string] }>()

const store = useDay()
const filter = useQueueFilter(() => props.day, props.candidates)
const queue = filter.found
const { others } = props.candidates
const list = ref<HTMLElement | null>(null)
const showCurrent = async (): Promise<void> => {
  await nextTick()
  const row = list.value?.querySelector<HTMLElement>('.current')
  // the list alone is scrolled, never the page it stands on
  if (list.value && row) list.value.scrollTop = row.offsetTop - list.value.clientHeight / 2
}
watch(() => props.current, showCurrent)
onMounted(showCurrent)

const markOf = (entryId: string): Mark | undefined => store.marksIn(props.event.id).value.get(entryId)

const wordsFor = (entry: Entry): string => {
  if (entry.attendance === 'held') return 'held'
  const mark = markOf(entry.id)
  if (!mark || mark.kind === 'waiting') return 'waiting'
  const figure = figureOf(mark)
  const unit = 'unit' in mark ? mark.unit : 'count'
  return figure === null ? wordFor(mark) : `${printQuantity(figure, unit)} ${wordFor(mark)}`
}
const isDone = (entryId: string): boolean => {
  const mark = markOf(entryId)
  return mark !== undefined && isMarkOver(mark)
}
</script>

<template>
  <section class="sheet queue" aria-label="Candidates">
    <QueueFilter :filter="filter" />
    <p v-if="queue.length === 0" class="quiet none">Nobody is found.</p>
    <ol ref="list">
      <li v-for="(entry, index) in queue" :key="entry.id">
        <p v-if="index === 0 || queue[index - 1]?.wave !== entry.wave" class="wave quiet">Wave {{ entry.wave }}</p>
        <button
          :class="{ current: entry.id === current, done: isDone(entry.id), held: entry.attendance === 'held' }"
          :aria-current="entry.id === current || undefined"
          @click="emit('choose', entry.id)"
        >
          <strong class="figures">{{ entry.bib ?? '–' }}</strong>
          <span class="name">{{ fullName(entry) }}<WithOther :claim="others.get(entry.id)" /></span>
          <span class="state figures">{{ wordsFor(entry) }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.queue {
  display: flex;
  flex-direction: column;
  overflow: hidden;
}
.none {
  padding: 12px 14px;
  margin: 0;
}
ol {
  position: relative;
  list-style: none;
  margin: 0;
  padding: 0;
  overflow-y: auto;
}
.wave {
  margin: 0;
  padding: 8px 14px 4px;
  font-size: 0.8125rem;
  font-weight: 650;
}
button {
  width: 100%;
  min-height: 44px;
  display: grid;
  grid-template-columns: 40px 1fr auto;
  gap: 4px;
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
.name {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.state {
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.done .name,
.done strong {
  color: var(--ink-2);
  font-weight: 500;
}
.held {
  background: var(--decide-tint);
}
.current {
  border-left-color: var(--ink);
  background: var(--tint);
}
button:focus-visible {
  outline-offset: -3px;
  box-shadow: none;
}
@media (max-width: 900px) {
  button {
    min-height: 52px;
  }
}
</style>
