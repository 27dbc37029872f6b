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

const SPEAKERS = ['grader', 'candidate', 'signal'] as const
export type Speaker = (typeof SPEAKERS)[number]

/** One word of a start, and who says it. */
export class StartWord {
  @Choice(SPEAKERS) speaker!: Speaker
  @Text(40) say!: string
}

/** A start in which grader and candidate take turns, or a signal has the last word; the clock starts with the last. */
export class StartWords {
  @NestedList(() => StartWord, 1, 8) words!: StartWord[]
  /** By themselves, so far apart; left out, each by a key. */
  @Optional() @Whole(300, 10_000) everyMs?: number
}

const CONSEQUENCES = ['stands', 'fails', 'breach'] as const
export type Consequence = (typeof CONSEQUENCES)[number]

/** A reason of this event that ends it, at one touch, and what becomes of what was done so far. */
export class Ending {
  @Text(60) label!: string
  @Choice(CONSEQUENCES) then!: Consequence
}

/** What is worn and carried, looked at on the line: pacing devices, fins, gloves. */
export class Equipment {
  @Optional() @TextList(12, 80) required?: string[]
  @Optional() @TextList(12, 80) allowed?: string[]
  @Optional() @TextList(12, 80) forbidden?: string[]
}

/** Minutes of preparation, or of walking it off. */
export class Minutes {
  @Whole(1, 60) minutes!: number
  @Optional() @Text(300) how?: string
}

export class ProtocolBase {
  /** In place of the start commands, where somebody else than the grader has a word. */
  @Optional() @Nested(() => StartWords) startWords?: StartWords
  /** What ends this event besides the reasons every event knows: holds the side, is helped, cannot come up again. */
  @Optional() @NestedList(() => Ending, 1, 12) endings?: Ending[]
  @Optional() @Nested(() => Equipment) equipment?: Equipment
  @Optional() @Nested(() => Minutes) warmUp?: Minutes
  @Optional() @Nested(() => Minutes) coolDown?: Minutes
  /** Has to be clear before the event starts, such as no pain on a gentle trial movement. */
  @Optional() @TextList(6, 300) clearBefore?: string[]
  @Optional() @NestedList(() => SetUpValue, 1, 12) setUp?: SetUpValue[]
  @Optional() @NestedList(() => Announcement, 1, 40) announcements?: Announcement[]
  /** Read to candidates before the event, word for word. */
  @Optional() @TextList(20, 600) readOut?: string[]
  @Optional() @Nested(() => ProtocolNotes) notes?: ProtocolNotes
}
