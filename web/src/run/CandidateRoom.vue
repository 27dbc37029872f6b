<script setup lang="ts">
/** Events done one candidate at a time: the candidates in order, and the console of the one whose turn it is. */
import type { StandardEvent } from '@able-gauge/core'
import type { Day } from '../day/day.ts'
import CandidateQueue from './CandidateQueue.vue'
import EventStrip from './EventStrip.vue'
import { useQueue } from './useQueue.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
}>()

const { queue, entry, chosen, following, choose } = useQueue(() => props.day, props.event.id)
</script>

<template>
  <main class="candidates" :class="{ chosen: chosen !== undefined }">
    <EventStrip class="strip" :day="day" :current="event.id" />
    <CandidateQueue class="queue" :event="event" :queue="queue" :current="entry?.id ?? ''" @choose="choose" />
    <div v-if="entry" :key="entry.id" class="pad">
      <!-- the console of this candidate, with the ways to the next and back to the list -->
      <slot :entry="entry" :following="following" :next="() => choose(following?.id)" :back="() => choose(undefined)" />
    </div>
    <p v-else class="sheet p-4">Nobody is here yet. Check people in at muster, then come back.</p>
  </main>
</template>

<style scoped>
.candidates {
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
.pad {
  display: flex;
  min-height: 0;
  min-width: 0;
}
.pad > :deep(*) {
  flex: 1;
  min-width: 0;
}
@media (max-width: 900px) {
  .candidates {
    display: flex;
    flex-direction: column;
    max-height: none;
    padding: 10px 12px;
  }
  .candidates:not(.chosen) .pad {
    display: none;
  }
  .chosen .pad {
    flex: 1;
  }
  .chosen .queue,
  .chosen .strip {
    display: none;
  }
}
</style>
