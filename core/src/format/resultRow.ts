/** One row of a results file: a person and what was measured -> verdict. The columns are described in docs/formats/results.md. */
import type { Measure } from '../kinds/measure.ts'
import { slotsOf } from '../kinds/slots.ts'
import { isCalendarDate } from '../document/rules.ts'
import { ageOn, ageReferenceDate } from '../judge/ageOn.ts'
import { alternatesFor, chosenEvent, variantsFor } from '../judge/chosenEvent.ts'
import { combinePerson, conclude, type Conclusion } from '../judge/combinePerson.ts'
import { judgeEvent, judgePlainly, type PlainMark } from '../judge/judgeEvent.ts'
import type { Candidate, Verdict } from '../judge/mark.ts'
import { parseField } from '../quantity/field.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { withAlternates } from '../standard/withAlternates.ts'
import type { RowFinding } from './rowFinding.ts'
import { readEventCells, slotColumn } from './readEventCells.ts'

export type ResultRow = Readonly<Record<string, string | undefined>>

/** Columns every results file has; beside them, those of each event. */
export const RESULT_COLUMNS = ['number', 'birth_date', 'category', 'test_date'] as const

/** A row that could be read: a person as judging needs them, and their measures by event. */
interface ReadRow {
  readonly number: string
  readonly testDate: string
  readonly birthDate: string
  readonly candidate: Candidate
  readonly measures: readonly Measure[]
}

export type ParsedRow =
  | { readonly ok: true; readonly row: ReadRow }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

export type JudgedRow =
  | { readonly ok: true; readonly number: string; readonly testDate: string; readonly verdict: Verdict }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

export type PlainlyJudgedRow =
  | {
      readonly ok: true
      readonly number: string
      readonly testDate: string
      readonly verdict: Conclusion
      readonly marks: readonly PlainMark[]
    }
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
  const findings: RowFinding[] = []
  const refuse = (column: string, expected: string): void => {
    findings.push({ line, column, found: cell(column) || 'nothing', expected })
  }
  const [number, birthDate, testDate] = [cell('number'), cell('birth_date'), cell('test_date')]
  const [category, role, massText] = [cell('category'), cell('role'), cell('body_mass')]
  if (number === '') refuse('number', 'some text')
  if (!isCalendarDate(birthDate)) refuse('birth_date', A_DATE)
  if (!isCalendarDate(testDate)) refuse('test_date', A_DATE)
  const asOneOf = (column: string, items: readonly { id: string }[]): void => {
    if (!items.some(({ id }) => id === cell(column))) refuse(column, `one of ${items.map(({ id }) => id).join(', ')}`)
  }
  asOneOf('category', standard.categories)
  if (role !== '') asOneOf('role', standard.roles ?? [])
  const bodyMass = massText === '' ? null : parseField(massText, { unit: 'g' })
  if (bodyMass !== null && !(bodyMass.ok && isBodyMass(bodyMass.value))) {
    refuse('body_mass', 'a body mass from 30 to 250 kg, such as 71.5, or nothing')
  }
  const choices = choicesIn(standard, cell)
  for (const { column, expected } of choices.wrong) refuse(column, expected)
  const isPerson = findings.length === 0
  const ageCountedOn = isPerson ? ageReferenceDate(standard.ageRule, testDate) : testDate
  if (isPerson && ageCountedOn < birthDate) refuse('birth_date', `a date before ${ageCountedOn}`)
  const isKnown = findings.length === 0
  const candidate: Candidate = {
    entryId: number,
    category,
    ageCountedOn,
    ageYears: isKnown ? ageOn(birthDate, ageCountedOn, standard.ageRule.leapDayBirthday) : 0,
    ...(role === '' ? {} : { role }),
    ...(bodyMass?.ok ? { bodyMassG: bodyMass.value } : {}),
    ...choices.choices,
  }
  const measures: Measure[] = []
  for (const event of standard.events) {
    const { event: done, notOffered } = chosenEvent(standard, event, candidate)
    if (notOffered && isKnown) {
      refuse(slotColumn(event.id, notOffered), offeredTo(standard, event, candidate, notOffered))
      // which event its figures are of is not known
      continue
    }
    const read = readEventCells(event.id, done, cell)
    if (read.ok) measures.push(read.measure)
    else for (const { column, expected } of read.wrong) refuse(column, expected)
  }
  return findings.length > 0
    ? { ok: false, findings }
    : { ok: true, row: { number, testDate, birthDate, candidate, measures } }
}

const A_DATE = 'a date that exists, as YYYY-MM-DD'

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
      : variantsFor(chosenEvent(standard, event, candidate).event, candidate).map(({ id }) => id)
  return ids.length > 0
    ? `nothing, or what is for this person: ${ids.join(', ')}`
    : 'nothing: there is none for this person'
}

type RowInForce =
  | { readonly ok: true; readonly row: ReadRow }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/** Reads a row of a day on which the standard is in force. */
const readInForce = (standard: Standard, row: ResultRow, line: number): RowInForce => {
  const read = readResultRow(standard, row, line)
  if (!read.ok) return read
  const { testDate } = read.row
  const { inForceFrom, inForceTo } = standard
  if (testDate >= inForceFrom && (inForceTo === undefined || testDate <= inForceTo)) return read
  const expected = `a date on which version ${standard.version} is in force, from ${inForceFrom}${inForceTo === undefined ? '' : ` to ${inForceTo}`}`
  return { ok: false, findings: [{ line, column: 'test_date', found: testDate, expected }] }
}

/** Judges one row with all its reasons. @param line line in the file, for findings */
export const judgeResultRow = (standard: Standard, row: ResultRow, line: number): JudgedRow => {
  const read = readInForce(standard, row, line)
  if (!read.ok) return read
  const { number, testDate, candidate, measures } = read.row
  const terms = { standard, testDate }
  const marks = standard.events.flatMap((event, index) => {
    const measure = measures[index]
    return measure ? [judgeEvent(terms, event, candidate, measure)] : []
  })
  return { ok: true, number, testDate, verdict: combinePerson(terms, candidate, marks) }
}

/** The same without the reasons of single marks, and nothing put into words. */
export const judgeResultRowPlainly = (standard: Standard, row: ResultRow, line: number): PlainlyJudgedRow => {
  const read = readInForce(standard, row, line)
  if (!read.ok) return read
  const { number, testDate, candidate, measures } = read.row
  const terms = { standard, testDate }
  const marks: PlainMark[] = []
  for (const [index, event] of standard.events.entries()) {
    const measure = measures[index]
    if (measure) marks.push(judgePlainly(terms, event, candidate, measure))
  }
  return { ok: true, number, testDate, verdict: conclude(terms, candidate, marks), marks }
}

type Choices = Pick<Candidate, 'variants' | 'alternates' | 'exemptions'>

interface ChoiceColumn {
  readonly of: keyof Choices
  readonly eventId: string
  readonly column: string
  readonly ids: readonly string[]
}

/** Columns of variants, alternates and exemptions: `press-ups.variant`, `run.alternate`, `run.exemption`; laid out once. */
const choiceColumnsOf = (standard: Standard): readonly ChoiceColumn[] => {
  const known = choiceColumns.get(standard)
  if (known) return known
  const { events, exemptions = [] } = standard
  const variantsOf = (event: StandardEvent): string[] => (event.variants ?? []).map(({ id }) => id)
  const made = events.flatMap((event): ChoiceColumn[] => {
    const column = (of: keyof Choices, name: string, ids: readonly string[]): ChoiceColumn => ({
      of,
      eventId: event.id,
      column: slotColumn(event.id, name),
      ids,
    })
    return [
      column('variants', 'variant', withAlternates(standard, event).flatMap(variantsOf)),
      column(
        'alternates',
        'alternate',
        (event.alternates ?? []).map(({ eventId }) => eventId),
      ),
      column(
        'exemptions',
        'exemption',
        exemptions.filter(({ eventIds }) => eventIds.includes(event.id)).map(({ id }) => id),
      ),
    ]
  })
  choiceColumns.set(standard, made)
  return made
}

const choiceColumns = new WeakMap<Standard, readonly ChoiceColumn[]>()

/** What a row says of variants, alternates and exemptions. */
const choicesIn = (
  standard: Standard,
  cell: (column: string) => string,
): { readonly choices: Choices; readonly wrong: readonly { column: string; expected: string }[] } => {
  const wrong: { column: string; expected: string }[] = []
  const choices: Record<keyof Choices, Record<string, string>> = { variants: {}, alternates: {}, exemptions: {} }
  for (const { of, eventId, column, ids } of choiceColumnsOf(standard)) {
    const text = cell(column)
    if (text === '') continue
    if (ids.includes(text)) choices[of][eventId] = text
    else wrong.push({ column, expected: ids.length > 0 ? `nothing, or one of ${ids.join(', ')}` : 'nothing' })
  }
  return { choices, wrong }
}
