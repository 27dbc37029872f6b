/** What the interface takes and answers about sets that were practised on. */
import {
  Choice,
  Flag,
  FreeText,
  NestedList,
  Nullable,
  Optional,
  Real,
  Slug,
  Text,
  Uuid,
  Whole,
} from '../document/rules.ts'
import { DRILL_LEVELS, PRACTISED, type DrillLevel, type Practised } from '../drill/practised.ts'

export type { DrillLevel, Practised }

/** What was said of a repetition, the bib of a stamp, or a reading. */
export class DrillAnswerBody {
  @Whole(0, 3) readonly lane!: number
  /** From the start of the lane, in ms. */
  @Whole(-60_000, 3_600_000) readonly atMs!: number
  /** `counted`, `flagged`, the id of a reason; of a finish the bib, or `none`; of a reach its number and what was read in mm, `3-245`. */
  @Slug() readonly answer!: string
}

class LaneEnd {
  /** From the start of the lane, in ms; null where it was watched to its end. */
  @Nullable() @Whole(0, 3_600_000) readonly atMs!: number | null
}

/** Which set, and when it was worked. */
class DrillSet {
  @Uuid() readonly id!: string
  @Slug() readonly standardId!: string
  @Whole(1) readonly version!: number
  @Slug() readonly eventId!: string
  @Choice(PRACTISED) readonly what!: Practised
  @Choice(DRILL_LEVELS) readonly level!: DrillLevel
  @Whole(1, 9_999) readonly seed!: number
  /** Candidates watched at once; of a finish the runners. */
  @Whole(1, 60) readonly lanes!: number
  /** Id of the reason that was asked for. */
  @Optional() @Slug() readonly more?: string
  @Whole(0) readonly doneAtMs!: number
}

/** A set that was worked. What it is worth is worked out where it is kept, from the answers. */
export class DrillBody extends DrillSet {
  @NestedList(() => DrillAnswerBody, 0, 2_000) readonly answers!: readonly DrillAnswerBody[]
  @NestedList(() => LaneEnd, 0, 4) readonly ends!: readonly LaneEnd[]
}

export class DrillFaultAnswer {
  @Slug() readonly reasonId!: string
  @Text() readonly label!: string
  @Whole(0) readonly shown!: number
  @Whole(0) readonly seen!: number
}

/** What a set was worth. */
export class DrillResult extends DrillSet {
  /** Agreement beyond chance; of a finish the share of runners who are right, of reaches that of readings. Null where there was nothing to tell apart. */
  @Nullable() @Real() readonly mark!: number | null
  @Whole(0) readonly shown!: number
  @Whole(0) readonly counted!: number
  @Whole(0) readonly truly!: number
  @Nullable() @Whole(-60_000) readonly reactionMs!: number | null
  @NestedList(() => DrillFaultAnswer, 0, 9) readonly faults!: readonly DrillFaultAnswer[]
}

/** Somebody else on the same set. */
export class DrillBeside {
  /** Empty to who may not know. */
  @FreeText(120) readonly name!: string
  @Nullable() @Real() readonly mark!: number | null
  @Whole(0) readonly counted!: number
  /** How far both said the same, beyond chance. */
  @Nullable() @Real() readonly together!: number | null
}

export class DrillsAnswer {
  /** The own ones, newest first. */
  @NestedList(() => DrillResult, 0, 1_000) readonly drills!: readonly DrillResult[]
}

export class DrillBesideAnswer {
  @NestedList(() => DrillBeside, 0, 1_000) readonly others!: readonly DrillBeside[]
  /** Whether names are told. */
  @Flag() readonly isNamed!: boolean
}

/** The latest of somebody in something. */
export class DrillMark {
  @Uuid() readonly accountId!: string
  @Text() readonly name!: string
  @Choice(PRACTISED) readonly what!: Practised
  @Choice(DRILL_LEVELS) readonly level!: DrillLevel
  @Nullable() @Real() readonly mark!: number | null
  @Whole(0) readonly doneAtMs!: number
}

export class DrillMarksAnswer {
  @NestedList(() => DrillMark, 0, 100_000) readonly marks!: readonly DrillMark[]
}
