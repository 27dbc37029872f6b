<script setup lang="ts">
/** Who is due for a test by what the house asks: a list to hand round, and a day made of it at one press. */
import { mayCome, printDate, printDueDates, type DuePerson } from '@able-gauge/core'
import { BButton, BDropdown, BDropdownItemButton, BFormCheckbox } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { usePdf } from '../handout/usePdf.ts'
import { useSession } from '../session/sessionStore.ts'
import { useUnits } from '../session/unitStore.ts'
import { today } from '../ui/localTime.ts'
import { saveFile } from '../ui/saveFile.ts'
import { saveCsvTable, saveXlsxTable } from '../ui/saveTable.ts'
import DueDayDialog from './DueDayDialog.vue'
import { DUE_WORDS, dueTable, sayDue, shortInWords } from './dueWords.ts'
import FilterChip from './FilterChip.vue'
import { readDue } from './insightCalls.ts'
import { useFilters } from './useFilters.ts'
import { useLooked } from './useLooked.ts'

const session = useSession()
const units = useUnits()
const pdf = usePdf()
const { valueOf, set } = useFilters()
const { answer, problem } = useLooked(() => '', readDue)

const calls = computed(() => answer.value?.calls ?? [])
/** Place among the calls; the first one that asks somebody, until one is chosen. */
const call = computed(() => {
  const named = calls.value.findIndex(({ name }) => name === valueOf('call'))
  if (named >= 0) return named
  return Math.max(
    0,
    calls.value.findIndex((_, at) => (answer.value?.people ?? []).some((one) => one.call === at)),
  )
})
const called = computed(() => (answer.value?.people ?? []).filter((person) => person.call === call.value))
const states = computed(() => [
  { value: '', text: `everybody (${called.value.length})` },
  ...(Object.keys(DUE_WORDS) as (keyof typeof DUE_WORDS)[]).flatMap((state) => {
    const count = called.value.filter((person) => person.state === state).length
    return count === 0 ? [] : [{ value: state, text: `${DUE_WORDS[state].toLowerCase()} (${count})` }]
  }),
])
const unitsHere = computed(() => {
  const here = new Map(called.value.filter(({ unitId }) => unitId !== '').map(({ unitId, unit }) => [unitId, unit]))
  return [{ value: '', text: 'all units' }, ...[...here].map(([value, text]) => ({ value, text }))]
})
const eventsHere = computed(() => {
  const here = new Map(called.value.flatMap(({ shortIn }) => shortIn).map(({ id, name }) => [id, name]))
  return [{ value: '', text: 'any event' }, ...[...here].map(([value, text]) => ({ value, text: `short in ${text}` }))]
})
/** One unit, or nobody who was short in anything, is no choice. */
const choices = computed(() => [
  { name: 'state', label: 'How they stand', options: states.value },
  ...(unitsHere.value.length > 2 ? [{ name: 'unit', label: 'Unit', options: unitsHere.value }] : []),
  ...(eventsHere.value.length > 1 ? [{ name: 'event', label: 'Event', options: eventsHere.value }] : []),
])
const shown = computed(() =>
  called.value.filter(
    ({ state, unitId, shortIn }) =>
      (valueOf('state') === '' || state === valueOf('state')) &&
      (valueOf('unit') === '' || unitId === valueOf('unit')) &&
      (valueOf('event') === '' || shortIn.some(({ id }) => id === valueOf('event'))),
  ),
)
const canEnter = (person: DuePerson): boolean => mayCome(person, person.enteredOn)
const chosen = ref<ReadonlySet<string>>(new Set())
watch(shown, (people) => (chosen.value = new Set(people.filter(canEnter).map(({ personId }) => personId))), {
  immediate: true,
})
const choose = (personId: string, isIn: boolean): void => {
  const next = new Set(chosen.value)
  if (isIn) next.add(personId)
  else next.delete(personId)
  chosen.value = next
}
const chosenPeople = computed(() => shown.value.filter(({ personId }) => chosen.value.has(personId)))
const planning = ref(false)

const nameOf = (ending: string): string => `${today()} due, ${calls.value[call.value]?.name ?? ''}.${ending}`
const table = () => (answer.value ? dueTable(answer.value, shown.value) : [])
const saveCalendar = (): void => {
  const due = shown.value.flatMap(({ by, name }) =>
    by === null ? [] : [{ by, name, call: calls.value[call.value]?.name ?? '' }],
  )
  saveFile(nameOf('ics'), 'text/calendar', printDueDates(due, Date.now()))
}
const savePdf = async (): Promise<void> => {
  if (!answer.value) return
  const { duePdf } = await import('./duePdf.ts')
  await pdf.savePdf(nameOf('pdf'), duePdf(answer.value, shown.value, await pdf.markData()))
}
</script>

<template>
  <p v-if="problem || pdf.problem.value" class="problem" role="alert">{{ problem || pdf.problem.value }}</p>
  <template v-if="answer">
    <p v-if="calls.length === 0" class="sheet part none">
      The house calls nobody yet. Say in the house rules who is tested how often: yearly, every eight weeks, before a
      course.
      <RouterLink v-if="session.can('houseRules.write')" :to="{ name: 'houseRules', hash: '#retests' }"
        >House rules</RouterLink
      >
    </p>
    <template v-else>
      <div class="top">
        <div class="filters no-print" role="group" aria-label="Who is shown">
          <FilterChip
            :model-value="calls[call]?.name ?? ''"
            :options="calls.map(({ name }) => ({ value: name, text: name }))"
            label="Call"
            is-chosen
            @update:model-value="(name) => set({ call: name, state: '', unit: '', event: '' })"
          />
          <FilterChip
            v-for="{ name, label, options } in choices"
            :key="name"
            :model-value="valueOf(name)"
            :options="options"
            :label="label"
            :is-chosen="valueOf(name) !== ''"
            @update:model-value="(value) => set({ [name]: value })"
          />
        </div>
        <div class="deeds no-print">
          <BDropdown variant="quiet" text="Save as …">
            <BDropdownItemButton @click="saveCsvTable(nameOf('csv'), table())">CSV</BDropdownItemButton>
            <BDropdownItemButton @click="saveXlsxTable(nameOf('xlsx'), table())">XLSX</BDropdownItemButton>
            <BDropdownItemButton @click="savePdf">PDF</BDropdownItemButton>
            <BDropdownItemButton @click="saveCalendar">Calendar</BDropdownItemButton>
          </BDropdown>
          <BButton
            v-if="session.can('days.plan')"
            variant="primary"
            :disabled="chosenPeople.length === 0"
            @click="planning = true"
            >Make a day with {{ chosenPeople.length }}</BButton
          >
        </div>
      </div>
      <section class="sheet part box" aria-label="Due">
        <table class="table">
          <thead>
            <tr>
              <th v-if="session.can('days.plan')" scope="col"><span class="visually-hidden">Enter</span></th>
              <th scope="col">Name</th>
              <th v-if="units.tree.length > 0" scope="col" class="wide">Unit</th>
              <th scope="col">Stands</th>
              <th scope="col" class="wide">Last test</th>
              <th scope="col" class="wide">Short in</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="person in shown" :key="person.personId" :class="person.state">
              <td v-if="session.can('days.plan')">
                <BFormCheckbox
                  :model-value="chosen.has(person.personId)"
                  :disabled="!canEnter(person)"
                  :aria-label="`Enter ${person.name}`"
                  @update:model-value="(isIn) => choose(person.personId, isIn === true)"
                />
              </td>
              <td>
                <RouterLink :to="{ name: 'person', params: { personId: person.personId } }">{{
                  person.name
                }}</RouterLink>
                <small class="quiet">{{ person.number }}</small>
                <small v-if="units.tree.length > 0" class="quiet narrow">{{ person.unit }}</small>
              </td>
              <td v-if="units.tree.length > 0" class="wide">{{ person.unit }}</td>
              <td>
                <b class="state">{{ person.state === 'fine' ? '' : DUE_WORDS[person.state] }}</b
                >{{ sayDue(person) === '' ? '' : `, ${sayDue(person)}` }}
                <small v-if="person.enteredOn" class="quiet">entered: {{ person.enteredOn }}</small>
                <small v-if="person.lastDate !== null && person.state !== 'fine'" class="quiet narrow"
                  >last test {{ printDate(person.lastDate) }}</small
                >
                <small v-if="shortInWords(person) !== ''" class="quiet narrow"
                  >short in {{ shortInWords(person) }}</small
                >
              </td>
              <td class="wide">{{ person.lastDate === null ? '' : printDate(person.lastDate) }}</td>
              <td class="wide">{{ shortInWords(person) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="shown.length === 0" class="quiet">Nobody is asked anything here.</p>
        <p class="quiet small">
          {{ answer.fine }} people of all calls have met what is asked and are not due within 30 days. Tests count once
          their day is signed, and results brought in from earlier years.
        </p>
      </section>
      <DueDayDialog v-model="planning" :people="chosenPeople" :call="calls[call] ?? null" :today="answer.today" />
    </template>
  </template>
  <p v-else-if="problem === ''" class="sheet part none quiet">Reading …</p>
</template>

<style scoped src="./insightViews.css"></style>
<style scoped>
.filters,
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.box {
  overflow-x: auto;
}
.table td small {
  display: block;
}
.overdue .state {
  color: var(--short);
}
/* on a phone the last columns stand under the first ones */
.table td .narrow {
  display: none;
}
@media (max-width: 700px) {
  .table .wide {
    display: none;
  }
  .table td .narrow {
    display: block;
  }
}
</style>
