/** People of an organisation from a table of any spreadsheet, for the register: who they are, and what is kept about them. */
import type { RegisterRow } from '../people/matchRegister.ts'
import { unitTree, type OrgUnit } from '../people/units.ts'
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

export const REGISTER_FIELDS = [...PERSON_FIELDS, 'category', 'unit', 'rank', 'email'] as const
export type RegisterField = (typeof REGISTER_FIELDS)[number]

export const REGISTER_LABELS: Readonly<Record<RegisterField, string>> = {
  ...PERSON_LABELS,
  category: 'Scoring category',
  unit: 'Unit',
  rank: 'Rank',
  email: 'E-mail',
}

export type RegisterMapping = ColumnOf<RegisterField>

type RegisterFinding = CellFinding<RegisterField>

export interface RegisterReading {
  readonly rows: readonly { readonly line: number; readonly row: RegisterRow }[]
  readonly findings: readonly RegisterFinding[]
}

/** What each column probably is. */
export const guessRegister = (headings: readonly string[]): RegisterMapping =>
  guessColumns(headings, {
    ...PERSON_HEADINGS,
    category: CATEGORY_HEADINGS,
    unit: ['unit', 'division', 'department', 'company', 'watch', 'site', 'station'],
    rank: ['rank', 'grade', 'title'],
    email: ['email', 'mail', 'emailaddress'],
  })

const MOST_LETTERS = { category: 40, rank: 40, email: 120 } as const
const EMAIL = /^[^\s@,;]+@[^\s@,;]+$/

/**
 * Reads a table.
 * @param table rows of cells, without the heading
 * @param units that may be given; a row names one by its name, or by its path where names repeat
 * @param onDate YYYY-MM-DD, to tell a date of birth that cannot be
 */
export const readRegister = (
  table: readonly (readonly string[])[],
  mapping: RegisterMapping,
  units: readonly OrgUnit[],
  onDate: string,
): RegisterReading => {
  const rows: { line: number; row: RegisterRow }[] = []
  const findings: RegisterFinding[] = []
  const once = new Once<RegisterField>()
  const unitNamed = unitFinder(units)
  table.forEach((cells, index) => {
    const line = index + 2
    if (cells.every((cell) => cell.trim() === '')) return
    const cell = cellsOf(cells, mapping)
    const own: RegisterFinding[] = []
    const wrong = complainOf(own, cell, line)
    const person = readPerson(cell, wrong, onDate)
    for (const field of ['category', 'rank', 'email'] as const)
      if (cell(field).length > MOST_LETTERS[field]) wrong(field, `at most ${MOST_LETTERS[field]} letters`)
    if (cell('email') !== '' && !EMAIL.test(cell('email'))) wrong('email', 'an address such as tove@tarn.example')
    const unitId = cell('unit') === '' ? '' : unitNamed(cell('unit'))
    if (typeof unitId !== 'string') wrong('unit', unitId.expected)
    if (person && own.length === 0) own.push(...once.doublesIn(onceOf(person), line))
    findings.push(...own)
    if (!person || own.length > 0 || typeof unitId !== 'string') return
    const [category, rank, email] = [cell('category'), cell('rank'), cell('email')]
    rows.push({ line, row: { ...person, category, unitId, rank, email } })
  })
  return { rows, findings }
}

/** @returns finds the id of a unit by its name or path, or says what was expected */
const unitFinder = (units: readonly OrgUnit[]): ((name: string) => string | { readonly expected: string }) => {
  const tree = unitTree(units)
  const plain = (text: string): string => text.toLowerCase().replace(/\s*[,/>]\s*/g, ',')
  return (name) => {
    const wanted = plain(name)
    const path = tree.find((unit) => plain(unit.path) === wanted)
    const named = tree.filter((unit) => plain(unit.name) === wanted)
    if (path) return path.id
    const [only, another] = named
    if (only && !another) return only.id
    if (only) return { expected: `one of ${named.map((unit) => `"${unit.path}"`).join(', ')}` }
    return { expected: tree.length === 0 ? 'nothing: there are no units yet' : 'the name of a unit' }
  }
}

/** Somebody as they stand in the register, with how often they were tested. */
export interface PrintedPerson {
  readonly number: string
  readonly givenName: string
  readonly familyName: string
  readonly birthDate: string
  readonly category?: string
  readonly unitId?: string
  readonly rank?: string
  readonly email?: string
  readonly tests: number
  readonly lastTest: string | null
}

/** The register as a table, heading first; read in again it finds its own people. */
export const printRegister = (people: readonly PrintedPerson[], units: readonly OrgUnit[]): (string | number)[][] => {
  const paths = new Map(unitTree(units).map(({ id, path }) => [id, path]))
  return [
    [
      'Number',
      'Given name',
      'Family name',
      'Date of birth',
      'Category',
      'Unit',
      'Rank',
      'E-mail',
      'Tests',
      'Last test',
    ],
    ...people.map((person) => [
      person.number,
      person.givenName,
      person.familyName,
      person.birthDate,
      person.category ?? '',
      paths.get(person.unitId ?? '') ?? '',
      person.rank ?? '',
      person.email ?? '',
      person.tests,
      person.lastTest ?? '',
    ]),
  ]
}
