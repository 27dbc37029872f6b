/** Checks a standard for what its form alone cannot show: holes between bands, cuts no one can mean, missing rest. */
import { EVENT_KIND_FACTS } from '../protocol/eventKind.ts'
import { printQuantity } from '../quantity/unit.ts'
import { printAges } from '../format/printAges.ts'
import { checkBands } from './checkBands.ts'
import { SENSIBLE_CUTS } from './sensibleCuts.ts'
import type { Remark } from './remark.ts'
import type { Standard, StandardEvent } from './standard.ts'

/**
 * Checks one standard.
 * @param others other versions of it, to find dates that overlap
 * @returns remarks in the order of the document; errors stop publishing, warnings do not
 */
export const checkStandard = (standard: Standard, others: readonly Standard[] = []): Remark[] => [
  ...overlapsWith(standard, others),
  ...standard.events.flatMap((event, index) => [
    ...checkRest(standard, event, index),
    ...checkRounding(event, `events[${index}].rounding`),
    ...checkCuts(standard, event, `events[${index}].scoring`),
  ]),
]

const overlapsWith = (standard: Standard, others: readonly Standard[]): Remark[] =>
  others
    .filter((other) => other.id === standard.id && other.version !== standard.version)
    .filter(
      (other) =>
        standard.inForceFrom <= (other.inForceTo ?? '9999-12-31') &&
        other.inForceFrom <= (standard.inForceTo ?? '9999-12-31'),
    )
    .map((other) => ({
      place: 'inForceFrom',
      code: 'datesOverlap',
      severity: 'error',
      what: `Versions ${standard.version} and ${other.version} are both in force from ${later(standard.inForceFrom, other.inForceFrom)}.`,
      example: `A test on ${later(standard.inForceFrom, other.inForceFrom)} could be judged by either.`,
      mend: 'Give the earlier version a last day in force before the later one begins.',
    }))

const later = (a: string, b: string): string => (a > b ? a : b)

const checkRest = (standard: Standard, event: StandardEvent, index: number): Remark[] => {
  const next = standard.events[index + 1]
  if (!next || event.restAfterMs !== undefined) return []
  return [
    {
      place: `events[${index}].restAfterMs`,
      code: 'restMissing',
      severity: 'warning',
      what: `No rest is stated between ${event.name} and ${next.name}.`,
      example: `Somebody may be called to ${next.name} straight after ${event.name}.`,
      mend: 'State the least rest, 0 if there is to be none.',
    },
  ]
}

/** No watch on a field tells more than hundredths. */
const FINEST_TIME_MS = 10
/** Beyond these steps a rounding swallows what was measured: a minute, a metre, ten kilograms. */
const COARSEST = { count: 1, ms: 60_000, mm: 1_000, g: 10_000 } as const

const checkRounding = (event: StandardEvent, place: string): Remark[] => {
  const { unit, name } = EVENT_KIND_FACTS[event.protocol.kind]
  const { step } = event.rounding
  const tooFine = unit === 'ms' && step < FINEST_TIME_MS
  const tooCoarse = step > COARSEST[unit]
  if (!tooFine && !tooCoarse) return []
  return [
    {
      place: `${place}.step`,
      code: tooFine ? 'roundingTooFine' : 'roundingTooCoarse',
      severity: tooFine ? 'warning' : 'error',
      what: tooFine
        ? `${name} is rounded finer than it can be read.`
        : `${name} is rounded to steps of ${printQuantity(step, unit)}.`,
      example: tooFine
        ? 'A hand-held watch tells 0.1 s, not thousandths.'
        : `${printQuantity(step + 1, unit)} would count as ${printQuantity(step, unit)} or ${printQuantity(2 * step, unit)}.`,
      mend:
        unit === 'ms'
          ? 'Round to a second (1000), a tenth (100) or a hundredth (10).'
          : 'Round counts to whole numbers (1).',
    },
  ]
}

const checkCuts = (standard: Standard, event: StandardEvent, place: string): Remark[] => {
  const { scoring } = event
  if (scoring.kind === 'singleCut') return checkCut(event, scoring, place, 'Everybody')
  return [
    ...scoring.rows.flatMap((row, index) =>
      checkCut(
        event,
        row,
        `${place}.rows[${index}]`,
        `Somebody of ${printAges(row.ageFrom, row.ageTo ?? null)}, ${row.category},`,
      ),
    ),
    ...checkBands(standard, event, scoring, place),
  ]
}

const checkCut = (
  event: StandardEvent,
  cut: { atLeast?: number; atMost?: number },
  place: string,
  who: string,
): Remark[] => {
  const { unit, sense, name } = EVENT_KIND_FACTS[event.protocol.kind]
  const value = cut[sense]
  if (value === undefined) return []
  const { least, most } = SENSIBLE_CUTS[event.protocol.kind](event)
  const remark = { place: `${place}.${sense}`, severity: 'error' as const }
  const { step } = event.rounding
  const rounded = value % step
  // a rounding that is itself too coarse is told about at its own place
  const offStep: Remark[] =
    rounded === 0 || step > COARSEST[unit]
      ? []
      : [
          {
            ...remark,
            code: 'cutOffStep',
            what: `The cut ${printQuantity(value, unit)} is no multiple of the rounding step, so no result can equal it.`,
            example: `${who} could reach ${printQuantity(value - rounded, unit)} or ${printQuantity(value - rounded + step, unit)}, never ${printQuantity(value, unit)}.`,
            mend: 'Put the cut on a step, or round more finely.',
          },
        ]
  if (value >= least && value <= most) return offStep
  return [
    {
      ...remark,
      code: 'cutOutOfRange',
      what: `A cut of ${printQuantity(value, unit)} is outside what ${name.toLowerCase()} can mean here (${printQuantity(least, unit)} to ${printQuantity(most, unit)}).`,
      example: `${who} would have to ${sense === 'atLeast' ? 'reach' : 'stay within'} ${printQuantity(value, unit)}.`,
      mend: 'Look for a wrong unit or a slipped digit.',
    },
  ]
}
