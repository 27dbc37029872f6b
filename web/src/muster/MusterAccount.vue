<script setup lang="ts">
/** Says which of the staff somebody entered is, so that they neither time, count nor judge the wave they are in. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { inWords, tell } from '../api.ts'
import type { Day, Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

const props = defineProps<{
  day: Day
  entry: Entry
}>()

const store = useDay()
const problem = ref('')
const saving = ref(false)
const staff = computed(() => props.day.staff.filter(({ isGuest }) => !isGuest))
const own = computed(() => staff.value.find(({ entryId }) => entryId === props.entry.id)?.accountId ?? '')
const options = computed(() => [
  { value: '', text: 'no' },
  ...staff.value.map(({ accountId, displayName, duty }) => ({ value: accountId, text: `${displayName}, ${duty}` })),
])

const choose = async (accountId: string): Promise<void> => {
  saving.value = true
  problem.value = ''
  const before = own.value
  try {
    if (before !== '') await tell('PUT', `/accounts/${before}/person`, { number: '' })
    if (accountId !== '') await tell('PUT', `/accounts/${accountId}/person`, { number: props.entry.person.number })
    await store.reread(props.day.occasion.id)
  } catch (error) {
    problem.value = inWords(error)
  }
  saving.value = false
}
</script>

<template>
  <div v-if="staff.length > 0">
    <label class="form-label" for="entry-account">Is one of the staff of the day</label>
    <BFormSelect
      id="entry-account"
      :model-value="own"
      :options="options"
      :disabled="saving"
      @update:model-value="choose(String($event ?? ''))"
    />
    <small v-if="own !== ''" class="quiet">Nobody times, counts or judges the wave they are in themselves.</small>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
