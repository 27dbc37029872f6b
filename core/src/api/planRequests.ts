/** What the interface takes about days, their plan, staff and people. */
import {
  CalendarDate,
  Choice,
  Flag,
  Nested,
  NestedList,
  Nullable,
  Optional,
  Revision,
  Slug,
  Text,
  Uuid,
  UuidList,
  Whole,
} from '../document/rules.ts'
import { DayPlan } from '../plan/dayPlan.ts'

export class StaffBody {
  @Uuid() accountId!: string
  @Text(80) duty!: string
}

export class NewDayBody {
  @Text(120) name!: string
  @Text(120) venue!: string
  @Text(60) zone!: string
  @CalendarDate() testDate!: string
  @Slug() standardId!: string
  @Whole(1, 10_000) version!: number
  /** Left out for the own unit; null for the whole house. */
  @Optional() @Nullable() @Uuid() unitId?: string | null
  /** Besides the officer who plans the day. */
  @NestedList(() => StaffBody, 0, 100) staff!: StaffBody[]
}

export class RosterRowBody {
  @Text(80) number!: string
  @Text(80) givenName!: string
  @Text(80) familyName!: string
  @CalendarDate() birthDate!: string
  @Slug() category!: string
  @Optional() @Whole(1, 99_999) bib?: number
  @Optional() @Whole(1, 999) wave?: number
}

export class RosterBody {
  /** How many start together, where a row names no wave. */
  @Whole(1, 500) waveOf!: number
  @NestedList(() => RosterRowBody, 1, 1_000) people!: RosterRowBody[]
}

export class PlanBody {
  /** The revision that was being looked at; 0 when there was none. */
  @Revision(0) revision!: number
  @Nested(() => DayPlan) plan!: DayPlan
}

export class WaveOfEntry {
  @Uuid() entryId!: string
  @Whole(1, 999) wave!: number
}

export class WavesBody {
  @NestedList(() => WaveOfEntry, 1, 1_000) waves!: WaveOfEntry[]
}

/** Of those who are still expected. */
export class AttendanceBody {
  @UuidList(1_000) entryIds!: string[]
  @Choice(['late', 'absent']) attendance!: 'late' | 'absent'
}

export class DayChangeBody {
  // what is left out stays as it is
  @Optional() @Text(120) name?: string
  @Optional() @Text(120) venue?: string
  @Optional() @Text(60) zone?: string
  @Optional() @CalendarDate() testDate?: string
  /** Null for the whole house. */
  @Optional() @Nullable() @Uuid() unitId?: string | null
}

export class StandardOfDayBody {
  @Slug() standardId!: string
  @Whole(1, 10_000) version!: number
}

export class CopyDayBody {
  @Text(120) name!: string
  @CalendarDate() testDate!: string
  /** Of the same standard. */
  @Whole(1, 10_000) version!: number
  /** Whether everybody entered is entered again. */
  @Flag() withPeople!: boolean
}

export class StaffListBody {
  @NestedList(() => StaffBody, 1, 100) staff!: StaffBody[]
}
