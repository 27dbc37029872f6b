<script setup lang="ts">
/** Somebody does an alternate that is worked together with others: the way to its console, and who else does it. */
import { conductOf, type StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import { byBib, eventFor, fullName, bibAndName, type Day, type Entry } from '../day/day.ts'

const props = defineProps<{
  day: Day
  /** The alternate, under the id of the event it replaces. */
  event: StandardEvent
  entry: Entry
}>()

const battery = computed(() => props.day.standard.events.find(({ id }) => id === props.event.id))
const alternateId = computed(() => (battery.value ? eventFor(props.day, battery.value, props.entry).id : ''))
const others = computed(() =>
  props.day.entries
    .filter(({ attendance }) => attendance === 'present')
    .filter((entry) => battery.value && eventFor(props.day, battery.value, entry).id === alternateId.value)
    .sort(byBib),
)
</script>

<template>
  <section class="sheet door">
    <h1>{{ bibAndName(entry, fullName) }}: {{ event.name }}, in place of {{ battery?.name }}</h1>
    <p>{{ conductOf(event.protocol, event.publishedIn) }}</p>
    <p v-if="others.length > 1" class="quiet">
      With the same alternate: {{ others.map((one) => bibAndName(one)).join(', ') }}
    </p>
    <RouterLink
      class="btn btn-primary btn-lg"
      :to="{ name: 'event', params: { eventId: event.id }, query: { alternate: alternateId } }"
      >Open the console of {{ event.name }}</RouterLink
    >
  </section>
</template>

<style scoped>
.door {
  padding: 18px 20px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 12px;
}
.door p {
  margin: 0;
}
</style>
