<script setup lang="ts">
/** A card for each person with a box for each figure, refusal, caution and try, for when the devices fail; keyed in afterwards, twice. */
import { cardBoxes } from '@able-gauge/core'
import { computed } from 'vue'
import { byBib, eventFor, fullName, type Day } from '../../day/day.ts'
import { boxLabels } from './boxLabels.ts'

const props = defineProps<{
  day: Day
}>()

const cards = computed(() =>
  [...props.day.entries].sort(byBib).map((entry) => ({
    entry,
    events: props.day.standard.events.map((event) => {
      const done = eventFor(props.day, event, entry)
      const boxes = cardBoxes(done)
      return { id: event.id, name: done.name, boxes, labels: boxLabels(boxes) }
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
    <div v-for="{ id, name, boxes, labels } in events" :key="id" class="event">
      <strong>{{ name }}</strong>
      <div>
        <p v-if="boxes.strike" class="strike figures" :aria-label="`${boxes.strike.what}, to strike`">
          <span v-for="number in boxes.strike.upTo" :key="number">{{ number }}</span>
        </p>
        <div class="boxes">
          <span v-for="label in labels" :key="label" class="box" :class="{ wide: label.startsWith('stopped') }">{{
            label
          }}</span>
        </div>
        <p v-if="boxes.endings.length" class="endings">Ends it: {{ boxes.endings.join(' / ') }}</p>
      </div>
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
  grid-template-columns: 130px 1fr;
  gap: 8px;
  border-top: 1px solid var(--line-2);
  padding: 6px 0;
}
.strike {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 0;
  margin: 0 0 4px;
  font-size: 0.8125rem;
}
.strike span {
  width: 26px;
  text-align: center;
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
.endings {
  margin: 4px 0 0;
  font-size: 0.8125rem;
}
@media (max-width: 700px) {
  .event {
    grid-template-columns: 1fr;
  }
}
</style>
