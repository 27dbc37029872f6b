<script setup lang="ts">
/** People who are on record already: found, ticked, entered. */
import { PeopleAnswer, type PersonSummary, RosterAnswer } from '@able-gauge/core'
import { useDebounceFn } from '@vueuse/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { call, inWords } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useDone } from '../ui/done.ts'
import { people as headCount } from '../ui/people.ts'

const props = defineProps<{
  day: Day
  /** How many start together, for those who get a wave. */
  waveOf: number
}>()

const store = useDay()
const search = ref('')
const found = ref<readonly PersonSummary[]>([])
/** Whoever is to be entered, by id, however often somebody else was looked for meanwhile. */
const chosen = ref<ReadonlyMap<string, { readonly person: PersonSummary; readonly category: string }>>(new Map())
const searchField = useTemplateRef<HTMLElement>('searchField')
const done = useDone()
const problem = ref('')
const categories = computed(() => props.day.standard.categories)
const entered = computed(() => new Set(props.day.entries.map(({ person }) => person.id)))

const look = async (): Promise<void> => {
  try {
    found.value = (await call('GET', `/people?search=${encodeURIComponent(search.value)}`, PeopleAnswer)).people
  } catch (error) {
    problem.value = inWords(error)
  }
}
const lookSoon = useDebounceFn(look, 200)
onMounted(look)

const choose = (person: PersonSummary, category: string): void => {
  const next = new Map(chosen.value)
  if (category === '') next.delete(person.id)
  else next.set(person.id, { person, category })
  chosen.value = next
}
const send = async (): Promise<void> => {
  problem.value = ''
  const people = [...chosen.value.values()].map(
    ({ person: { number, givenName, familyName, birthDate }, category }) => ({
      number,
      givenName,
      familyName,
      birthDate,
      category,
    }),
  )
  try {
    const { id } = props.day.occasion
    const { outcomes } = await call('POST', `/occasions/${id}/roster`, RosterAnswer, {
      waveOf: props.waveOf,
      people,
    })
    done.tell(`${headCount(outcomes.filter(({ kind }) => kind === 'entered').length)} entered.`)
    chosen.value = new Map()
    // the button that was pressed cannot keep the focus, and the next person is looked for here
    searchField.value?.querySelector('input')?.focus()
    await store.reread(id)
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <div ref="searchField">
    <BFormInput
      v-model="search"
      type="search"
      placeholder="Name or number"
      aria-label="Search people by name or number"
      @input="lookSoon"
    />
  </div>
  <p v-if="found.length === 0" class="quiet mt-2">Nobody on record fits.</p>
  <ul>
    <li v-for="person in found" :key="person.id">
      <span>
        <strong>{{ person.givenName }} {{ person.familyName }}</strong>
        <small class="quiet"> {{ person.number }}, born {{ person.birthDate }}</small>
      </span>
      <span v-if="entered.has(person.id)" class="quiet">entered</span>
      <BFormSelect
        v-else
        :model-value="chosen.get(person.id)?.category ?? ''"
        :aria-label="`Enter ${person.givenName} ${person.familyName} as`"
        @update:model-value="(category) => choose(person, String(category ?? ''))"
      >
        <option value="">not on this day</option>
        <option v-for="category in categories" :key="category.id" :value="category.id">{{ category.name }}</option>
      </BFormSelect>
    </li>
  </ul>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <BButton variant="primary" :disabled="chosen.size === 0" @click="send"> Enter {{ headCount(chosen.size) }} </BButton>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0;
  max-height: 46vh;
  overflow-y: auto;
}
li {
  display: grid;
  grid-template-columns: 1fr 180px;
  gap: 12px;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid var(--line);
}
</style>
