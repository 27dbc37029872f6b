/** One row of a results file: a person and what was measured -> verdict. The columns are described in docs/formats/results.md. */
import type { EndReason, Measure } from '../capture/measure.ts'
import { isCalendarDate } from '../document/rules.ts'
import { ageOn, ageReferenceDate } from '../judge/ageOn.ts'
import { combine } from '../judge/combine.ts'
import { judgeEvent } from '../judge/judgeEvent.ts'
import type { Candidate, Verdict } from '../judge/mark.ts'
import { EVENT_KIND_FACTS } from '../protocol/eventKind.ts'
import { parseTime } from '../quantity/time.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { RowFinding } from './peopleCsv.ts'

export type ResultRow = Readonly<Record<string, string | undefined>>

/** Columns every results file has; one more for each event, named by its id. */
export const RESULT_COLUMNS = ['number', 'birth_date', 'category', 'test_date'] as const

export type JudgedRow =
  | { readonly ok: true; readonly number: string; readonly testDate: string; readonly verdict: Verdict }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/** Columns of the standard that the file's heading lacks. */
export const missingColumns = (standard: Standard, heading: readonly string[]): string[] =>
  [...RESULT_COLUMNS, ...standard.events.map(({ id }) => id)].filter((column) => !heading.includes(column))

/**
 * Judges one row.
 * @param line line in the file, for findings
 * @returns the verdict, or everything that is wrong with the row
 */
export const judgeResultRow = (standard: Standard, row: ResultRow, line: number): JudgedRow => {
  const cell = (column: string): string => (row[column] ?? '').trim()
  const wrong = (column: string, expected: string): RowFinding => ({
    line,
    column,
    found: cell(column) || 'nothing',
    expected,
  })
  const findings: RowFinding[] = [
    ...(cell('number') === '' ? [wrong('number', 'some text')] : []),
    ...(['birth_date', 'test_date'] as const)
      .filter((column) => !isCalendarDate(cell(column)))
      .map((column) => wrong(column, 'a date that exists, as YYYY-MM-DD')),
    ...(standard.categories.some(({ id }) => id === cell('category'))
      ? []
      : [wrong('category', `one of ${standard.categories.map(({ id }) => id).join(', ')}`)]),
  ]
  const measures = standard.events.map((event) => ({ event, read: readMeasure(event, cell(event.id)) }))
  for (const { event, read } of measures) if (!read.ok) findings.push(wrong(event.id, read.expected))
  const testDate = cell('test_date')
  const ageCountedOn = findings.length === 0 ? ageReferenceDate(standard.ageRule, testDate) : testDate
  if (findings.length === 0 && ageCountedOn < cell('birth_date'))
    findings.push(wrong('birth_date', `a date before ${ageCountedOn}`))
  if (findings.length > 0) return { ok: false, findings }
  const candidate: Candidate = {
    entryId: cell('number'),
    category: cell('category'),
    ageCountedOn,
    ageYears: ageOn(cell('birth_date'), ageCountedOn, standard.ageRule.leapDayBirthday),
  }
  const on = { standard, testDate }
  const marks = measures.flatMap(({ event, read }) => (read.ok ? [judgeEvent(on, event, candidate, read.measure)] : []))
  return { ok: true, number: cell('number'), testDate, verdict: combine(on, marks) }
}

const ENDS: Readonly<Record<string, EndReason>> = {
  'did not finish': 'didNotFinish',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
  safety: 'safety',
}

type ReadMeasure = { readonly ok: true; readonly measure: Measure } | { readonly ok: false; readonly expected: string }

const readMeasure = (event: StandardEvent, text: string): ReadMeasure => {
  const { unit } = EVENT_KIND_FACTS[event.protocol.kind]
  if (text === '') return { ok: true, measure: { kind: 'notStarted', notes: [] } }
  const reason = ENDS[text.toLowerCase()]
  if (reason) return { ok: true, measure: { kind: 'ended', reason, soFar: 0, unit, notes: [] } }
  const value = unit === 'ms' ? readTime(text) : /^\d{1,6}$/.test(text) ? Number(text) : null
  if (value === null) {
    const form = unit === 'ms' ? 'a time, such as 9:41.9' : 'a whole number'
    return { ok: false, expected: `${form}, nothing, or one of ${Object.keys(ENDS).join(', ')}` }
  }
  return {
    ok: true,
    measure: { kind: 'complete', value, unit, reading: { kind: 'entered' }, clockUncertaintyMs: 0, notes: [] },
  }
}

const readTime = (text: string): number | null => {
  const time = parseTime(text)
  return time.ok ? time.value : null
}
