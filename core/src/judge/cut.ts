import type { Unit } from '../quantity/unit.ts'

/** The cut that applies to one person. */
export interface Cut {
  readonly value: number
  readonly unit: Unit
  readonly sense: 'atLeast' | 'atMost'
  /** The band, or null when the cut is the same for everybody. */
  readonly band: {
    readonly row: number
    readonly ageFrom: number
    readonly ageTo: number | null
    readonly category: string
  } | null
}
