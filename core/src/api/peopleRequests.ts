/** What the interface takes about people across days. */
import { CalendarDate, Flag, FreeText, NestedList, Optional, Slug, Text, Uuid, Whole } from '../document/rules.ts'

export class MergeBody {
  /** The person all of it belongs to from now on. */
  @Uuid() intoId!: string
  @Text(300) reason!: string
  /** Said after being asked: they are one person although name or date of birth differ. */
  @Optional() @Flag() although?: boolean
}

export class CorrectionBody {
  // what is left out stays as it is
  @Optional() @Text(40) number?: string
  @Optional() @Text(80) givenName?: string
  @Optional() @Text(80) familyName?: string
  @Optional() @CalendarDate() birthDate?: string
  @Text(300) reason!: string
}

export class ReasonBody {
  @Text(300) reason!: string
}

export class Figure {
  @Slug() slot!: string
  @Whole(-100_000, 1_000_000_000) value!: number
}

export class SelfTestBody {
  @Slug() standardId!: string
  @Whole(1, 10_000) standardVersion!: number
  @Slug() eventId!: string
  @CalendarDate() testDate!: string
  @NestedList(() => Figure, 1, 60) figures!: Figure[]
  @FreeText(80) witness!: string
  @FreeText(300) note!: string
}
