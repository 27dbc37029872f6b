/** One repetition's greatest load, from several repetitions at a lighter one. */
import { ratio, type Exact } from '../quantity/fraction.ts'

export type LiftFormula = 'epley' | 'brzycki'

/** Beyond this many repetitions the formula is not meant to be used. */
export const MOST_REPETITIONS: Readonly<Record<LiftFormula, number>> = { epley: 30, brzycki: 10 }

/**
 * Epley (1985): w·(1 + r/30). Brzycki (1993): w·36/(37 − r), for r up to 10.
 * A single repetition is the load itself, in both.
 * @param loadG mass lifted, g
 * @returns g, exact, or null outside the formula's range
 * @example oneRepetitionMaximum(100_000, 10, 'epley')   // 400000/3
 * @example oneRepetitionMaximum(100_000, 10, 'brzycki') // 400000/3
 */
export const oneRepetitionMaximum = (loadG: number, repetitions: number, formula: LiftFormula): Exact | null => {
  if (repetitions < 1 || repetitions > MOST_REPETITIONS[formula]) return null
  if (repetitions === 1) return loadG
  return formula === 'epley' ? ratio(loadG * (30 + repetitions), 30) : ratio(loadG * 36, 37 - repetitions)
}
