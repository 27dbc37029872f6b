<script setup lang="ts">
/** Opens the console that belongs to the kind of the event; figures can be typed from a card in every event. */
import type { EventKind, ProtocolOf, StandardEvent } from '@able-gauge/core'
import { computed, type Component } from 'vue'
import { useRoute } from 'vue-router'
import { eventFor, type Day, type Entry } from '../day/day.ts'
import CandidateRoom from './CandidateRoom.vue'
import ChainConsole from './chain/ChainConsole.vue'
import CourseConsole from './course/CourseConsole.vue'
import DistanceConsole from './distance/DistanceConsole.vue'
import HoldConsole from './hold/HoldConsole.vue'
import LapConsole from './laps/LapConsole.vue'
import LiftConsole from './lifts/LiftConsole.vue'
import ReadingsConsole from './readings/ReadingsConsole.vue'
import LanesConsole from './repetitions/LanesConsole.vue'
import RepetitionsConsole from './repetitions/RepetitionsConsole.vue'
import type { RepetitionEvent } from './repetitions/useRepetitions.ts'
import ShuttleConsole from './shuttle/ShuttleConsole.vue'
import SprintConsole from './sprint/SprintConsole.vue'
import StepConsole from './steps/StepConsole.vue'
import TaskConsole from './tasks/TaskConsole.vue'
import { LANED, wayIn } from './way.ts'

const props = defineProps<{
  day: Day
}>()

/** Consoles of one candidate; they all take the same props. A hold is here as somebody's alternate. */
const OF_ONE: Partial<Readonly<Record<EventKind, Component>>> = {
  repetitionsInTime: RepetitionsConsole,
  repetitionsToFailure: RepetitionsConsole,
  repetitionsToCadence: RepetitionsConsole,
  sprint: SprintConsole,
  heaviestLift: LiftConsole,
  workChain: ChainConsole,
  stepTest: StepConsole,
  untimedTask: TaskConsole,
}

const route = useRoute()
const event = computed(() => props.day.standard.events.find(({ id }) => id === route.params['eventId']))
const way = computed(() => wayIn(route.query['way']))

/** A candidate does the event itself or an alternate of another kind; its captures belong to the battery's event. */
const doneBy = (one: StandardEvent, entry: Entry): StandardEvent => ({
  ...eventFor(props.day, one, entry),
  id: one.id,
})
const consoleFor = ({ protocol }: StandardEvent): Component => {
  // one repetition's load that is computed from several is read, not lifted step by step
  const isRead = way.value === 'typed' || (protocol.kind === 'heaviestLift' && protocol.estimate !== undefined)
  return (isRead ? undefined : OF_ONE[protocol.kind]) ?? ReadingsConsole
}

type EventOf<Kind extends EventKind> = StandardEvent & { readonly protocol: ProtocolOf<Kind> }
const isLive = <Kind extends EventKind>(one: StandardEvent, kind: Kind): one is EventOf<Kind> =>
  way.value === 'live' && one.protocol.kind === kind
const inLanes = (one: StandardEvent): one is RepetitionEvent => way.value === 'lanes' && LANED.has(one.protocol.kind)
</script>

<template>
  <main v-if="!event" class="room">
    <p>The standard of this day holds no such event.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
  </main>
  <LapConsole v-else-if="isLive(event, 'timedDistance')" :key="event.id" :day="day" :event="event" />
  <DistanceConsole v-else-if="isLive(event, 'distanceInTime')" :key="event.id" :day="day" :event="event" />
  <ShuttleConsole v-else-if="isLive(event, 'progressiveShuttle')" :key="event.id" :day="day" :event="event" />
  <HoldConsole v-else-if="isLive(event, 'heldPosition')" :key="event.id" :day="day" :event="event" />
  <CourseConsole v-else-if="isLive(event, 'stationCourse')" :key="event.id" :day="day" :event="event" />
  <LanesConsole v-else-if="inLanes(event)" :key="event.id" :day="day" :event="event" />
  <CandidateRoom v-else :key="`${event.id} ${way}`" v-slot="{ entry, following, next, back }" :day="day" :event="event">
    <component
      :is="consoleFor(doneBy(event, entry))"
      :day="day"
      :event="doneBy(event, entry)"
      :entry="entry"
      :following="following"
      @next="next"
      @back="back"
    />
  </CandidateRoom>
</template>
