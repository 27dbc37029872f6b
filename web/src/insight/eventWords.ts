/** Figures of events as they are told in this room. */
import { printQuantity, type InsightEvent, type StripShape, type Unit } from '@able-gauge/core'

/** To which step a figure is rounded that was laid out and not judged. */
const STEPS: Readonly<Partial<Record<Unit, readonly number[]>>> = {
  ms: [100, 1_000, 10_000],
  g: [100, 500, 1_000],
  mm: [10, 100, 1_000],
}

const stepFor = (unit: Unit, range: number): number => {
  const steps = STEPS[unit] ?? [1]
  return steps.findLast((step) => range / step >= 40) ?? steps[0] ?? 1
}

/** A figure near the end of a strip, without digits that say nothing. */
export const printRough = (value: number, unit: Unit, range: number): string => {
  const step = stepFor(unit, range)
  return printQuantity(Math.round(value / step) * step, unit)
}

/**
 * A mean, a deviation or a limit of an event: one digit finer than its figures.
 * @param decimals of what is counted
 */
export const printMean = (value: number, unit: Unit, decimals = 1): string => {
  const sign = value < 0 ? '−' : ''
  const size = Math.abs(value)
  switch (unit) {
    case 'ms':
      return `${sign}${printQuantity(Math.round(size / 100) * 100, 'ms')}${size < 60_000 ? ' s' : ''}`
    case 'g':
      return `${sign}${printQuantity(Math.round(size / 100) * 100, 'g')}`
    case 'mm':
      return `${sign}${printQuantity(Math.round(size), 'mm')}`
    default:
      return `${sign}${size.toFixed(decimals)}`
  }
}

/** What stands at an end of a strip: a figure, or how far from the cut. */
export const printEnd = ({ by, from, to }: StripShape, value: number, { unit }: InsightEvent): string => {
  if (by === 'value') return printRough(value, unit, to - from)
  const sign = value < 0 ? '−' : '+'
  return `${sign}${printRough(Math.abs(value), unit, to - from)}`
}
