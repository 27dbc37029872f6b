/** Measure -> mark: the event that holds, rounding, age and band, score, uncertainty, in that order, each a step of the trace. */
import type { Measure, Reading } from '../capture/measure.ts'
import { factsOf } from '../protocol/eventKind.ts'
import { lapsOf } from '../protocol/timedDistance.ts'
import { roundTo } from '../quantity/rounding.ts'
import { isWholeAlready } from '../quantity/unit.ts'
import type { Exemption, Standard, StandardEvent } from '../standard/standard.ts'
import { chosenEvent, type ChosenEvent } from './chosenEvent.ts'
import { compileScoring, relativeCut, type CompiledScoring } from './compileScoring.ts'
import type { Cut, CutBand } from './cut.ts'
import type { BareMark } from './decide.ts'
import { cutIn, findBand, type FoundBand } from './findCut.ts'
import type { Candidate, Mark } from './mark.ts'
import type { MarkPoints, NextStep } from './markFigures.ts'
import { say } from './say.ts'
import { couldBeOtherwise, scoreValue, uncertaintyOf, type Worth } from './scoreMeasure.ts'
import type { Step, TraceStep } from './trace.ts'

export { meets } from './scoreMeasure.ts'

/** What marks are judged by: the standard, and the date its age rule counts from. */
export interface JudgedOn {
  readonly standard: Standard
  readonly testDate: string
}

/** The least points the standard asks of an event, in hundredths, or null. */
export const minimumOf = ({ combination }: Pick<Standard, 'combination'>, event: StandardEvent): number | null =>
  event.minimumCentipoints ?? (combination.kind === 'pointsTotal' ? (combination.minimumEachCentipoints ?? null) : null)

/** Everything found before the measure is looked at. */
interface Ground {
  readonly on: JudgedOn
  readonly candidate: Candidate
  readonly chosen: ChosenEvent
  readonly compiled: CompiledScoring
  readonly found: FoundBand
  readonly cut: Cut | null
  readonly minimum: number | null
}

type Complete = Extract<Measure, { kind: 'complete' }>

/**
 * Judges one measure.
 * @param event of the battery; an alternate in its place is found here
 */
export const judgeEvent = (on: JudgedOn, event: StandardEvent, candidate: Candidate, measure: Measure): Mark => {
  const ground = groundFor(on, event, candidate)
  const { chosen, cut } = ground
  const { unit } = factsOf(chosen.event.protocol)
  const { alternateId, variantId } = chosen
  const base = { eventId: event.id, ...(alternateId ? { alternateId } : {}), ...(variantId ? { variantId } : {}), cut }
  const exempt = exemptionFor(on.standard, event, candidate)
  if (exempt) {
    const fixedCentipoints = fixedPoints(exempt)
    const trace = [say({ code: 'exempt', name: exempt.name, fixedCentipoints })]
    return {
      ...base,
      kind: 'exempt',
      exemptionId: exempt.id,
      fixedCentipoints,
      total: exempt.total ?? 'unchanged',
      trace,
    }
  }
  const before = [...choiceSteps(event, chosen), ...measure.notes.map((note) => say({ code: 'note', note }))]
  switch (measure.kind) {
    case 'notStarted':
      return { ...base, kind: 'waiting', trace: [...before, say({ code: 'waiting' })] }
    case 'running': {
      const trace = [...before, say(runningStep(chosen.event, measure.soFar))]
      return { ...base, kind: 'running', soFar: measure.soFar, unit: measure.unit, trace }
    }
    case 'ended': {
      const { reason, note, soFar } = measure
      const ended = say({ code: 'ended', reason, ...(note ? { note } : {}) })
      if (reason === 'safety') {
        const trace = [...before, ended, say({ code: 'open', reason: 'stoppedForSafety' })]
        return { ...base, kind: 'open', reason: 'stoppedForSafety', measured: null, rounded: null, unit, trace }
      }
      return { ...base, kind: 'ended', reason, soFar, unit: measure.unit, trace: [...before, ended] }
    }
    case 'complete':
      return judgeComplete(ground, base, measure, before)
  }
}

const groundFor = (on: JudgedOn, event: StandardEvent, candidate: Candidate): Ground => {
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

const judgeComplete = (
  ground: Ground,
  base: Pick<Mark, 'eventId' | 'cut'>,
  measure: Complete,
  before: readonly TraceStep[],
): Mark => {
  const { on, candidate, chosen, compiled, found } = ground
  const { unit } = compiled
  const rounded = roundTo(measure.value, chosen.event.rounding)
  const steps = [
    ...readingSteps(chosen.event, measure),
    ...before,
    ...roundingSteps(chosen.event, measure.value, rounded),
    ...(ageMatters(found) ? [say(ageStep(on, candidate))] : []),
  ]
  if (!found.ok) {
    const trace = [...steps, say({ code: 'open', reason: found.reason })]
    return { ...base, kind: 'open', reason: found.reason, measured: measure.value, rounded, unit, trace }
  }
  const { worth, uncertainty, nearTheCut } = assess(ground, found.row, measure)
  const { nearTheCut: policy } = on.standard.uncertainty
  const figures = { ...figuresOf(ground, found.row, worth) }
  const trace = [
    ...steps,
    ...(found.band && !isForAll(found.band)
      ? [say({ code: 'band', band: found.band, forWhom: forWhom(on.standard, found.band) })]
      : []),
    ...scoreSteps(ground, found.row, worth, figures.points),
    ...(figures.next ? [say({ code: 'next', next: figures.next, sense: compiled.sense })] : []),
    ...uncertaintySteps(uncertainty, unit, nearTheCut, policy),
  ]
  const judged = { ...base, measured: measure.value, rounded, unit, nearTheCut, ...figures }
  if (nearTheCut && policy === 'decide') {
    const openTrace = [...trace, say({ code: 'open', reason: 'nearTheCut' })]
    return { ...judged, kind: 'open', reason: 'nearTheCut', trace: openTrace }
  }
  return worth.kind === 'scored'
    ? { ...judged, kind: 'scored', trace }
    : { ...judged, kind: worth.kind, margin: worth.margin ?? 0, trace }
}

interface Assessed {
  readonly worth: Worth
  readonly uncertainty: number
  readonly nearTheCut: boolean
}

/** What the measure is worth in a row, and whether the method can tell. */
const assess = (
  { on, candidate, chosen, compiled, cut, minimum }: Ground,
  row: number,
  measure: Complete,
): Assessed => {
  const { event } = chosen
  const worth = scoreValue(event, compiled, row, cut, minimum, measure.value, candidate.bodyMassG ?? 0)
  const uncertainty = cut === null ? 0 : uncertaintyOf(on.standard.uncertainty, compiled.unit, measure)
  return {
    worth,
    uncertainty,
    nearTheCut: cut !== null && couldBeOtherwise(event, cut, measure.value, worth.rounded, uncertainty),
  }
}

/** A mark with its figures but without words, for judging many people at once. */
export type PlainMark = BareMark & { readonly margin: number | null }

/**
 * Judges one measure without a trace.
 * @param event of the battery
 */
export const judgePlainly = (on: JudgedOn, event: StandardEvent, candidate: Candidate, measure: Measure): PlainMark => {
  const exempt = exemptionFor(on.standard, event, candidate)
  if (exempt) {
    return { kind: 'exempt', fixedCentipoints: fixedPoints(exempt), total: exempt.total ?? 'unchanged', margin: null }
  }
  switch (measure.kind) {
    case 'notStarted':
      return { kind: 'waiting', margin: null }
    case 'running':
      return { kind: 'running', margin: null }
    case 'ended':
      return measure.reason === 'safety'
        ? { kind: 'open', margin: null }
        : { kind: 'ended', reason: measure.reason, margin: null }
    case 'complete': {
      const ground = groundFor(on, event, candidate)
      if (!ground.found.ok) return { kind: 'open', margin: null }
      const { worth, nearTheCut } = assess(ground, ground.found.row, measure)
      const { centipoints, margin } = worth
      const kind = nearTheCut && on.standard.uncertainty.nearTheCut === 'decide' ? 'open' : worth.kind
      if (centipoints === null) return { kind, margin }
      return { kind, margin, points: { centipoints, minimumCentipoints: ground.minimum } }
    }
  }
}

interface Figures {
  readonly points?: MarkPoints
  readonly className?: string
  readonly next?: NextStep
}

const figuresOf = ({ compiled, candidate, minimum }: Ground, row: number, worth: Worth): Figures => {
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

const choiceSteps = (event: StandardEvent, { event: done, variantId, alternateId }: ChosenEvent): TraceStep[] => {
  const variant = done.variants?.find(({ id }) => id === variantId)
  const alternate = event.alternates?.find(({ eventId }) => eventId === alternateId)
  return [
    ...(alternate
      ? [say({ code: 'alternate', name: done.name, inPlaceOf: event.name, allowedBy: alternate.allowedBy })]
      : []),
    ...(variant ? [say({ code: 'variant', name: variant.name })] : []),
  ]
}

const scoreSteps = (
  { on, compiled, cut, candidate, minimum }: Ground,
  row: number,
  worth: Worth,
  points?: MarkPoints,
): TraceStep[] => {
  const { scoring, unit, sense } = compiled
  const { name: standardName, version, inForceFrom } = on.standard
  const cutStep = cut === null ? [] : [say({ code: 'cut', cut, standardName, version, inForceFrom })]
  const margin = worth.margin ?? 0
  const met = say(worth.kind === 'met' ? { code: 'met', margin, unit } : { code: 'short', margin, unit, sense })
  switch (scoring.kind) {
    case 'singleCut':
    case 'cutByBand':
      return [...cutStep, met]
    case 'relativeCut': {
      const { shareOfBodyMassPermille: permille = 0, constant = null } = scoring.rows[row] ?? {}
      const bodyMassG = candidate.bodyMassG ?? 0
      const { shareG } = relativeCut(scoring, row, bodyMassG)
      return [say({ code: 'relative', bodyMassG, permille, shareG, constant, of: scoring.of }), ...cutStep, met]
    }
    case 'pointsTable':
    case 'pointsByRule': {
      if (!points) return []
      const how = scoring.kind === 'pointsByRule' ? 'rule' : scoring.between
      const pointsName = (scoring.kind === 'pointsTable' ? scoring.pointsName : undefined) ?? null
      const earned = say({ code: 'points', ...points, how, pointsName })
      return minimum === null ? [earned] : [earned, ...cutStep, met]
    }
    case 'normClasses': {
      const place = worth.classIndex ?? 0
      return [say({ code: 'class', name: scoring.classes[place]?.name ?? '', place, of: scoring.classes.length })]
    }
    case 'completion':
      return scoring.atMost === undefined
        ? [say({ code: 'completed', limit: null, unit })]
        : [say({ code: 'completed', limit: scoring.atMost, unit }), ...cutStep, met]
    case 'effort':
      return [say({ code: 'tookPart' })]
  }
}

/** Age is worth a step where it chose the row, or why there is none. */
const ageMatters = (found: FoundBand): boolean =>
  !found.ok || (found.band !== null && (found.band.ageFrom > 0 || found.band.ageTo !== null))

const isForAll = ({ ageFrom, ageTo, category, role }: CutBand): boolean =>
  ageFrom === 0 && ageTo === null && category === null && role === null

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

/** Values that are whole by nature need no step for rounding them to whole numbers. */
const roundingSteps = (event: StandardEvent, from: number, to: number): TraceStep[] => {
  const { mode, step } = event.rounding
  const { unit } = factsOf(event.protocol)
  return step === 1 && isWholeAlready(unit) ? [] : [say({ code: 'rounded', from, to, mode, step, unit })]
}

const readingSteps = (event: StandardEvent, { reading, unit }: Complete): TraceStep[] => {
  if (reading.kind !== 'readings') return [say(observedStep(event, reading))]
  return [
    say({ code: 'readings', taken: reading.taken }),
    ...reading.steps.map((step) => say({ code: 'readingStep', step, unit })),
  ]
}

const observedStep = (event: StandardEvent, reading: Exclude<Reading, { kind: 'readings' }>): Step => {
  const { protocol } = event
  if (reading.kind === 'repetitions' && 'refusals' in protocol) {
    const refusalLabels = Object.fromEntries(protocol.refusals.map(({ id, label }) => [id, label]))
    const durationMs = protocol.kind === 'repetitionsInTime' ? protocol.durationMs : null
    return { code: 'repetitions', reading, refusalLabels, durationMs }
  }
  if (reading.kind === 'crossings' && protocol.kind === 'timedDistance') {
    return { code: 'crossings', reading, distanceMm: protocol.distanceMm }
  }
  throw new Error(
    `A reading of "${reading.kind}" cannot belong to event "${event.id}" of kind "${protocol.kind}". Measure it with its own protocol.`,
  )
}

const runningStep = ({ protocol }: StandardEvent, soFar: number): Step => {
  switch (protocol.kind) {
    case 'timedDistance':
      return { code: 'running', soFar, of: lapsOf(protocol), what: 'laps' }
    case 'repetitionsInTime':
      return { code: 'running', soFar, of: null, what: 'repetitions' }
    default:
      return { code: 'running', soFar, of: null, what: 'readings' }
  }
}

const ageStep = ({ testDate }: JudgedOn, { ageYears, ageCountedOn }: Candidate): Step => ({
  code: 'age',
  ageYears,
  countedOn: ageCountedOn,
  onTestDate: ageCountedOn === testDate,
})

/** The words for a band's category and role: "female", "everybody", "male, crew leader". */
const forWhom = ({ categories, roles = [] }: Standard, { category, role }: NonNullable<Cut['band']>): string => {
  const nameIn = (list: Standard['categories'], id: string | null): string[] =>
    id === null ? [] : [(list.find((item) => item.id === id)?.name ?? id).toLowerCase()]
  return [...nameIn(categories, category), ...nameIn(roles, role)].join(', ') || 'everybody'
}
