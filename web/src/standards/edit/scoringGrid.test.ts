import { protocolTemplate } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { expect, test } from 'vitest'
import {
  bandColumns,
  blockFrom,
  linesOf,
  pasteInto,
  pointLinesOf,
  pointRowsFrom,
  rowIndexOf,
  rowsFrom,
  schoolColumns,
  understandBlock,
  valueForm,
} from './scoringGrid.ts'
import { textOf, valueFrom } from './typedValue.ts'

const run = standardNamed('v2').events[1]
if (!run) throw new Error('The demo standard changed.')
const form = valueForm(run.protocol)
const CATEGORIES = [
  { id: 'female', name: 'Female' },
  { id: 'male', name: 'Male' },
]
const columns = [...bandColumns(CATEGORIES, []), ...schoolColumns({ kind: 'cutByBand' }, run.protocol, form)]

test('rows become lines of text and the same rows again', () => {
  const rows = [
    { ageFrom: 18, ageTo: 29, category: 'male', atMost: 555_000 },
    { ageFrom: 30, category: 'male', atMost: 580_100 },
  ]
  const lines = linesOf(rows, columns)
  expect(lines).toEqual([
    ['18', '29', 'Male', '9:15'],
    ['30', '', 'Male', '9:40.1'],
  ])
  expect(rowsFrom(lines, columns)).toEqual(rows)
})

test('what cannot be read stays in the document as it was typed', () => {
  expect(rowsFrom([['18', 'old', 'male', '9:75']], columns)).toEqual([
    { ageFrom: 18, ageTo: 'old', category: 'male', atMost: '9:75' },
  ])
  expect(linesOf([{ ageFrom: 18, atMost: '9:75' }], columns)).toEqual([['18', '', '', '9:75']])
})

test('lines without any text are no rows, and do not count', () => {
  const lines = [
    ['18', '29', '', '9:15'],
    ['', ' ', '', ''],
    ['30', '', '', '9:40'],
  ]
  expect(rowsFrom(lines, columns)).toHaveLength(2)
  expect([0, 1, 2].map((at) => rowIndexOf(lines, at))).toEqual([0, null, 1])
})

test('norm classes keep their values in one list, with a place for each', () => {
  const scoring = { kind: 'normClasses', classes: [{ name: 'Low' }, { name: 'Fair' }, { name: 'Good' }] }
  const norms = [
    ...bandColumns(CATEGORIES, [{ id: 'diver', name: 'Diver' }]),
    ...schoolColumns(scoring, run.protocol, form),
  ]
  expect(norms.map(({ label }) => label)).toEqual(['Age from', 'to', 'Category', 'Role', 'Fair', 'Good'])
  const rows = rowsFrom([['18', '', '', '', '10:00', '']], norms)
  expect(rows).toEqual([{ ageFrom: 18, from: [600_000, ''] }])
  expect(linesOf([{ ageFrom: 18, from: [600_000, 540_000] }], norms)).toEqual([['18', '', '', '', '10:00', '9:00']])
})

test('a points table has a line for each number of points and a column for each band', () => {
  const bands = [
    {
      rows: [
        { value: 640_000, centipoints: 4_500 },
        { value: 600_000, centipoints: 6_000 },
      ],
    },
    { rows: [{ value: 620_000, centipoints: 6_000 }] },
  ]
  const lines = pointLinesOf(bands, form)
  expect(lines).toEqual([
    ['45', '10:40', ''],
    ['60', '10:00', '10:20'],
  ])
  expect(pointRowsFrom(lines, 0, form)).toEqual(bands[0]?.rows)
  expect(pointRowsFrom(lines, 1, form)).toEqual(bands[1]?.rows)
})

test('a block from a spreadsheet goes in at its cell, with new lines as needed and nothing beyond the last column', () => {
  const block = blockFrom('1\t2\t3\r\n4\t5\t6\r\n')
  expect(block).toEqual([
    ['1', '2', '3'],
    ['4', '5', '6'],
  ])
  expect(pasteInto([['a', 'b', 'c']], { line: 0, column: 1 }, block, 3)).toEqual([
    ['a', '1', '2'],
    ['', '4', '5'],
  ])
})

test.each([
  ['45.5', 'points', 4_550],
  ['45.555', 'points', '45.555'],
  ['24', 'whole', 24],
  ['-3', 'whole', -3],
  ['24.5', 'whole', '24.5'],
  ['', 'whole', undefined],
] as const)('"%s" typed as %s is %s, and is shown again as it was typed', (text, kind, value) => {
  expect(valueFrom(text, kind)).toBe(value)
  expect(textOf(value, kind)).toBe(text)
})

test('a printed table is read as it stands: heading left out, ranges in two columns, minutes with dots, categories by name', () => {
  const printed = 'Age\tWho\tTime\nunder 20\tWomen\t9.40\n20–29\tFemale\t9\'55"\n30+\tMale\t12:30:00\n'
  const { block, notes } = understandBlock(blockFrom(printed), 0, columns)
  expect(block).toEqual([
    ['0', '19', 'Female', '9:40'],
    ['20', '29', 'Female', '9:55'],
    ['30', '', 'Male', '12:30'],
  ])
  expect(notes[0]).toContain('heading row')
  expect(notes).toContain('20–29 is read as 20 to 29.')
  expect(notes).toContain('Women is read as Female.')
  expect(notes.join(' ')).not.toContain('Female is read')
  expect(rowsFrom(pasteInto([], { line: 0, column: 0 }, block, columns.length), columns)).toMatchObject([
    { ageFrom: 0, ageTo: 19, category: 'female', atMost: 580_000 },
    { ageFrom: 20, ageTo: 29, category: 'female', atMost: 595_000 },
    { ageFrom: 30, category: 'male', atMost: 750_000 },
  ])
})

test('a block in our own form, and what is not certain, stays as it is', () => {
  const own = [
    ['18', '29', 'Female', '9:40'],
    ['30', '', 'juniors', '1:05:00'],
  ]
  expect(understandBlock(own, 0, columns)).toEqual({ block: own, notes: [] })
  // pasted beside the ages, nothing is taken for an age
  expect(understandBlock([['20-29']], 2, columns).block).toEqual([['20-29']])
})

test('seconds with hundredths stay seconds where an event takes seconds', () => {
  const sprint = [...bandColumns(CATEGORIES, []), { key: 'atMost', label: 'At most', form: { unit: 'ms' } as const }]
  const block = [['18', '29', 'Female', '12.30']]
  expect(understandBlock(block, 0, sprint)).toEqual({ block, notes: [] })
  expect(rowsFrom(block, sprint)).toMatchObject([{ atMost: 12_300 }])
})

test('a table of an event published in pounds is typed and shown in pounds', () => {
  const lift = { kind: 'heaviestLift' } as Parameters<typeof valueForm>[0]
  const pounds = valueForm({ ...protocolTemplate('heaviestLift'), ...lift } as typeof lift, 'lb')
  const column = [{ key: 'atLeast', label: 'At least', form: pounds }]
  expect(rowsFrom([['150']], column)).toEqual([{ atLeast: 68_039 }])
  expect(linesOf([{ atLeast: 68_039 }], column)).toEqual([['150 lb']])
})
