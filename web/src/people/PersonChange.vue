<script setup lang="ts">
/** What is kept about somebody put right, doubles merged, data erased: each with a reason. */
import { PeopleAnswer, type Person, type PersonSummary } from '@able-gauge/core'
import { BButton, BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords, Refusal, tell } from '../api.ts'
import DateField from '../ui/DateField.vue'
import { useDone } from '../ui/done.ts'
import UnitSelect from '../ui/UnitSelect.vue'

const props = defineProps<{
  person: Person
}>()
const emit = defineEmits<{ changed: [] }>()

const router = useRouter()
const done = useDone()
const factsOf = ({
  number,
  givenName,
  familyName,
  birthDate,
  category = '',
  rank = '',
  email = '',
  unitId = '',
}: Person) => ({ number, givenName, familyName, birthDate, category, rank, email, unitId })
const what = ref<'' | 'correct' | 'merge' | 'erase'>('')
const corrected = reactive({ ...factsOf(props.person) })
/** Asked once when the two differ: they are one person all the same. */
const although = ref(false)
const asked = ref(false)
const search = ref('')
const found = ref<readonly PersonSummary[]>([])
const intoId = ref('')
const reason = ref('')
const problem = ref('')

const look = async (): Promise<void> => {
  const { people } = await call('GET', `/people?search=${encodeURIComponent(search.value)}`, PeopleAnswer)
  found.value = people.filter(({ id }) => id !== props.person.id).slice(0, 20)
}
const apply = async (): Promise<void> => {
  problem.value = ''
  const body = { reason: reason.value.trim() }
  try {
    if (what.value === 'merge') {
      await tell('POST', `/people/${props.person.id}/merge`, {
        ...body,
        intoId: intoId.value,
        although: although.value,
      })
      await router.push({ name: 'person', params: { personId: intoId.value } })
    } else if (what.value === 'correct') {
      // only what is another now, so that the record says just that
      const before = factsOf(props.person)
      const now = Object.entries(corrected).filter(([field, text]) => text !== before[field as keyof typeof before])
      const { unitId, ...change } = Object.fromEntries(now)
      const whose = unitId === undefined ? {} : { unitId: unitId === '' ? null : unitId }
      await tell('PATCH', `/people/${props.person.id}`, { ...body, ...change, ...whose })
      emit('changed')
    } else {
      await tell('POST', `/people/${props.person.id}/erase`, body)
      emit('changed')
    }
    if (what.value !== '') done.tell(TOLD[what.value])
    what.value = ''
  } catch (error) {
    if (error instanceof Refusal && error.code === 'person.differs') asked.value = true
    problem.value = inWords(error)
  }
}
const TOLD = {
  correct: 'Corrected. What stood before is in the record.',
  merge: 'The two are one person now.',
  erase: 'Erased for good.',
} as const
const LABELS = { correct: 'Correct', merge: 'Merge', erase: 'Erase for good' } as const
</script>

<template>
  <section class="sheet part">
    <h2>Change the record</h2>
    <form class="fields" @submit.prevent="apply">
      <label
        >What
        <BFormSelect v-model="what">
          <option value="">nothing</option>
          <option value="correct">Correct what is kept</option>
          <option value="merge">This is a double of another person</option>
          <option value="erase">Erase the personal data; results stay without a name</option>
        </BFormSelect></label
      >
      <template v-if="what === 'correct'">
        <label>Number <BFormInput v-model="corrected.number" maxlength="40" required /></label>
        <label>Given name <BFormInput v-model="corrected.givenName" maxlength="80" required /></label>
        <label>Family name <BFormInput v-model="corrected.familyName" maxlength="80" required /></label>
        <label>Date of birth <DateField v-model="corrected.birthDate" required /></label>
        <label>Scoring category <BFormInput v-model="corrected.category" maxlength="40" /></label>
        <UnitSelect id="person-unit" v-model="corrected.unitId" label="Unit" none="no unit" />
        <label>Rank <BFormInput v-model="corrected.rank" maxlength="40" /></label>
        <label>E-mail <BFormInput v-model="corrected.email" type="email" maxlength="120" /></label>
      </template>
      <template v-if="what === 'merge'">
        <label
          >Find the other person
          <BFormInput v-model="search" type="search" @change="look" @keydown.enter.prevent="look"
        /></label>
        <label
          >The same person as
          <BFormSelect v-model="intoId" required>
            <option v-for="one in found" :key="one.id" :value="one.id">
              {{ one.givenName }} {{ one.familyName }}, {{ one.number }}, born {{ one.birthDate }}
            </option>
          </BFormSelect></label
        >
      </template>
      <BFormCheckbox v-if="what === 'merge' && asked" v-model="although" class="tick"
        >They are one person although name or date of birth differ</BFormCheckbox
      >
      <template v-if="what !== ''">
        <label>Reason, for the record <BFormInput v-model="reason" maxlength="300" required /></label>
        <BButton variant="quiet" type="submit" :disabled="reason.trim() === '' || (what === 'merge' && intoId === '')">
          {{ LABELS[what] }}
        </BButton>
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
