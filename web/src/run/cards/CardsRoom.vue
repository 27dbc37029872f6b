<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Day } from '../../day/day.ts'
import CardsKeying from './CardsKeying.vue'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
const event = computed(() => props.day.standard.events.find(({ id }) => id === route.params['eventId']))
</script>

<template>
  <main class="room">
    <nav class="parts" aria-label="Events">
      <RouterLink
        v-for="one in day.standard.events"
        :key="one.id"
        :to="{ name: 'cards', params: { eventId: one.id } }"
        :class="{ here: one.id === event?.id }"
        >{{ one.name }}</RouterLink
      >
    </nav>
    <CardsKeying v-if="event" :key="event.id" :day="day" :event="event" />
    <p v-else>The standard of this day holds no such event.</p>
  </main>
</template>
