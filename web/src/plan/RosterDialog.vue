<script setup lang="ts">
/** People from a file: which column is what, which rows are faulty and why, and the good ones entered. */
import { NEEDED_FIELDS, ROSTER_FIELDS, ROSTER_LABELS } from '@able-gauge/core'
import { BButton, BFormInput, BModal } from 'bootstrap-vue-next'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Day } from '../day/day.ts'
import ColumnFields from '../ui/ColumnFields.vue'
import { people } from '../ui/people.ts'
import TableFile from '../ui/TableFile.vue'
import RosterKnown from './RosterKnown.vue'
import RosterTyped from './RosterTyped.vue'
import { useRoster } from './useRoster.ts'

const props = defineProps<{
  day: Day
}>()
const open = defineModel<boolean>({ required: true })

const { table, rowCount, mapping, waveOf, missing, reading, findings, done, problem, sending, send } = useRoster(
  () => props.day,
)

const WAYS = [
  { id: 'file', label: 'From a file' },
  { id: 'known', label: 'Already known' },
  { id: 'typed', label: 'Typed' },
] as const
const way = ref<(typeof WAYS)[number]['id']>('file')

const doneBox = useTemplateRef<HTMLElement>('doneBox')
// the button that was pressed cannot keep the focus, and without one the dialog hears no keys
watch(done, async (now) => {
  await nextTick()
  if (now) doneBox.value?.focus()
})
const PREVIEW = 5
const preview = computed(() => reading.value.rows.slice(0, PREVIEW))
const faultyLines = computed(() => new Set(findings.value.map(({ line }) => line)).size)
const nameOf = (category: string): string =>
  props.day.standard.categories.find(({ id }) => id === category)?.name ?? category
</script>

<template>
  <BModal v-model="open" title="Enter people" size="xl" scrollable no-footer>
    <div class="ways" role="group" aria-label="How people are entered">
      <BButton
        v-for="{ id, label } in WAYS"
        :key="id"
        variant="quiet"
        size="sm"
        :aria-pressed="way === id"
        @click="way = id"
      >
        {{ label }}
      </BButton>
    </div>
    <RosterKnown v-if="way === 'known'" :day="day" :wave-of="waveOf" />
    <RosterTyped v-else-if="way === 'typed'" :day="day" :wave-of="waveOf" />
    <template v-else>
      <p>
        A table as CSV or XLSX: one heading, one person a row. Good rows are entered; faulty ones are told with their
        line and left for you to correct. Nobody is entered twice, so the corrected file can be read again.
      </p>
      <TableFile id="roster-file" v-model="table" label="The file" @problem="problem = $event" />
      <template v-if="table">
        <h2>Which column is what</h2>
        <ColumnFields
          v-model="mapping"
          :fields="ROSTER_FIELDS"
          :labels="ROSTER_LABELS"
          :needed="NEEDED_FIELDS"
          :headings="table.headings"
        >
          <label>
            People in a wave<small class="quiet"> where no wave is given</small>
            <BFormInput v-model.number="waveOf" type="number" min="1" max="500" />
          </label>
        </ColumnFields>
        <p v-if="missing.length > 0" class="problem" role="status">
          Say which column holds: {{ missing.map((field) => ROSTER_LABELS[field].toLowerCase()).join(', ') }}.
        </p>
        <template v-else>
          <table v-if="preview.length > 0" class="table table-sm">
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Number</th>
                <th scope="col">Name</th>
                <th scope="col">Born</th>
                <th scope="col">Category</th>
                <th scope="col">Bib</th>
                <th scope="col">Wave</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="{ line, row } in preview" :key="line">
                <td class="figures">{{ line }}</td>
                <td class="figures">{{ row.number }}</td>
                <td>{{ row.givenName }} {{ row.familyName }}</td>
                <td class="figures">{{ row.birthDate }}</td>
                <td>{{ nameOf(row.category) }}</td>
                <td class="figures">{{ row.bib ?? 'next free' }}</td>
                <td class="figures">{{ row.wave ?? 'with room' }}</td>
              </tr>
            </tbody>
          </table>
          <p class="quiet">
            {{ table.name }}: {{ reading.rows.length }} good rows of {{ rowCount
            }}<template v-if="preview.length > 0">, the first {{ preview.length }} above</template>.
          </p>
          <BButton
            variant="primary"
            size="lg"
            :disabled="reading.rows.length === 0 || sending || done !== null"
            @click="send"
          >
            Enter {{ people(reading.rows.length) }}
          </BButton>
          <p v-if="done" ref="doneBox" class="done" role="status" tabindex="-1">
            {{ done.entered }} entered<template v-if="done.known > 0">, {{ done.known }} of them known already</template
            ><template v-if="done.already > 0">; {{ done.already }} were on the day before</template>.
          </p>
          <section v-if="findings.length > 0" aria-labelledby="faulty">
            <h2 id="faulty">{{ faultyLines }} {{ faultyLines === 1 ? 'row' : 'rows' }} to correct</h2>
            <ul class="faulty">
              <li v-for="(finding, index) in findings" :key="index">
                Line {{ finding.line }}, {{ ROSTER_LABELS[finding.field].toLowerCase() }}: found
                <strong>{{ finding.found }}</strong>, expected {{ finding.expected }}.
              </li>
            </ul>
          </section>
        </template>
      </template>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </template>
  </BModal>
</template>

<style scoped>
.ways {
  display: flex;
  gap: 6px;
  margin-bottom: 12px;
}
[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
h2 {
  margin: 16px 0 8px;
}
.done {
  margin: 10px 0 0;
  padding: 8px 12px;
  background: var(--tint);
  border-radius: 6px;
  font-weight: 650;
}
.faulty {
  margin: 0;
  padding-left: 18px;
}
</style>
