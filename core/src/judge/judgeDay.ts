/** The whole pipeline in one place: captures -> measures -> marks -> verdict. */
import type { Capture } from '../capture/capture.ts'
import { measureEvent } from '../capture/measureEntry.ts'
import { settle } from '../capture/settle.ts'
import { applyDecision, decisionsIn } from './decision.ts'
import { combine } from './combine.ts'
import { judgeEvent, type JudgedOn } from './judgeEvent.ts'
import type { Candidate, Verdict } from './mark.ts'

/** A candidate with the wave they run in. */
export interface DayCandidate extends Candidate {
  readonly wave: number
}

/**
 * Judges everybody of a day.
 * @param captures all captures of the day, in any order
 * @returns a verdict for each candidate, by entry id
 */
export const judgeDay = (
  on: JudgedOn,
  candidates: readonly DayCandidate[],
  captures: readonly Capture[],
): Map<string, Verdict> => {
  const perEvent = on.standard.events.map((event) => {
    const settled = settle(captures.filter(({ eventId }) => eventId === event.id))
    return { event, measures: measureEvent(event, candidates, settled), decisions: decisionsIn(settled) }
  })
  return new Map(
    candidates.map((candidate) => {
      const marks = perEvent.map(({ event, measures, decisions }) => {
        const measure = measures.get(candidate.entryId) ?? { kind: 'notStarted' as const, notes: [] }
        return applyDecision(judgeEvent(on, event, candidate, measure), decisions.get(candidate.entryId))
      })
      return [candidate.entryId, combine(on, marks)]
    }),
  )
}
