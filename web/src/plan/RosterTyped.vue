<script setup lang="ts">
/** One person typed in. */
import { RosterAnswer, type RosterOutcome } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { reactive, ref, useTemplateRef } from 'vue'
import { call, inWords } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import DateField from '../ui/DateField.vue'
import { useDone } from '../ui/done.ts'

const props = defineProps<{
  day: Day
  /** How many start together, for those who get a wave. */
  waveOf: number
}>()

const store = useDay()
const empty = { number: '', givenName: '', familyName: '', birthDate: '', category: '' }
const person = reactive({ ...empty })
const done = useDone()
const problem = ref('')
/** A ref inside a list is a list. */
const first = useTemplateRef<{ readonly focus: () => void }[]>('first')

const FIELDS = [
  { field: 'number', label: 'Number in the organisation' },
  { field: 'givenName', label: 'Given name' },
  { field: 'familyName', label: 'Family name' },
] as const

const sayOutcome = ({ kind }: RosterOutcome): string =>
  kind === 'already' ? 'This person was on the day before.' : `${person.givenName} ${person.familyName} is entered.`
const send = async (): Promise<void> => {
  problem.value = ''
  try {
    const { id } = props.day.occasion
    const { outcomes } = await call('POST', `/occasions/${id}/roster`, RosterAnswer, {
      waveOf: props.waveOf,
      people: [{ ...person }],
    })
    const [outcome] = outcomes
    if (outcome?.kind === 'otherPerson') {
      problem.value = `The number belongs to ${outcome.name}, born ${outcome.birthDate}. Nobody was entered.`
      return
    }
    if (outcome?.kind === 'otherUnit') {
      problem.value = 'The number belongs to somebody of another unit. Nobody was entered.'
      return
    }
    if (outcome) done.tell(sayOutcome(outcome))
    Object.assign(person, empty, { category: person.category })
    await store.reread(id)
    first.value?.[0]?.focus()
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <form class="fields" @submit.prevent="send">
    <label v-for="({ field, label }, index) in FIELDS" :key="field"
      >{{ label }}
      <BFormInput :ref="index === 0 ? 'first' : 'others'" v-model="person[field]" maxlength="80" required />
    </label>
    <label>Date of birth <DateField v-model="person.birthDate" required /></label>
    <label
      >Scoring category
      <BFormSelect v-model="person.category" required>
        <option v-for="category in day.standard.categories" :key="category.id" :value="category.id">
          {{ category.name }}
        </option>
      </BFormSelect></label
    >
    <BButton variant="primary" type="submit">Enter this person</BButton>
  </form>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
  align-items: end;
}
</style>
