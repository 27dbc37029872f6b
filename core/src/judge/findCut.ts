import { EVENT_KIND_FACTS } from '../protocol/eventKind.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { BandRow } from '../standard/scoring.ts'
import type { Cut } from './cut.ts'
import type { Candidate } from './mark.ts'

export type FoundCut =
  { readonly ok: true; readonly cut: Cut } | { readonly ok: false; readonly reason: 'noBand' | 'severalBands' }

/**
 * Finds the cut that applies to one person in one event.
 * Both ends of an age range belong to it: a row from 18 to 29 holds people of 18 and of 29.
 */
export const findCut = (event: StandardEvent, candidate: Pick<Candidate, 'ageYears' | 'category'>): FoundCut => {
  const { scoring } = event
  if (scoring.kind === 'singleCut') return { ok: true, cut: cutOf(event, scoring, null) }
  const fitting = scoring.rows.flatMap((row, index) => (fits(row, candidate) ? [{ row, index }] : []))
  const [only, another] = fitting
  if (!only) return { ok: false, reason: 'noBand' }
  if (another) return { ok: false, reason: 'severalBands' }
  const { ageFrom, ageTo, category } = only.row
  return { ok: true, cut: cutOf(event, only.row, { row: only.index, ageFrom, ageTo: ageTo ?? null, category }) }
}

const fits = (row: BandRow, { ageYears, category }: Pick<Candidate, 'ageYears' | 'category'>): boolean =>
  row.category === category && ageYears >= row.ageFrom && (row.ageTo === undefined || ageYears <= row.ageTo)

const cutOf = (event: StandardEvent, row: { atLeast?: number; atMost?: number }, band: Cut['band']): Cut => {
  const { sense, unit } = EVENT_KIND_FACTS[event.protocol.kind]
  const value = row[sense]
  if (value === undefined) {
    throw new Error(
      `Event "${event.id}" has no "${sense}" in its scoring. Read standards with parseStandard, which refuses that.`,
    )
  }
  return { value, unit, sense, band }
}
