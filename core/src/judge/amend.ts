/** What an officer changes after the signature, with a reason and a signature of its own: the mark, then the verdict anew. */
import { factsOf } from '../kinds/facts.ts'
import { combinePerson } from './combinePerson.ts'
import { chosenEvent } from './chosenEvent.ts'
import { decidedMark, markOfStated } from './officersDecision.ts'
import type { Terms } from './basis.ts'
import type { Candidate, Mark, Verdict } from './mark.ts'
import type { Ruled } from './ruled.ts'

/** By a word, or by the measure that was the right one. */
export interface Amendment extends Ruled {
  readonly entryId: string
  readonly eventId: string
}

/**
 * A signed verdict with its amendments laid on, in their order. Unlike a decision, an amendment may overrule figures; the trace
 * keeps what was signed and says what was amended.
 * @param amendments of this candidate
 */
export const amendVerdict = (
  terms: Terms,
  candidate: Candidate,
  signed: Verdict,
  amendments: readonly Amendment[],
): Verdict => {
  if (amendments.length === 0) return signed
  const marks = amendments.reduce<readonly Mark[]>(
    (all, amendment) =>
      all.map((mark) => (mark.eventId === amendment.eventId ? amendMark(terms, candidate, mark, amendment) : mark)),
    signed.marks,
  )
  return combinePerson(terms, candidate, marks)
}

const amendMark = (terms: Terms, candidate: Candidate, mark: Mark, { as, value, reason }: Amendment): Mark => {
  const event = terms.standard.events.find(({ id }) => id === mark.eventId)
  if (event && value !== undefined) {
    const { mark: stated, unit } = markOfStated(terms, event, candidate, value)
    return { ...stated, trace: [...mark.trace, { code: 'amendedMeasure', value, unit, reason }, ...stated.trace] }
  }
  if (as === undefined) return mark
  const figures = {
    measured: 'measured' in mark ? mark.measured : null,
    rounded: 'rounded' in mark ? mark.rounded : null,
    unit: event ? factsOf(chosenEvent(terms.standard, event, candidate).event.protocol).unit : 'done',
    ...('points' in mark && mark.points ? { points: mark.points } : {}),
  } as const
  return decidedMark(mark, figures, as, { code: 'amended', as, reason })
}
