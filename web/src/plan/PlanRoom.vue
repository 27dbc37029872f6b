<script setup lang="ts">
/** The plan: the day and its people, stations and staff, ground, timetable, kit and papers. Changes are saved together. */
import { computed } from 'vue'
import { onBeforeRouteLeave, useRoute } from 'vue-router'
import type { Day } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import { useAfterPaint } from '../ui/useAfterPaint.ts'
import PlanDay from './PlanDay.vue'
import PlanGround from './PlanGround.vue'
import PlanPapers from './PlanPapers.vue'
import PlanSave from './PlanSave.vue'
import PlanStations from './PlanStations.vue'
import PlanTimetable from './PlanTimetable.vue'
import { usePlan } from './usePlan.ts'

const props = defineProps<{
  day: Day
}>()

const PARTS = [
  { part: 'day', label: 'Day and people' },
  { part: 'stations', label: 'Stations and staff' },
  { part: 'ground', label: 'Ground' },
  { part: 'timetable', label: 'Timetable' },
  { part: 'papers', label: 'Kit and papers' },
] as const

const route = useRoute()
const session = useSession()
const draft = usePlan(() => props.day)
const mayEdit = computed(() => session.can('plan.write') && !props.day.occasion.signedOff)
/** Whoever goes on with the day keeps what they planned; what cannot be saved holds them here. */
onBeforeRouteLeave(async () => {
  if (!mayEdit.value || draft.changes.value.length === 0) return true
  await draft.save()
  return draft.problem.value === '' && draft.meanwhile.value === null
})
const part = computed(() => PARTS.find((one) => one.part === route.query['part'])?.part ?? 'day')
const shown = useAfterPaint(() => part.value)
</script>

<template>
  <main class="room">
    <nav class="parts" aria-label="Parts of the plan">
      <RouterLink
        v-for="one in PARTS"
        :key="one.part"
        :to="{ name: 'plan', query: { part: one.part } }"
        :class="{ here: part === one.part }"
        :aria-current="part === one.part ? 'page' : undefined"
        >{{ one.label }}</RouterLink
      >
    </nav>
    <PlanSave v-if="mayEdit" :draft="draft" />
    <PlanStations v-if="shown === 'stations'" :day="day" :draft="draft" :may-edit="mayEdit" />
    <PlanGround v-else-if="shown === 'ground'" :day="day" :draft="draft" :may-edit="mayEdit" />
    <PlanTimetable v-else-if="shown === 'timetable'" :day="day" :draft="draft" :may-edit="mayEdit" />
    <PlanPapers v-else-if="shown === 'papers'" :day="day" :draft="draft" :may-edit="mayEdit" />
    <PlanDay v-else :day="day" />
  </main>
</template>
