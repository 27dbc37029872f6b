/** What the interface answers about captures. */
import { Flag, NestedList, Nullable, Text, Whole } from '../document/rules.ts'
import type { AnnexedCapture, RecordedCapture } from '../capture/capture.ts'
import { AnnexedCaptures, RecordedCaptures } from './shapes.ts'

/** A page of the record, in the order of its numbers. */
export class CapturesAnswer {
  @RecordedCaptures() readonly captures!: readonly RecordedCapture[]
  /** The last number that was looked at; null when there is none. */
  @Nullable() @Whole(1) readonly lastSeq!: number | null
  @Flag() readonly more!: boolean
}

export class CaptureReceipt {
  @Text() readonly id!: string
  /** Number within the day, or null for what came after the signature. */
  @Nullable() @Whole(1) readonly seq!: number | null
  /** It arrived after the signature and is kept beside the day, for the officer to look at. */
  @Flag() readonly annexed!: boolean
}

export class StoredAnswer {
  @NestedList(() => CaptureReceipt, 0, 500) readonly captures!: readonly CaptureReceipt[]
}

export class AnnexAnswer {
  @AnnexedCaptures() readonly captures!: readonly AnnexedCapture[]
}

export class InstrumentAnswer {
  /** Lines stored as captures. */
  @Whole(0) readonly stored!: number
  /** Lines that were on record already. */
  @Whole(0) readonly known!: number
}
