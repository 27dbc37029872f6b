/** Division of whole numbers that never passes through a fraction near a cut. */

/**
 * The quotient rounded to the nearest whole number; an exact half goes away from zero.
 * @throws RangeError for parts that are not whole, or a divisor below 1
 * @example divideToNearest(7, 2) // 4
 */
export const divideToNearest = (dividend: number, divisor: number): number => {
  if (!Number.isSafeInteger(dividend) || !Number.isSafeInteger(divisor) || divisor < 1) {
    throw new RangeError(`Only whole numbers are divided, by a whole number from 1, not ${dividend} by ${divisor}.`)
  }
  const size = Math.abs(dividend)
  const quotient = Math.floor((2 * size + divisor) / (2 * divisor))
  return dividend < 0 && quotient > 0 ? -quotient : quotient
}
