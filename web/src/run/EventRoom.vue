<script setup lang="ts">
/**
 * Opens the console that belongs to the kind of the event, or of an alternate in its place; figures can be typed from a card in every
 * event.
 */
import { kindOf, type StandardEvent } from '@able-gauge/core'
import { computed, onMounted, type Component } from 'vue'
import { useRoute } from 'vue-router'
import { eventFor, type Day, type Entry } from '../day/day.ts'
import AlternateDoor from './AlternateDoor.vue'
import CandidateRoom from './CandidateRoom.vue'
import ScreenAwake from './ScreenAwake.vue'
import { CONSOLES, fetchOthers, READINGS } from './consoles.ts'
import type { Worked } from './useQueue.ts'
import { modeIn } from './captureMode.ts'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
onMounted(fetchOthers)
const event = computed(() => props.day.standard.events.find(({ id }) => id === route.params['eventId']))
const mode = computed(() => modeIn(route.query['mode']))
/** What the console is for: the event, or an alternate that is worked together, whose captures belong to the event. */
const worked = computed((): (StandardEvent & Worked) | undefined => {
  const alternate = props.day.standard.alternateEvents?.find(({ id }) => id === route.query['alternate'])
  return event.value && alternate ? { ...alternate, id: event.value.id, alternateId: alternate.id } : event.value
})

/** A candidate does the event itself or an alternate of another kind; its captures belong to the battery's event. */
const doneBy = (one: StandardEvent, entry: Entry): StandardEvent => ({
  ...eventFor(props.day, one, entry),
  id: one.id,
})
/** A group's console stands before the candidate's. */
const groupConsole = computed((): Component | undefined => {
  if (!worked.value || mode.value === 'typed') return undefined
  const { ofGroup, inLanes } = CONSOLES[worked.value.protocol.kind]
  return mode.value === 'lanes' ? inLanes : ofGroup
})
const consoleFor = ({ protocol }: StandardEvent): Component => {
  if (mode.value === 'typed' || kindOf(protocol).isRead?.(protocol)) return READINGS
  const { ofOne, ofGroup } = CONSOLES[protocol.kind]
  return ofOne ?? (ofGroup ? AlternateDoor : READINGS)
}
</script>

<template>
  <ScreenAwake v-if="event" />
  <main v-if="!event" class="room">
    <p>The standard of this day holds no such event.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
  </main>
  <component
    :is="groupConsole"
    v-else-if="groupConsole && worked"
    :key="`${event.id} ${worked.name} ${mode}`"
    :day="day"
    :event="worked"
  />
  <CandidateRoom
    v-else
    :key="`${event.id} ${mode}`"
    v-slot="{ entry, following, next, back }"
    :day="day"
    :event="event"
  >
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
