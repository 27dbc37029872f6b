/** Masses: text on one side, whole grams on the other. */
import { printDecimal, wholeFromDigits } from './digits.ts'
import { parsed, refused, type Parsed } from './parsed.ts'

export type MassRefusal = 'mass.form' | 'mass.finer'

const PLACES = { g: 0, kg: 3 } as const
const FORM = /^(\d{1,7})(?:\.(\d{1,6}))?\s*(g|kg)$/

/**
 * Reads a mass with its unit.
 * @returns whole grams, or the reason for refusing
 * @example parseMass('64.1 kg')   // 64100
 * @example parseMass('70.0001 kg') // refused: finer than a gram
 */
export const parseMass = (text: string): Parsed<number, MassRefusal> => {
  const match = FORM.exec(text.trim())
  if (!match) return refused('mass.form', `"${text.trim()}" is not a mass. Write it with a unit, such as 70 kg.`)
  const [, whole = '', fraction = '', unit = 'kg'] = match
  // the expression allows these two units only
  const places = PLACES[unit as keyof typeof PLACES]
  const kept = fraction.replace(/0+$/, '')
  if (kept.length > places) return refused('mass.finer', `"${text.trim()}" is finer than a gram.`)
  return parsed(wholeFromDigits(whole, kept, places))
}

/**
 * Prints whole grams in kilograms.
 * @example printMass(70_000) // "70 kg"
 */
export const printMass = (massG: number): string => `${printDecimal(massG, 3)} kg`
