<script setup lang="ts">
/** Opens the console that belongs to the kind of the event; figures can be typed from a card in every event. */
import { kindOf, type StandardEvent } from '@able-gauge/core'
import { computed, type Component } from 'vue'
import { useRoute } from 'vue-router'
import { eventFor, type Day, type Entry } from '../day/day.ts'
import CandidateRoom from './CandidateRoom.vue'
import { CONSOLES, ReadingsConsole } from './consoles.ts'
import { wayIn } from './way.ts'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
const event = computed(() => props.day.standard.events.find(({ id }) => id === route.params['eventId']))
const way = computed(() => wayIn(route.query['way']))

/** A candidate does the event itself or an alternate of another kind; its captures belong to the battery's event. */
const doneBy = (one: StandardEvent, entry: Entry): StandardEvent => ({
  ...eventFor(props.day, one, entry),
  id: one.id,
})
/** A group's console stands before the candidate's; a hold is worked by candidate as somebody's alternate. */
const groupConsole = computed((): Component | undefined => {
  if (!event.value || way.value === 'typed') return undefined
  const { ofGroup, inLanes } = CONSOLES[event.value.protocol.kind]
  return way.value === 'lanes' ? inLanes : ofGroup
})
const consoleFor = ({ protocol }: StandardEvent): Component =>
  (way.value === 'typed' || kindOf(protocol).isRead?.(protocol) ? undefined : CONSOLES[protocol.kind].ofOne) ??
  ReadingsConsole
</script>

<template>
  <main v-if="!event" class="room">
    <p>The standard of this day holds no such event.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
  </main>
  <component :is="groupConsole" v-else-if="groupConsole" :key="`${event.id} ${way}`" :day="day" :event="event" />
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
