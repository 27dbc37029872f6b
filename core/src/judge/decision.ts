/** An open mark and the officer's decision about it -> a decided mark. */
import type { Capture } from '../capture/capture.ts'
import type { Mark } from './mark.ts'
import { say } from './say.ts'
import type { TraceStep } from './trace.ts'

export interface OfficersDecision {
  readonly as: 'met' | 'short'
  readonly reason: string
}

/** The decisions that stand in one event, by entry; the latest of several. */
export const decisionsIn = (settled: readonly Capture[]): Map<string, OfficersDecision> => {
  const decisions = new Map<string, OfficersDecision>()
  for (const capture of settled) {
    if (capture.kind === 'decided' && capture.entryId !== null) decisions.set(capture.entryId, capture.payload)
  }
  return decisions
}

/** Settles an open mark. A mark that is not open stays as it is: a decision cannot overrule the figures. */
export const applyDecision = (mark: Mark, decision: OfficersDecision | undefined): Mark =>
  decision && mark.kind === 'open' ? decidedMark(mark, mark, decision.as, say({ code: 'decided', ...decision })) : mark

type Decided = Extract<Mark, { kind: 'decided' }>

/** A mark as somebody ruled it, with the figures it had and the ruling at the end of its trace. */
export const decidedMark = (
  { eventId, alternateId, variantId, cut, trace }: Mark,
  { measured, rounded, unit, points }: Pick<Decided, 'measured' | 'rounded' | 'unit' | 'points'>,
  as: Decided['as'],
  ruling: TraceStep,
): Decided => ({
  eventId,
  ...(alternateId ? { alternateId } : {}),
  ...(variantId ? { variantId } : {}),
  cut,
  measured,
  rounded,
  unit,
  ...(points ? { points } : {}),
  kind: 'decided',
  as,
  trace: [...trace, ruling],
})
