<script setup lang="ts">
/** Which person each of the staff is, so that nobody works the wave they are in themselves. */
import type { LinkedAccount } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { tell, inWords } from '../api.ts'

const props = defineProps<{
  /** The accounts on the staff. */
  accounts: readonly LinkedAccount[]
}>()

const numbers = ref<Record<string, string>>({})
const said = ref<Record<string, string>>({})

watch(
  () => props.accounts,
  (accounts) => {
    numbers.value = Object.fromEntries(accounts.map(({ id, personNumber }) => [id, personNumber ?? '']))
    said.value = {}
  },
  { immediate: true },
)

const save = async ({ id, displayName }: LinkedAccount): Promise<void> => {
  const number = (numbers.value[id] ?? '').trim()
  try {
    await tell('PUT', `/accounts/${id}/person`, { number })
    said.value[id] = number === '' ? `${displayName} is nobody on record.` : `${displayName} is ${number}.`
  } catch (error) {
    said.value[id] = inWords(error)
  }
}
</script>

<template>
  <fieldset class="persons">
    <legend>Who of them is tested here as well</legend>
    <p class="quiet">
      Their number in the organisation. Nobody times, counts or judges the wave they are in themselves.
    </p>
    <form v-for="account in accounts" :key="account.id" class="line" @submit.prevent="save(account)">
      <label :for="`number-${account.id}`">{{ account.displayName }}</label>
      <BFormInput
        :id="`number-${account.id}`"
        :model-value="numbers[account.id] ?? ''"
        class="figures"
        maxlength="40"
        autocomplete="off"
        @update:model-value="numbers[account.id] = String($event ?? '')"
      />
      <BButton type="submit" variant="quiet" size="sm">Save</BButton>
      <small v-if="said[account.id]" role="status">{{ said[account.id] }}</small>
    </form>
  </fieldset>
</template>

<style scoped>
legend {
  font-size: 1rem;
  font-weight: 650;
  margin-bottom: 2px;
}
.persons {
  margin-top: 18px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 160px auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
small {
  grid-column: 1 / -1;
}
</style>
