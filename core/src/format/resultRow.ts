/** One row of a results file: a person and what was measured -> verdict. The columns are described in docs/formats/results.md. */
import type { Measure } from '../kinds/measure.ts'
import { slotsOf } from '../kinds/slots.ts'
import { isCalendarDate } from '../document/rules.ts'
import { ageOn, ageReferenceDate } from '../judge/ageOn.ts'
import { alternatesFor, chosenEvent } from '../judge/chosenEvent.ts'
import { combinePerson } from '../judge/combinePerson.ts'
import { judgeEvent } from '../judge/judgeEvent.ts'
import type { Candidate, Verdict } from '../judge/mark.ts'
import { parseField } from '../quantity/field.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { RowFinding } from './peopleCsv.ts'
import { readEventCells, slotColumn } from './readEventCells.ts'

export type ResultRow = Readonly<Record<string, string | undefined>>

/** Columns every results file has; beside them, those of each event. */
export const RESULT_COLUMNS = ['number', 'birth_date', 'category', 'test_date'] as const

/** A row that could be read: a person as judging needs them, and their measures by event. */
export interface ReadRow {
  readonly number: string
  readonly testDate: string
  readonly birthDate: string
  readonly candidate: Candidate
  readonly measures: readonly Measure[]
}

export type ParsedRow =
  { readonly ok: true; readonly row: ReadRow } | { readonly ok: false; readonly findings: readonly RowFinding[] }

export type JudgedRow =
  | { readonly ok: true; readonly number: string; readonly testDate: string; readonly verdict: Verdict }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/** Columns of the standard that the file's heading lacks: for each event, its own column or one for each needed reading. */
export const missingColumns = (standard: Standard, heading: readonly string[]): string[] => [
  ...RESULT_COLUMNS.filter((column) => !heading.includes(column)),
  ...standard.events
    .filter((event) => !heading.includes(event.id) && !hasSlotColumns(event, heading))
    .map(({ id }) => id),
]

const hasSlotColumns = ({ id, protocol }: StandardEvent, heading: readonly string[]): boolean =>
  slotsOf(protocol)
    .filter(({ optional }) => !optional)
    .every((slot) => heading.includes(slotColumn(id, slot.id)))

/**
 * Reads one row.
 * @param line line in the file, for findings
 * @returns the person and measures, or everything that is wrong with the row
 */
export const readResultRow = (standard: Standard, row: ResultRow, line: number): ParsedRow => {
  const cell = (column: string): string => (row[column] ?? '').trim()
  const wrong = (column: string, expected: string): RowFinding => ({
    line,
    column,
    found: cell(column) || 'nothing',
    expected,
  })
  const oneOf = (column: string, items: readonly { id: string }[]): RowFinding[] =>
    items.some(({ id }) => id === cell(column)) ? [] : [wrong(column, `one of ${items.map(({ id }) => id).join(', ')}`)]
  const bodyMass = cell('body_mass') === '' ? null : parseField(cell('body_mass'), { unit: 'g' })
  const choices = choicesIn(standard, cell)
  const findings: RowFinding[] = [
    ...(cell('number') === '' ? [wrong('number', 'some text')] : []),
    ...(['birth_date', 'test_date'] as const)
      .filter((column) => !isCalendarDate(cell(column)))
      .map((column) => wrong(column, 'a date that exists, as YYYY-MM-DD')),
    ...oneOf('category', standard.categories),
    ...(cell('role') === '' ? [] : oneOf('role', standard.roles ?? [])),
    ...(bodyMass !== null && !(bodyMass.ok && isBodyMass(bodyMass.value))
      ? [wrong('body_mass', 'a body mass from 30 to 250 kg, such as 71.5, or nothing')]
      : []),
    ...choices.wrong.map(({ column, expected }) => wrong(column, expected)),
  ]
  const testDate = cell('test_date')
  const ageCountedOn = findings.length === 0 ? ageReferenceDate(standard.ageRule, testDate) : testDate
  if (findings.length === 0 && ageCountedOn < cell('birth_date')) {
    findings.push(wrong('birth_date', `a date before ${ageCountedOn}`))
  }
  const candidate: Candidate = {
    entryId: cell('number'),
    category: cell('category'),
    ageCountedOn,
    ageYears: findings.length === 0 ? ageOn(cell('birth_date'), ageCountedOn, standard.ageRule.leapDayBirthday) : 0,
    ...(cell('role') === '' ? {} : { role: cell('role') }),
    ...(bodyMass?.ok ? { bodyMassG: bodyMass.value } : {}),
    ...choices.choices,
  }
  const measures: Measure[] = []
  for (const event of standard.events) {
    const { notOffered } = findings.length === 0 ? chosenEvent(standard, event, candidate) : {}
    if (notOffered) {
      findings.push(wrong(slotColumn(event.id, notOffered), offeredTo(standard, event, candidate, notOffered)))
      // which event its figures are of is not known
      continue
    }
    const read = readEventCells(event.id, chosenEvent(standard, event, candidate).event, cell)
    if (read.ok) measures.push(read.measure)
    else findings.push(...read.wrong.map(({ column, expected }) => wrong(column, expected)))
  }
  if (findings.length > 0) return { ok: false, findings }
  return { ok: true, row: { number: cell('number'), testDate, birthDate: cell('birth_date'), candidate, measures } }
}

/** Lighter or heavier than this is a slip of a digit, in g. */
const isBodyMass = (massG: number): boolean => massG >= 30_000 && massG <= 250_000

/** What a person may name of an event, in words. */
const offeredTo = (
  standard: Standard,
  event: StandardEvent,
  candidate: Candidate,
  what: 'alternate' | 'variant',
): string => {
  const ids =
    what === 'alternate'
      ? alternatesFor(event, candidate).map(({ eventId }) => eventId)
      : (chosenEvent(standard, event, candidate).event.variants ?? []).map(({ id }) => id)
  return ids.length > 0
    ? `nothing, or what is for this person: ${ids.join(', ')}`
    : 'nothing: there is none for this person'
}

/** Judges one row. @param line line in the file, for findings */
export const judgeResultRow = (standard: Standard, row: ResultRow, line: number): JudgedRow => {
  const read = readResultRow(standard, row, line)
  if (!read.ok) return read
  const { number, testDate, candidate, measures } = read.row
  const { inForceFrom, inForceTo } = standard
  if (testDate < inForceFrom || (inForceTo !== undefined && testDate > inForceTo)) {
    const expected = `a date on which version ${standard.version} is in force, from ${inForceFrom}${inForceTo === undefined ? '' : ` to ${inForceTo}`}`
    return { ok: false, findings: [{ line, column: 'test_date', found: testDate, expected }] }
  }
  const on = { standard, testDate }
  const marks = standard.events.flatMap((event, index) => {
    const measure = measures[index]
    return measure ? [judgeEvent(on, event, candidate, measure)] : []
  })
  return { ok: true, number, testDate, verdict: combinePerson(on, candidate, marks) }
}

type Choices = Pick<Candidate, 'variants' | 'alternates' | 'exemptions'>

/** What a file says of variants, alternates and exemptions: `press-ups.variant`, `run.alternate`, `run.exemption`. */
const choicesIn = (
  { events, alternateEvents = [], exemptions = [] }: Standard,
  cell: (column: string) => string,
): { readonly choices: Choices; readonly wrong: readonly { column: string; expected: string }[] } => {
  const wrong: { column: string; expected: string }[] = []
  const chosen = (event: StandardEvent, name: string, ids: readonly string[]): string | undefined => {
    const column = slotColumn(event.id, name)
    const text = cell(column)
    if (text === '') return undefined
    if (ids.includes(text)) return text
    wrong.push({ column, expected: ids.length > 0 ? `nothing, or one of ${ids.join(', ')}` : 'nothing' })
    return undefined
  }
  const perEvent = (name: string, idsOf: (event: StandardEvent) => string[]): Record<string, string> =>
    Object.fromEntries(
      events.flatMap((event) => {
        const id = chosen(event, name, idsOf(event))
        return id === undefined ? [] : [[event.id, id]]
      }),
    )
  const variantsOf = (event: StandardEvent): string[] => (event.variants ?? []).map(({ id }) => id)
  const alternatesOf = (event: StandardEvent): string[] => (event.alternates ?? []).map(({ eventId }) => eventId)
  const choices: Choices = {
    variants: perEvent('variant', (event) => [
      ...variantsOf(event),
      ...alternateEvents.filter(({ id }) => alternatesOf(event).includes(id)).flatMap(variantsOf),
    ]),
    alternates: perEvent('alternate', alternatesOf),
    exemptions: perEvent('exemption', (event) =>
      exemptions.filter(({ eventIds }) => eventIds.includes(event.id)).map(({ id }) => id),
    ),
  }
  return { choices, wrong }
}
