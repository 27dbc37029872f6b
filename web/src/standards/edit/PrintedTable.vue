<script setup lang="ts">
/** A printed table is pasted whole: what was understood is shown before it is taken, what was not is marked in its cell. */
import {
  printStyle,
  readPrintedTable,
  scoringFromTable,
  type TableChoices,
  type TableContext,
  type TableReading,
  type TableScoring,
} from '@able-gauge/core'
import { BButton, BFormSelect, BFormTextarea } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { blockFrom } from './scoringGrid.ts'
import { shortNameFrom } from './shortNames.ts'

const props = defineProps<{
  context: TableContext
  /** Whether there is a table already, which the pasted one takes the place of. */
  hasTable: boolean
}>()
const emit = defineEmits<{ take: [scoring: TableScoring, newCategories: readonly string[]] }>()

const block = ref<readonly (readonly string[])[]>([])
const choices = ref<TableChoices>({})
const isOpen = ref(!props.hasTable)

const reading = computed<TableReading | null>(() =>
  block.value.length === 0 ? null : readPrintedTable(block.value, props.context, choices.value),
)

const begin = (text: string): void => {
  choices.value = {}
  block.value = blockFrom(text)
}
const paste = (event: ClipboardEvent): void => {
  event.preventDefault()
  begin(event.clipboardData?.getData('text/plain') ?? '')
}
const type = (text: string | number | null): void => {
  if (/[\t\n]/.test(String(text ?? ''))) begin(String(text))
}
const mend = (row: number, column: number, event: Event): void => {
  const { value } = event.target as HTMLInputElement // the handler sits on a cell's field
  block.value = (reading.value?.block ?? []).map((line, at) =>
    at === row ? line.map((text, one) => (one === column ? value : text)) : line,
  )
}

/** A cell in which the question can be shown. */
const asked = computed(() => {
  const cells = reading.value?.cells ?? []
  const row = cells.findIndex((line) => line.some(({ as }) => as === 'asked'))
  const column = cells[row]?.findIndex(({ as }) => as === 'asked') ?? -1
  return row < 0 ? null : (reading.value?.block[row]?.[column] ?? '').trim()
})
/** Where the house writes a point before decimals, a comma parts thousands. */
const isLikelyThousands = computed(() => !(asked.value ?? '').includes(printStyle().decimalSign))
const answers = computed(() => {
  const text = asked.value ?? ''
  const both = [
    { means: 'thousands' as const, words: text.replace(/[.,](?=\d{3})/, '') },
    {
      means: 'decimals' as const,
      words: text.replace(/[.,](?=\d{3})/, `${printStyle().decimalSign}`) + ' to three decimals',
    },
  ]
  return isLikelyThousands.value ? both : both.reverse()
})

const INSIDE = [
  { value: 'values', text: 'results; its rows are named by points' },
  { value: 'points', text: 'points; its rows are named by results' },
]
const chooseInside = (inside: unknown): void => {
  choices.value = { ...choices.value, inside: inside === 'points' ? 'points' : 'values' }
}

const summary = computed(() => {
  const read = reading.value
  if (!read) return ''
  const bands = new Set(
    read.figures.map(({ people, words }) =>
      JSON.stringify([people, words.filter((word) => read.newCategories.includes(word))]),
    ),
  )
  return [
    `${read.understood} ${read.understood === 1 ? 'figure' : 'figures'} for ${bands.size} ${bands.size === 1 ? 'band' : 'bands'} understood`,
    ...(read.unread > 0 ? [`${read.unread} not, marked in ${read.unread === 1 ? 'its cell' : 'their cells'}`] : []),
    ...(read.asked > 0 ? [`${read.asked} to be answered`] : []),
  ].join(', ')
})
const take = (): void => {
  if (!reading.value) return
  emit('take', scoringFromTable(reading.value, props.context, shortNameFrom), reading.value.newCategories)
  block.value = []
  isOpen.value = false
}
const titleOf = (cell: TableReading['cells'][number][number]): string => {
  if (cell.as === 'unread') return cell.why
  if (cell.as === 'asked') return 'Thousands or decimals?'
  return cell.as === 'value' || cell.as === 'points' ? `Read as ${cell.text}` : ''
}
</script>

<template>
  <div class="printed-table">
    <BButton v-if="!isOpen" type="button" variant="quiet" size="sm" @click="isOpen = true">
      Paste another printed table
    </BButton>
    <template v-else-if="!reading">
      <label for="printed-table">Paste the printed table, headings and all</label>
      <BFormTextarea
        id="printed-table"
        rows="2"
        placeholder="from a spreadsheet or a document"
        @paste="paste"
        @update:model-value="type"
      />
      <p class="quiet">Bands may run across or down, the best row may stand on top or below.</p>
    </template>
    <section v-else aria-label="The pasted table">
      <p role="status">
        <strong>{{ summary }}.</strong>
        <template v-if="reading.newCategories.length">
          New here: {{ reading.newCategories.join(', ') }}. Taken with the table.
        </template>
      </p>
      <div v-if="context.school === 'pointsTable'" class="asks">
        <label for="printed-inside">The figures in the table are</label>
        <BFormSelect
          id="printed-inside"
          :model-value="reading.inside"
          :options="INSIDE"
          @update:model-value="chooseInside"
        />
      </div>
      <div v-if="asked !== null" class="asks" role="group" :aria-label="`What ${asked} means`">
        <span><strong>{{ asked }}</strong> means</span>
        <BButton
          v-for="(answer, index) in answers"
          :key="answer.means"
          type="button"
          size="sm"
          :variant="index === 0 ? 'primary' : 'quiet'"
          @click="choices = { ...choices, threeDigits: answer.means }"
        >
          {{ answer.words }}
        </BButton>
      </div>
      <div class="scroll">
        <table class="figures" aria-label="As it was understood">
          <tbody>
            <tr v-for="(line, row) in reading.cells" :key="row">
              <td v-for="(cell, column) in line" :key="column" :class="cell.as" :title="titleOf(cell)">
                <input
                  v-if="cell.as === 'unread'"
                  :value="reading.block[row]?.[column]"
                  :aria-label="`Row ${row + 1}, column ${column + 1}: ${cell.why}`"
                  aria-invalid="true"
                  @change="mend(row, column, $event)"
                />
                <template v-else>{{
                  cell.as === 'value' || cell.as === 'points' ? cell.text : (reading.block[row]?.[column] ?? '')
                }}</template>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="asks">
        <BButton
          type="button"
          variant="primary"
          :disabled="reading.asked > 0 || reading.understood === 0"
          @click="take"
        >
          Take it
        </BButton>
        <BButton type="button" variant="quiet" @click="block = []">Paste again</BButton>
        <small v-if="reading.unread > 0" class="quiet"
          >What is marked comes along as it is, and is marked there until it is mended.</small
        >
      </div>
    </section>
  </div>
</template>

<style scoped>
.printed-table {
  margin: 10px 0;
  padding: 12px 14px;
  border: 1px dashed var(--line-2);
  border-radius: 8px;
}
.printed-table:has(> .btn) {
  border: 0;
  padding: 0;
}
label {
  font-weight: 650;
  font-size: 0.9375rem;
}
p {
  margin: 4px 0 8px;
}
.asks {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}
.asks .form-select {
  width: auto;
}
.scroll {
  overflow: auto;
  max-height: 380px;
  border: 1px solid var(--line-2);
  border-radius: 6px;
}
table {
  border-collapse: collapse;
  font-size: 0.875rem;
}
td {
  border: 1px solid var(--line);
  padding: 3px 10px;
  white-space: nowrap;
}
td.heading {
  background: var(--tint);
  font-weight: 650;
}
td.unread {
  padding: 0;
  background: var(--short-tint);
  box-shadow: inset 4px 0 0 var(--short);
}
td.unread input {
  width: 110px;
  min-height: 32px;
  border: 0;
  padding: 3px 10px;
  background: transparent;
  color: inherit;
}
td.asked {
  background: var(--decide-tint);
  box-shadow: inset 4px 0 0 var(--decide-edge);
}
td.empty {
  background: var(--sheet-2);
}
</style>
