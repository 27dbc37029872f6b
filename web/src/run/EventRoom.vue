<script setup lang="ts">
/** Opens the console that belongs to the kind of the event. */
import type { StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Day } from '../day/day.ts'
import LapConsole from './laps/LapConsole.vue'
import type { RunEvent } from './laps/useLapConsole.ts'
import ReadingsRoom from './readings/ReadingsRoom.vue'
import RepetitionsRoom from './repetitions/RepetitionsRoom.vue'
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
  <RepetitionsRoom v-else-if="event && isRepetitions(event)" :key="event.id" :day="day" :event="event" />
  <ReadingsRoom v-else-if="event" :key="event.id" :day="day" :event="event" />
  <main v-else class="room">
    <p>The standard of this day holds no such event.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
  </main>
</template>
