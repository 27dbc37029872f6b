/** The scoring schools: what a rounded measure is held against. Values are whole numbers in the unit that is named. */
import { Choice, Nested, NestedList, Optional, Slug, Text, Whole, WholeList } from '../document/rules.ts'
import { ROUNDING_MODES, type RoundingMode } from '../quantity/rounding.ts'
import { UNITS, type Unit } from '../quantity/unit.ts'
import { Band } from './band.ts'

/** A reading from a foot line can be below zero; nothing else is. */
const LOWEST = -100_000
/** A thousand kilometres, a tonne, eleven days; products of this with points stay exact whole numbers. */
const HIGHEST = 1_000_000_000

export class Rounding {
  @Choice(ROUNDING_MODES) mode!: RoundingMode
  /** In the unit of the rounded value: 1000 for whole seconds of a time. */
  @Whole(1, HIGHEST) step!: number
}

/** One cut for everybody. Exactly one of `atLeast` and `atMost` is given, as the event's kind asks. */
class SingleCut {
  @Choice(['singleCut']) kind!: 'singleCut'
  @Choice(UNITS) unit!: Unit
  @Optional() @Whole(LOWEST, HIGHEST) atLeast?: number
  @Optional() @Whole(LOWEST, HIGHEST) atMost?: number
}

/** One row of a banded table: the people it is for, and their cut. */
class BandRow extends Band {
  @Optional() @Whole(LOWEST, HIGHEST) atLeast?: number
  @Optional() @Whole(LOWEST, HIGHEST) atMost?: number
}

/** A cut for each band of age and scoring category. */
class CutByBand {
  @Choice(['cutByBand']) kind!: 'cutByBand'
  @Choice(UNITS) unit!: Unit
  @NestedList(() => BandRow, 1, 200) rows!: BandRow[]
}

export class ShareRow extends Band {
  /** Left out when the share alone decides. */
  @Optional() @Whole(1, HIGHEST) constant?: number
  @Whole(1, 5_000) shareOfBodyMassPermille!: number
}

/** The lesser or greater of a constant and a share of body mass; at least that much is asked. */
export class RelativeCut {
  @Choice(['relativeCut']) kind!: 'relativeCut'
  @Choice(['g']) unit!: 'g'
  @Choice(['lesser', 'greater']) of!: 'lesser' | 'greater'
  /** How the share is rounded before it is compared. */
  @Nested(() => Rounding) shareRounding!: Rounding
  @NestedList(() => ShareRow, 1, 200) rows!: ShareRow[]
}

export class PointsRow {
  @Whole(LOWEST, HIGHEST) value!: number
  /** Hundredths of a point. */
  @Whole(0, 1_000_000) centipoints!: number
}

export class PointsBand extends Band {
  /** From the fewest points to the most. */
  @NestedList(() => PointsRow, 1, 1_000) rows!: PointsRow[]
}

/** Value to points, by band. */
export class PointsTable {
  @Choice(['pointsTable']) kind!: 'pointsTable'
  @Choice(UNITS) unit!: Unit
  /** What a value between two rows gets: the points of the lower row, or a share of the way to the next. */
  @Choice(['lowerRow', 'interpolate']) between!: 'lowerRow' | 'interpolate'
  /** For interpolated points, in hundredths of a point: 100 for whole points. */
  @Optional() @Nested(() => Rounding) pointsRounding?: Rounding
  /** What a value worse than the lowest row gets; nothing unless it is given. The best row's points are the most. */
  @Optional() @Whole(0, 1_000_000) floorCentipoints?: number
  /** What the points are called when they are no points, such as "ml/kg/min". */
  @Optional() @Text(40) pointsName?: string
  @NestedList(() => PointsBand, 1, 200) bands!: PointsBand[]
}

export class AnchorBand extends Band {
  /** The value that earns full points. */
  @Whole(LOWEST, HIGHEST) anchor!: number
}

/** Full points at an anchor, and so many off for each unit beyond it. */
export class PointsByRule {
  @Choice(['pointsByRule']) kind!: 'pointsByRule'
  @Choice(UNITS) unit!: Unit
  @Whole(1, 1_000_000) fullCentipoints!: number
  @Whole(1, 1_000_000) offCentipoints!: number
  /** Size of a unit: 8000 for points off every 8 s. */
  @Whole(1, HIGHEST) perUnit!: number
  /** Whether a unit counts as soon as it is started, or when it is whole. */
  @Choice(['started', 'whole']) units!: 'started' | 'whole'
  @Optional() @Whole(0, 1_000_000) floorCentipoints?: number
  @NestedList(() => AnchorBand, 1, 200) bands!: AnchorBand[]
}

export class NormClass {
  @Slug() id!: string
  @Text(40) name!: string
}

export class NormBand extends Band {
  /** The value from which each class but the lowest is reached, in the order of the classes. */
  @WholeList(LOWEST, 1, 11) from!: number[]
}

/** Named classes of a reference table, from the lowest to the highest: feedback, not pass or fail. */
export class NormClasses {
  @Choice(['normClasses']) kind!: 'normClasses'
  @Choice(UNITS) unit!: Unit
  @NestedList(() => NormClass, 2, 12) classes!: NormClass[]
  @NestedList(() => NormBand, 1, 200) bands!: NormBand[]
}

/** Finished in order with all work done, within the limit if there is one. */
class Completion {
  @Choice(['completion']) kind!: 'completion'
  @Choice(UNITS) unit!: Unit
  @Optional() @Whole(1, HIGHEST) atMost?: number
}

/** Took part; nothing is judged. */
class Effort {
  @Choice(['effort']) kind!: 'effort'
}

export const SCORINGS = {
  singleCut: SingleCut,
  cutByBand: CutByBand,
  relativeCut: RelativeCut,
  pointsTable: PointsTable,
  pointsByRule: PointsByRule,
  normClasses: NormClasses,
  completion: Completion,
  effort: Effort,
} as const

export type ScoringKind = keyof typeof SCORINGS
export type Scoring = InstanceType<(typeof SCORINGS)[ScoringKind]>

export const SCORING_NAMES: Readonly<Record<ScoringKind, string>> = {
  singleCut: 'One cut for everybody',
  cutByBand: 'Cut by band',
  relativeCut: 'Share of body mass',
  pointsTable: 'Points table',
  pointsByRule: 'Points by rule',
  normClasses: 'Norm classes',
  completion: 'Completion',
  effort: 'Took part',
}

/** The rows of a scoring that are for a band, whatever the school calls them; none where everybody is treated alike. */
export const bandsOf = (scoring: Scoring): readonly Band[] => {
  switch (scoring.kind) {
    case 'cutByBand':
    case 'relativeCut':
      return scoring.rows
    case 'pointsTable':
    case 'pointsByRule':
    case 'normClasses':
      return scoring.bands
    default:
      return []
  }
}

/** Where those rows stand in the document. */
export const bandListName = (kind: ScoringKind): 'rows' | 'bands' =>
  kind === 'cutByBand' || kind === 'relativeCut' ? 'rows' : 'bands'
