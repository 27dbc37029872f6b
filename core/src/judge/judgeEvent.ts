/** Measure -> mark: rounding, age and band, cut, margin, uncertainty, in that order, each a step of the trace. */
import type { Measure } from '../capture/measure.ts'
import { lapsOf } from '../protocol/timedDistance.ts'
import { EVENT_KIND_FACTS } from '../protocol/eventKind.ts'
import { roundTo } from '../quantity/rounding.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { findCut } from './findCut.ts'
import type { Cut } from './cut.ts'
import type { Candidate, Mark } from './mark.ts'
import { say } from './say.ts'
import type { Step, TraceStep } from './trace.ts'

/** What marks are judged by: the standard, and the date its age rule counts from. */
export interface JudgedOn {
  readonly standard: Standard
  readonly testDate: string
}

/** Judges one measure. */
export const judgeEvent = (on: JudgedOn, event: StandardEvent, candidate: Candidate, measure: Measure): Mark => {
  const { unit } = EVENT_KIND_FACTS[event.protocol.kind]
  const found = findCut(event, candidate)
  const cut = found.ok ? found.cut : null
  const notes = measure.notes.map((note) => say({ code: 'note', note }))
  const base = { eventId: event.id, cut }
  switch (measure.kind) {
    case 'notStarted':
      return { ...base, kind: 'waiting', trace: [...notes, say({ code: 'waiting' })] }
    case 'running':
      return {
        ...base,
        kind: 'running',
        soFar: measure.soFar,
        unit: measure.unit,
        trace: [...notes, say(runningStep(event, measure.soFar))],
      }
    case 'ended': {
      const { reason, note, soFar } = measure
      const ended = say({ code: 'ended', reason, ...(note ? { note } : {}) })
      if (reason === 'safety') {
        const trace = [...notes, ended, say({ code: 'open', reason: 'stoppedForSafety' })]
        return { ...base, kind: 'open', reason: 'stoppedForSafety', measured: null, rounded: null, unit, trace }
      }
      return { ...base, kind: 'ended', reason, soFar, unit: measure.unit, trace: [...notes, ended] }
    }
    case 'complete': {
      const rounded = roundTo(measure.value, event.rounding)
      const steps = [
        say(readingStep(event, measure)),
        ...notes,
        ...roundingSteps(event, measure.value, rounded),
        say(ageStep(on, candidate)),
      ]
      if (!found.ok) {
        const trace = [...steps, say({ code: 'open', reason: found.reason })]
        return { ...base, kind: 'open', reason: found.reason, measured: measure.value, rounded, unit, trace }
      }
      return judgeAgainst(on, event, found.cut, measure, rounded, steps)
    }
  }
}

/** Whether a rounded value reaches the cut; a value equal to the cut does. */
export const meets = (value: number, cut: Pick<Cut, 'value' | 'sense'>): boolean =>
  cut.sense === 'atLeast' ? value >= cut.value : value <= cut.value

const judgeAgainst = (
  { standard }: JudgedOn,
  event: StandardEvent,
  cut: Cut,
  measure: Extract<Measure, { kind: 'complete' }>,
  rounded: number,
  steps: readonly TraceStep[],
): Mark => {
  const { unit } = cut
  const margin = cut.sense === 'atLeast' ? rounded - cut.value : cut.value - rounded
  const isMet = meets(rounded, cut)
  const uncertainty = uncertaintyOf(standard, measure)
  const nearTheCut = uncertainty > 0 && couldBeOtherwise(event, cut, measure.value, uncertainty)
  const { nearTheCut: policy } = standard.uncertainty
  const trace = [
    ...steps,
    ...(cut.band
      ? [say({ code: 'band', band: cut.band, categoryName: categoryName(standard, cut.band.category) })]
      : []),
    say({
      code: 'cut',
      cut,
      standardName: standard.name,
      version: standard.version,
      inForceFrom: standard.inForceFrom,
    }),
    say(isMet ? { code: 'met', margin, unit } : { code: 'short', margin, unit, sense: cut.sense }),
    ...uncertaintySteps(uncertainty, unit, nearTheCut, policy),
  ]
  const judged = { eventId: event.id, cut, measured: measure.value, rounded, unit, margin, nearTheCut }
  if (nearTheCut && policy === 'decide') {
    return {
      ...judged,
      kind: 'open',
      reason: 'nearTheCut',
      trace: [...trace, say({ code: 'open', reason: 'nearTheCut' })],
    }
  }
  return { ...judged, kind: isMet ? 'met' : 'short', trace }
}

/** How far a reading may be off, either way: by hand timing, and by what the clocks of two devices may differ. */
const uncertaintyOf = (standard: Standard, measure: Extract<Measure, { kind: 'complete' }>): number =>
  measure.unit === 'ms' ? Math.max(standard.uncertainty.handTimingMs, measure.clockUncertaintyMs) : 0

/** Judges the two ends of what the reading may have been: if they differ, the method cannot tell. */
const couldBeOtherwise = (event: StandardEvent, cut: Cut, value: number, uncertainty: number): boolean => {
  const low = roundTo(Math.max(0, value - uncertainty), event.rounding)
  const high = roundTo(value + uncertainty, event.rounding)
  return meets(low, cut) !== meets(high, cut)
}

const uncertaintySteps = (
  uncertainty: number,
  unit: Cut['unit'],
  nearTheCut: boolean,
  policy: 'flag' | 'decide',
): TraceStep[] => {
  if (uncertainty === 0) return []
  return [
    say(
      nearTheCut
        ? { code: 'nearTheCut', uncertainty, unit, policy }
        : { code: 'uncertaintyHarmless', uncertainty, unit },
    ),
  ]
}

/** Counts are whole already, so rounding them to whole numbers is not worth a step. */
const roundingSteps = (event: StandardEvent, from: number, to: number): TraceStep[] => {
  const { mode, step } = event.rounding
  const { unit } = EVENT_KIND_FACTS[event.protocol.kind]
  return unit === 'count' && step === 1 ? [] : [say({ code: 'rounded', from, to, mode, step, unit })]
}

const readingStep = (event: StandardEvent, { reading, value, unit }: Extract<Measure, { kind: 'complete' }>): Step => {
  const { protocol } = event
  if (reading.kind === 'entered') return { code: 'entered', value, unit }
  if (reading.kind === 'repetitions' && protocol.kind === 'repetitionsInTime') {
    const refusalLabels = Object.fromEntries(protocol.refusals.map(({ id, label }) => [id, label]))
    return { code: 'repetitions', reading, refusalLabels, durationMs: protocol.durationMs }
  }
  if (reading.kind === 'crossings' && protocol.kind === 'timedDistance') {
    return { code: 'crossings', reading, distanceMm: protocol.distanceMm }
  }
  throw new Error(
    `A reading of "${reading.kind}" cannot belong to event "${event.id}" of kind "${protocol.kind}". Measure it with its own protocol.`,
  )
}

const runningStep = ({ protocol }: StandardEvent, soFar: number): Step =>
  protocol.kind === 'timedDistance'
    ? { code: 'running', soFar, of: lapsOf(protocol), what: 'laps' }
    : { code: 'running', soFar, of: null, what: 'repetitions' }

const ageStep = ({ testDate }: JudgedOn, { ageYears, ageCountedOn }: Candidate): Step => ({
  code: 'age',
  ageYears,
  countedOn: ageCountedOn,
  onTestDate: ageCountedOn === testDate,
})

const categoryName = (standard: Standard, id: string): string =>
  standard.categories.find((category) => category.id === id)?.name ?? id
