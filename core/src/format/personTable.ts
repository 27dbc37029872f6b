/** What tables of people have in common, whatever they are for: columns found by their headings, cells of a person, doubles in one file. */
import { isCalendarDate } from '../document/rules.ts'
import { birthDateExpected } from '../people/birthDates.ts'

export const PERSON_FIELDS = ['number', 'givenName', 'familyName', 'birthDate'] as const
export type PersonField = (typeof PERSON_FIELDS)[number]

export const PERSON_LABELS: Readonly<Record<PersonField, string>> = {
  number: 'Number in the organisation',
  givenName: 'Given name',
  familyName: 'Family name',
  birthDate: 'Date of birth',
}

/** Headings that name a field, in small letters without spaces and marks. */
export const PERSON_HEADINGS: Readonly<Record<PersonField, readonly string[]>> = {
  number: ['number', 'no', 'id', 'servicenumber', 'staffnumber', 'candidatenumber', 'personnelnumber'],
  givenName: ['givenname', 'firstname', 'forename', 'given', 'first'],
  familyName: ['familyname', 'lastname', 'surname', 'family', 'last'],
  birthDate: ['birthdate', 'dateofbirth', 'dob', 'born', 'birthday'],
}
export const CATEGORY_HEADINGS: readonly string[] = ['category', 'scoringcategory', 'sex', 'gender']

/** Index of the column of each field; null for none. */
export type ColumnOf<Field extends string> = Readonly<Record<Field, number | null>>

/** What each column probably is. */
export const guessColumns = <Field extends string>(
  headings: readonly string[],
  names: Readonly<Record<Field, readonly string[]>>,
): ColumnOf<Field> => {
  const bare = headings.map((heading) => heading.toLowerCase().replace(/[^a-z]/g, ''))
  const columns = (Object.entries(names) as [Field, readonly string[]][]).map(([field, known]) => {
    const index = bare.findIndex((heading) => known.includes(heading))
    return [field, index < 0 ? null : index] as const
  })
  // every field of the table gets its column, or none
  return Object.fromEntries(columns) as ColumnOf<Field>
}

/** The text of a field in one row; empty where no column holds it. */
export type CellOf<Field extends string> = (field: Field) => string

export const cellsOf =
  <Field extends string>(cells: readonly string[], columns: ColumnOf<Field>): CellOf<Field> =>
  (field) =>
    columns[field] === null ? '' : (cells[columns[field]] ?? '').trim()

/** What is wrong with one cell. */
export interface CellFinding<Field extends string> {
  /** Line in the file, the heading being line 1. */
  readonly line: number
  readonly field: Field
  readonly found: string
  readonly expected: string
}

/** Says what a cell should have held. */
export type Complain<Field extends string> = (field: Field, expected: string) => void

/** @returns adds to `findings` what a cell of this row should have held */
export const complainOf =
  <Field extends string>(findings: CellFinding<Field>[], cell: CellOf<Field>, line: number): Complain<Field> =>
  (field, expected) => {
    findings.push({ line, field, found: cell(field) || 'nothing', expected })
  }

const MOST_LETTERS = 80

/**
 * Who a row is about.
 * @param onDate YYYY-MM-DD, to tell a date of birth that cannot be
 * @returns null for a row in which something is wrong
 */
export const readPerson = (
  cell: CellOf<PersonField>,
  wrong: Complain<PersonField>,
  onDate: string,
): Readonly<Record<PersonField, string>> | null => {
  let isGood = true
  const fault: Complain<PersonField> = (field, expected) => {
    isGood = false
    wrong(field, expected)
  }
  for (const field of PERSON_FIELDS) if (cell(field) === '') fault(field, PERSON_LABELS[field].toLowerCase())
  for (const field of ['number', 'givenName', 'familyName'] as const)
    if (cell(field).length > MOST_LETTERS) fault(field, `at most ${MOST_LETTERS} letters`)
    else if (cell(field).includes(BROKEN_LETTER)) fault(field, 'letters that were read as they were written')
  const birthDate = typedDate(cell('birthDate'))
  if (cell('birthDate') !== '' && birthDate === null)
    fault('birthDate', 'a date that exists, as 1999-05-04, 4.5.1999 or 4/5/1999 with the day first')
  const bornWhen = birthDate === null ? null : birthDateExpected(birthDate, onDate)
  if (bornWhen !== null) fault('birthDate', bornWhen)
  if (!isGood || birthDate === null) return null
  return { number: cell('number'), givenName: cell('givenName'), familyName: cell('familyName'), birthDate }
}

/** What decoders put in place of what they could not read. */
const BROKEN_LETTER = '\uFFFD'

/** @returns YYYY-MM-DD, or null when it is no date that exists */
export const typedDate = (text: string): string | null => {
  const [, day = '', month = '', year = ''] = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text) ?? []
  const date = year === '' ? text : `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return isCalendarDate(date) ? date : null
}

/** Remembers which line held something that may stand in a file once. */
export class Once<Field extends string> {
  private readonly seen = new Map<string, number>()

  /**
   * Somebody who stands in a file twice is kept once, the first time.
   * @param keys what may stand once in this row; what is empty may stand often
   */
  doublesIn(
    keys: readonly { readonly field: Field; readonly key: string; readonly found: string; readonly expected: string }[],
    line: number,
  ): CellFinding<Field>[] {
    const doubles = keys.flatMap(({ field, key, found, expected }): CellFinding<Field>[] => {
      const before = key === '' ? undefined : this.seen.get(`${field} ${key}`)
      return before === undefined ? [] : [{ line, field, found: `${found}, also in line ${before}`, expected }]
    })
    if (doubles.length === 0) for (const { field, key } of keys) if (key !== '') this.seen.set(`${field} ${key}`, line)
    return doubles
  }
}

/** What may stand in a file of people once: the number, and the person. */
export const onceOf = (row: Readonly<Record<PersonField, string>>) =>
  [
    { field: 'number', key: row.number, found: row.number, expected: 'a number that is in the file once' },
    {
      field: 'familyName',
      key: `${row.givenName} ${row.familyName} ${row.birthDate}`.toLowerCase(),
      found: `${row.givenName} ${row.familyName}`,
      expected: 'a person who is in the file once',
    },
  ] as const
