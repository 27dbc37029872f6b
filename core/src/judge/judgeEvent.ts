/** Measure -> mark: the event that holds, rounding, age and band, score, uncertainty, in that order, each a step of the trace. */
import { exactOf, type Measure } from '../kinds/measure.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Exemption, Standard, StandardEvent } from '../standard/standard.ts'
import type { BareMark } from './combineMarks.ts'
import { chosenEvent } from './chosenEvent.ts'
import { wordOf } from './combinePerson.ts'
import { basisFor, type Basis, type Terms } from './basis.ts'
import type { Candidate, Mark } from './mark.ts'
import {
  ageMatters,
  ageStep,
  choiceSteps,
  bandStep,
  isForAll,
  nextStep,
  readingSteps,
  roundingSteps,
  runningStep,
  scoreSteps,
  uncertaintySteps,
} from './markSteps.ts'
import type { MarkPoints, NextStep } from './markFigures.ts'
import { roundedFor } from './ownUnit.ts'
import { couldBeOtherwise, scoreValue, uncertaintyOf, type ScoredValue } from './scoreMeasure.ts'
import { traced } from './traced.ts'
import type { CarriedMark } from '../standard/candidate.ts'
import type { Step, Trace } from './trace.ts'

type Complete = Extract<Measure, { kind: 'complete' }>

/**
 * Judges one measure.
 * @param event of the battery; an alternate in its place is found here
 */
export const judgeEvent = (terms: Terms, event: StandardEvent, candidate: Candidate, measure: Measure): Mark => {
  const earlier = candidate.carried?.[event.id]
  if (earlier) return carriedMark(earlier)
  const basis = basisFor(terms, event, candidate, measure)
  const { chosen, cut } = basis
  const { unit } = factsOf(chosen.event.protocol)
  const { alternateId, variantId } = chosen
  const base = { eventId: event.id, ...(alternateId ? { alternateId } : {}), ...(variantId ? { variantId } : {}), cut }
  const exempt = exemptionFor(terms.standard, event, candidate)
  if (exempt) {
    const fixedCentipoints = fixedPoints(exempt)
    const trace: Trace = [{ code: 'exempt', name: exempt.name, fixedCentipoints }]
    return {
      ...base,
      kind: 'exempt',
      exemptionId: exempt.id,
      fixedCentipoints,
      total: exempt.total ?? 'unchanged',
      trace,
    }
  }
  const { doubts, span } = measure
  const doubted = { ...base, ...(doubts ? { doubts } : {}), ...(span ? { span } : {}) }
  const before: Trace = [...choiceSteps(event, chosen), ...measure.notes.map((note): Step => ({ code: 'note', note }))]
  switch (measure.kind) {
    case 'notStarted':
      return { ...doubted, kind: 'waiting', trace: [...before, { code: 'waiting' }] }
    case 'running': {
      const trace: Trace = [...before, runningStep(chosen.event, measure)]
      return { ...doubted, kind: 'running', soFar: measure.soFar, unit: measure.unit, trace }
    }
    case 'ended': {
      const { reason, note, soFar } = measure
      const ended: Step = { code: 'ended', reason, ...(note ? { note } : {}) }
      if (reason === 'safety') {
        const trace: Trace = [...before, ended, { code: 'open', reason: 'stoppedForSafety' }]
        return { ...doubted, kind: 'open', reason: 'stoppedForSafety', measured: null, rounded: null, unit, trace }
      }
      return { ...doubted, kind: 'ended', reason, soFar, unit: measure.unit, trace: [...before, ended] }
    }
    case 'complete':
      return judgeComplete(basis, doubted, measure, before)
  }
}

/** A mark of an earlier day as it stood, with a word that it is one. */
const carriedMark = ({ testDate, mark }: CarriedMark): Mark => {
  // it was stored whole, out of a signed verdict
  const { doubts: _doubts, span: _span, ...stands } = mark as Mark
  const isCarried = stands.trace[0]?.code === 'carried'
  return { ...stands, trace: isCarried ? stands.trace : [{ code: 'carried', testDate }, ...stands.trace] }
}

const judgeComplete = (
  basis: Basis,
  base: Pick<Mark, 'eventId' | 'cut' | 'doubts' | 'span'>,
  measure: Complete,
  before: Trace,
): Mark => {
  const { terms, candidate, chosen, compiled, found } = basis
  const { unit } = compiled
  const rounded = roundedFor(chosen.event, exactOf(measure))
  const measured = measure.exact ? { measured: measure.value, exact: measure.exact } : { measured: measure.value }
  const steps = (): Step[] => [
    ...readingSteps(chosen.event, measure),
    ...before,
    ...roundingSteps(chosen.event, exactOf(measure), rounded),
    ...(ageMatters(found) ? [ageStep(terms, candidate)] : []),
  ]
  if (!found.ok) {
    const { reason } = found
    return traced({ ...base, kind: 'open', reason, ...measured, rounded, unit }, () => [
      ...steps(),
      { code: 'open', reason },
    ])
  }
  const { worth, uncertainty, nearTheCut } = assess(basis, found.row, measure)
  const { nearTheCut: policy } = terms.standard.uncertainty
  const figures = { ...figuresOf(basis, found.row, worth) }
  const { row, band } = found
  const trace = (): Step[] => [
    ...steps(),
    ...(band && !isForAll(band) ? [bandStep(terms, band)] : []),
    ...scoreSteps(basis, row, worth, figures.points),
    ...(figures.next ? [nextStep(figures.next, compiled.sense)] : []),
    ...uncertaintySteps(uncertainty, unit, nearTheCut, policy),
  ]
  const judged = { ...base, ...measured, rounded, unit, nearTheCut, ...figures }
  if (nearTheCut && policy === 'decide') {
    return traced({ ...judged, kind: 'open', reason: 'nearTheCut' }, () => [
      ...trace(),
      { code: 'open', reason: 'nearTheCut' },
    ])
  }
  return worth.kind === 'scored'
    ? traced({ ...judged, kind: 'scored' }, trace)
    : traced({ ...judged, ...wordOf(terms.standard, worth.kind), kind: worth.kind, margin: worth.margin ?? 0 }, trace)
}

interface Assessed {
  readonly worth: ScoredValue
  readonly uncertainty: number
  readonly nearTheCut: boolean
}

/** What the measure is worth in a row, and whether the method can tell. */
const assess = (
  { terms, candidate, chosen, compiled, cut, minimum }: Basis,
  row: number,
  measure: Complete,
): Assessed => {
  const { event } = chosen
  const worth = scoreValue(event, compiled, row, cut, minimum, exactOf(measure), candidate.bodyMassG ?? 0)
  const uncertainty = cut === null ? 0 : uncertaintyOf(terms.standard.uncertainty, event, measure)
  return {
    worth,
    uncertainty,
    nearTheCut: cut !== null && couldBeOtherwise(event, cut, exactOf(measure), worth.rounded, uncertainty),
  }
}

/** A mark with its figures but without words, for judging many people at once. */
export type PlainMark = BareMark & {
  readonly eventId: string
  readonly alternateId: string | undefined
  readonly margin: number | null
  readonly rounded: number | null
  readonly className?: string
}

/**
 * Judges one measure without a trace.
 * @param event of the battery
 */
export const judgePlainly = (terms: Terms, event: StandardEvent, candidate: Candidate, measure: Measure): PlainMark => {
  const eventId = event.id
  const nothing = { eventId, alternateId: undefined, margin: null, rounded: null }
  const exempt = exemptionFor(terms.standard, event, candidate)
  if (exempt) {
    return { ...nothing, kind: 'exempt', fixedCentipoints: fixedPoints(exempt), total: exempt.total ?? 'unchanged' }
  }
  if (measure.kind === 'complete')
    return judgeCompletePlainly(basisFor(terms, event, candidate, measure), eventId, measure)
  const { alternateId } = chosenEvent(terms.standard, event, candidate)
  switch (measure.kind) {
    case 'notStarted':
      return { ...nothing, alternateId, kind: 'waiting' }
    case 'running':
      return { ...nothing, alternateId, kind: 'running' }
    case 'ended':
      return measure.reason === 'safety'
        ? { ...nothing, alternateId, kind: 'open', reason: 'stoppedForSafety' }
        : { ...nothing, alternateId, kind: 'ended', reason: measure.reason }
  }
}

// each object is written out: spreading costs more than all the rest when a million results are judged
const judgeCompletePlainly = (basis: Basis, eventId: string, measure: Complete): PlainMark => {
  const { terms, chosen, compiled, found, minimum } = basis
  const { alternateId } = chosen
  if (!found.ok) {
    const rounded = roundedFor(chosen.event, exactOf(measure))
    return { eventId, alternateId, kind: 'open', reason: found.reason, margin: null, rounded }
  }
  const { worth, nearTheCut } = assess(basis, found.row, measure)
  const { centipoints, classIndex, margin, rounded } = worth
  const isOpen = nearTheCut && terms.standard.uncertainty.nearTheCut === 'decide'
  if (centipoints !== null) {
    const points = { centipoints, minimumCentipoints: minimum }
    return isOpen
      ? { eventId, alternateId, kind: 'open', reason: 'nearTheCut', margin, rounded, points }
      : { eventId, alternateId, kind: worth.kind, margin, rounded, points }
  }
  if (isOpen) return { eventId, alternateId, kind: 'open', reason: 'nearTheCut', margin, rounded }
  const { scoring } = compiled
  return classIndex === null || scoring.kind !== 'normClasses'
    ? { eventId, alternateId, kind: worth.kind, margin, rounded }
    : { eventId, alternateId, kind: worth.kind, margin, rounded, className: scoring.classes[classIndex]?.name ?? '' }
}

interface Figures {
  readonly points?: MarkPoints
  readonly className?: string
  readonly next?: NextStep
}

const figuresOf = ({ compiled, candidate, minimum }: Basis, row: number, worth: ScoredValue): Figures => {
  const { unit, scoring } = compiled
  const valueFor = (score: number): number | null => compiled.valueFor(row, score, candidate.bodyMassG ?? 0)
  if (worth.centipoints !== null) {
    const { centipoints } = worth
    const fullCentipoints = compiled.best(row)
    const value = centipoints < fullCentipoints ? valueFor(centipoints + 1) : null
    const points = { centipoints, fullCentipoints, minimumCentipoints: minimum }
    if (value === null) return { points }
    return { points, next: { value, unit, gives: { kind: 'points', centipoints: compiled.score(row, value, 0) } } }
  }
  if (worth.classIndex !== null && scoring.kind === 'normClasses') {
    const className = scoring.classes[worth.classIndex]?.name ?? ''
    const above = scoring.classes[worth.classIndex + 1]
    const value = above ? valueFor(worth.classIndex + 1) : null
    return above && value !== null
      ? { className, next: { value, unit, gives: { kind: 'class', name: above.name } } }
      : { className }
  }
  return {}
}

const exemptionFor = ({ exemptions }: Standard, event: StandardEvent, candidate: Candidate): Exemption | undefined => {
  const named = candidate.exemptions?.[event.id]
  return named === undefined
    ? undefined
    : exemptions?.find(({ id, eventIds }) => id === named && eventIds.includes(event.id))
}

/** Null when the event is left out. */
const fixedPoints = ({ effect, fixedCentipoints }: Exemption): number | null =>
  effect === 'fixed' ? (fixedCentipoints ?? 0) : null
