import { bandsOf } from '../standard/scoring.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { NO_BAND, SEVERAL_BANDS } from './bandIndex.ts'
import { compileScoring, type CompiledScoring } from './compileScoring.ts'
import type { Cut, CutBand } from './cut.ts'
import type { Candidate } from './mark.ts'

/** One value for each compiled scoring, as long as it lives. */
function remembered<Value>(make: () => Value): (compiled: CompiledScoring) => Value {
  const values = new WeakMap<CompiledScoring, Value>()
  return (compiled) => {
    const known = values.get(compiled)
    if (known !== undefined) return known
    const made = make()
    values.set(compiled, made)
    return made
  }
}

export type CutPerson = Pick<Candidate, 'ageYears' | 'category' | 'role' | 'bodyMassG'>

export type FoundBand =
  | { readonly ok: true; readonly row: number; readonly band: CutBand | null }
  | { readonly ok: false; readonly reason: 'noBand' | 'severalBands' | 'noBodyMass' }

export type FoundCut =
  | { readonly ok: true; readonly cut: Cut | null }
  | { readonly ok: false; readonly reason: 'noBand' | 'severalBands' | 'noBodyMass' }

/**
 * Finds the row of a scoring that is for one person.
 * Both ends of an age range belong to it: a row from 18 to 29 holds people of 18 and of 29.
 */
export const findBand = (compiled: CompiledScoring, person: CutPerson): FoundBand => {
  const row = compiled.bandFor(person)
  if (row === NO_BAND) return { ok: false, reason: 'noBand' }
  if (row === SEVERAL_BANDS) return { ok: false, reason: 'severalBands' }
  if (compiled.needsBodyMass && person.bodyMassG === undefined) return { ok: false, reason: 'noBodyMass' }
  const found = foundIn(compiled)
  return (found[row] ??= foundRow(compiled, row))
}

/** What was found in each row, kept because a hundred thousand people share a few rows. */
const foundIn = remembered<Extract<FoundBand, { ok: true }>[]>(() => [])

const foundRow = ({ scoring }: CompiledScoring, row: number): Extract<FoundBand, { ok: true }> => {
  const band = bandsOf(scoring)[row]
  if (!band) return { ok: true, row, band: null }
  const { ageFrom, ageTo = null, category = null, role = null } = band
  return { ok: true, row, band: { row, ageFrom, ageTo, category, role } }
}

/**
 * Finds the cut that applies to one person in one event: the published one, or the value that earns the least points
 * asked. Where nothing is asked there is none.
 * @param minimumCentipoints the least points asked of the event
 * @param scoring the event's own, or a variant's
 */
export const findCut = (
  event: StandardEvent,
  person: CutPerson,
  minimumCentipoints: number | null = event.minimumCentipoints ?? null,
  scoring = event.scoring,
): FoundCut => {
  const compiled = compileScoring(event, scoring)
  const found = findBand(compiled, person)
  return found.ok ? { ok: true, cut: cutIn(event, compiled, found, person, minimumCentipoints) } : found
}

/** The cut in a row that was found. */
export const cutIn = (
  event: StandardEvent,
  compiled: CompiledScoring,
  found: Extract<FoundBand, { ok: true }>,
  { bodyMassG = 0 }: CutPerson,
  minimumCentipoints: number | null,
): Cut | null => {
  if (compiled.needsBodyMass) return makeCut(event, compiled, found, bodyMassG, minimumCentipoints)
  const cuts = cutsIn(compiled)
  const kept = cuts[found.row]
  if (kept?.minimumCentipoints === minimumCentipoints) return kept.cut
  const cut = makeCut(event, compiled, found, bodyMassG, minimumCentipoints)
  cuts[found.row] = { minimumCentipoints, cut }
  return cut
}

const cutsIn = remembered<{ readonly minimumCentipoints: number | null; readonly cut: Cut | null }[]>(() => [])

const makeCut = (
  { publishedIn }: StandardEvent,
  { unit, sense, scoreKind, valueFor, best }: CompiledScoring,
  { row, band }: Extract<FoundBand, { ok: true }>,
  bodyMassG: number,
  minimumCentipoints: number | null,
): Cut | null => {
  const asked = scoreKind === 'margin' ? 0 : scoreKind === 'centipoints' ? minimumCentipoints : null
  const value = asked === null ? null : valueFor(row, asked, bodyMassG)
  const full = scoreKind === 'centipoints' ? valueFor(row, best(row), bodyMassG) : null
  if (value !== null) {
    return { value, unit, sense, band, ...(full === null ? {} : { full }), ...(publishedIn ? { publishedIn } : {}) }
  }
  return unit === 'done' && scoreKind === 'margin' ? { value: 1, unit, sense: 'atLeast', band } : null
}
