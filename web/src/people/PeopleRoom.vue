<script setup lang="ts">
/** Everybody on record: search, tests so far, the way to each person. */
import { PeopleAnswer, type PersonSummary, printDate } from '@able-gauge/core'
import { BFormInput } from 'bootstrap-vue-next'
import { useDebounceFn } from '@vueuse/core'
import { onMounted, ref } from 'vue'
import { call, inWords } from '../api.ts'
import { useUnits } from '../session/unitStore.ts'
import HouseBand from '../ui/HouseBand.vue'

const units = useUnits()
const search = ref('')
const people = ref<readonly PersonSummary[] | null>(null)
const problem = ref('')

const look = async (): Promise<void> => {
  try {
    const wanted = encodeURIComponent(search.value)
    people.value = (await call('GET', `/people?search=${wanted}`, PeopleAnswer)).people
    problem.value = ''
  } catch (error) {
    problem.value = inWords(error)
  }
}
const lookSoon = useDebounceFn(look, 200)
onMounted(async () => {
  await look()
  if (problem.value === '') await units.read()
})
</script>

<template>
  <HouseBand />
  <main class="room">
    <div class="head">
      <h1>People</h1>
      <BFormInput
        v-model="search"
        class="search"
        type="search"
        placeholder="Name or number"
        aria-label="Search by name or number"
        @update:model-value="lookSoon"
      />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="people" class="sheet box">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Number</th>
            <th scope="col">Born</th>
            <th v-if="units.tree.length > 0" scope="col">Unit</th>
            <th scope="col">Tests</th>
            <th scope="col">Last test</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="person in people" :key="person.id">
            <td>
              <RouterLink :to="{ name: 'person', params: { personId: person.id } }"
                >{{ person.givenName }} {{ person.familyName }}</RouterLink
              >
            </td>
            <td class="figures">{{ person.number }}</td>
            <td>{{ person.erased ? '' : printDate(person.birthDate) }}</td>
            <td v-if="units.tree.length > 0">{{ units.pathOf(person.unitId) }}</td>
            <td class="figures">{{ person.tests }}</td>
            <td>{{ person.lastTest ? printDate(person.lastTest) : 'none yet' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="people.length === 0" class="quiet none">
        Nobody fits. People come on record when they are entered on a day.
      </p>
    </div>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  justify-content: space-between;
  align-items: center;
  margin-bottom: 12px;
}
.search {
  width: 280px;
}
.box {
  overflow-x: auto;
}
.table {
  margin: 0;
}
@media (max-width: 700px) {
  th:nth-child(2),
  td:nth-child(2),
  th:nth-child(3),
  td:nth-child(3) {
    display: none;
  }
}
.none {
  padding: 20px;
  margin: 0;
}
</style>
