/** The scoring schools: what a rounded measure is held against. Values are whole numbers in the unit that is named. */
import { Choice, NestedList, Optional, Slug, Whole } from '../document/rules.ts'
import { UNITS, type Unit } from '../quantity/unit.ts'

/** One cut for everybody. Exactly one of `atLeast` and `atMost` is given, as the event's kind asks. */
export class SingleCut {
  @Choice(['singleCut']) kind!: 'singleCut'
  @Choice(UNITS) unit!: Unit
  @Optional() @Whole(0) atLeast?: number
  @Optional() @Whole(0) atMost?: number
}

/** One row of a banded table: the people it is for, and their cut. */
export class BandRow {
  /** Youngest age in years. */
  @Whole(0, 120) ageFrom!: number
  /** Oldest age in years, included; left out for "and over". */
  @Optional() @Whole(0, 120) ageTo?: number
  @Slug() category!: string
  @Optional() @Whole(0) atLeast?: number
  @Optional() @Whole(0) atMost?: number
}

/** A cut for each band of age and scoring category. */
export class CutByBand {
  @Choice(['cutByBand']) kind!: 'cutByBand'
  @Choice(UNITS) unit!: Unit
  @NestedList(() => BandRow, 1, 200) rows!: BandRow[]
}

export type Scoring = SingleCut | CutByBand

export const SCORINGS = { singleCut: SingleCut, cutByBand: CutByBand } as const
