/** What the interface takes and answers about a candidate's own page. */
import {
  AnyObject,
  CalendarDate,
  FreeText,
  Nested,
  NestedList,
  Nullable,
  Slug,
  Text,
  Uuid,
  UuidList,
  Whole,
} from '../document/rules.ts'
import type { Standard } from '../standard/standard.ts'
import { PersonRecord } from './peopleAnswers.ts'
import { SelfTestBody } from './peopleRequests.ts'

/** What opens a page: its link, and a date only the person knows. */
export class OwnPageKey {
  @Text(80) code!: string
  @CalendarDate() birthDate!: string
}

export class OwnSelfTestBody {
  @Nested(() => OwnPageKey) key!: OwnPageKey
  @Nested(() => SelfTestBody) test!: SelfTestBody
}

export class OwnPictureBody {
  @Nested(() => OwnPageKey) key!: OwnPageKey
  @Uuid() testId!: string
}

/** A figure somebody wants to reach. */
export class OwnGoal {
  @Slug() standardId!: string
  @Slug() eventId!: string
  /** In the base unit of the event. */
  @Whole(0, 1_000_000_000) value!: number
  @CalendarDate() byDate!: string
}

export class OwnGoalBody {
  @Nested(() => OwnPageKey) key!: OwnPageKey
  @Nested(() => OwnGoal) goal!: OwnGoal
}

export class OwnGoalEndBody {
  @Nested(() => OwnPageKey) key!: OwnPageKey
  @Slug() standardId!: string
  @Slug() eventId!: string
}

/** A link to somebody's own page, for their result sheet. */
export class EntryPageLink {
  @Text() readonly entryId!: string
  @Text(80) readonly code!: string
}

export class EntryPagesBody {
  @UuidList(2_000) entryIds!: string[]
}

export class EntryPagesAnswer {
  @NestedList(() => EntryPageLink, 0, 2_000) readonly links!: readonly EntryPageLink[]
}

/** Shown to whoever made it, and stored nowhere. */
export class OwnPageLinkAnswer {
  @Text(80) readonly code!: string
  @Whole(0) readonly endsMs!: number
}

/** A day somebody is entered on that is still to come. */
export class ComingTest {
  @Text() readonly name!: string
  @Text() readonly venue!: string
  @CalendarDate() readonly testDate!: string
  @Text() readonly occasionId!: string
  /** Of the venue. */
  @Text(80) readonly zone!: string
  /** When people muster, ms since 1970; null until it is planned. */
  @Nullable() @Whole(0) readonly musterMs!: number | null
}

export class OwnPageAnswer {
  @FreeText(120) readonly organisation!: string
  @Nested(() => PersonRecord) readonly record!: PersonRecord
  /** Of the last test, by which self-tests are logged; null for somebody who was never tested. */
  @Nullable() @AnyObject() readonly standard!: Standard | null
  @NestedList(() => ComingTest, 0, 1_000) readonly coming!: readonly ComingTest[]
  @NestedList(() => OwnGoal, 0, 1_000) readonly goals!: readonly OwnGoal[]
}
