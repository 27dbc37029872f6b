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
 * Prints a whole number of a small unit as a decimal of a larger one, with the fewest decimals that keep it exact.
 * @example printDecimal(64100, 3) // "64.1"
 * @example printDecimal(64100, 3, 2) // "64.10"
 */
export const printDecimal = (value: number, places: number, leastDecimals = 0): string => {
  const sign = value < 0 ? '−' : ''
  const digits = String(Math.abs(value)).padStart(places + 1, '0')
  const whole = digits.slice(0, digits.length - places)
  const fraction = digits.slice(digits.length - places).replace(/0+$/, '')
  const shown = fraction.padEnd(leastDecimals, '0')
  return sign + groupThousands(whole) + (shown ? `.${shown}` : '')
}

const groupThousands = (digits: string): string => digits.replace(/\B(?=(\d{3})+$)/g, ',')
