<script setup lang="ts">
/** Repetitions in a time: the candidates in order, and the console of the one being counted. */
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { byBib, type Day } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import EventStrip from '../EventStrip.vue'
import RepetitionsConsole from './RepetitionsConsole.vue'
import RepetitionsQueue from './RepetitionsQueue.vue'
import type { RepetitionEvent } from './useRepetitions.ts'

const props = defineProps<{
  day: Day
  event: RepetitionEvent
}>()

const store = useDay()
const route = useRoute()
const router = useRouter()

const queue = computed(() =>
  props.day.entries
    .filter(({ attendance }) => attendance === 'present' || attendance === 'held')
    .sort((a, b) => a.wave - b.wave || byBib(a, b)),
)
const isWaiting = (entryId: string): boolean => {
  const kind = store.marksIn(props.event.id).value.get(entryId)?.kind
  return kind === 'waiting' || kind === 'running'
}
const firstWaiting = computed(() => queue.value.find((entry) => entry.attendance === 'present' && isWaiting(entry.id)))
const chosen = computed(() => queue.value.find(({ bib }) => bib !== null && String(bib) === route.query['bib']))
/** Stays on the console while captures come in: the result must not give way to the next candidate by itself. */
const pinnedId = ref(firstWaiting.value?.id ?? queue.value[0]?.id)
const entry = computed(() => chosen.value ?? queue.value.find(({ id }) => id === pinnedId.value) ?? queue.value[0])

const choose = (entryId: string | undefined): void => {
  const bib = store.entry(entryId ?? null)?.bib
  pinnedId.value = entryId ?? firstWaiting.value?.id
  void router.replace({ query: bib ? { bib: String(bib) } : {} })
}
/** The next one waiting after the candidate on the console. */
const following = computed(() => {
  const at = queue.value.findIndex(({ id }) => id === entry.value?.id)
  const after = [...queue.value.slice(at + 1), ...queue.value.slice(0, Math.max(0, at))]
  return after.find((one) => one.attendance === 'present' && isWaiting(one.id))
})
</script>

<template>
  <main class="reps" :class="{ chosen: chosen !== undefined }">
    <EventStrip class="strip" :day="day" :current="event.id" />
    <RepetitionsQueue class="queue" :event="event" :queue="queue" :current="entry?.id ?? ''" @choose="choose" />
    <RepetitionsConsole
      v-if="entry"
      :key="entry.id"
      class="pad"
      :day="day"
      :event="event"
      :entry="entry"
      :following="following"
      @next="choose(following?.id)"
      @back="choose(undefined)"
    />
    <p v-else class="sheet p-4">Nobody is here yet. Check people in at muster, then come back.</p>
  </main>
</template>

<style scoped>
.reps {
  flex: 1;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  grid-template-rows: auto 1fr;
  gap: 12px 16px;
  padding: 12px 20px 16px;
  max-height: calc(100dvh - 64px);
  min-height: 0;
}
.strip {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .reps {
    display: flex;
    flex-direction: column;
    max-height: none;
    padding: 10px 12px;
  }
  .reps:not(.chosen) .pad {
    display: none;
  }
  .chosen .queue,
  .chosen .strip {
    display: none;
  }
}
</style>
