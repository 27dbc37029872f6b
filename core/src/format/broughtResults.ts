/** Results of earlier years from a table of any spreadsheet: which column is what, and each row judged by the version in force on its day. */
import type { Verdict } from '../judge/mark.ts'
import { slotsOfEvent } from '../kinds/slots.ts'
import type { Standard } from '../standard/standard.ts'
import { CATEGORY_HEADINGS, PERSON_HEADINGS, typedDate, type ColumnOf } from './personTable.ts'
import { slotColumn } from './readEventCells.ts'
import { judgeResultRow } from './resultRow.ts'
import type { RowFinding } from './rowFinding.ts'

/** A column of a results file, by the name it has in the documented format. */
export interface ResultField {
  readonly field: string
  readonly label: string
  readonly needed: boolean
  /** Headings that mean it, in small letters without spaces and marks. */
  readonly headings: readonly string[]
}

const bare = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '')

/** What a file of results under a standard can hold: who, when, and the figures of each event, whole or reading by reading. */
export const resultFields = ({ events }: Pick<Standard, 'events'>): ResultField[] => [
  { field: 'number', label: 'Number in the organisation', needed: true, headings: PERSON_HEADINGS.number },
  { field: 'test_date', label: 'Test date', needed: true, headings: ['testdate', 'date', 'tested', 'testedon'] },
  { field: 'category', label: 'Scoring category', needed: false, headings: CATEGORY_HEADINGS },
  {
    field: 'body_mass',
    label: 'Body mass in kg',
    needed: false,
    headings: ['bodymass', 'mass', 'weight', 'bodyweight'],
  },
  ...events.flatMap((event): ResultField[] => {
    const slots = slotsOfEvent(event)
    const whole = { field: event.id, label: event.name, needed: false, headings: [bare(event.id), bare(event.name)] }
    if (slots.length < 2) return [whole]
    return [
      whole,
      ...slots.map(({ id, label }) => ({
        field: slotColumn(event.id, id),
        label: `${event.name}, ${label.toLowerCase()}`,
        needed: false,
        headings: [bare(slotColumn(event.id, id)), bare(`${event.name} ${label}`)],
      })),
    ]
  }),
]

/** What each column probably is. */
export const guessResults = (fields: readonly ResultField[], headings: readonly string[]): ColumnOf<string> => {
  const known = headings.map(bare)
  return Object.fromEntries(
    fields.map(({ field, headings: names }) => {
      const index = known.findIndex((heading) => names.includes(heading))
      return [field, index < 0 ? null : index]
    }),
  )
}

/** A row as it is sent: the texts of the cells by field. */
export interface BroughtRow {
  /** Line in the file, the heading being line 1. */
  readonly line: number
  readonly cells: Readonly<Record<string, string>>
}

/** Rows with anything in them; dates in the forms people write them become YYYY-MM-DD. */
export const broughtRows = (table: readonly (readonly string[])[], columns: ColumnOf<string>): BroughtRow[] =>
  table.flatMap((row, index): BroughtRow[] => {
    if (row.every((cell) => cell.trim() === '')) return []
    const cells = Object.entries(columns).flatMap(([field, column]): [string, string][] => {
      const text = column === null ? '' : (row[column] ?? '').trim()
      if (text === '') return []
      return [[field, field === 'test_date' ? (typedDate(text) ?? text) : text]]
    })
    return [{ line: index + 2, cells: Object.fromEntries(cells) }]
  })

/** Whose results a row tells. */
export interface ResultOwner {
  readonly number: string
  readonly birthDate: string
  /** From the register, for rows that name none; empty where nobody knows. */
  readonly category: string
}

export type JudgedBrought =
  | { readonly ok: true; readonly standard: Standard; readonly testDate: string; readonly verdict: Verdict }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/**
 * Judges a row by the version that was in force on its day.
 * @param versions all published versions of one standard
 */
export const judgeBrought = (
  versions: readonly Standard[],
  { number, birthDate, category }: ResultOwner,
  { line, cells }: BroughtRow,
): JudgedBrought => {
  const testDate = cells['test_date'] ?? ''
  const standard = versions.find(
    ({ inForceFrom, inForceTo }) => testDate >= inForceFrom && (inForceTo === undefined || testDate <= inForceTo),
  )
  if (!standard || typedDate(testDate) === null) {
    const expected =
      typedDate(testDate) === null
        ? 'a date that exists, as 2024-05-21 or 21.5.2024'
        : 'a date on which a version of this standard was in force'
    return { ok: false, findings: [{ line, column: 'test_date', found: testDate || 'nothing', expected }] }
  }
  const named = (cells['category'] ?? category).toLowerCase()
  const known = standard.categories.find((one) => [one.id.toLowerCase(), one.name.toLowerCase()].includes(named))
  const row = { ...cells, number, birth_date: birthDate, category: known?.id ?? named }
  const judged = judgeResultRow(standard, row, line)
  if (!judged.ok) return judged
  return { ok: true, standard, testDate, verdict: judged.verdict }
}
