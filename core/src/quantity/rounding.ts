/** The three rounding rules a standard may state, on whole numbers only. */
export const ROUNDING_MODES = ['truncate', 'nearest', 'up'] as const
export type RoundingMode = (typeof ROUNDING_MODES)[number]

export interface RoundingRule {
  readonly mode: RoundingMode
  /** Size of a step in the unit of the value: 1000 for whole seconds of a time in milliseconds. */
  readonly step: number
}

/**
 * Rounds a whole number to a multiple of the step.
 * `truncate` goes towards zero, `up` towards the larger number, and `nearest` sends an exact half away from zero.
 * @throws RangeError when value or step is not whole, or the step is below 1
 * @example roundTo(580_000, { mode: 'up', step: 1000 }) // 580000: already on a step
 * @example roundTo(580_001, { mode: 'up', step: 1000 }) // 581000
 * @example roundTo(28_950, { mode: 'nearest', step: 100 }) // 29000: a half goes away from zero
 */
export const roundTo = (value: number, { mode, step }: RoundingRule): number => {
  if (!Number.isSafeInteger(value)) throw new RangeError(`Only whole numbers are rounded, not ${value}.`)
  if (!Number.isSafeInteger(step) || step < 1)
    throw new RangeError(`A rounding step is a whole number from 1, not ${step}.`)
  switch (mode) {
    case 'truncate':
      return noMinusZero(Math.trunc(value / step) * step)
    case 'up':
      return noMinusZero(Math.ceil(value / step) * step)
    case 'nearest':
      return noMinusZero(Math.sign(value) * Math.floor((2 * Math.abs(value) + step) / (2 * step)) * step)
  }
}

const noMinusZero = (value: number): number => value + 0
