/** The units a measure may have, and how a value in one of them is printed. */
import { printDecimal } from './digits.ts'
import { nearestWhole, roundExact, type Exact, type Fraction } from './fraction.ts'
import { divideToNearest } from './integers.ts'
import { printImperial, type PublishedUnit } from './imperial.ts'
import { printLength } from './length.ts'
import { printMass } from './mass.ts'
import { printTime } from './time.ts'

/**
 * `count` of repetitions; `ms`, `mm`, `g`; `bpm` heart beats a minute; `level` of a progressive shuttle;
 * `levelShuttle`: level × 100 + shuttle; `permille` of a body; `done`: 1 for done, 0 for not.
 */
export const UNITS = ['count', 'ms', 'mm', 'g', 'bpm', 'level', 'levelShuttle', 'permille', 'done'] as const
export type Unit = (typeof UNITS)[number]

/**
 * Prints a measured value in the unit it is stored in; a value that was published in feet, yards, miles or pounds
 * is printed in those first, with the metric value behind it.
 * @example printQuantity(34, 'count') // "34"
 * @example printQuantity(580000, 'ms') // "9:40"
 * @example printQuantity(704, 'levelShuttle') // "level 7, shuttle 4"
 * @example printQuantity(45359, 'g', 'lb') // "100 lb (45.359 kg)"
 */
export const printQuantity = (value: number, unit: Unit, publishedIn?: PublishedUnit): string => {
  if (publishedIn !== undefined && suits(unit, publishedIn)) {
    return `${printImperial(value, publishedIn)} (${printQuantity(value, unit)})`
  }
  switch (unit) {
    case 'count':
      return printDecimal(value, 0)
    case 'ms':
      return printTime(value)
    case 'mm':
      return printLength(value)
    case 'g':
      return printMass(value)
    case 'bpm':
      return `${value} beats/min`
    case 'level':
      return `level ${value}`
    case 'levelShuttle':
      return `level ${Math.floor(value / 100)}, shuttle ${value % 100}`
    case 'permille':
      return `${printDecimal(value, 1)} %`
    case 'done':
      return value === 0 ? 'not done' : 'done'
  }
}

/**
 * Prints a value that is not whole: to hundredths where the unit is whole by nature, else to the unit it is stored in.
 * @example printFraction({ numerator: 16, denominator: 3 }, 'count') // "5.33"
 */
export const printFraction = (value: Fraction, unit: Unit): string =>
  unit === 'count'
    ? printDecimal(divideToNearest(value.numerator * 100, value.denominator), 2)
    : printQuantity(nearestWhole(value), unit)

/**
 * The same for a rate or a difference: a time in seconds, to tenths.
 * @example printAmount({ numerator: 14_000, denominator: 3 }, 'ms') // "4.7 s"
 */
export const printAmount = (value: Exact, unit: Unit): string => {
  if (unit === 'ms') return `${printDecimal(roundExact(value, { step: 100, mode: 'nearest' }) / 100, 1)} s`
  return typeof value === 'number' ? printQuantity(value, unit) : printFraction(value, unit)
}

/** Whether a value of the unit can be published in feet, yards, miles or pounds. */
export const suits = (unit: Unit, publishedIn: PublishedUnit): boolean =>
  publishedIn === 'lb' ? unit === 'g' : unit === 'mm'

/** Whether values of the unit are read from an instrument or by touch, and so can be off; what is counted cannot. */
export const isRead = (unit: Unit): boolean => READ.has(unit)

const READ: ReadonlySet<Unit> = new Set<Unit>(['ms', 'mm', 'g', 'bpm', 'permille'])

/** What one step of a rounding rule is called: "whole second", "tenth of a second", "multiple of 0.5 cm". */
export const printStep = (step: number, unit: Unit): string => {
  if (unit === 'ms' && step === 1000) return 'whole second'
  if (unit === 'ms' && step === 100) return 'tenth of a second'
  if (unit === 'ms' && step === 10) return 'hundredth of a second'
  if (step === 1 && isWholeAlready(unit)) return 'whole number'
  return `multiple of ${printQuantity(step, unit)}`
}

/** Units whose values are whole by nature, so that rounding to 1 changes nothing and is not worth a word. */
export const isWholeAlready = (unit: Unit): boolean => WHOLE.has(unit)

const WHOLE: ReadonlySet<Unit> = new Set<Unit>(['count', 'bpm', 'level', 'levelShuttle', 'done'])

/**
 * Prints hundredths of a point.
 * @example printPoints(4500) // "45"
 * @example printPoints(4550) // "45.5"
 */
export const printPoints = (centipoints: number): string => printDecimal(centipoints, 2)
