<script setup lang="ts">
/** Events whose figures are read from an instrument: the candidates in order, and the readings of one. */
import type { StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import type { Day } from '../../day/day.ts'
import EventStrip from '../EventStrip.vue'
import CandidateQueue from '../CandidateQueue.vue'
import { useQueue } from '../useQueue.ts'
import ReadingsConsole from './ReadingsConsole.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent
}>()

const { queue, entry, chosen, following, choose } = useQueue(() => props.day, props.event.id)
const isChosen = computed(() => chosen.value !== undefined)
</script>

<template>
  <main class="readings" :class="{ chosen: isChosen }">
    <EventStrip class="strip" :day="day" :current="event.id" />
    <CandidateQueue class="queue" :event="event" :queue="queue" :current="entry?.id ?? ''" @choose="choose" />
    <ReadingsConsole
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
.readings {
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
  .readings {
    display: flex;
    flex-direction: column;
    max-height: none;
    padding: 10px 12px;
  }
  .readings:not(.chosen) .pad {
    display: none;
  }
  .chosen .queue,
  .chosen .strip {
    display: none;
  }
}
</style>
