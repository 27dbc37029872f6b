import { printStyle } from './style.ts'

/**
 * Turns the digits of a decimal into a whole number of a smaller unit, without ever multiplying a decimal.
 * @param whole digits before the point
 * @param fraction digits after the point, at most `places` of them
 * @param places how many decimal places the smaller unit is away (3 for seconds to milliseconds)
 * @example wholeFromDigits('64', '1', 3) // 64100
 */
export const wholeFromDigits = (whole: string, fraction: string, places: number): number =>
  Number(whole + fraction.padEnd(places, '0'))

/**
 * Prints a whole number of a small unit as a decimal of a larger one, with the fewest decimals that keep it exact and the
 * house's signs.
 * @example printDecimal(64100, 3) // "64.1"
 * @example printDecimal(64100, 3, 2) // "64.10"
 */
export const printDecimal = (value: number, places: number, leastDecimals = 0): string => {
  const { sign, whole, fraction } = parts(value, places, leastDecimals)
  const { decimalSign } = printStyle()
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, decimalSign === '.' ? ',' : '.')
  return sign + grouped + withFraction(fraction)
}

/** The same without a sign between thousands, as it is typed. */
export const printUngrouped = (value: number, places: number): string => {
  const { sign, whole, fraction } = parts(value, places, 0)
  return sign + whole + withFraction(fraction)
}

/** Decimals with the house's sign before them; nothing for none. */
export const withFraction = (digits: string): string => (digits === '' ? '' : printStyle().decimalSign + digits)

const parts = (value: number, places: number, leastDecimals: number) => {
  const digits = String(Math.abs(value)).padStart(places + 1, '0')
  return {
    sign: value < 0 ? '−' : '',
    whole: digits.slice(0, digits.length - places),
    fraction: digits
      .slice(digits.length - places)
      .replace(/0+$/, '')
      .padEnd(leastDecimals, '0'),
  }
}
