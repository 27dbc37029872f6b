/** What the interface takes and answers about a candidate's own page. */
import { AnyObject, CalendarDate, FreeText, Nested, NestedList, Nullable, Text, Whole } from '../document/rules.ts'
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
}

export class OwnPageAnswer {
  @FreeText(120) readonly organisation!: string
  @Nested(() => PersonRecord) readonly record!: PersonRecord
  /** Of the last test, by which self-tests are logged; null for somebody who was never tested. */
  @Nullable() @AnyObject() readonly standard!: Standard | null
  @NestedList(() => ComingTest, 0, 1_000) readonly coming!: readonly ComingTest[]
}
