/** Measure -> what it is worth, without words: rounding, row, score. The judge adds the trace; counting many people does not. */
import { plus, type Exact } from '../quantity/fraction.ts'
import type { StandardEvent, UncertaintyPolicy } from '../standard/standard.ts'
import type { Measure } from '../kinds/measure.ts'
import { factsOf } from '../kinds/facts.ts'
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import type { Unit } from '../quantity/unit.ts'
import { lowestOf, type CompiledScoring } from './compileScoring.ts'
import type { Cut } from './cut.ts'
import { roundedFor } from './ownUnit.ts'

/** What a complete measure is worth under a scoring. */
export interface ScoredValue {
  readonly kind: 'met' | 'short' | 'scored'
  readonly rounded: number
  /** How far on the good side of the cut, negative when short of it; null where no cut is asked. */
  readonly margin: number | null
  readonly centipoints: number | null
  readonly classIndex: number | null
}

/**
 * Rounds a value and says what it is worth.
 * @param row the person's row, as `findBand` gives it
 * @param cut as `cutIn` gives it for the same row
 */
export const scoreValue = (
  event: StandardEvent,
  { score, scoreKind, scoring, distance }: CompiledScoring,
  row: number,
  cut: Cut | null,
  minimumCentipoints: number | null,
  value: Exact,
  bodyMassG: number,
): ScoredValue => {
  const rounded = roundedFor(event, value)
  const scored = score(row, rounded, bodyMassG)
  const margin =
    cut === null ? null : cut.sense === 'atLeast' ? distance(cut.value, rounded) : distance(rounded, cut.value)
  // each object is written out: spreading costs more than all the rest when a hundred thousand people are judged
  switch (scoreKind) {
    case 'margin':
      // the score may be on a finer scale than the margin that is told
      return {
        kind: scored >= 0 ? 'met' : 'short',
        rounded,
        margin: margin ?? scored,
        centipoints: null,
        classIndex: null,
      }
    case 'centipoints': {
      const kind = minimumCentipoints === null ? 'scored' : scored >= minimumCentipoints ? 'met' : 'short'
      return { kind, rounded, margin, centipoints: scored, classIndex: null }
    }
    case 'class':
      return { kind: 'scored', rounded, margin, centipoints: null, classIndex: scored }
    case 'nothing':
      return {
        kind: scoring.kind === 'effort' ? 'scored' : 'met',
        rounded,
        margin,
        centipoints: null,
        classIndex: null,
      }
  }
}

type Taken = Pick<Extract<Measure, { kind: 'complete' }>, 'reading' | 'clockUncertaintyMs'>

/**
 * How far a reading may be off, either way: by the method of its event, and by what the clocks of two devices may differ.
 * @returns in the unit of the event
 */
export const uncertaintyOf = (
  policy: UncertaintyPolicy,
  event: Pick<StandardEvent, 'protocol' | 'uncertainty'>,
  { reading, clockUncertaintyMs }: Taken,
): number => {
  const { unit } = factsOf(event.protocol)
  if (unit === 'ms' && isTimedByGate(event.protocol, reading)) return 0
  return Math.max(event.uncertainty ?? byMethod(policy, event.protocol, unit), unit === 'ms' ? clockUncertaintyMs : 0)
}

const isTimedByGate = (protocol: Protocol, reading: Taken['reading']): boolean =>
  'timing' in protocol &&
  (protocol.timing === 'electronic' ||
    (protocol.timing === 'either' &&
      reading.kind === 'readings' &&
      reading.taken.some(({ slot, value }) => slot === 'electronic' && value === 1)))

const byMethod = (policy: UncertaintyPolicy, protocol: Protocol, unit: Unit): number => {
  if (kindOf(protocol).isExact) return 0
  switch (unit) {
    case 'ms':
      return policy.handTimingMs
    case 'mm':
      return policy.lengthMm ?? 0
    case 'g':
      return policy.massG ?? 0
    case 'bpm':
      return policy.pulseBpm ?? 0
    default:
      return 0
  }
}

/**
 * Judges the two ends of what the reading may have been: if they differ, the method cannot tell.
 * @param rounded the value as it was judged; further from the cut than reading and rounding can be off, nothing is asked
 */
export const couldBeOtherwise = (
  event: StandardEvent,
  cut: Cut,
  value: Exact,
  rounded: number,
  uncertainty: number,
): boolean => {
  if (uncertainty === 0 || Math.abs(rounded - cut.value) > uncertainty + event.rounding.step) return false
  const low = Math.max(lowestOf(cut.unit), roundedFor(event, plus(value, -uncertainty)))
  const high = roundedFor(event, plus(value, uncertainty))
  return meets(low, cut) !== meets(high, cut)
}

/** Whether a rounded value reaches the cut; a value equal to the cut does. */
const meets = (value: number, cut: Pick<Cut, 'value' | 'sense'>): boolean =>
  cut.sense === 'atLeast' ? value >= cut.value : value <= cut.value
