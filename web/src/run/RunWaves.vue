<script setup lang="ts">
/** Where each wave is: how many have done each event. */
import { computed } from 'vue'
import { wavesOf, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { progressOf } from './eventProgress.ts'

const props = defineProps<{
  day: Day
}>()

const store = useDay()
const waves = computed(() =>
  wavesOf(props.day).map((wave) => {
    const entries = props.day.entries.filter((entry) => entry.wave === wave)
    const events = props.day.standard.events.map(({ id, name }) => ({
      id,
      name,
      ...progressOf(entries, store.marksIn(id).value),
    }))
    return { wave, entered: entries.length, events }
  }),
)
const wordsFor = ({ done, underWay, here }: { done: number; underWay: number; here: number }): string => {
  if (here > 0 && done === here) return 'all done'
  if (underWay > 0) return `${done} of ${here} done, ${underWay} under way`
  return done === 0 ? 'to come' : `${done} of ${here} done`
}
</script>

<template>
  <section class="sheet waves">
    <table>
      <thead>
        <tr>
          <th scope="col">Who is where</th>
          <th v-for="event in day.standard.events" :key="event.id" scope="col">{{ event.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ wave, entered, events } in waves" :key="wave">
          <th scope="row">Wave {{ wave }}, {{ entered }} entered</th>
          <td v-for="event in events" :key="event.id" :class="{ done: event.done === event.here && event.here > 0 }">
            {{ wordsFor(event) }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.waves {
  margin-bottom: 16px;
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 9px 20px;
  text-align: left;
}
thead th {
  font-size: 0.8125rem;
  color: var(--ink-2);
  background: var(--sheet-2);
}
tbody tr {
  border-top: 1px solid var(--line);
}
.done {
  color: var(--ink-2);
}
</style>
