/** What every protocol can carry besides its own parameters. */
import { Choice, Nested, NestedList, Optional, Slug, Text, TextList, Whole } from '../document/rules.ts'

/** A value recorded per person, so that a retest repeats it: box height, foot distance, shoes. */
export class SetUpValue {
  @Slug() id!: string
  @Text(60) label!: string
  /** The unit it is written in, such as "cm". */
  @Optional() @Text(12) writtenIn?: string
}

/** Something said to candidates at a lap, a moment or a distance; exactly one of them is given. */
export class Announcement {
  @Optional() @Whole(1, 1_000) atLap?: number
  /** From the start. */
  @Optional() @Whole(0, 86_400_000) atMs?: number
  @Optional() @Whole(0, 1_000_000_000) atMm?: number
  @Text(200) say!: string
}

/** How closely repeated measurements of the same person agree, and who found that. */
export class Repeatability {
  /** Such as "ICC 0.94" or "typical error 2.1 %". */
  @Text(120) figure!: string
  @Text(300) source!: string
}

/** For the officer who chooses tests, and for planning. */
export class ProtocolNotes {
  /** What the event tells about a person. */
  @Text(200) measures!: string
  @Choice(['maximal', 'submaximal', 'skill']) effort!: 'maximal' | 'submaximal' | 'skill'
  /** How many can be tested at once at one station. */
  @Whole(1, 1_000) peopleAtOnce!: number
  /** Time a head, with change-over, in seconds. */
  @Whole(1, 86_400) secondsEach!: number
  @Optional() @Nested(() => Repeatability) repeatability?: Repeatability
}

/** Several watches on one person, and which of them counts. */
export class WatchRule {
  /** How many watches are meant to be on each person. */
  @Whole(1, 3) watches!: number
  /** Two watches. */
  @Choice(['slower', 'mean']) ofTwo!: 'slower' | 'mean'
  /** Three watches: the middle one, which is also the value of two that agree. */
  @Choice(['middle', 'slower', 'mean']) ofThree!: 'middle' | 'slower' | 'mean'
}

export class ProtocolBase {
  /** Has to be clear before the event starts, such as no pain on a gentle trial movement. */
  @Optional() @TextList(6, 300) clearBefore?: string[]
  @Optional() @NestedList(() => SetUpValue, 1, 12) setUp?: SetUpValue[]
  @Optional() @NestedList(() => Announcement, 1, 40) announcements?: Announcement[]
  /** Read to candidates before the event, word for word. */
  @Optional() @TextList(20, 600) readOut?: string[]
  @Optional() @Nested(() => ProtocolNotes) notes?: ProtocolNotes
}
