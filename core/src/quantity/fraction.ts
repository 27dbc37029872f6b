/** Values that are not whole in their unit, such as means: kept exact until the event's own rounding. */
import { divideToNearest } from './integers.ts'
import { roundTo, type RoundingRule } from './rounding.ts'

/** In lowest terms, with a denominator of at least 2. */
export interface Fraction {
  readonly numerator: number
  readonly denominator: number
}

/** A whole number, or a fraction that is none. */
export type Exact = number | Fraction

/**
 * A quotient of whole numbers, in lowest terms.
 * @throws RangeError for parts that are not whole, or a denominator below 1
 * @example ratio(39, 2) // { numerator: 39, denominator: 2 }
 * @example ratio(40, 2) // 20
 */
export const ratio = (numerator: number, denominator: number): Exact => {
  if (!Number.isSafeInteger(numerator) || !Number.isSafeInteger(denominator) || denominator < 1) {
    throw new RangeError(`A fraction is made of whole numbers, over 1 or more, not ${numerator} over ${denominator}.`)
  }
  const common = greatestDivisor(Math.abs(numerator), denominator)
  return common === denominator
    ? numerator / denominator
    : { numerator: numerator / common, denominator: denominator / common }
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b))

const partsOf = (value: Exact): Fraction => (typeof value === 'number' ? { numerator: value, denominator: 1 } : value)

export const plus = (a: Exact, b: Exact): Exact => {
  if (typeof a === 'number' && typeof b === 'number') return a + b
  const [left, right] = [partsOf(a), partsOf(b)]
  return ratio(
    left.numerator * right.denominator + right.numerator * left.denominator,
    left.denominator * right.denominator,
  )
}

export const sumOf = (values: readonly Exact[]): Exact => values.reduce(plus, 0)

/** @example meanOf([19, 20]) // { numerator: 39, denominator: 2 } */
export const meanOf = (values: readonly Exact[]): Exact => {
  const { numerator, denominator } = partsOf(sumOf(values))
  return ratio(numerator, denominator * values.length)
}

/** Below zero when a is less than b, as a sort asks it. */
export const compareExact = (a: Exact, b: Exact): number => {
  const [left, right] = [partsOf(a), partsOf(b)]
  return left.numerator * right.denominator - right.numerator * left.denominator
}

/**
 * Rounds by the rule of a standard, as `roundTo` does whole numbers.
 * @returns a whole number on a step of the rule
 * @example roundExact({ numerator: 39, denominator: 2 }, { mode: 'truncate', step: 1 }) // 19
 */
export const roundExact = (value: Exact, rule: RoundingRule): number => {
  if (typeof value === 'number') return roundTo(value, rule)
  const { numerator, denominator } = value
  return roundTo(numerator, { mode: rule.mode, step: rule.step * denominator }) / denominator
}

/** To be shown where whole units are shown; an exact half goes away from zero. */
export const nearestWhole = (value: Exact): number =>
  typeof value === 'number' ? value : divideToNearest(value.numerator, value.denominator)
