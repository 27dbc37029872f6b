/**
 * Feet and inches, yards, miles and pounds: figures as published on one side, whole millimetres or grams on the other.
 *
 * A published figure is turned into the nearest whole base unit, always by the same rule, so that a reading equal to a
 * published cut is equal to it in base units too. Printing finds the published figure again: the shortest one, in tenths,
 * quarters or hundredths, that leads to the same base value.
 */
import { printDecimal, wholeFromDigits } from './digits.ts'

export const PUBLISHED_UNITS = ['ft-in', 'in', 'yd', 'mi', 'lb'] as const
/** The unit an imperial standard publishes a figure in. */
export type PublishedUnit = (typeof PUBLISHED_UNITS)[number]

type PlainUnit = 'ft' | 'in' | 'yd' | 'mi' | 'lb'

/** Base units in 100,000 of the unit, exact by the international yard and pound agreement of 1959. */
const PER_100_000: Readonly<Record<PlainUnit, bigint>> = {
  in: 2_540_000n,
  ft: 30_480_000n,
  yd: 91_440_000n,
  mi: 160_934_400_000n,
  lb: 45_359_237n,
}

/** The base value nearest to thousandths of a unit; a half goes up. */
const toBase = (thousandths: number, unit: PlainUnit): number => {
  const scaled = BigInt(thousandths) * PER_100_000[unit]
  return Number((scaled + 50_000_000n) / 100_000_000n)
}

const INCHES_PER_FOOT = 12

/**
 * Reads a figure in feet and inches, inches, yards, miles or pounds.
 * @returns whole millimetres or grams, or null when the text is no such figure
 * @example parseImperial('5 ft 10 in') // 1778
 * @example parseImperial('1.5 mi')     // 2414016
 * @example parseImperial('100 lb')     // 45359
 */
export const parseImperial = (text: string): number | null => {
  const feet = /^(\d{1,4})\s*(?:ft|')(?:\s*(\d{1,2}(?:\.\d{1,3}0*)?)\s*(?:in|"))?$/.exec(text)
  if (feet) {
    const inches = thousandthsOf(feet[2] ?? '0')
    if (inches >= INCHES_PER_FOOT * 1000) return null
    return toBase(Number(feet[1]) * INCHES_PER_FOOT * 1000 + inches, 'in')
  }
  const plain = /^(\d{1,6}(?:\.\d{1,3}0*)?)\s*(in|"|yd|mi|lb)$/.exec(text)
  if (!plain) return null
  const unit = plain[2] === '"' ? 'in' : (plain[2] as PlainUnit) // the expression allows only these
  return toBase(thousandthsOf(plain[1] ?? '0'), unit)
}

/**
 * Prints whole millimetres or grams in a published unit.
 * @param print how the thousandths of a figure are written
 * @example printImperial(1778, 'ft-in')  // "5 ft 10 in"
 * @example printImperial(133, 'in')      // "5.25 in"
 * @example printImperial(45359, 'lb')    // "100 lb"
 */
export const printImperial = (
  base: number,
  unit: PublishedUnit,
  print: (thousandths: number, places: number) => string = printDecimal,
): string => {
  if (unit !== 'ft-in') return `${print(shortestThousandths(base, unit), 3)} ${unit}`
  const inches = shortestThousandths(base, 'in')
  const feet = Math.floor(inches / (INCHES_PER_FOOT * 1000))
  const rest = inches - feet * INCHES_PER_FOOT * 1000
  return feet === 0 ? `${print(rest, 3)} in` : `${feet} ft${rest === 0 ? '' : ` ${print(rest, 3)} in`}`
}

/** Steps a publisher writes in, tried from the coarsest: whole, tenths, quarters, hundredths, thousandths. */
const STEPS = [1000, 100, 250, 10, 1] as const

const shortestThousandths = (base: number, unit: PlainUnit): number => {
  const exact = (base * 100_000_000) / Number(PER_100_000[unit])
  for (const step of STEPS) {
    const figure = Math.round(exact / step) * step
    if (toBase(figure, unit) === base) return figure
  }
  return Math.round(exact)
}

const thousandthsOf = (decimal: string): number => {
  const [whole = '0', fraction = ''] = decimal.split('.')
  return wholeFromDigits(whole, fraction.replace(/0+$/, ''), 3)
}

/** How finely the exact figure of a unit is told apart, in parts of it: finer than a base unit everywhere. */
const PARTS: Readonly<Record<PlainUnit, number>> = { in: 1_000, ft: 1_000, yd: 1_000, mi: 10_000_000, lb: 1_000 }

/** The figures of one unit, exact, beside the base values they are stored as. */
export interface OwnUnit {
  /** Parts of the unit: the shortest figure that is stored as this base value. */
  readonly partsOf: (base: number) => number
  /** The base value nearest to a figure. */
  readonly baseOf: (parts: number) => number
}

/**
 * The exact figures behind stored values, so that what is published in a unit is compared in it: half of 150 lb is 75 lb, though
 * neither is a whole number of grams.
 * @example ownUnit('lb').partsOf(34_019) // 75000 thousandths of a pound
 */
export const ownUnit = (published: PublishedUnit): OwnUnit => {
  const unit = published === 'ft-in' ? 'in' : published
  const parts = PARTS[unit]
  const scale = 100_000_000_000n
  const baseOf = (figure: number): number => {
    const size =
      (BigInt(Math.abs(figure)) * PER_100_000[unit] * (scale / BigInt(parts)) + scale * 50_000n) / (scale * 100_000n)
    return figure < 0 ? -Number(size) : Number(size)
  }
  const partsOf = (base: number): number => {
    const exact = (Math.abs(base) * 100_000 * parts) / Number(PER_100_000[unit])
    const figure = STEPS.map((step) => Math.round((exact * 1_000) / (step * parts)) * ((step * parts) / 1_000)).find(
      (one) => Number.isInteger(one) && baseOf(one) === Math.abs(base),
    )
    return (figure ?? Math.round(exact)) * (base < 0 ? -1 : 1)
  }
  return { partsOf, baseOf }
}
