/** One row of a results file -> a past result, for comparing two versions. */
import { exactOf, measuredAs, type Measure } from '../kinds/measure.ts'
import type { PastMeasure, PastResult } from '../insight/versionImpact.ts'
import type { Standard } from '../standard/standard.ts'
import type { RowFinding } from './rowFinding.ts'
import { readEventCells } from './readEventCells.ts'
import { readResultRow, type ResultRow } from './resultRow.ts'

export type ParsedPastResult =
  | { readonly ok: true; readonly result: PastResult }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/**
 * Reads a row by the earlier version; events that only the later one has are read by its rules.
 * @param line line in the file, for findings
 */
export const readPastResult = (before: Standard, after: Standard, row: ResultRow, line: number): ParsedPastResult => {
  const read = readResultRow(before, row, line)
  if (!read.ok) return read
  const { number, testDate, birthDate, candidate, measures } = read.row
  const own: Record<string, PastMeasure> = {}
  for (const [index, event] of before.events.entries()) keep(own, event.id, measures[index])
  for (const event of after.events) {
    if (before.events.some(({ id }) => id === event.id)) continue
    const cells = readEventCells(event.id, event, (column) => (row[column] ?? '').trim())
    if (cells.ok) keep(own, event.id, cells.measure)
  }
  const { category, role, bodyMassG } = candidate
  return {
    ok: true,
    result: {
      key: `${number}, ${testDate}`,
      birthDate,
      testDate,
      category,
      ...(role === undefined ? {} : { role }),
      ...(bodyMassG === undefined ? {} : { bodyMassG }),
      measures: own,
    },
  }
}

const keep = (measures: Record<string, PastMeasure>, eventId: string, measure: Measure | undefined): void => {
  if (measure?.kind === 'complete') measures[eventId] = measuredAs(exactOf(measure))
  else if (measure?.kind === 'ended') measures[eventId] = { ended: measure.reason }
}
