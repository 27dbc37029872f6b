<script setup lang="ts">
/** Doubles merged and data erased, by an officer with a reason. */
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords } from '../api.ts'
import type { Person, PersonSummary } from './person.ts'

const props = defineProps<{
  person: Person
}>()
const emit = defineEmits<{ changed: [] }>()

const router = useRouter()
const what = ref<'' | 'merge' | 'erase'>('')
const search = ref('')
const found = ref<readonly PersonSummary[]>([])
const intoId = ref('')
const reason = ref('')
const problem = ref('')

const look = async (): Promise<void> => {
  const { people } = await call<{ people: PersonSummary[] }>(
    'GET',
    `/people?search=${encodeURIComponent(search.value)}`,
  )
  found.value = people.filter(({ id }) => id !== props.person.id).slice(0, 20)
}
const apply = async (): Promise<void> => {
  problem.value = ''
  const body = { reason: reason.value.trim() }
  try {
    if (what.value === 'merge') {
      await call('POST', `/people/${props.person.id}/merge`, { ...body, intoId: intoId.value })
      await router.push({ name: 'person', params: { personId: intoId.value } })
    } else {
      await call('POST', `/people/${props.person.id}/erase`, body)
      emit('changed')
    }
    what.value = ''
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <section class="sheet part">
    <h2>Change the record</h2>
    <form class="fields" @submit.prevent="apply">
      <label
        >What
        <select v-model="what" class="form-select">
          <option value="">nothing</option>
          <option value="merge">This is a double: put everything under another person</option>
          <option value="erase">Erase the personal data; results stay without a name</option>
        </select></label
      >
      <template v-if="what === 'merge'">
        <label
          >Find the other person
          <input v-model="search" class="form-control" type="search" @change="look" @keydown.enter.prevent="look"
        /></label>
        <label
          >Put everything under
          <select v-model="intoId" class="form-select" required>
            <option v-for="one in found" :key="one.id" :value="one.id">
              {{ one.givenName }} {{ one.familyName }}, {{ one.number }}, born {{ one.birthDate }}
            </option>
          </select></label
        >
      </template>
      <template v-if="what !== ''">
        <label>Reason, for the record <input v-model="reason" class="form-control" maxlength="300" required /></label>
        <button class="btn btn-quiet" :disabled="reason.trim() === '' || (what === 'merge' && intoId === '')">
          {{ what === 'merge' ? 'Merge' : 'Erase for good' }}
        </button>
      </template>
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 16px;
}
.fields {
  display: grid;
  gap: 10px;
  max-width: 560px;
  margin-top: 8px;
}
</style>
