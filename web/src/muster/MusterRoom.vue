<script setup lang="ts">
/** Before the first event: people checked in, conditions taken, everybody briefed. */
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Day } from '../day/day.ts'
import { useAfterPaint } from '../ui/useAfterPaint.ts'
import MusterBriefing from './MusterBriefing.vue'
import MusterCheckIn from './MusterCheckIn.vue'
import MusterConditions from './MusterConditions.vue'

defineProps<{
  day: Day
}>()

const PARTS = [
  { part: 'check-in', label: 'Check-in' },
  { part: 'conditions', label: 'Conditions' },
  { part: 'briefing', label: 'Briefing' },
] as const

const route = useRoute()
const part = computed(() => PARTS.find((one) => one.part === route.query['part'])?.part ?? 'check-in')
const shown = useAfterPaint(() => part.value)
</script>

<template>
  <main class="room">
    <nav class="parts" aria-label="Parts of the muster">
      <RouterLink
        v-for="one in PARTS"
        :key="one.part"
        :to="{ name: 'muster', query: { part: one.part } }"
        :class="{ here: part === one.part }"
        :aria-current="part === one.part ? 'page' : undefined"
        >{{ one.label }}</RouterLink
      >
    </nav>
    <MusterConditions v-if="shown === 'conditions'" :day="day" />
    <MusterBriefing v-else-if="shown === 'briefing'" :day="day" />
    <MusterCheckIn v-else :day="day" />
  </main>
</template>
