/** The steps of a mark's trace: what was chosen, what was read, what the standard makes of it. */
import type { Measure, Reading } from '../kinds/measure.ts'
import { combineWatches } from '../clock/combineWatches.ts'
import type { WatchRule } from '../kinds/protocolBase.ts'
import { factsOf } from '../kinds/facts.ts'
import { kindOf } from '../kinds/kinds.ts'
import type { Sense } from '../kinds/kind.ts'
import { nearestWhole, type Exact } from '../quantity/fraction.ts'
import { isWholeAlready } from '../quantity/unit.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { ChosenEvent } from './chosenEvent.ts'
import type { Cut, CutBand } from './cut.ts'
import type { Basis, Terms } from './basis.ts'
import type { Candidate } from './mark.ts'
import type { MarkPoints, NextStep } from './markFigures.ts'
import type { ScoredValue } from './scoreMeasure.ts'
import type { Step } from './trace.ts'

type Complete = Extract<Measure, { kind: 'complete' }>

export const choiceSteps = (event: StandardEvent, { event: done, variantId, alternateId }: ChosenEvent): Step[] => {
  const variant = done.variants?.find(({ id }) => id === variantId)
  const alternate = event.alternates?.find(({ eventId }) => eventId === alternateId)
  const steps: Step[] = []
  if (alternate)
    steps.push({ code: 'alternate', name: done.name, inPlaceOf: event.name, allowedBy: alternate.allowedBy })
  if (variant) steps.push({ code: 'variant', name: variant.name })
  return steps
}

export const scoreSteps = (
  { terms, compiled, cut, candidate, minimum }: Basis,
  row: number,
  worth: ScoredValue,
  points?: MarkPoints,
): Step[] => {
  const { scoring, unit, sense } = compiled
  const { name: standardName, version, inForceFrom } = terms.standard
  const cutStep: Step[] = cut === null ? [] : [{ code: 'cut', cut, standardName, version, inForceFrom }]
  const margin = worth.margin ?? 0
  const met: Step = worth.kind === 'met' ? { code: 'met', margin, unit } : { code: 'short', margin, unit, sense }
  switch (scoring.kind) {
    case 'singleCut':
    case 'cutByBand':
      return [...cutStep, met]
    case 'relativeCut': {
      const { shareOfBodyMassPermille: permille = 0, constant = null } = scoring.rows[row] ?? {}
      const bodyMassG = candidate.bodyMassG ?? 0
      const shareG = compiled.share(row, bodyMassG)
      return [{ code: 'relative', bodyMassG, permille, shareG, constant, of: scoring.of }, ...cutStep, met]
    }
    case 'pointsTable':
    case 'pointsByRule': {
      if (!points) return []
      const how = scoring.kind === 'pointsByRule' ? 'rule' : scoring.between
      const pointsName = (scoring.kind === 'pointsTable' ? scoring.pointsName : undefined) ?? null
      const earned: Step = { code: 'points', ...points, how, pointsName }
      return minimum === null ? [earned] : [earned, ...cutStep, met]
    }
    case 'normClasses': {
      const place = worth.classIndex ?? 0
      return [{ code: 'class', name: scoring.classes[place]?.name ?? '', place, of: scoring.classes.length }]
    }
    case 'completion':
      return scoring.atMost === undefined
        ? [{ code: 'completed', limit: null, unit }]
        : [{ code: 'completed', limit: scoring.atMost, unit }, ...cutStep, met]
    case 'effort':
      return [{ code: 'tookPart' }]
  }
}

/** Age is worth a step where it chose the row, or why there is none. */
export const ageMatters = (found: Basis['found']): boolean =>
  !found.ok || (found.band !== null && (found.band.ageFrom > 0 || found.band.ageTo !== null))

export const isForAll = ({ ageFrom, ageTo, category, role }: CutBand): boolean =>
  ageFrom === 0 && ageTo === null && category === null && role === null

export const uncertaintySteps = (
  uncertainty: number,
  unit: Cut['unit'],
  nearTheCut: boolean,
  policy: 'flag' | 'decide',
): Step[] => {
  if (uncertainty === 0) return []
  return nearTheCut
    ? [{ code: 'nearTheCut', uncertainty, unit, policy }]
    : [{ code: 'uncertaintyHarmless', uncertainty, unit }]
}

/** Values that are whole by nature need no step for rounding them to whole numbers. */
export const roundingSteps = (event: StandardEvent, value: Exact, to: number): Step[] => {
  const { mode, step } = event.rounding
  const { unit } = factsOf(event.protocol)
  if (step === 1 && isWholeAlready(unit) && typeof value === 'number') return []
  const exact = typeof value === 'number' ? {} : { exact: value }
  return [{ code: 'rounded', from: nearestWhole(value), ...exact, to, mode, step, unit }]
}

export const readingSteps = (event: StandardEvent, { reading, unit }: Complete): Step[] => {
  if (reading.kind === 'crossings' && reading.watches) {
    const { timesMs, by } = reading.watches
    const { elapsedMs } = combineWatches(timesMs, ruleOf(event))
    const step = { code: 'watches', count: timesMs.length, by, elapsedMs: nearestWhole(elapsedMs) } as const
    return [observedStep(event, reading), { code: 'readingStep', step, unit }]
  }
  if (reading.kind !== 'readings') return [observedStep(event, reading)]
  return [
    { code: 'readings', taken: reading.taken },
    ...reading.steps.map((step): Step => ({ code: 'readingStep', step, unit })),
  ]
}

const ruleOf = ({ protocol }: StandardEvent): WatchRule | undefined =>
  'watchRule' in protocol ? protocol.watchRule : undefined

const observedStep = ({ id, protocol }: StandardEvent, reading: Exclude<Reading, { kind: 'readings' }>): Step => {
  if (reading.kind === 'repetitions' && 'refusals' in protocol) {
    const refusalLabels = Object.fromEntries(protocol.refusals.map((refusal) => [refusal.id, refusal.label]))
    const durationMs = 'durationMs' in protocol ? protocol.durationMs : null
    return { code: 'repetitions', reading, refusalLabels, durationMs }
  }
  if (reading.kind === 'crossings' && 'lapLengthMm' in protocol && 'distanceMm' in protocol) {
    return { code: 'crossings', reading, distanceMm: protocol.distanceMm }
  }
  throw new Error(
    `A reading of "${reading.kind}" cannot belong to event "${id}" of kind "${protocol.kind}". Measure it with its own protocol.`,
  )
}

export const runningStep = (
  { protocol }: StandardEvent,
  { soFar, of }: Pick<Extract<Measure, { kind: 'running' }>, 'soFar' | 'of'>,
): Step => {
  const progress = kindOf(protocol).progress?.(protocol)
  return progress ? { code: 'running', soFar, of: of ?? progress.of, what: progress.what } : { code: 'underWay' }
}

export const ageStep = ({ testDate }: Terms, { ageYears, ageCountedOn }: Candidate): Step => ({
  code: 'age',
  ageYears,
  countedOn: ageCountedOn,
  onTestDate: ageCountedOn === testDate,
})

export const bandStep = ({ standard }: Terms, band: CutBand): Step => ({
  code: 'band',
  band,
  forWhom: forWhom(standard, band),
})

export const nextStep = (next: NextStep, sense: Sense): Step => ({ code: 'next', next, sense })

/** The words for a band's category and role: "female", "everybody", "male, crew leader". */
const forWhom = ({ categories, roles = [] }: Standard, { category, role }: NonNullable<Cut['band']>): string => {
  const nameIn = (list: Standard['categories'], id: string | null): string[] =>
    id === null ? [] : [(list.find((item) => item.id === id)?.name ?? id).toLowerCase()]
  return [...nameIn(categories, category), ...nameIn(roles, role)].join(', ') || 'everybody'
}
