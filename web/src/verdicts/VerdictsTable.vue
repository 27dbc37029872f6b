<script setup lang="ts">
/** Everybody's verdict, a row each: every event with its figure over a small gauge. On a phone each mark has its event's name above it. */
import { conductOf, type Verdict } from '@able-gauge/core'
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import { protocolFor, shortName, type Day, type Entry } from '../day/day.ts'
import VerdictChip from '../ui/VerdictChip.vue'
import { figureOf } from '../ui/verdictWords.ts'
import VerdictCell from './VerdictCell.vue'

const props = defineProps<{
  day: Day
  rows: readonly { readonly entry: Entry; readonly verdict: Verdict }[]
  /** Whom and what the panel beside it is about. */
  chosen: { readonly entryId: string; readonly eventId: string | null } | null
}>()
const emit = defineEmits<{
  /** Why somebody's mark, or with null their verdict, reads as it does. */
  choose: [entryId: string, eventId: string | null]
}>()

/** More events than these are no table on a tablet. */
const MOST_COLUMNS = 5
const isPhone = useMediaQuery('(max-width: 640px)')
const isTablet = useMediaQuery('(max-width: 900px)')
const inLines = computed(() => isPhone.value || (isTablet.value && props.day.standard.events.length > MOST_COLUMNS))
</script>

<template>
  <div class="sheet table-box" :class="{ lines: inLines }">
    <table>
      <thead>
        <tr>
          <th scope="col">Bib</th>
          <th scope="col">Candidate</th>
          <th v-for="event in day.standard.events" :key="event.id" scope="col">
            <strong>{{ event.name }}</strong><small>{{ conductOf(event.protocol, event.publishedIn) }}</small>
          </th>
          <th scope="col">Verdict</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="{ entry, verdict } in rows"
          :key="entry.id"
          :class="{ chosen: entry.id === chosen?.entryId }"
          :data-bib="entry.bib"
        >
          <td class="figures bib">{{ entry.bib ?? '–' }}</td>
          <td class="name">
            <button class="who" @click="emit('choose', entry.id, null)">{{ shortName(entry) }}</button>
          </td>
          <td
            v-for="(mark, index) in verdict.marks"
            :key="mark.eventId"
            class="cell"
            :class="{ blank: figureOf(mark) === null }"
            :data-event="day.standard.events[index]?.name"
          >
            <button
              :aria-label="`Why, ${shortName(entry)}, ${day.standard.events[index]?.name ?? mark.eventId}`"
              @click="emit('choose', entry.id, mark.eventId)"
            >
              <VerdictCell :mark="mark" :protocol="protocolFor(day, mark.eventId, entry)" />
            </button>
          </td>
          <td class="verdict"><VerdictChip :verdict="verdict" /></td>
        </tr>
      </tbody>
    </table>
    <p v-if="rows.length === 0" class="quiet none">Nobody has this verdict.</p>
  </div>
</template>

<style scoped>
.table-box {
  overflow: clip;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  padding: 9px 10px;
  background: var(--sheet-2);
  border-bottom: 1px solid var(--line-2);
  color: var(--ink-2);
  font-weight: 650;
  vertical-align: middle;
  position: sticky;
  top: 0;
  z-index: 2;
}
th strong,
th small {
  display: block;
}
th strong {
  color: var(--ink);
}
td {
  padding: 5px 10px;
  border-bottom: 1px solid var(--line);
}
.bib {
  font-weight: 700;
  font-size: 1.0625rem;
  border-left: 4px solid transparent;
}
.who,
.cell button {
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  padding: 0;
  width: 100%;
  min-height: 44px;
}
.chosen {
  background: color-mix(in srgb, var(--vest) 38%, var(--sheet));
}
:root[data-theme='dusk'] .chosen {
  background: var(--tint);
}
.chosen .bib {
  border-left-color: var(--ink);
}
tr:last-child td {
  border-bottom: 0;
}
.none {
  padding: 20px;
  margin: 0;
}
@media (max-width: 900px) {
  th small {
    display: none;
  }
  td,
  th {
    padding-inline: 6px;
  }
}
/* no table: a block for each person, with the name of each event above its mark */
.lines thead {
  display: none;
}
.lines tr {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  padding: 4px 8px 8px 0;
  border-bottom: 1px solid var(--line);
}
.lines td {
  border-bottom: 0;
  padding: 2px 8px;
}
.lines .bib {
  min-width: 52px;
}
.lines .name {
  flex: 1;
}
.lines .verdict {
  order: 1;
}
.lines .cell {
  order: 2;
  flex: 0 0 50%;
  padding-left: 12px;
}
.lines .cell::before {
  content: attr(data-event);
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.lines .cell button {
  min-height: 48px;
  vertical-align: top;
}
.lines .blank {
  display: flex;
  align-items: center;
  gap: 8px;
}
.lines .blank button {
  flex: 1;
  width: auto;
  white-space: nowrap;
}
.lines .blank::before {
  flex: none;
  max-width: 65%;
}
@media (min-width: 641px) {
  .lines .cell {
    flex-basis: 33.3%;
  }
}
</style>
