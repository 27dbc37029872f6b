<script setup lang="ts">
/** Rests that run by themselves: for each event who may start now, who is due when, who is on it. */
import { printClock, type RestState } from '@able-gauge/core'
import { computed } from 'vue'
import { shortName, type Day, type Entry } from '../day/day.ts'
import { timeOfDay } from '../ui/localTime.ts'
import { useTick } from '../ui/useTick.ts'
import { useRests } from './useRests.ts'

const props = defineProps<{
  day: Day
}>()

const nowMs = useTick(1_000)
const rests = useRests(() => props.day)

interface Due {
  readonly entry: Entry
  readonly state: RestState
}

const dueIn = (eventId: string): Due[] =>
  props.day.entries.flatMap((entry) => {
    const state = rests.value.get(entry.id)
    return state && 'eventId' in state && state.eventId === eventId ? [{ entry, state }] : []
  })
const untilOf = ({ state }: Due): number => (state.kind === 'resting' ? state.untilMs : 0)
const rows = computed(() =>
  props.day.standard.events.flatMap(({ id, name }) => {
    const due = dueIn(id)
    if (due.length === 0) return []
    return [
      {
        id,
        name,
        ready: due.filter(({ state }) => state.kind === 'mayStart'),
        resting: due.filter(({ state }) => state.kind === 'resting').sort((a, b) => untilOf(a) - untilOf(b)),
        underWay: due.filter(({ state }) => state.kind === 'underWay'),
      },
    ]
  }),
)
const SHOWN = 10
</script>

<template>
  <section v-if="rows.length > 0" class="sheet rests" aria-labelledby="rests">
    <h2 id="rests">Who is due where</h2>
    <div v-for="{ id, name, ready, resting, underWay } in rows" :key="id" class="row">
      <RouterLink :to="{ name: 'event', params: { eventId: id } }">{{ name }}</RouterLink>
      <p>
        <template v-if="ready.length > 0">
          <strong>{{ ready.length }} may start now</strong>
          <span
            v-for="{ entry } in ready.slice(0, SHOWN)"
            :key="entry.id"
            class="bib figures"
            :title="shortName(entry)"
            >{{ entry.bib ?? '–' }}</span
          >
          <span v-if="ready.length > SHOWN" class="quiet">and {{ ready.length - SHOWN }} more</span>
        </template>
        <span v-if="underWay.length > 0" class="quiet">{{ underWay.length }} under way</span>
        <template v-if="resting.length > 0">
          <span class="quiet">resting</span>
          <span v-for="due in resting.slice(0, SHOWN)" :key="due.entry.id" class="resting figures">
            {{ due.entry.bib ?? '–' }} {{ printClock(untilOf(due) - nowMs + 999) }}
          </span>
          <span class="quiet">all rested at {{ timeOfDay(Math.max(...resting.map(untilOf)), day.occasion.zone) }}</span>
        </template>
      </p>
    </div>
  </section>
</template>

<style scoped>
.rests {
  padding: 14px 20px;
  margin-bottom: 16px;
}
.row {
  display: grid;
  grid-template-columns: 200px 1fr;
  gap: 12px;
  padding: 9px 0;
  border-top: 1px solid var(--line);
  align-items: baseline;
}
.row:first-of-type {
  border-top: 0;
}
.row a {
  color: inherit;
  font-weight: 700;
}
p {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: baseline;
}
.bib {
  padding: 0 7px;
  border-radius: 4px;
  background: var(--tint);
  font-weight: 700;
}
.resting {
  padding: 0 7px;
  border-radius: 4px;
  border: 1px dashed var(--line-2);
}
@media (max-width: 800px) {
  .row {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
