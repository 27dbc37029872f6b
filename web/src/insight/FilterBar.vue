<script setup lang="ts">
/** What is looked at, as a row of choices; an open one is outlined, a chosen one filled. */
import { AGE_GROUPS, printDate, type InsightAnswer } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import DateField from '../ui/DateField.vue'
import { useUnits } from '../session/unitStore.ts'
import FilterChip from './FilterChip.vue'
import { useFilters } from './useFilters.ts'

const props = defineProps<{ answer: InsightAnswer }>()
const { valueOf, set } = useFilters()
const units = useUnits()

const INDENT = '\u2003'
const standardId = computed(() => props.answer.standardId ?? valueOf('standard'))
const versions = computed(() => props.answer.standards.find(({ id }) => id === standardId.value)?.versions ?? [])
const standards = computed(() => props.answer.standards.map(({ id, name }) => ({ value: id, text: name })))
const choices = computed(() => [
  {
    name: 'version',
    label: 'Version',
    options: [['', 'all versions'], ...versions.value.map(({ version }) => [String(version), `version ${version}`])],
  },
  {
    name: 'unit',
    label: 'Unit',
    options: [['', 'all units'], ...units.choices.map(({ id, name, depth }) => [id, `${INDENT.repeat(depth)}${name}`])],
  },
  {
    name: 'category',
    label: 'Category',
    options: [['', 'all categories'], ...props.answer.categories.map(({ id, name }) => [id, name])],
  },
  { name: 'age', label: 'Age', options: [['', 'every age'], ...AGE_GROUPS.map((group) => [group, group])] },
  {
    name: 'venue',
    label: 'Venue',
    options: [['', 'every venue'], ...props.answer.venues.map(({ id, name }) => [id, name])],
  },
])

const [ALL_YEARS, OTHER_DAYS] = ['', 'days'] as const
const yearIn = (from: string, to: string): string => {
  const year = from.slice(0, 4)
  return from === `${year}-01-01` && to === `${year}-12-31` ? year : ''
}
const period = computed(() => {
  const [from, to] = [valueOf('from'), valueOf('to')]
  if (from === '' && to === '') return ALL_YEARS
  return yearIn(from, to) || OTHER_DAYS
})
const periods = computed(() => [
  { value: ALL_YEARS, text: 'all years' },
  ...props.answer.years.map((year) => ({ value: year, text: year })),
  { value: OTHER_DAYS, text: 'other days …' },
])
const asksDays = ref(false)
watch(period, (now) => (asksDays.value = now === OTHER_DAYS), { immediate: true })
const choosePeriod = (chosen: string): void => {
  asksDays.value = chosen === OTHER_DAYS
  if (chosen === OTHER_DAYS) return
  void set(chosen === ALL_YEARS ? { from: '', to: '' } : { from: `${chosen}-01-01`, to: `${chosen}-12-31` })
}
const from = computed({ get: () => valueOf('from'), set: (date: string) => void set({ from: date }) })
const to = computed({ get: () => valueOf('to'), set: (date: string) => void set({ to: date }) })

const isFiltered = computed(() =>
  ['version', 'from', 'to', 'unit', 'category', 'age', 'venue'].some((name) => valueOf(name) !== ''),
)
const clear = (): void => void set({ standard: standardId.value })
const about = computed(() => {
  const { results, people, days, first, last } = props.answer
  if (results === 0) return 'no results'
  const span = first === null || last === null ? '' : `, ${printDate(first)} to ${printDate(last)}`
  return `${results} results of ${people} people on ${days} signed ${days === 1 ? 'day' : 'days'}${span}`
})
</script>

<template>
  <div class="filters no-print" role="group" aria-label="What is looked at">
    <FilterChip
      :model-value="standardId"
      :options="standards"
      label="Standard"
      is-chosen
      @update:model-value="(id) => set({ standard: id })"
    />
    <FilterChip
      :model-value="asksDays ? OTHER_DAYS : period"
      :options="periods"
      label="Time"
      :is-chosen="period !== ALL_YEARS"
      @update:model-value="choosePeriod"
    />
    <template v-if="asksDays">
      <DateField v-model="from" class="day" aria-label="From" />
      <DateField v-model="to" class="day" aria-label="To" />
    </template>
    <FilterChip
      v-for="{ name, label, options } in choices.filter((one) => one.options.length > 2)"
      :key="name"
      :model-value="valueOf(name)"
      :options="options.map(([value = '', text = '']) => ({ value, text }))"
      :label="label"
      :is-chosen="valueOf(name) !== ''"
      @update:model-value="(value) => set({ [name]: value })"
    />
    <BButton v-if="isFiltered" variant="quiet" size="sm" @click="clear">Show all</BButton>
    <small class="quiet about">{{ about }}</small>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.day {
  width: 150px;
}
.about {
  margin-left: 4px;
}
</style>
