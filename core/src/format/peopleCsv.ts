/** People as a CSV file: number, given_name, family_name, birth_date, category. Documented in docs/formats/people.md. */
import Papa from 'papaparse'
import { isCalendarDate } from '../document/rules.ts'

export interface PersonRow {
  readonly number: string
  readonly givenName: string
  readonly familyName: string
  readonly birthDate: string
  readonly category: string
}

export interface RowFinding {
  /** Line in the file, the heading being line 1. */
  readonly line: number
  readonly column: string
  readonly found: string
  readonly expected: string
}

const COLUMNS = ['number', 'given_name', 'family_name', 'birth_date', 'category'] as const

/** Reads people; good rows are kept, each bad one is explained. Comma or semicolon, with or without byte order mark. */
export const parsePeopleCsv = (text: string): { readonly people: PersonRow[]; readonly findings: RowFinding[] } => {
  const table = Papa.parse<Record<string, string | undefined>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const missing = COLUMNS.filter((column) => !table.meta.fields?.includes(column))
  if (missing.length > 0) {
    return {
      people: [],
      findings: missing.map((column) => ({
        line: 1,
        column,
        found: 'no such column',
        expected: `a column "${column}"`,
      })),
    }
  }
  const people: PersonRow[] = []
  const findings: RowFinding[] = []
  table.data.forEach((row, index) => {
    const wrong = findingsIn(row, index + 2)
    if (wrong.length > 0) findings.push(...wrong)
    else people.push(personFrom(row))
  })
  return { people, findings }
}

const cell = (row: Record<string, string | undefined>, column: (typeof COLUMNS)[number]): string =>
  (row[column] ?? '').trim()

const findingsIn = (row: Record<string, string | undefined>, line: number): RowFinding[] => {
  const empty = COLUMNS.filter((column) => cell(row, column) === '').map((column) => ({
    line,
    column,
    found: 'nothing',
    expected: 'some text',
  }))
  const birthDate = cell(row, 'birth_date')
  if (birthDate === '' || isCalendarDate(birthDate)) return empty
  return [...empty, { line, column: 'birth_date', found: birthDate, expected: 'a date that exists, as YYYY-MM-DD' }]
}

const personFrom = (row: Record<string, string | undefined>): PersonRow => ({
  number: cell(row, 'number'),
  givenName: cell(row, 'given_name'),
  familyName: cell(row, 'family_name'),
  birthDate: cell(row, 'birth_date'),
  category: cell(row, 'category'),
})
