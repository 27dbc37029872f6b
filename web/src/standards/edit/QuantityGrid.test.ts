import { mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import type { DraftRemark } from '../../workers/check.worker.ts'
import QuantityGrid from './QuantityGrid.vue'
import type { GridLine } from './scoringGrid.ts'

const COLUMNS = [
  { key: 'ageFrom', label: 'Age from', form: 'whole' },
  { key: 'atLeast', label: 'At least', form: 'whole' },
] as const

beforeEach(() => {
  document.body.innerHTML = ''
})

const open = (
  lines: readonly GridLine[],
  remarkAt: (line: number, column: number) => DraftRemark | undefined = () => undefined,
) => {
  const grid = mount(QuantityGrid, {
    attachTo: document.body,
    props: {
      label: 'Table by band',
      columns: COLUMNS,
      remarkAt,
      fileName: 'bands.csv',
      modelValue: lines,
      'onUpdate:modelValue': (next: readonly GridLine[]) => grid.setProps({ modelValue: next }),
    },
  })
  const cell = (line: number, column: number) => grid.find<HTMLInputElement>(`[data-cell="${line} ${column}"]`)
  const lastLines = () => grid.emitted('update:modelValue')?.at(-1)?.[0]
  return { grid, cell, lastLines }
}

const LINES = [
  ['18', '30'],
  ['30', '27'],
]

test('typing changes a cell, and the empty last line becomes a new one', async () => {
  const { cell, lastLines } = open(LINES)
  await cell(0, 1).setValue('31')
  expect(lastLines()).toEqual([
    ['18', '31'],
    ['30', '27'],
  ])
  await cell(2, 0).setValue('40')
  expect(lastLines()).toEqual([
    ['18', '31'],
    ['30', '27'],
    ['40', ''],
  ])
})

test('arrow keys and Enter walk from cell to cell, and stop at the edge', async () => {
  const { cell } = open(LINES)
  cell(0, 0).element.focus()
  await cell(0, 0).trigger('keydown', { key: 'ArrowDown' })
  await vi.waitFor(() => expect(document.activeElement).toBe(cell(1, 0).element))
  await cell(1, 0).trigger('keydown', { key: 'ArrowRight' })
  await vi.waitFor(() => expect(document.activeElement).toBe(cell(1, 1).element))
  await cell(1, 1).trigger('keydown', { key: 'Enter' })
  await vi.waitFor(() => expect(document.activeElement).toBe(cell(2, 1).element))
  await cell(2, 1).trigger('keydown', { key: 'ArrowDown' })
  expect(document.activeElement).toBe(cell(2, 1).element)
})

test('left and right stay in a cell while its text is being corrected', async () => {
  const { cell } = open(LINES)
  const field = cell(0, 1).element
  field.focus()
  field.setSelectionRange(1, 1)
  await cell(0, 1).trigger('keydown', { key: 'ArrowLeft' })
  expect(document.activeElement).toBe(field)
  field.setSelectionRange(0, 0)
  await cell(0, 1).trigger('keydown', { key: 'ArrowLeft' })
  await vi.waitFor(() => expect(document.activeElement).toBe(cell(0, 0).element))
})

test('a block is pasted from its cell on; a single text is left to the field', async () => {
  const { cell, lastLines, grid } = open(LINES)
  const paste = (line: number, column: number, text: string) =>
    cell(line, column).trigger('paste', { clipboardData: { getData: () => text } })
  await paste(1, 0, '31\t26\r\n41\t22\r\n')
  expect(lastLines()).toEqual([
    ['18', '30'],
    ['31', '26'],
    ['41', '22'],
  ])
  const before = grid.emitted('update:modelValue')?.length
  await paste(0, 0, '19')
  expect(grid.emitted('update:modelValue')?.length).toBe(before)
})

test('a finding stands at its cell, in words for whoever points at it', () => {
  const remark: DraftRemark = {
    place: 'rows[1].atLeast',
    severity: 'error',
    what: 'Out of range.',
    example: 'Nobody could.',
    mend: 'Look for a slipped digit.',
  }
  const { cell } = open(LINES, (line, column) => (line === 1 && column === 1 ? remark : undefined))
  expect(cell(1, 1).attributes()).toMatchObject({
    'aria-invalid': 'true',
    title: 'Out of range. Nobody could. Look for a slipped digit.',
  })
  expect(cell(0, 1).attributes('aria-invalid')).toBeUndefined()
})

test('a line is removed by its button', async () => {
  const { grid, lastLines } = open(LINES)
  await grid.find('[aria-label="Remove line 1"]').trigger('click')
  expect(lastLines()).toEqual([['30', '27']])
  expect(grid.findAll('.remove')).toHaveLength(1)
})

test('a CSV file takes the place of all lines, without its heading', async () => {
  const { grid, lastLines } = open(LINES)
  const input = grid.find<HTMLInputElement>('input[type=file]')
  const file = new File(['\uFEFFAge from;At least\n17;33\n25;31\n'], 'bands.csv', { type: 'text/csv' })
  Object.defineProperty(input.element, 'files', { value: [file] })
  await input.trigger('change')
  await vi.waitFor(() =>
    expect(lastLines()).toEqual([
      ['17', '33'],
      ['25', '31'],
    ]),
  )
})

test('CSV out has the heading and every line', async () => {
  const saved: Blob[] = []
  vi.stubGlobal(
    'URL',
    Object.assign(URL, {
      createObjectURL: (blob: Blob) => (saved.push(blob), 'blob:x'),
      revokeObjectURL: () => undefined,
    }),
  )
  const { grid } = open(LINES)
  await grid
    .findAll('button')
    .find((button) => button.text() === 'CSV out')
    ?.trigger('click')
  expect(await saved[0]?.text()).toBe('Age from,At least\n18,30\n30,27\n')
})

const press = async (grid: ReturnType<typeof open>['grid'], name: string): Promise<void> => {
  await grid
    .findAll('button')
    .find((button) => button.text() === name)
    ?.trigger('click')
}
const texts = (grid: ReturnType<typeof open>['grid']): string[][] =>
  grid
    .findAll('tbody tr')
    .map((row) => row.findAll('input').map((field) => (field.element as HTMLInputElement).value))
    .filter((row) => row.length > 0)
const paste = (text: string) => ({ clipboardData: { getData: () => text } })

test('it is turned as the printed table lies: typed, walked, pasted and taken away the same', async () => {
  const { grid, cell, lastLines } = open(LINES)
  await press(grid, 'Turn the table')
  expect(grid.findAll('tbody th').map((one) => one.text())).toEqual(['Age from', 'At least', 'Remove the line'])
  expect(texts(grid)).toEqual([
    ['18', '30', ''],
    ['30', '27', ''],
  ])
  cell(0, 0).element.focus()
  await cell(0, 0).trigger('keydown', { key: 'ArrowDown' })
  await vi.waitFor(() => expect(document.activeElement).toBe(cell(0, 1).element))
  await cell(1, 0).trigger('paste', paste('29\t40\t50\n26\t24\t21'))
  expect(lastLines()).toEqual([
    ['18', '30'],
    ['29', '26'],
    ['40', '24'],
    ['50', '21'],
  ])
  await grid.find('[aria-label="Remove line 1"]').trigger('click')
  expect(texts(grid)).toEqual([
    ['29', '40', '50', ''],
    ['26', '24', '21', ''],
  ])
  await press(grid, 'Turn the table')
})
