/** An open mark and the officer's decision about it -> a decided mark, or the mark of the measure the officer states. */
import type { Capture } from '../capture/capture.ts'
import type { Measure } from '../kinds/measure.ts'
import { factsOf } from '../kinds/facts.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { chosenEvent } from './chosenEvent.ts'
import type { Terms } from './basis.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Candidate, Mark } from './mark.ts'
import type { Step } from './trace.ts'

/** By a word, or by a measure in the base unit of the event. */
export type OfficersDecision = Extract<Capture, { kind: 'decided' }>['payload']

/** The decisions that stand in one event, by entry; the latest of several. */
export const decisionsIn = (settled: readonly Capture[]): Map<string, OfficersDecision> => {
  const decisions = new Map<string, OfficersDecision>()
  for (const capture of settled) {
    if (capture.kind === 'decided' && capture.entryId !== null) decisions.set(capture.entryId, capture.payload)
  }
  return decisions
}

/**
 * Settles an open mark. A mark that is not open stays as it is: a decision cannot overrule the figures.
 * @param event of the battery
 */
export const applyDecision = (
  terms: Terms,
  event: StandardEvent,
  candidate: Candidate,
  mark: Mark,
  decision: OfficersDecision | undefined,
): Mark => {
  if (!decision || mark.kind !== 'open') return mark
  const { as, value, reason } = decision
  if (value === undefined) return as ? decidedMark(mark, mark, as, { code: 'decided', as, reason }) : mark
  const { mark: stated, unit } = markOfStated(terms, event, candidate, value)
  return { ...stated, trace: [...stated.trace, { code: 'decidedMeasure', value, unit, reason }] }
}

/**
 * The mark of a measure that an officer states, judged like any other: points and class follow from it.
 * @param value in the base unit of the event, or of what was done in its place
 */
export const markOfStated = (
  terms: Terms,
  event: StandardEvent,
  candidate: Candidate,
  value: number,
): { readonly mark: Mark; readonly unit: MeasureUnit } => {
  const { unit } = factsOf(chosenEvent(terms.standard, event, candidate).event.protocol)
  return { mark: judgeEvent(asStated(terms), exactly(event), candidate, measureOf(value, unit)), unit }
}

/** What an officer states is as it is: how sure a watch is was weighed in stating it. */
const asStated = (terms: Terms): Terms => {
  const { standard } = terms
  return {
    ...terms,
    standard: {
      ...standard,
      ...(standard.alternateEvents ? { alternateEvents: standard.alternateEvents.map(exactly) } : {}),
      uncertainty: { handTimingMs: 0, nearTheCut: 'flag' },
    },
  }
}

const exactly = ({ uncertainty: _uncertainty, ...event }: StandardEvent): StandardEvent => event

type MeasureUnit = Extract<Measure, { kind: 'complete' }>['unit']

const measureOf = (value: number, unit: MeasureUnit): Measure => ({
  kind: 'complete',
  value,
  unit,
  reading: {
    kind: 'readings',
    taken: [{ slot: 'decided', label: 'As the officer states it', value, unit }],
    steps: [],
  },
  clockUncertaintyMs: 0,
  notes: [],
})

type Decided = Extract<Mark, { kind: 'decided' }>

/** A mark as somebody ruled it, with the figures it had and the ruling at the end of its trace. */
export const decidedMark = (
  { eventId, alternateId, variantId, cut, trace }: Mark,
  { measured, rounded, unit, points }: Pick<Decided, 'measured' | 'rounded' | 'unit' | 'points'>,
  as: Decided['as'],
  ruling: Step,
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
