<script setup lang="ts">
/** Everybody on record: search, tests so far, the way to each person. */
import { PeopleAnswer, type PersonSummary, printDate } from '@able-gauge/core'
import { BButton, BDropdown, BDropdownItemButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { call, inWords } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { useUnits } from '../session/unitStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import ImportDialog from './ImportDialog.vue'
import ResultsDialog from './ResultsDialog.vue'
import { useRegisterFiles } from './useRegisterFiles.ts'

const session = useSession()
const units = useUnits()
const importing = ref(false)
const bringingResults = ref(false)
const search = ref('')
/** Whose people are shown; empty for all within reach. */
const unitId = ref('')
const files = useRegisterFiles(() => unitId.value)
const people = ref<readonly PersonSummary[] | null>(null)
const problem = ref('')

const look = async (): Promise<void> => {
  try {
    const wanted = encodeURIComponent(search.value)
    people.value = (await call('GET', `/people?search=${wanted}&unit=${unitId.value}`, PeopleAnswer)).people
    problem.value = ''
  } catch (error) {
    problem.value = inWords(error)
  }
}
const lookSoon = useDebounceFn(look, 200)
watch(unitId, look)
const unitOptions = computed(() => [
  { value: '', text: 'All units' },
  ...units.choices.map(({ id, path }) => ({ value: id, text: path })),
])
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
      <BFormSelect
        v-if="units.choices.length > 0"
        v-model="unitId"
        class="units"
        :options="unitOptions"
        aria-label="Unit"
      />
      <BDropdown v-if="session.can('people.export')" variant="quiet" text="Save as …">
        <BDropdownItemButton @click="files.saveCsv">List as CSV</BDropdownItemButton>
        <BDropdownItemButton @click="files.saveXlsx">List as XLSX</BDropdownItemButton>
        <BDropdownItemButton @click="files.saveEverything">Everything, with all tests (JSON)</BDropdownItemButton>
      </BDropdown>
      <BButton v-if="session.can('people.change')" variant="quiet" @click="importing = true">Bring people in</BButton>
      <BButton v-if="session.can('results.bringIn')" variant="quiet" @click="bringingResults = true"
        >Bring results in</BButton
      >
    </div>
    <p v-if="problem || files.problem.value" class="problem" role="alert">{{ problem || files.problem.value }}</p>
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
            <td class="figures number">{{ person.number }}</td>
            <td>{{ person.erased ? '' : printDate(person.birthDate) }}</td>
            <td v-if="units.tree.length > 0">{{ units.pathOf(person.unitId) }}</td>
            <td class="figures">{{ person.tests }}</td>
            <td>{{ person.lastTest ? printDate(person.lastTest) : 'none yet' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="people.length === 0" class="quiet none">
        {{
          search === ''
            ? 'Nobody is on record yet. Bring people in from a file, or enter them on a day.'
            : 'Nobody fits.'
        }}
      </p>
    </div>
    <ImportDialog v-model="importing" @taken="look" />
    <ResultsDialog v-model="bringingResults" />
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 12px;
}
.head h1 {
  flex: 1;
}
.units {
  width: 220px;
}
.search {
  width: 240px;
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
.number {
  white-space: nowrap;
}
.none {
  padding: 20px;
  margin: 0;
}
</style>
