/** Results of earlier years: columns found, rows read, and each judged by the version in force on its day. */
import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { standardNamed } from '../../testing/index.ts'
import { broughtRows, guessResults, judgeBrought, resultFields } from './broughtResults.ts'

const [V2, V3] = [standardNamed('v2'), standardNamed('v3')]
const FIELDS = resultFields(V3)
const PERSON = { number: 'T-1', birthDate: '1999-05-04', category: 'female' }

test('the events of the standard are found by id or name, and their readings in columns of their own', () => {
  const columns = guessResults(FIELDS, ['No', 'Date', 'Press-ups', 'run', 'Grip left try 1', 'Remarks'])
  expect(columns).toMatchObject({ number: 0, test_date: 1, 'press-ups': 2, run: 3, category: null })
  const needed = FIELDS.filter((field) => field.needed).map(({ field }) => field)
  expect(needed).toEqual(['number', 'test_date'])
  // an event of one reading has no second column for it
  expect(FIELDS.filter(({ field }) => field.startsWith('press-ups'))).toHaveLength(1)
  const ofDemo = resultFields(demoStandard('constabulary-entry-v3')).filter(({ field }) => field.startsWith('grip.'))
  expect(ofDemo.length).toBeGreaterThan(3)
})

test('empty rows are passed over, empty cells say nothing, and dates are read as people write them', () => {
  const columns = guessResults(FIELDS, ['number', 'test date', 'press-ups', 'run'])
  const rows = broughtRows(
    [
      ['T-1', '21.5.2024', ' 30 ', ''],
      ['', ' ', '', ''],
      ['T-2', 'last May', '1', '9:40'],
    ],
    columns,
  )
  expect(rows).toEqual([
    { line: 2, cells: { number: 'T-1', test_date: '2024-05-21', 'press-ups': '30' } },
    { line: 4, cells: { number: 'T-2', test_date: 'last May', 'press-ups': '1', run: '9:40' } },
  ])
})

const cells = (testDate: string, change: Record<string, string> = {}) => ({
  line: 7,
  cells: { number: 'T-1', test_date: testDate, ...change },
})
/** Outcome of the press-ups of a row, and the version it was judged by. */
const judged = (testDate: string, count: string) => {
  const result = judgeBrought([V3, V2], PERSON, cells(testDate, { 'press-ups': count }))
  if (!result.ok) return result.findings
  const mark = result.verdict.marks.find(({ eventId }) => eventId === 'press-ups')
  return `version ${result.standard.version}, ${mark?.kind}`
}

test.each([
  // version 2 asks 20 of a woman of 18 to 29, version 3 asks 24 of everybody
  ['2026-02-28', '20', 'version 2, met'],
  ['2026-02-28', '19', 'version 2, short'],
  ['2026-03-01', '23', 'version 3, short'],
  ['2026-03-01', '24', 'version 3, met'],
] as const)('on %s %s press-ups are: %s', (date, count, expected) => {
  expect(judged(date, count)).toBe(expected)
})

test.each([
  ['2019-01-01', 'test_date', /a version of this standard was in force/],
  ['last May', 'test_date', /a date that exists/],
  ['', 'test_date', /a date that exists/],
] as const)('a row of "%s" is refused at its place', (date, column, expected) => {
  expect(judged(date, '20')).toEqual([
    { line: 7, column, found: date || 'nothing', expected: expect.stringMatching(expected) },
  ])
})

test('the category of the row comes before that of the register, by id or name', () => {
  const outcome = (change: Record<string, string>, category = 'male'): unknown => {
    const result = judgeBrought([V2], { ...PERSON, category }, cells('2024-05-21', { 'press-ups': '20', ...change }))
    return result.ok ? result.verdict.marks[0]?.kind : result.findings.map(({ column }) => column)
  }
  expect(outcome({})).toBe('short')
  expect(outcome({ category: 'Female' })).toBe('met')
  expect(outcome({}, '')).toEqual(['category'])
})
