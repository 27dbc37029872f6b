/** A figure computed from a result by a published formula. Estimates are shown; they decide nothing. */
export interface Estimate {
  /** What is estimated, such as "Aerobic capacity". */
  readonly name: string
  /** To one decimal. */
  readonly value: number
  readonly unit: 'ml/kg/min' | 'kg' | 'W' | '°C'
  /** Formula and where it was published. */
  readonly source: string
  /** Where the formula is meant to hold. */
  readonly range: string
  /** Whether the result lies in that range; outside it the figure says little. */
  readonly isWithin: boolean
}

/** Rounds an estimate for showing; estimates are never compared with a cut. */
export const toTenth = (value: number): number => Math.round(value * 10) / 10

/**
 * An estimate in words, with its source; outside its range the formula says nothing, and no figure is printed.
 * @example printEstimate(capacityFromTwelveMinutes(500_000)) // "Aerobic capacity: the formula holds for distances of … only"
 */
export const printEstimate = ({ name, value, unit, source, range, isWithin }: Estimate): string =>
  isWithin ? `${name} about ${value} ${unit} (${source})` : `${name}: the formula holds for ${range} only (${source})`
