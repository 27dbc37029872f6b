/**
 * A roster from a table of any spreadsheet: which column is what, and which rows can be used. Good rows are kept, each bad
 * one is explained by its line.
 */
import { isCalendarDate } from '../document/rules.ts'
import { birthDateExpected } from '../people/birthDates.ts'

export const ROSTER_FIELDS = ['number', 'givenName', 'familyName', 'birthDate', 'category', 'bib', 'wave'] as const
export type RosterField = (typeof ROSTER_FIELDS)[number]

export const ROSTER_LABELS: Readonly<Record<RosterField, string>> = {
  number: 'Number in the organisation',
  givenName: 'Given name',
  familyName: 'Family name',
  birthDate: 'Date of birth',
  category: 'Scoring category',
  bib: 'Bib',
  wave: 'Wave',
}
export const NEEDED_FIELDS: readonly RosterField[] = ['number', 'givenName', 'familyName', 'birthDate', 'category']

/** Index of the column of each field; null for none. */
export type RosterMapping = Readonly<Record<RosterField, number | null>>

export interface RosterRow {
  readonly number: string
  readonly givenName: string
  readonly familyName: string
  /** YYYY-MM-DD */
  readonly birthDate: string
  /** Id of a scoring category of the standard. */
  readonly category: string
  readonly bib: number | null
  readonly wave: number | null
}

export interface RosterFinding {
  /** Line in the file, the heading being line 1. */
  readonly line: number
  readonly field: RosterField
  readonly found: string
  readonly expected: string
}

export interface RosterReading {
  readonly rows: readonly { readonly line: number; readonly row: RosterRow }[]
  readonly findings: readonly RosterFinding[]
}

/** Headings that name a field, in small letters without spaces and marks. */
const HEADINGS: Readonly<Record<RosterField, readonly string[]>> = {
  number: ['number', 'no', 'id', 'servicenumber', 'staffnumber', 'candidatenumber', 'personnelnumber'],
  givenName: ['givenname', 'firstname', 'forename', 'given', 'first'],
  familyName: ['familyname', 'lastname', 'surname', 'family', 'last'],
  birthDate: ['birthdate', 'dateofbirth', 'dob', 'born', 'birthday'],
  category: ['category', 'scoringcategory', 'sex', 'gender'],
  bib: ['bib', 'bibnumber', 'startnumber'],
  wave: ['wave', 'group', 'heat'],
}

/** What each column probably is. */
export const guessMapping = (headings: readonly string[]): RosterMapping => {
  const bare = headings.map((heading) => heading.toLowerCase().replace(/[^a-z]/g, ''))
  const columnOf = (field: RosterField): number | null => {
    const index = bare.findIndex((heading) => HEADINGS[field].includes(heading))
    return index < 0 ? null : index
  }
  // every field of the list gets its column, or none
  return Object.fromEntries(ROSTER_FIELDS.map((field) => [field, columnOf(field)])) as RosterMapping
}

/**
 * Reads a table.
 * @param table rows of cells, without the heading
 * @param categories of the standard; a row may name one by id or by name
 * @param testDate of the day it is for, as YYYY-MM-DD
 */
export const readRoster = (
  table: readonly (readonly string[])[],
  mapping: RosterMapping,
  categories: readonly { readonly id: string; readonly name: string }[],
  testDate: string,
): RosterReading => {
  const rows: { line: number; row: RosterRow }[] = []
  const findings: RosterFinding[] = []
  const seen = { number: new Map<string, number>(), person: new Map<string, number>(), bib: new Map<string, number>() }
  table.forEach((cells, index) => {
    const line = index + 2
    if (cells.every((cell) => cell.trim() === '')) return
    const read = readRow(cells, { mapping, categories, testDate }, line)
    const doubles = read.row ? doublesOf(read.row, line, seen) : []
    findings.push(...read.findings, ...doubles)
    if (read.row && doubles.length === 0) rows.push({ line, row: read.row })
  })
  return { rows, findings }
}

/** What every row is read by. */
interface RosterGround {
  readonly mapping: RosterMapping
  readonly categories: readonly { readonly id: string; readonly name: string }[]
  readonly testDate: string
}

const readRow = (
  cells: readonly string[],
  { mapping, categories, testDate }: RosterGround,
  line: number,
): { readonly row: RosterRow | null; readonly findings: RosterFinding[] } => {
  const cell = (field: RosterField): string => (mapping[field] === null ? '' : (cells[mapping[field]] ?? '').trim())
  const findings: RosterFinding[] = []
  const wrong = (field: RosterField, expected: string): void => {
    findings.push({ line, field, found: cell(field) || 'nothing', expected })
  }
  for (const field of NEEDED_FIELDS) if (cell(field) === '') wrong(field, ROSTER_LABELS[field].toLowerCase())
  for (const field of ['number', 'givenName', 'familyName'] as const) {
    if (cell(field).length > MOST_LETTERS) wrong(field, `at most ${MOST_LETTERS} letters`)
  }
  const birthDate = dateIn(cell('birthDate'))
  if (cell('birthDate') !== '' && birthDate === null) {
    wrong('birthDate', 'a date that exists, as 1999-05-04, 4.5.1999 or 4/5/1999 with the day first')
  }
  const bornWhen = birthDate === null ? null : birthDateExpected(birthDate, testDate)
  if (bornWhen !== null) wrong('birthDate', bornWhen)
  const named = cell('category').toLowerCase()
  const category = categories.find(({ id, name }) => id.toLowerCase() === named || name.toLowerCase() === named)
  if (named !== '' && !category) wrong('category', `one of ${categories.map(({ name }) => name).join(', ')}`)
  const [bib, wave] = [wholeIn(cell('bib'), MOST_BIB), wholeIn(cell('wave'), MOST_WAVE)]
  if (bib === 'wrong') wrong('bib', `a number from 1 to ${MOST_BIB}, or nothing`)
  if (wave === 'wrong') wrong('wave', `a number from 1 to ${MOST_WAVE}, or nothing`)
  if (findings.length > 0 || birthDate === null || !category || bib === 'wrong' || wave === 'wrong') {
    return { row: null, findings }
  }
  const row = { birthDate, category: category.id, bib, wave }
  return {
    row: { number: cell('number'), givenName: cell('givenName'), familyName: cell('familyName'), ...row },
    findings,
  }
}

const MOST_LETTERS = 80
const [MOST_BIB, MOST_WAVE] = [99_999, 999]

const wholeIn = (text: string, most: number): number | null | 'wrong' => {
  if (text === '') return null
  const value = /^\d{1,6}$/.test(text) ? Number(text) : 0
  return value >= 1 && value <= most ? value : 'wrong'
}

/** @returns YYYY-MM-DD, or null when it is no date that exists */
const dateIn = (text: string): string | null => {
  const [, day = '', month = '', year = ''] = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text) ?? []
  const date = year === '' ? text : `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return isCalendarDate(date) ? date : null
}

interface Seen {
  readonly number: Map<string, number>
  readonly person: Map<string, number>
  readonly bib: Map<string, number>
}

/** Somebody who stands in the file twice is kept once, the first time. */
const doublesOf = (row: RosterRow, line: number, seen: Seen): RosterFinding[] => {
  const person = `${row.givenName} ${row.familyName} ${row.birthDate}`.toLowerCase()
  const bib = row.bib === null ? '' : String(row.bib)
  const checks = [
    { field: 'number', key: row.number, map: seen.number, expected: 'a number that is in the file once' },
    { field: 'familyName', key: person, map: seen.person, expected: 'a person who is in the file once' },
    { field: 'bib', key: bib, map: seen.bib, expected: 'a bib that is in the file once' },
  ] as const
  const doubles = checks.flatMap(({ field, key, map, expected }): RosterFinding[] => {
    const before = key === '' ? undefined : map.get(key)
    if (before === undefined) return []
    const found = field === 'familyName' ? `${row.givenName} ${row.familyName}` : key
    return [{ line, field, found: `${found}, also in line ${before}`, expected }]
  })
  if (doubles.length > 0) return doubles
  for (const { key, map } of checks) if (key !== '') map.set(key, line)
  return []
}
