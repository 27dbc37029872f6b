/** What a person has to reach: the value asked in each event, and what more would give. */
import { chosenEvent } from '../judge/chosenEvent.ts'
import { findBand, findCut } from '../judge/findCut.ts'
import { compileScoring } from '../judge/compileScoring.ts'
import type { Cut } from '../judge/cut.ts'
import { minimumOf } from '../judge/basis.ts'
import type { Candidate } from '../judge/mark.ts'
import { factsOf } from '../kinds/facts.ts'
import { printPoints, type Unit } from '../quantity/unit.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { EvenSplit } from '../kinds/kind.ts'
import { kindOf } from '../kinds/kinds.ts'

export interface Reach {
  readonly event: StandardEvent
  /** Id of the battery's event. */
  readonly eventId: string
  readonly unit: Unit
  readonly sense: 'atLeast' | 'atMost'
  /** What has to be reached, or null where nothing has to be. */
  readonly cut: Cut | null
  /** Why there is no answer, when there is none. */
  readonly missing: 'noBand' | 'severalBands' | 'noBodyMass' | null
  /** Further steps from the lowest: points in even steps, or classes. */
  readonly steps: readonly { readonly label: string; readonly value: number }[]
  /** Even laps that meet the cut of a distance. */
  readonly splits: readonly EvenSplit[]
}

/** Points at which a value is shown on the way to full points, in hundredths. */
const SHOWN_EVERY = 1_000

export const whatToReach = (standard: Standard, candidate: Candidate): Reach[] =>
  standard.events.map((event) => {
    const chosen = chosenEvent(standard, event, candidate)
    const { protocol } = chosen.event
    const { unit, sense } = factsOf(protocol)
    const minimum = minimumOf(standard, chosen.event)
    const found = findCut(chosen.event, candidate, minimum, chosen.scoring)
    const cut = found.ok ? found.cut : null
    return {
      event: chosen.event,
      eventId: event.id,
      unit,
      sense,
      cut,
      missing: found.ok ? null : found.reason,
      steps: stepsAbove(chosen.event, chosen.scoring, candidate, minimum ?? 0),
      splits: cut ? (kindOf(protocol).evenSplits?.(protocol, cut.value) ?? []) : [],
    }
  })

const stepsAbove = (
  event: StandardEvent,
  scoring: StandardEvent['scoring'],
  candidate: Candidate,
  minimum: number,
): Reach['steps'] => {
  const compiled = compileScoring(event, scoring)
  const found = findBand(compiled, candidate)
  if (!found.ok) return []
  const valueAt = (label: string, score: number) => {
    const value = compiled.valueFor(found.row, score, candidate.bodyMassG ?? 0)
    return value === null ? [] : [{ label, value }]
  }
  if (scoring.kind === 'normClasses') {
    return scoring.classes.flatMap(({ name }, index) => (index === 0 ? [] : valueAt(name, index)))
  }
  if (compiled.scoreKind !== 'centipoints') return []
  const full = compiled.best(found.row)
  const steps: { label: string; value: number }[] = []
  for (let points = (Math.floor(minimum / SHOWN_EVERY) + 1) * SHOWN_EVERY; points < full; points += SHOWN_EVERY) {
    steps.push(...valueAt(printPoints(points), points))
  }
  return [...steps, ...valueAt(printPoints(full), full)]
}
