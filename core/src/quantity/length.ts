/** Lengths: text on one side, whole millimetres on the other. */
import { printDecimal, wholeFromDigits } from './digits.ts'
import { parsed, refused, type Parsed } from './parsed.ts'

export type LengthRefusal = 'length.form' | 'length.finer'

const PLACES = { mm: 0, cm: 1, m: 3, km: 6 } as const
const FORM = /^(\d{1,3}(?:,\d{3})+|\d{1,9})(?:\.(\d{1,6}))?\s*(mm|cm|m|km)$/

/**
 * Reads a length with its unit.
 * @returns whole millimetres, or the reason for refusing
 * @example parseLength('2,000 m') // 2000000
 * @example parseLength('1.83 m')  // 1830
 * @example parseLength('1.8305 m') // refused: finer than a millimetre
 */
export const parseLength = (text: string): Parsed<number, LengthRefusal> => {
  const match = FORM.exec(text.trim())
  if (!match)
    return refused('length.form', `"${text.trim()}" is not a length. Write it with a unit, such as 2,000 m or 35 cm.`)
  const [, whole = '', fraction = '', unit = 'm'] = match
  // the expression allows these four units only
  const places = PLACES[unit as keyof typeof PLACES]
  const kept = fraction.replace(/0+$/, '')
  if (kept.length > places) return refused('length.finer', `"${text.trim()}" is finer than a millimetre.`)
  return parsed(wholeFromDigits(whole.replaceAll(',', ''), kept, places))
}

/**
 * Prints whole millimetres: metres from one metre on, centimetres below.
 * @example printLength(2_000_000) // "2,000 m"
 * @example printLength(350)       // "35 cm"
 */
export const printLength = (lengthMm: number): string =>
  Math.abs(lengthMm) >= 1000 ? `${printDecimal(lengthMm, 3)} m` : `${printDecimal(lengthMm, 1)} cm`
