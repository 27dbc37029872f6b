<script setup lang="ts">
/** The staff beside the timetable: dragged to an event, or put there by ticking it; how long each of them is at work. */
import { printClock } from '@able-gauge/core'
import { BFormCheckbox } from 'bootstrap-vue-next'
import { reactive } from 'vue'
import type { Day } from '../day/day.ts'

const props = defineProps<{
  day: Day
  events: readonly { readonly id: string; readonly name: string }[]
  /** Events each of them works, by account. */
  worksAt: ReadonlyMap<string, readonly string[]>
  /** How long each of them is at work, by account. */
  busyMs: ReadonlyMap<string, number>
  /** Events they lack the practice in that the house asks for, by account. */
  lacking: ReadonlyMap<string, ReadonlySet<string>>
  mayEdit: boolean
}>()
const emit = defineEmits<{ put: [eventId: string, accountId: string, works: boolean] }>()

const onDrag = (accountId: string, event: DragEvent): void => {
  event.dataTransfer?.setData('text/plain', accountId)
}
const works = (accountId: string, eventId: string): boolean => props.worksAt.get(accountId)?.includes(eventId) ?? false
/** Names of events they work without it. */
const unpractised = (accountId: string): string[] =>
  props.events.filter(({ id }) => works(accountId, id) && props.lacking.get(accountId)?.has(id)).map(({ name }) => name)
/** Who was opened once: twenty people with five boxes each are drawn when they are looked at. */
const opened = reactive(new Set<string>())
</script>

<template>
  <aside class="side" aria-labelledby="staff-side">
    <h3 id="staff-side">Staff <small v-if="mayEdit" class="quiet">drag to an event, or open</small></h3>
    <ul>
      <li
        v-for="member in day.staff"
        :key="member.accountId"
        :draggable="mayEdit"
        class="member"
        @dragstart="onDrag(member.accountId, $event)"
      >
        <details @toggle="opened.add(member.accountId)">
          <summary>
            <strong>{{ member.displayName }}</strong>
            <span class="figures busy">{{
              (busyMs.get(member.accountId) ?? 0) > 0 ? printClock(busyMs.get(member.accountId) ?? 0) : 'free'
            }}</span>
            <small class="quiet duty">{{ member.duty }}</small>
            <small v-if="unpractised(member.accountId).length > 0" class="lacking"
              >No fresh practice: {{ unpractised(member.accountId).join(', ') }}</small
            >
          </summary>
          <template v-if="opened.has(member.accountId)">
            <BFormCheckbox
              v-for="event in events"
              :key="event.id"
              class="tick"
              :model-value="works(member.accountId, event.id)"
              :disabled="!mayEdit"
              @update:model-value="(is) => emit('put', event.id, member.accountId, is === true)"
            >
              {{ event.name }}
            </BFormCheckbox>
          </template>
        </details>
      </li>
    </ul>
    <p v-if="day.staff.length === 0" class="quiet">Nobody is on the staff yet.</p>
  </aside>
</template>

<style scoped>
.lacking {
  grid-column: 1 / -1;
  color: var(--decide);
  font-weight: 650;
}
.side h3 {
  font-size: 0.9375rem;
  margin: 4px 0 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 6px;
}
.member {
  background: var(--sheet);
  border: 1px solid var(--line-2);
  border-radius: 6px;
}
.member[draggable='true'] {
  cursor: grab;
}
summary {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  padding: 8px 10px;
  min-height: 44px;
  align-items: center;
  list-style: none;
}
summary strong {
  line-height: 1.2;
}
.busy {
  color: var(--ink-2);
}
.duty {
  grid-column: 1 / -1;
  line-height: 1.2;
}
.tick {
  padding: 0 10px;
}
details[open] {
  padding-bottom: 6px;
}
</style>
