<script setup lang="ts">
/**
 * A grid to type in, walk with arrow keys, and paste blocks from a spreadsheet into; also as CSV in and out. It lies as the printed
 * table does: lines down or across.
 */
import { decodeText } from '@able-gauge/core'
import { useSessionStorage } from '@vueuse/core'
import Papa from 'papaparse'
import { BButton } from 'bootstrap-vue-next'
import { computed, nextTick, ref } from 'vue'
import { saveFile } from '../../ui/saveFile.ts'
import { blockFrom, pasteInto, turned, understandBlock, type GridColumn, type GridLine } from './scoringGrid.ts'
import type { DraftRemark } from '../../workers/check.worker.ts'

const props = defineProps<{
  /** What the grid holds, for those who do not see it. */
  label: string
  columns: readonly GridColumn[]
  /** What the check says about a cell. */
  remarkAt: (line: number, column: number) => DraftRemark | undefined
  /** Name of the file it is saved as. */
  fileName: string
}>()
const lines = defineModel<readonly GridLine[]>({ required: true })

/** How the last pasted block was read, where it was read otherwise than it stood. */
const notes = ref<readonly string[]>([])
const MOST_NOTES = 6

const table = ref<HTMLTableElement | null>(null)
/** How it lies is remembered for as long as the page is open: a printed table is seldom in by one sitting. */
const liesAcross = useSessionStorage(() => `able-gauge-grid-across ${props.label}`, false)
/** One line more than there is, to type the next one into. */
const shown = computed<readonly GridLine[]>(() => [...lines.value, props.columns.map(() => '')])
/** The cells as they are seen, row by row: a line to a row, or a column to a row with its name before it. */
const rows = computed(() => {
  const [line, column] = [[...shown.value.keys()], [...props.columns.keys()]]
  return liesAcross.value
    ? column.map((across) => ({ name: props.columns[across]?.label ?? '', cells: line.map((at) => ({ at, across })) }))
    : line.map((at) => ({ name: '', cells: column.map((across) => ({ at, across })) }))
})
const put = (line: number, column: number, block: readonly GridLine[]): void => {
  lines.value = pasteInto(lines.value, { line, column }, block, props.columns.length)
}
const set = (line: number, column: number, event: Event): void => {
  const { value } = event.target as HTMLInputElement // the handler sits on a cell's field
  put(line, column, [[value]])
}

const focus = async (line: number, column: number): Promise<void> => {
  await nextTick()
  const cell = table.value?.querySelector<HTMLInputElement>(`[data-cell="${line} ${column}"]`)
  cell?.focus()
  cell?.select()
}

const MOVES: Readonly<Record<string, readonly [down: number, across: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  Enter: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

/** Left and right leave a cell only from the end of its text, so that a figure can be corrected. */
const walk = (line: number, column: number, event: KeyboardEvent): void => {
  const move = MOVES[event.key]
  if (!move || event.shiftKey || event.altKey || event.ctrlKey || event.metaKey) return
  const field = event.target as HTMLInputElement // the handler sits on a cell's field
  const [down, across] = move
  const [ahead, aside] = liesAcross.value ? [across, down] : [down, across]
  const whole = field.selectionStart === 0 && field.selectionEnd === field.value.length
  const atEnd = across < 0 ? field.selectionEnd === 0 : field.selectionStart === field.value.length
  if (across !== 0 && !whole && !atEnd) return
  const [nextLine, nextColumn] = [line + ahead, column + aside]
  if (nextLine < 0 || nextLine >= shown.value.length || nextColumn < 0 || nextColumn >= props.columns.length) return
  event.preventDefault()
  void focus(nextLine, nextColumn)
}

const paste = (line: number, column: number, event: ClipboardEvent): void => {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\t\n\r]/.test(text.replace(/[\r\n]+$/, '')) && !text.includes('\t')) return
  event.preventDefault()
  const block = blockFrom(text)
  const understood = understandBlock(liesAcross.value ? turned(block) : block, column, props.columns)
  notes.value = understood.notes
  put(line, column, understood.block)
}

const removeLine = (line: number): void => {
  lines.value = lines.value.filter((_, index) => index !== line)
}

const saveCsv = (): void =>
  saveFile(
    props.fileName,
    'text/csv',
    `${Papa.unparse([props.columns.map(({ label }) => label), ...lines.value.map((line) => [...line])], { newline: '\n' })}\n`,
  )

/** A CSV file takes the place of all lines; its heading, if it is the grid's own, is passed over. */
const readCsv = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement // the handler sits on a file field
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const { data } = Papa.parse<string[]>(decodeText(new Uint8Array(await file.arrayBuffer())), {
    skipEmptyLines: 'greedy',
  })
  const isHeading = data[0]?.[0]?.trim() === props.columns[0]?.label
  lines.value = pasteInto([], { line: 0, column: 0 }, isHeading ? data.slice(1) : data, props.columns.length)
}

const wordsFor = (remark: DraftRemark | undefined): string | undefined =>
  remark && `${remark.what} ${remark.example} ${remark.mend}`.trim()
</script>

<template>
  <div class="grid">
    <div class="scroll">
      <table ref="table" :aria-label="label">
        <thead v-if="!liesAcross">
          <tr>
            <th v-for="column in columns" :key="column.key" scope="col">{{ column.label }}</th>
            <th><span class="visually-hidden">Remove the line</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="({ name, cells }, row) in rows" :key="row">
            <th v-if="liesAcross" scope="row">{{ name }}</th>
            <td v-for="{ at, across } in cells" :key="`${at} ${across}`">
              <input
                class="figures"
                :class="remarkAt(at, across)?.severity"
                :value="shown[at]?.[across] ?? ''"
                :data-cell="`${at} ${across}`"
                :data-place="remarkAt(at, across)?.place"
                :aria-label="`${columns[across]?.label}, line ${at + 1}`"
                :aria-invalid="remarkAt(at, across)?.severity === 'error' ? true : undefined"
                :title="wordsFor(remarkAt(at, across))"
                autocomplete="off"
                spellcheck="false"
                @input="set(at, across, $event)"
                @keydown="walk(at, across, $event)"
                @paste="paste(at, across, $event)"
              />
            </td>
            <td v-if="!liesAcross">
              <button
                v-if="row < lines.length"
                type="button"
                class="remove"
                :aria-label="`Remove line ${row + 1}`"
                @click="removeLine(row)"
              >
                ×
              </button>
            </td>
          </tr>
          <tr v-if="liesAcross">
            <th scope="row"><span class="visually-hidden">Remove the line</span></th>
            <td v-for="(_, line) in lines" :key="line">
              <button type="button" class="remove" :aria-label="`Remove line ${line + 1}`" @click="removeLine(line)">
                ×
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="notes.length > 0" class="notes" role="status">
      {{ notes.slice(0, MOST_NOTES).join(' ') }}
      <template v-if="notes.length > MOST_NOTES">And {{ notes.length - MOST_NOTES }} more.</template>
    </p>
    <div class="tools">
      <small class="quiet">Arrow keys walk, a block from a spreadsheet can be pasted into any cell.</small>
      <BButton type="button" variant="quiet" size="sm" :pressed="liesAcross" @click="liesAcross = !liesAcross"
        >Turn the table</BButton
      >
      <label class="btn btn-sm btn-quiet"
        >CSV in<input type="file" accept=".csv,text/csv" class="visually-hidden" @change="readCsv"
      /></label>
      <BButton type="button" variant="quiet" size="sm" @click="saveCsv">CSV out</BButton>
    </div>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: 460px;
  border: 1px solid var(--line-2);
  border-radius: 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--sheet-2);
  font-size: 0.8125rem;
  text-align: left;
  padding: 6px 8px;
  vertical-align: bottom;
}
th[scope='row'] {
  left: 0;
  border-top: 1px solid var(--line);
  white-space: nowrap;
  vertical-align: middle;
}
td {
  border-top: 1px solid var(--line);
  padding: 0;
}
td + td,
th + td {
  border-left: 1px solid var(--line);
}
input.figures {
  width: 100%;
  min-width: 84px;
  min-height: 38px;
  border: 0;
  padding: 4px 8px;
  background: transparent;
  color: inherit;
}
input.figures:focus {
  outline: 3px solid var(--ink);
  outline-offset: -3px;
  box-shadow: none;
}
input.error {
  background: var(--short-tint);
  box-shadow: inset 4px 0 0 var(--short);
}
input.warning {
  background: var(--decide-tint);
  box-shadow: inset 4px 0 0 var(--decide-edge);
}
.remove {
  border: 0;
  background: none;
  color: var(--ink-2);
  min-width: 38px;
  min-height: 38px;
}
.notes {
  margin: 6px 0 0;
  font-size: 0.875rem;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 6px;
}
.tools small {
  margin-right: auto;
}
</style>
