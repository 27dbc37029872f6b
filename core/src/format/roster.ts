/**
 * A roster from a table of any spreadsheet: which column is what, and which rows can be used. Good rows are kept, each bad
 * one is explained by its line.
 */
import {
  CATEGORY_HEADINGS,
  cellsOf,
  complainOf,
  guessColumns,
  Once,
  onceOf,
  PERSON_FIELDS,
  PERSON_HEADINGS,
  PERSON_LABELS,
  readPerson,
  type CellFinding,
  type ColumnOf,
} from './personTable.ts'

export const ROSTER_FIELDS = [...PERSON_FIELDS, 'category', 'bib', 'wave'] as const
export type RosterField = (typeof ROSTER_FIELDS)[number]

export const ROSTER_LABELS: Readonly<Record<RosterField, string>> = {
  ...PERSON_LABELS,
  category: 'Scoring category',
  bib: 'Bib',
  wave: 'Wave',
}
export const NEEDED_FIELDS: readonly RosterField[] = [...PERSON_FIELDS, 'category']

export type RosterMapping = ColumnOf<RosterField>

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

export type RosterFinding = CellFinding<RosterField>

export interface RosterReading {
  readonly rows: readonly { readonly line: number; readonly row: RosterRow }[]
  readonly findings: readonly RosterFinding[]
}

/** What each column probably is. */
export const guessMapping = (headings: readonly string[]): RosterMapping =>
  guessColumns(headings, {
    ...PERSON_HEADINGS,
    category: CATEGORY_HEADINGS,
    bib: ['bib', 'bibnumber', 'startnumber'],
    wave: ['wave', 'group', 'heat'],
  })

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
  const once = new Once<RosterField>()
  table.forEach((cells, index) => {
    const line = index + 2
    if (cells.every((cell) => cell.trim() === '')) return
    const read = readRow(cells, { mapping, categories, testDate }, line)
    const bib = String(read.row?.bib ?? '')
    const doubles = read.row
      ? once.doublesIn(
          [...onceOf(read.row), { field: 'bib', key: bib, found: bib, expected: 'a bib that is in the file once' }],
          line,
        )
      : []
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
  const cell = cellsOf(cells, mapping)
  const findings: RosterFinding[] = []
  const wrong = complainOf(findings, cell, line)
  const person = readPerson(cell, wrong, testDate)
  const named = cell('category').toLowerCase()
  if (named === '') wrong('category', ROSTER_LABELS.category.toLowerCase())
  const category = categories.find(({ id, name }) => id.toLowerCase() === named || name.toLowerCase() === named)
  if (named !== '' && !category) wrong('category', `one of ${categories.map(({ name }) => name).join(', ')}`)
  const [bib, wave] = [wholeIn(cell('bib'), MOST_BIB), wholeIn(cell('wave'), MOST_WAVE)]
  if (bib === 'wrong') wrong('bib', `a number from 1 to ${MOST_BIB}, or nothing`)
  if (wave === 'wrong') wrong('wave', `a number from 1 to ${MOST_WAVE}, or nothing`)
  if (!person || !category || bib === 'wrong' || wave === 'wrong') return { row: null, findings }
  return { row: { ...person, category: category.id, bib, wave }, findings }
}

const [MOST_BIB, MOST_WAVE] = [99_999, 999]

const wholeIn = (text: string, most: number): number | null | 'wrong' => {
  if (text === '') return null
  const value = /^\d{1,6}$/.test(text) ? Number(text) : 0
  return value >= 1 && value <= most ? value : 'wrong'
}
