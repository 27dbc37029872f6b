<script setup lang="ts">
/** Results of earlier years brought in: which column is what, what each row would be judged as, then taken. */
import { BButton, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, watch } from 'vue'
import ColumnFields from '../ui/ColumnFields.vue'
import TableFile from '../ui/TableFile.vue'
import { useResultsImport } from './useResultsImport.ts'

const open = defineModel<boolean>({ required: true })
const {
  standards,
  standardId,
  fields,
  table,
  columns,
  missing,
  rows,
  tried,
  done,
  problem,
  busy,
  begin,
  attempt,
  take,
} = useResultsImport()
watch(open, (isOpen) => {
  if (isOpen) void begin()
})

const names = computed(() => fields.value.map(({ field }) => field))
const needed = computed(() => fields.value.filter((one) => one.needed).map(({ field }) => field))
const labels = computed(() => Object.fromEntries(fields.value.map(({ field, label }) => [field, label])))
const OUTCOMES: Readonly<Record<string, string | undefined>> = {
  already: 'on record already',
  faulty: 'that cannot be taken',
  open: 'to decide',
  notFinished: 'not finished',
  notStarted: 'with no figure',
  tookPart: 'took part',
}
const sayOutcome = (outcome: string): string => OUTCOMES[outcome] ?? outcome
/** What a file comes to: so many met, so many short. */
const sums = computed(() => {
  const counts = new Map<string, number>()
  for (const { outcome } of tried.value?.outcomes ?? []) counts.set(outcome, (counts.get(outcome) ?? 0) + 1)
  return [...counts].map(([outcome, count]) => `${count} ${sayOutcome(outcome)}`).join(', ')
})
const faulty = computed(() => (tried.value?.outcomes ?? []).filter(({ findings }) => findings.length > 0))
const results = (count: number): string => `${count} ${count === 1 ? 'result' : 'results'}`
</script>

<template>
  <BModal v-model="open" title="Bring results of earlier years in" size="xl" scrollable no-footer>
    <p class="quiet">
      One row for each person and test date. The people have to be on record. Each row is judged by the version that was
      in force on its day and stands in the person’s history as brought in, never among what was signed here.
    </p>
    <label class="form-label" for="results-standard">Standard</label>
    <BFormSelect
      id="results-standard"
      v-model="standardId"
      class="mb-3"
      :options="standards.map(({ id, name }) => ({ value: id, text: name }))"
    />
    <TableFile id="results-file" v-model="table" label="The file" @problem="problem = $event" />
    <template v-if="table && fields.length > 0">
      <h2>Which column is what</h2>
      <ColumnFields v-model="columns" :fields="names" :labels="labels" :needed="needed" :headings="table.headings" />
      <p v-if="missing.length > 0" class="problem" role="status">
        Say which column holds: {{ missing.map(({ label }) => label.toLowerCase()).join(', ') }}.
      </p>
      <BButton
        v-else-if="!tried && !done"
        variant="primary"
        size="lg"
        :disabled="busy || rows.length === 0"
        @click="attempt"
        >Try {{ results(rows.length) }}</BButton
      >
      <template v-if="tried">
        <p role="status">{{ results(tried.outcomes.length) }}: {{ sums }}.</p>
        <ul v-if="faulty.length > 0" class="faulty">
          <li v-for="one in faulty" :key="one.line">
            Line {{ one.line }}<template v-if="one.name">, {{ one.name }}</template>:
            <template v-for="(finding, index) in one.findings" :key="index"
              >{{ labels[finding.column] ?? finding.column }}: found <strong>{{ finding.found }}</strong>, expected
              {{ finding.expected }}.
            </template>
          </li>
        </ul>
        <BButton variant="primary" size="lg" :disabled="busy || tried.taken === 0" @click="take"
          >Take {{ results(tried.taken) }} in</BButton
        >
      </template>
      <p v-if="done" class="done" role="status">
        {{ results(done.taken) }} taken in.
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
.faulty {
  max-height: 280px;
  overflow-y: auto;
  padding-left: 18px;
}
.done {
  margin-top: 12px;
  font-weight: 650;
}
</style>
