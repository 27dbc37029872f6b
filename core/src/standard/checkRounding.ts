import { factsOf } from '../kinds/facts.ts'
import { kindOf } from '../kinds/kinds.ts'
import { printSeconds } from '../quantity/time.ts'
import { printQuantity, type Unit } from '../quantity/unit.ts'
import type { PlacedEvent } from './placed.ts'
import type { Remark, Remedy } from '../document/remark.ts'
import type { StandardEvent } from './standard.ts'

/** No watch on a field tells more than hundredths. */
const FINEST_TIME_MS = 10
/** What a hand-held watch tells. */
const TENTH_MS = 100
const WHOLE_SECOND_MS = 1_000

/** Beyond these steps a rounding swallows what was measured: a minute, a metre, ten kilograms. */
export const COARSEST: Readonly<Record<Unit, number>> = {
  count: 1,
  ms: 60_000,
  mm: 10_000,
  g: 10_000,
  bpm: 1,
  level: 1,
  levelShuttle: 1,
  permille: 50,
  done: 1,
}

/** Compares the step of the rounding with what the reading tells. */
export const checkRounding = ({ event, place }: PlacedEvent): Remark[] => {
  const { unit, name } = factsOf(event.protocol)
  const { step } = event.rounding
  const finest = finestOf(event)
  const stepPlace = `${place}.rounding.step`
  const to = (wanted: number): Remedy => ({
    label: `Round to ${unit === 'ms' ? printSeconds(wanted) : printQuantity(wanted, unit)}`,
    edits: [{ place: stepPlace, value: wanted }],
  })
  const remark = { place: stepPlace }
  if (step > coarsestOf(event)) {
    return [
      {
        ...remark,
        code: 'roundingTooCoarse',
        severity: 'error',
        what: `${name} is rounded to steps of ${printQuantity(step, unit)}.`,
        example: `${printQuantity(step + 1, unit)} would count as ${printQuantity(step, unit)} or ${printQuantity(2 * step, unit)}.`,
        mend:
          unit === 'ms'
            ? 'Round to a second (1000), a tenth (100) or a hundredth (10).'
            : 'Round to the step the reading is taken in.',
        remedy: to(unit === 'ms' ? WHOLE_SECOND_MS : finest),
      },
    ]
  }
  if (step >= finest) return []
  return [
    {
      ...remark,
      code: 'roundingTooFine',
      severity: 'warning',
      what: `${name} is rounded finer than it can be read.`,
      example:
        unit === 'ms'
          ? 'A hand-held watch tells 0.1 s, not thousandths.'
          : `Readings come in steps of ${printQuantity(finest, unit)}, not of ${printQuantity(step, unit)}.`,
      mend:
        unit === 'ms' ? 'Round to a second (1000), a tenth (100) or a hundredth (10).' : `Round to ${finest} or more.`,
      remedy: to(unit === 'ms' ? TENTH_MS : finest),
    },
  ]
}

const finestOf = ({ protocol }: StandardEvent): number => {
  if (factsOf(protocol).unit === 'ms') return FINEST_TIME_MS
  return kindOf(protocol).finestStep?.(protocol) ?? 1
}

const coarsestOf = ({ protocol }: StandardEvent): number =>
  kindOf(protocol).coarsestStep?.(protocol) ?? COARSEST[factsOf(protocol).unit]
