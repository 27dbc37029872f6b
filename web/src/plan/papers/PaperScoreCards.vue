<script setup lang="ts">
/** A card for each person with a box for each figure, for when the devices fail; keyed in afterwards, twice. */
import { slotsOfEvent } from '@able-gauge/core'
import { computed } from 'vue'
import { byBib, eventFor, fullName, type Day } from '../../day/day.ts'

const props = defineProps<{
  day: Day
}>()

const cards = computed(() =>
  [...props.day.entries].sort(byBib).map((entry) => ({
    entry,
    events: props.day.standard.events.map((event) => {
      const done = eventFor(props.day, event, entry)
      return { id: event.id, name: done.name, slots: slotsOfEvent(done) }
    }),
  })),
)
</script>

<template>
  <p v-if="cards.length === 0">Nobody is entered yet, so there are no cards.</p>
  <article v-for="{ entry, events } in cards" :key="entry.id" class="card-paper">
    <header>
      <strong class="figures bib">{{ entry.bib ?? '____' }}</strong>
      <span>
        <strong>{{ fullName(entry) }}</strong><br />
        {{ entry.person.number }}, wave {{ entry.wave }}
      </span>
    </header>
    <div v-for="event in events" :key="event.id" class="event">
      <strong>{{ event.name }}</strong>
      <span class="boxes">
        <span v-for="slot in event.slots" :key="slot.id" class="box">{{ slot.label }}</span>
        <span class="box wide">stopped, why</span>
        <span class="box">grader</span>
      </span>
    </div>
  </article>
</template>

<style scoped>
.card-paper {
  border: 1.5px solid var(--ink);
  border-radius: 8px;
  padding: 12px 16px;
  margin-bottom: 16px;
  background: var(--sheet);
  break-inside: avoid;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
}
.bib {
  font-size: 2rem;
}
.event {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--line-2);
  padding: 6px 0;
}
.boxes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.box {
  border: 1px solid var(--ink);
  min-width: 92px;
  height: 44px;
  padding: 1px 5px;
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.wide {
  flex: 1;
}
@media (max-width: 700px) {
  .event {
    grid-template-columns: 1fr;
  }
}
</style>
