/** What the interface takes and answers about results of earlier years. */
import { FreeText, NestedList, Nullable, Slug, Text, TextRecord, Flag, Whole } from '../document/rules.ts'

export class BroughtRowBody {
  @Whole(1, 1_000_000) line!: number
  /** Texts of the cells by field. */
  @TextRecord(60, 200) cells!: Record<string, string>
}

export class BroughtBody {
  @Slug() standardId!: string
  /** What the file is called. */
  @Text(200) source!: string
  /** Whether it is only to be told what would become of each row. */
  @Flag() isTrial!: boolean
  @NestedList(() => BroughtRowBody, 1, 2_000) rows!: BroughtRowBody[]
}

export class BroughtFinding {
  @Text(120) readonly column!: string
  @FreeText(400) readonly found!: string
  @Text(2_000) readonly expected!: string
}

/** What became of a row, or would. */
export class BroughtOutcome {
  @Whole(1) readonly line!: number
  /** Empty where the number is nobody's. */
  @FreeText(170) readonly name!: string
  /** By which it is judged; null where it is not. */
  @Nullable() @Whole(1) readonly version!: number | null
  /** Outcome of the verdict; `already` for a test that is on record, `faulty` for a row that cannot be taken. */
  @Text(40) readonly outcome!: string
  @NestedList(() => BroughtFinding, 0, 200) readonly findings!: readonly BroughtFinding[]
}

export class BroughtAnswer {
  @NestedList(() => BroughtOutcome, 0, 2_000) readonly outcomes!: readonly BroughtOutcome[]
  /** How many were taken, or would be. */
  @Whole(0) readonly taken!: number
}
