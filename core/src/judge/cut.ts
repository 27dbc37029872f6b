import type { PublishedUnit } from '../quantity/imperial.ts'
import type { Unit } from '../quantity/unit.ts'

/** The cut that applies to one person. */
export interface Cut {
  readonly value: number
  readonly unit: Unit
  readonly sense: 'atLeast' | 'atMost'
  /** The value that earns full points, where the cut is a least number of points. */
  readonly full?: number
  /** The unit it was published in, when that is not metric. */
  readonly publishedIn?: PublishedUnit
  /** The band, or null when the cut is the same for everybody. */
  readonly band: CutBand | null
}

export interface CutBand {
  readonly row: number
  readonly ageFrom: number
  readonly ageTo: number | null
  /** Null when the row is for every category. */
  readonly category: string | null
  readonly role: string | null
}
