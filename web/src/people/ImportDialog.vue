<script setup lang="ts">
/** People brought in from a file: what was read, who is new, and where file and register differ, side by side. */
import { PERSON_FIELDS, printDate, REGISTER_FIELDS, REGISTER_LABELS } from '@able-gauge/core'
import { BButton, BFormInput, BModal } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useUnits } from '../session/unitStore.ts'
import { people } from '../ui/people.ts'
import ColumnFields from '../ui/ColumnFields.vue'
import TableFile from '../ui/TableFile.vue'
import ImportDisputed from './ImportDisputed.vue'
import { usePeopleImport } from './usePeopleImport.ts'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ taken: [] }>()

const units = useUnits()
const {
  table,
  mapping,
  missing,
  reading,
  compared,
  decisions,
  decide,
  decideAll,
  undecided,
  taken,
  reason,
  done,
  problem,
  busy,
  compare,
  send,
} = usePeopleImport()

const PREVIEW = 5
const preview = computed(() => reading.value.rows.slice(0, PREVIEW))
const faultyLines = computed(() => new Set(reading.value.findings.map(({ line }) => line)).size)
const take = async (): Promise<void> => {
  await send()
  if (done.value) emit('taken')
}
</script>

<template>
  <BModal v-model="open" title="Bring people in" size="xl" scrollable no-footer>
    <p class="quiet">
      A table with one person a row, as CSV or XLSX. Nothing is stored until you have seen who is new and where the file
      says something else than the register.
    </p>
    <TableFile id="people-file" v-model="table" label="The file" @problem="problem = $event" />
    <template v-if="table">
      <h2>Which column is what</h2>
      <ColumnFields
        v-model="mapping"
        :fields="REGISTER_FIELDS"
        :labels="REGISTER_LABELS"
        :needed="PERSON_FIELDS"
        :headings="table.headings"
      />
      <p v-if="missing.length > 0" class="problem" role="status">
        Say which column holds: {{ missing.map((field) => REGISTER_LABELS[field].toLowerCase()).join(', ') }}.
      </p>
      <template v-else>
        <div v-if="preview.length > 0 && !compared && !done" class="preview">
          <table class="table table-sm">
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Number</th>
                <th scope="col">Name</th>
                <th scope="col">Born</th>
                <th scope="col">Category</th>
                <th scope="col">Unit</th>
                <th scope="col">Rank</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="{ line, row } in preview" :key="line">
                <td class="figures">{{ line }}</td>
                <td class="figures">{{ row.number }}</td>
                <td>{{ row.givenName }} {{ row.familyName }}</td>
                <td>{{ printDate(row.birthDate) }}</td>
                <td>{{ row.category }}</td>
                <td>{{ units.pathOf(row.unitId) }}</td>
                <td>{{ row.rank }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <section v-if="reading.findings.length > 0" aria-labelledby="faulty-people">
          <h2 id="faulty-people">{{ faultyLines }} {{ faultyLines === 1 ? 'row' : 'rows' }} to correct in the file</h2>
          <ul class="faulty">
            <li v-for="(finding, index) in reading.findings" :key="index">
              Line {{ finding.line }}, {{ REGISTER_LABELS[finding.field].toLowerCase() }}: found
              <strong>{{ finding.found }}</strong>, expected {{ finding.expected }}.
            </li>
          </ul>
        </section>
        <BButton
          v-if="!compared && !done"
          variant="primary"
          size="lg"
          :disabled="busy || reading.rows.length === 0"
          @click="compare"
          >Compare {{ people(reading.rows.length) }} with the register</BButton
        >
      </template>
      <template v-if="compared">
        <p role="status">
          <strong>{{ people(compared.added.length) }}</strong> new, {{ compared.same }} on record as the file says,
          {{ compared.disputed.length }} where the file says something else<template
            v-if="compared.elsewhere.length > 0"
            >, {{ compared.elsewhere.length }} of another unit, which are left out (line
            {{ compared.elsewhere.join(', ') }})</template
          >.
        </p>
        <ImportDisputed
          v-if="compared.disputed.length > 0"
          :disputed="compared.disputed"
          :decisions="decisions"
          @decide="decide"
          @decide-all="decideAll"
        />
        <label v-if="taken.some(({ take: how }) => how === 'change')" class="reason"
          >Reason for the changes, for the record <BFormInput v-model="reason" maxlength="300" required
        /></label>
        <BButton
          variant="primary"
          size="lg"
          :disabled="busy || undecided > 0 || taken.length === 0 || reason.trim() === ''"
          @click="take"
          >{{ undecided > 0 ? `${undecided} still to decide` : `Take in ${people(taken.length)}` }}</BButton
        >
      </template>
      <p v-if="done" class="done" role="status">
        {{ done.added }} added, {{ done.changed }} changed.
        <BButton variant="quiet" size="sm" @click="open = false">Close</BButton>
      </p>
    </template>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>

<style scoped>
h2 {
  font-size: 1.0625rem;
  margin: 14px 0 8px;
}
.preview {
  overflow-x: auto;
}
.faulty {
  max-height: 240px;
  overflow-y: auto;
  padding-left: 18px;
}
.reason {
  display: block;
  max-width: 560px;
  margin-bottom: 12px;
}
.done {
  margin-top: 12px;
  font-weight: 650;
}
</style>
