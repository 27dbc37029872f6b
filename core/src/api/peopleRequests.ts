/** What the interface takes about people across days. */
import {
  CalendarDate,
  Choice,
  Flag,
  FreeText,
  NestedList,
  Nullable,
  Optional,
  Slug,
  Text,
  Uuid,
  Whole,
} from '../document/rules.ts'
import type { RegisterRow } from '../people/matchRegister.ts'

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
  @Optional() @FreeText(40) category?: string
  @Optional() @FreeText(40) rank?: string
  @Optional() @FreeText(120) email?: string
  /** Null for no unit. */
  @Optional() @Nullable() @Uuid() unitId?: string | null
  @Text(300) reason!: string
}

/** Somebody as a file says; what it leaves out is empty. */
export class RegisterRowBody implements RegisterRow {
  @Text(80) number!: string
  @Text(80) givenName!: string
  @Text(80) familyName!: string
  @CalendarDate() birthDate!: string
  @FreeText(40) category!: string
  /** Empty, or the id of a unit. */
  @FreeText(36) unitId!: string
  @FreeText(40) rank!: string
  @FreeText(120) email!: string
}

export class CompareBody {
  @NestedList(() => RegisterRowBody, 1, 2_000) people!: RegisterRowBody[]
}

/** What is to be done with a row, as it was decided on a match that was shown. */
export class ImportRowBody extends RegisterRowBody {
  @Choice(['add', 'change']) take!: 'add' | 'change'
  /** Whom it changes. */
  @Optional() @Uuid() personId?: string
}

export class ImportBody {
  @NestedList(() => ImportRowBody, 1, 2_000) people!: ImportRowBody[]
  /** Why people on record are changed. */
  @Text(300) reason!: string
}

export class ReasonBody {
  @Text(300) reason!: string
}

export class Figure {
  @Slug() slot!: string
  @Whole(-100_000, 1_000_000_000) value!: number
}

/** Of a picture that was made small before it is sent, in base 64. */
export const MOST_PICTURE = 900_000

export class SelfTestBody {
  @Slug() standardId!: string
  @Whole(1, 10_000) standardVersion!: number
  @Slug() eventId!: string
  @CalendarDate() testDate!: string
  @NestedList(() => Figure, 1, 60) figures!: Figure[]
  @FreeText(80) witness!: string
  @FreeText(300) note!: string
  /** The form it was done in; left out for the event as it stands. */
  @Optional() @Slug() variantId?: string
  /** The self-test it puts right, which stays on record. */
  @Optional() @Uuid() replaces?: string
  /** A JPEG, PNG or WebP file in base 64: the display of a machine, a card that was signed. */
  @Optional() @Text(MOST_PICTURE) picture?: string
}
