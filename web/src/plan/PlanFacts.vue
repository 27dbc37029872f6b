<script setup lang="ts">
/** What the day is called, and where and when it is; date and zone only until something has been captured. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { tell, inWords } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import DateField from '../ui/DateField.vue'
import { useDone } from '../ui/done.ts'
import UnitSelect from '../ui/UnitSelect.vue'

const props = defineProps<{
  day: Day
}>()

const store = useDay()
const { name, venue, testDate, unitId: unitBefore = '' } = props.day.occasion
const facts = reactive({ name, venue, testDate, unitId: unitBefore })
const problem = ref('')
const done = useDone()

const save = async (): Promise<void> => {
  problem.value = ''
  const { id, testDate: before } = props.day.occasion
  const { testDate: date, unitId, ...words } = facts
  const whose = unitId === (props.day.occasion.unitId ?? '') ? {} : { unitId: unitId === '' ? null : unitId }
  try {
    await tell('PATCH', `/occasions/${id}`, {
      ...words,
      ...whose,
      ...(date === before ? {} : { testDate: date }),
    })
    await store.reread(id)
    done.tell('Name, venue and date of the day are saved.')
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <details>
    <summary>Change name, venue or date</summary>
    <form @submit.prevent="save">
      <label>Name <BFormInput v-model="facts.name" maxlength="120" required /></label>
      <label>Venue <BFormInput v-model="facts.venue" maxlength="120" required /></label>
      <label>Test date <DateField v-model="facts.testDate" required /></label>
      <UnitSelect id="facts-unit" v-model="facts.unitId" label="Unit" none="the whole organisation" />
      <BButton type="submit" variant="quiet" size="sm">Save</BButton>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </form>
  </details>
</template>

<style scoped>
details {
  margin-top: 12px;
}
form {
  display: grid;
  gap: 10px;
  margin-top: 10px;
  justify-items: start;
}
label {
  width: 100%;
}
</style>
