import { expect, test } from 'vitest'
import { guessMapping, readRoster } from './roster.ts'

const CATEGORIES = [
  { id: 'female', name: 'Female' },
  { id: 'male', name: 'Male' },
]
const HEADINGS = ['Staff number', 'First name', 'Surname', 'Date of birth', 'Sex', 'Bib', 'Wave']
const read = (...rows: string[][]) => readRoster(rows, guessMapping(HEADINGS), CATEGORIES, '2026-11-24')
const GOOD = ['T-1', 'Tove', 'Okafor-Lind', '1999-05-04', 'Female', '12', '1']

test('columns are guessed by what spreadsheets call them, in any order', () => {
  expect(guessMapping(HEADINGS)).toEqual({
    number: 0,
    givenName: 1,
    familyName: 2,
    birthDate: 3,
    category: 4,
    bib: 5,
    wave: 6,
  })
  expect(guessMapping(['DOB', 'family_name', '?'])).toMatchObject({ birthDate: 0, familyName: 1, number: null })
})
test('a good row is kept as it is meant', () => {
  expect(read(GOOD)).toEqual({
    rows: [
      {
        line: 2,
        row: {
          number: 'T-1',
          givenName: 'Tove',
          familyName: 'Okafor-Lind',
          birthDate: '1999-05-04',
          category: 'female',
          bib: 12,
          wave: 1,
        },
      },
    ],
    findings: [],
  })
})
test.each([
  ['1999-05-04', '1999-05-04'],
  ['4.5.1999', '1999-05-04'],
  ['04/05/1999', '1999-05-04'],
  ['29.2.2000', '2000-02-29'],
])('the date %s is read as %s', (text, date) => {
  expect(read(GOOD.with(3, text)).rows[0]?.row.birthDate).toBe(date)
})
test.each([
  ['a day that does not exist', 3, '29.2.1999', 'birthDate'],
  ['a month first', 3, '12/31/1999', 'birthDate'],
  ['another century', 3, '1899-05-04', 'birthDate'],
  ['a birth on the way', 3, '2020-05-04', 'birthDate'],
  ['no number', 0, ' ', 'number'],
  ['an unknown category', 4, 'veteran', 'category'],
  ['a bib of nought', 5, '0', 'bib'],
  ['a bib with letters', 5, '12a', 'bib'],
  ['a wave too high', 6, '1000', 'wave'],
])('%s is told with line and field, and the row left out', (_, column, text, field) => {
  const { rows, findings } = read(GOOD.with(column, text))
  expect(rows).toEqual([])
  expect(findings.map((finding) => [finding.line, finding.field])).toEqual([[2, field]])
})
test('somebody twice in the file is kept once: by number, by name and birth date, and no bib is given twice', () => {
  const other = ['T-2', 'Ansa', 'Corran', '1990-01-02', 'male', '13', '']
  const { rows, findings } = read(
    GOOD,
    other.with(0, 'T-1'),
    GOOD.with(0, 'T-3').with(5, '14'),
    other.with(5, '12'),
    other,
    ['', '', '', '', '', '', ''],
  )
  expect(rows.map(({ line }) => line)).toEqual([2, 6])
  expect(findings.map(({ line, field, found }) => [line, field, found])).toEqual([
    [3, 'number', 'T-1, also in line 2'],
    [4, 'familyName', 'Tove Okafor-Lind, also in line 2'],
    [5, 'bib', '12, also in line 2'],
  ])
})
test('a row that was left out does not make its corrected copy a double', () => {
  expect(read(GOOD.with(3, 'soon'), GOOD).rows.map(({ line }) => line)).toEqual([3])
})
