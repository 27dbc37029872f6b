<script setup lang="ts">
/** Who starts when and where, event by event, with a box to tick and one for the time. */
import { startingLists, type DayPlan } from '@able-gauge/core'
import { computed } from 'vue'
import { eventName, fullName, type Day } from '../../day/day.ts'
import { clockAt } from '../clockAt.ts'
import { useTimetable } from '../useTimetable.ts'

const props = defineProps<{
  day: Day
  plan: DayPlan
}>()

const { timetable } = useTimetable(
  () => props.day,
  computed(() => props.plan),
)
const lists = computed(() =>
  startingLists(
    props.day.standard.events.map(({ id }) => id),
    timetable.value,
  ),
)
const entryOf = (id: string) => props.day.entries.find((entry) => entry.id === id)
const timeOf = (day: number, ms: number): string => clockAt(props.plan.days[day]?.startsAt ?? '09:00', ms)
</script>

<template>
  <p v-if="lists.length === 0">Nobody is entered yet, so nobody starts.</p>
  <section v-for="list in lists" :key="`${list.eventId} ${list.wave}`">
    <h2>{{ eventName(day, list.eventId) }}, wave {{ list.wave }}</h2>
    <table class="table">
      <thead>
        <tr>
          <th scope="col">Starts</th>
          <th scope="col">Station</th>
          <th scope="col">Bib</th>
          <th scope="col">Name</th>
          <th scope="col">Here</th>
          <th scope="col">Started at</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in list.lines" :key="line.entryId">
          <td class="figures">{{ timeOf(list.day, line.startMs) }}</td>
          <td class="figures">{{ line.station }}</td>
          <td class="figures">{{ entryOf(line.entryId)?.bib ?? '–' }}</td>
          <td>{{ entryOf(line.entryId) ? fullName(entryOf(line.entryId)!) : '' }}</td>
          <td><span class="tick" aria-hidden="true" /></td>
          <td class="blank"></td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  break-inside: avoid;
  margin-bottom: 18px;
}
h2 {
  font-size: 1.0625rem;
}
.tick {
  display: inline-block;
  width: 18px;
  height: 18px;
  border: 1.5px solid var(--ink);
}
.blank {
  min-width: 110px;
}
</style>
