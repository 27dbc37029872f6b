<script setup lang="ts">
/** The day on paper for whoever leads it: times, waves with their people, staff, cautions. */
import { SITE_MARK_NAMES, type DayPlan } from '@able-gauge/core'
import { computed } from 'vue'
import { byBib, fullName, wavesOf, type Day } from '../../day/day.ts'
import { clockAt } from '../clockAt.ts'
import SiteDrawing from '../SiteDrawing.vue'
import { MARK_SIGNS } from '../siteShapes.ts'
import { useTimetable } from '../useTimetable.ts'

const props = defineProps<{
  day: Day
  plan: DayPlan
}>()

const { timetable } = useTimetable(
  () => props.day,
  computed(() => props.plan),
)
/** What the letters of the drawing stand for. */
const signs = computed(() =>
  [...new Set((props.plan.site?.marks ?? []).map(({ kind }) => kind))]
    .filter((kind) => kind !== 'event')
    .map((kind) => `${MARK_SIGNS[kind]}: ${SITE_MARK_NAMES[kind].toLowerCase()}`)
    .join(', '),
)
const eventOf = (id: string) => props.day.standard.events.find((event) => event.id === id)
const plannedOf = (id: string) => props.plan.events.find(({ eventId }) => eventId === id)
const staffOf = (id: string): string =>
  (plannedOf(id)?.staff ?? [])
    .map((accountId) => props.day.staff.find((member) => member.accountId === accountId)?.displayName ?? '')
    .filter((name) => name !== '')
    .join(', ')
const inWave = (wave: number) => [...props.day.entries].filter((entry) => entry.wave === wave).sort(byBib)
</script>

<template>
  <section v-for="(planned, index) in plan.days" :key="index">
    <h2>
      {{ plan.days.length > 1 ? `Day ${index + 1}: ` : '' }}Muster {{ planned.musterAt }}, events from
      {{ planned.startsAt }}
    </h2>
    <table class="table">
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">Event</th>
          <th scope="col">Wave</th>
          <th scope="col">Where</th>
          <th scope="col">Who works it</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="sitting in timetable.sittings
            .filter(({ day: at }) => at === index)
            .sort((a, b) => a.startMs - b.startMs)"
          :key="`${sitting.eventId} ${sitting.wave}`"
        >
          <td class="figures">{{ clockAt(planned.startsAt, sitting.startMs) }}</td>
          <td class="figures">{{ clockAt(planned.startsAt, sitting.endMs) }}</td>
          <td>{{ eventOf(sitting.eventId)?.name }}</td>
          <td class="figures">{{ sitting.wave }}</td>
          <td>{{ plannedOf(sitting.eventId)?.place }}</td>
          <td>{{ staffOf(sitting.eventId) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
  <section v-if="plan.site">
    <h2>Site plan</h2>
    <SiteDrawing :day="day" :plan="plan" :site="plan.site" :may-edit="false" />
    <p>{{ signs }}</p>
  </section>
  <section v-for="wave in wavesOf(day)" :key="wave" class="wave">
    <h2>Wave {{ wave }}</h2>
    <ul>
      <li v-for="entry in inWave(wave)" :key="entry.id">
        <strong class="figures">{{ entry.bib ?? '–' }}</strong> {{ fullName(entry) }}
      </li>
    </ul>
  </section>
  <section>
    <h2>Staff</h2>
    <p v-for="member in day.staff" :key="member.accountId">{{ member.displayName }}: {{ member.duty }}</p>
  </section>
  <section>
    <h2>Keep in sight</h2>
    <p>
      Medical cover, defibrillator and water are in place before the first start. Chest pain, faintness, confusion,
      injury or a request to stop ends an attempt at once. Your organisation's rules and its clinicians decide; this
      sheet only reminds.
    </p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 18px;
  break-inside: avoid;
}
ul {
  columns: 3;
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
p {
  margin: 2px 0;
}
@media (max-width: 700px) {
  ul {
    columns: 1;
  }
  section {
    overflow-x: auto;
  }
}
</style>
