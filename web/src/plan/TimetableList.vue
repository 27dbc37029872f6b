<script setup lang="ts">
/** The timetable as tables: in time, by wave, by candidate, by member of the staff. */
import type { Sitting } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { byBib, fullName, type Day } from '../day/day.ts'
import { clockAt } from './clockAt.ts'

const props = defineProps<{
  day: Day
  /** Of one day. */
  sittings: readonly Sitting[]
  /** Of that day, in the order they are listed. */
  events: readonly {
    readonly id: string
    readonly name: string
    readonly staff: readonly { readonly accountId: string; readonly name: string }[]
  }[]
  /** HH:MM */
  startsAt: string
}>()

const BY = [
  { value: 'time', text: 'in time' },
  { value: 'wave', text: 'by wave' },
  { value: 'candidate', text: 'by candidate' },
  { value: 'staff', text: 'by member of the staff' },
] as const
const by = ref<(typeof BY)[number]['value']>('time')

const at = (ms: number): string => clockAt(props.startsAt, ms)
const span = ({ startMs, endMs }: Pick<Sitting, 'startMs' | 'endMs'>): string => `${at(startMs)}–${at(endMs)}`
const nameOf = (eventId: string): string => props.events.find(({ id }) => id === eventId)?.name ?? eventId
const inTime = computed(() => [...props.sittings].sort((a, b) => a.startMs - b.startMs))
const waves = computed(() =>
  [...new Set(props.sittings.map(({ wave }) => wave))]
    .sort((a, b) => a - b)
    .map((wave) => ({
      wave,
      heads: props.day.entries.filter((entry) => entry.wave === wave).length,
      cells: props.events.map(({ id }) => {
        const sitting = props.sittings.find((one) => one.eventId === id && one.wave === wave)
        return sitting ? span(sitting) : ''
      }),
    })),
)
const candidates = computed(() => {
  const startOf = new Map(
    props.sittings.flatMap(({ eventId, starts }) =>
      starts.flatMap(({ entryIds, startMs }) => entryIds.map((id) => [`${id} ${eventId}`, startMs] as const)),
    ),
  )
  return [...props.day.entries].sort(byBib).map((entry) => ({
    entry,
    cells: props.events.map(({ id }) => {
      const startMs = startOf.get(`${entry.id} ${id}`)
      return startMs === undefined ? '' : at(startMs)
    }),
  }))
})
const staff = computed(() =>
  props.day.staff.map((member) => ({
    member,
    turns: inTime.value
      .filter(({ eventId }) =>
        props.events.some(
          ({ id, staff: own }) => id === eventId && own.some((one) => one.accountId === member.accountId),
        ),
      )
      .map((sitting) => ({ key: `${sitting.eventId} ${sitting.wave}`, sitting })),
  })),
)
</script>

<template>
  <BFormSelect v-model="by" class="by" size="sm" :options="[...BY]" aria-label="List the timetable" />
  <div class="scroll">
    <table v-if="by === 'time'" class="table">
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">Event</th>
          <th scope="col">Wave</th>
          <th scope="col">Starts</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="sitting in inTime" :key="`${sitting.eventId} ${sitting.wave}`">
          <td class="figures">{{ at(sitting.startMs) }}</td>
          <td class="figures">{{ at(sitting.endMs) }}</td>
          <td>{{ nameOf(sitting.eventId) }}{{ sitting.pinned ? ', put by hand' : '' }}</td>
          <td class="figures">{{ sitting.wave }}</td>
          <td class="figures">{{ sitting.starts.length }}</td>
        </tr>
      </tbody>
    </table>
    <table v-else-if="by === 'staff'" class="table">
      <thead>
        <tr>
          <th scope="col">Who</th>
          <th scope="col">Where and when</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ member, turns } in staff" :key="member.accountId">
          <th scope="row">
            {{ member.displayName }}<small class="quiet duty"><br />{{ member.duty }}</small>
          </th>
          <td>
            <span v-for="{ key, sitting } in turns" :key="key" class="turn"
              ><span class="figures">{{ span(sitting) }}</span> {{ nameOf(sitting.eventId) }}, wave
              {{ sitting.wave }}</span
            >
            <span v-if="turns.length === 0" class="quiet">at no event</span>
          </td>
        </tr>
      </tbody>
    </table>
    <table v-else class="table">
      <thead>
        <tr>
          <th scope="col">{{ by === 'wave' ? 'Wave' : 'Bib' }}</th>
          <th v-if="by === 'candidate'" scope="col">Name</th>
          <th scope="col">{{ by === 'wave' ? 'People' : 'Wave' }}</th>
          <th v-for="event in events" :key="event.id" scope="col">{{ event.name }}</th>
        </tr>
      </thead>
      <tbody v-if="by === 'wave'">
        <tr v-for="{ wave, heads, cells } in waves" :key="wave">
          <th scope="row" class="figures">{{ wave }}</th>
          <td class="figures">{{ heads }}</td>
          <td v-for="(cell, index) in cells" :key="index" class="figures">{{ cell }}</td>
        </tr>
      </tbody>
      <tbody v-else>
        <tr v-for="{ entry, cells } in candidates" :key="entry.id">
          <th scope="row" class="figures">{{ entry.bib ?? '' }}</th>
          <td>{{ fullName(entry) }}</td>
          <td class="figures">{{ entry.wave ?? '' }}</td>
          <td v-for="(cell, index) in cells" :key="index" class="figures">{{ cell }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.by {
  width: auto;
}
.scroll {
  overflow-x: auto;
}
.table {
  margin: 8px 0;
}
td.figures {
  white-space: nowrap;
}
.duty {
  font-weight: 400;
}
.turn {
  display: block;
}
</style>
