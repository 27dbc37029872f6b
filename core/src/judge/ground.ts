/** Everything found about a candidate in an event before the measure is looked at. */
import type { TimeBounds } from '../capture/timeBounds.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { chosenEvent, type ChosenEvent } from './chosenEvent.ts'
import { compileScoring, type CompiledScoring } from './compileScoring.ts'
import type { Cut } from './cut.ts'
import { cutIn, findBand, type FoundBand } from './findCut.ts'
import type { Candidate } from './mark.ts'

/** What marks are judged by: the standard, and the date its age rule counts from. */
export interface JudgedOn {
  readonly standard: Standard
  readonly testDate: string
  /** Moments the day can hold; left out where nothing is judged by when it was captured. */
  readonly bounds?: TimeBounds | null
}

/** The least points the standard asks of an event, in hundredths, or null. */
export const minimumOf = ({ combination }: Pick<Standard, 'combination'>, event: StandardEvent): number | null =>
  event.minimumCentipoints ?? (combination.kind === 'pointsTotal' ? (combination.minimumEachCentipoints ?? null) : null)

export interface Ground {
  readonly on: JudgedOn
  readonly candidate: Candidate
  readonly chosen: ChosenEvent
  readonly compiled: CompiledScoring
  readonly found: FoundBand
  readonly cut: Cut | null
  readonly minimum: number | null
}

export const groundFor = (on: JudgedOn, event: StandardEvent, candidate: Candidate): Ground => {
  const chosen = chosenEvent(on.standard, event, candidate)
  const compiled = compileScoring(chosen.event, chosen.scoring)
  const found = findBand(compiled, candidate)
  const minimum = minimumOf(on.standard, chosen.event)
  const cut = found.ok ? cutIn(chosen.event, compiled, found, candidate, minimum) : null
  return { on, candidate, chosen, compiled, found, cut, minimum }
}

/**
 * The most points an event can earn a candidate, in hundredths; 0 for events without points.
 */
export const fullPointsOf = (on: JudgedOn, event: StandardEvent, candidate: Candidate): number => {
  const { compiled, found } = groundFor(on, event, candidate)
  return compiled.scoreKind === 'centipoints' && found.ok ? compiled.best(found.row) : 0
}
