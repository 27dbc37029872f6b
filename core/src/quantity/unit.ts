/** The units a measure may have, and how a value in one of them is printed. */
import { printDecimal } from './digits.ts'
import { printLength } from './length.ts'
import { printMass } from './mass.ts'
import { printTime } from './time.ts'

export const UNITS = ['count', 'ms', 'mm', 'g'] as const
export type Unit = (typeof UNITS)[number]

/**
 * Prints a measured value in the unit it is stored in.
 * @example printQuantity(34, 'count') // "34"
 * @example printQuantity(580000, 'ms') // "9:40"
 */
export const printQuantity = (value: number, unit: Unit): string => {
  switch (unit) {
    case 'count':
      return printDecimal(value, 0)
    case 'ms':
      return printTime(value)
    case 'mm':
      return printLength(value)
    case 'g':
      return printMass(value)
  }
}

/** What one step of a rounding rule is called: "whole second", "tenth of a second". */
export const printStep = (step: number, unit: Unit): string => {
  if (unit === 'ms' && step === 1000) return 'whole second'
  if (unit === 'ms' && step === 100) return 'tenth of a second'
  if (unit === 'ms' && step === 10) return 'hundredth of a second'
  if (unit === 'count' && step === 1) return 'whole number'
  return printQuantity(step, unit)
}
