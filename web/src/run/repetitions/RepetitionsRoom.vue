<script setup lang="ts">
/** Repetitions in a time: the candidates in order, and the console of the one being counted. */
import type { Day } from '../../day/day.ts'
import EventStrip from '../EventStrip.vue'
import { useQueue } from '../useQueue.ts'
import RepetitionsConsole from './RepetitionsConsole.vue'
import CandidateQueue from '../CandidateQueue.vue'
import type { RepetitionEvent } from './useRepetitions.ts'

const props = defineProps<{
  day: Day
  event: RepetitionEvent
}>()

const { queue, entry, chosen, following, choose } = useQueue(() => props.day, props.event.id)
</script>

<template>
  <main class="reps" :class="{ chosen: chosen !== undefined }">
    <EventStrip class="strip" :day="day" :current="event.id" />
    <CandidateQueue class="queue" :event="event" :queue="queue" :current="entry?.id ?? ''" @choose="choose" />
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
