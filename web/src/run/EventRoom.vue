<script setup lang="ts">
/** Opens the console that belongs to the kind of the event. */
import type { StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Day } from '../day/day.ts'
import CandidateRoom from './CandidateRoom.vue'
import LapConsole from './laps/LapConsole.vue'
import type { RunEvent } from './laps/useLapConsole.ts'
import ReadingsConsole from './readings/ReadingsConsole.vue'
import RepetitionsConsole from './repetitions/RepetitionsConsole.vue'
import type { RepetitionEvent } from './repetitions/useRepetitions.ts'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
const event = computed(() => props.day.standard.events.find(({ id }) => id === route.params['eventId']))
const isRun = (one: StandardEvent): one is RunEvent => one.protocol.kind === 'timedDistance'
const isRepetitions = (one: StandardEvent): one is RepetitionEvent => one.protocol.kind === 'repetitionsInTime'
</script>

<template>
  <LapConsole v-if="event && isRun(event)" :key="event.id" :day="day" :event="event" />
  <CandidateRoom v-else-if="event" :key="event.id" v-slot="{ entry, following, next, back }" :day="day" :event="event">
    <RepetitionsConsole
      v-if="isRepetitions(event)"
      :day="day"
      :event="event"
      :entry="entry"
      :following="following"
      @next="next"
      @back="back"
    />
    <ReadingsConsole v-else :day="day" :event="event" :entry="entry" :following="following" @next="next" @back="back" />
  </CandidateRoom>
  <main v-else class="room">
    <p>The standard of this day holds no such event.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
  </main>
</template>
