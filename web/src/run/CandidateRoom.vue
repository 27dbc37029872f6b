<script setup lang="ts">
/** Events done one candidate at a time: the candidates in order, and the console of the one whose turn it is. */
import { printClock, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { bibAndName, type Day } from '../day/day.ts'
import CandidateQueue from './CandidateQueue.vue'
import EventStrip from './EventStrip.vue'
import { useTick } from '../ui/useTick.ts'
import { useQueue } from './useQueue.ts'
import { useRests } from './useRests.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
}>()

const rests = useRests(() => props.day)
const nowMs = useTick(1_000)
/** How much of the rest before this event is left for the candidate on the console. */
const restLeftMs = computed(() => {
  const state = entry.value ? rests.value.get(entry.value.id) : undefined
  return state?.kind === 'resting' && state.eventId === props.event.id ? state.untilMs - nowMs.value : 0
})
const candidates = useQueue(() => props.day, props.event)
const { entry, chosen, following, choose, next, others, kindOf } = candidates
/** Somebody else has this candidate open too. */
const other = computed(() =>
  // once it runs, the console says whose count stands
  entry.value && kindOf(entry.value.id) === 'waiting' ? others.value.get(entry.value.id) : undefined,
)
</script>

<template>
  <main class="candidates" :class="{ chosen: chosen !== undefined }">
    <EventStrip class="strip" :day="day" :current="event.id" />
    <CandidateQueue
      class="queue"
      :day="day"
      :event="event"
      :candidates="candidates"
      :current="entry?.id ?? ''"
      @choose="choose"
    />
    <div v-if="entry" :key="entry.id" class="seat">
      <p v-if="restLeftMs > 0" class="resting" role="status">
        Still resting: {{ printClock(restLeftMs + 999) }} left before this event. An earlier start is on the officer in
        charge.
      </p>
      <p v-if="other" class="resting" role="status">
        <strong>{{ other.by }} has this candidate open on another device.</strong> Whoever starts first holds the count;
        the other is kept beside it.
        <BButton v-if="following" variant="quiet" size="sm" @click="next">
          Next who is free: {{ bibAndName(following) }}
        </BButton>
      </p>
      <!-- the console of this candidate, with the ways to the next and back to the list -->
      <slot :entry="entry" :following="following" :next="next" :back="() => choose(undefined)" />
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
  max-height: calc(100dvh - 64px - var(--told-above, 0px));
  min-height: 0;
}
.strip {
  grid-column: 1 / -1;
}
.resting {
  flex: none !important;
  margin: 0 0 10px;
  padding: 8px 14px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.seat {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.seat > :deep(section) {
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
  .candidates:not(.chosen) .seat {
    display: none;
  }
  .chosen .seat {
    flex: 1;
  }
  .chosen .queue,
  .chosen .strip {
    display: none;
  }
}
</style>
