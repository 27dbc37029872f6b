/** What the interface answers about test days, as a screen keeps them. */
import type { TimeBounds } from '../capture/timeBounds.ts'
import { ATTENDANCES, EntryChoices, type Attendance, type EntryFacts, type PersonFacts } from '../day/entry.ts'
import { RECORDS, type DayRecordContent } from '../day/record.ts'
import type { CarriedMark } from '../standard/candidate.ts'
import type { Occasion, OccasionSummary, StaffMember } from '../day/occasion.ts'
import {
  AnyObject,
  CalendarDate,
  Choice,
  Flag,
  FreeText,
  Nested,
  NestedList,
  Nullable,
  OneOf,
  Optional,
  Revision,
  Text,
  TextRecord,
  Whole,
} from '../document/rules.ts'
import { DayPlan } from '../plan/dayPlan.ts'
import type { RestState } from '../plan/restBoard.ts'
import type { Standard } from '../standard/standard.ts'
import type { EarlierFigure } from '../plan/earlierBest.ts'
import { CarriedMarks, EarlierFigures, Names, RestStates, SetUps, TestDates } from './shapes.ts'

export class RehearsalPace {
  @Whole(0) readonly fromMs!: number
  @Whole(1, 1_000) readonly speed!: number
  @Nullable() @Text() readonly ownEventId!: string | null
}

export class SignedOff {
  @Whole(0) readonly atMs!: number
  @Text() readonly by!: string
}

class Cancelled extends SignedOff {
  @Text(300) readonly reason!: string
}

export class OccasionAnswer implements Occasion {
  @Text() readonly id!: string
  @Text() readonly name!: string
  @Text() readonly venue!: string
  @Text() readonly zone!: string
  @CalendarDate() readonly testDate!: string
  @Text() readonly standardId!: string
  @Whole(1) readonly standardVersion!: number
  @Optional() @Text() readonly unitId?: string
  @Nullable() @Nested(() => RehearsalPace) readonly rehearsal!: RehearsalPace | null
  @Nullable() @Nested(() => SignedOff) readonly signedOff!: SignedOff | null
  @Optional() @Nested(() => Cancelled) readonly cancelled?: Cancelled
}

export class OccasionSummaryAnswer extends OccasionAnswer implements OccasionSummary {
  @Text(500) readonly standardName!: string
  @FreeText(500) readonly organisation!: string
  @Whole(0) readonly entries!: number
  @Whole(0) readonly present!: number
  @Whole(0) readonly captures!: number
}

export class OccasionsAnswer {
  @NestedList(() => OccasionSummaryAnswer, 0, 100_000) readonly occasions!: readonly OccasionSummaryAnswer[]
}

export class StaffMemberAnswer implements StaffMember {
  @Text() readonly accountId!: string
  @Text() readonly displayName!: string
  @Text() readonly role!: string
  @Text() readonly duty!: string
  @Optional() @Flag() readonly isGuest?: boolean
  @Optional() @Text() readonly entryId?: string
}

export class EntryPerson implements PersonFacts {
  @Text() readonly id!: string
  @FreeText(80) readonly number!: string
  @FreeText(80) readonly givenName!: string
  @FreeText(80) readonly familyName!: string
  /** There only for roles that need it. */
  @Optional() @CalendarDate() readonly birthDate?: string
}

export class EntryAnswer implements EntryFacts {
  @Text() readonly id!: string
  @Nullable() @Whole(1) readonly bib!: number | null
  @Whole(1) readonly wave!: number
  @Text() readonly category!: string
  @Choice(ATTENDANCES) readonly attendance!: Attendance
  @FreeText(300) readonly note!: string
  @Nullable() @Whole(1) readonly bodyMassG!: number | null
  @Nullable() @Whole(1) readonly heightMm!: number | null
  @FreeText(200) readonly gear!: string
  @Flag() readonly identityChecked!: boolean
  @Flag() readonly consented!: boolean
  @Nested(() => EntryChoices) readonly choices!: EntryChoices
  @TextRecord(60, 60) readonly setUp!: Readonly<Record<string, string>>
  /** What stands from an earlier day, by event; left out for nothing. */
  @Optional() @CarriedMarks() readonly carried?: Readonly<Record<string, CarriedMark>>
  @Revision(1) readonly revision!: number
  /** In years, counted by the standard's own rule. */
  @Whole(0) readonly ageYears!: number
  @CalendarDate() readonly ageCountedOn!: string
  @Nested(() => EntryPerson) readonly person!: EntryPerson
}

export class PlanAnswer {
  @Nested(() => DayPlan) readonly plan!: DayPlan
  @Revision(1) readonly revision!: number
  @Text() readonly editedBy!: string
  @Whole(0) readonly editedAtMs!: number
}

/** An entry of the day's log. */
export class RecordAnswer {
  @Text() readonly id!: string
  @Whole(1) readonly seq!: number
  @OneOf(RECORDS) readonly content!: DayRecordContent
  @Text() readonly actorId!: string
  @Text() readonly actor!: string
  @Whole(0) readonly atMs!: number
}

/** What was changed after the signature. */
export class AmendmentAnswer {
  @Text() readonly id!: string
  @Text() readonly entryId!: string
  @Text() readonly eventId!: string
  /** A word, or the measure it is judged from. */
  @Optional() @Choice(['met', 'short']) readonly as?: 'met' | 'short'
  @Optional() @Whole(-100_000, 1_000_000_000) readonly value?: number
  @FreeText(500) readonly reason!: string
  @Text() readonly accountId!: string
  @Text() readonly by!: string
  @Whole(0) readonly atMs!: number
}

/** A day that came out of an archive. */
export class ReadInAnswer {
  @Text() readonly by!: string
  @Whole(0) readonly atMs!: number
  /** Fingerprint of the key that signed it, or null. */
  @Nullable() @Text() readonly keyFingerprint!: string | null
  /** Whether the signature is by a key that is known here. */
  @Flag() readonly proven!: boolean
}

/** Fingerprints to compare on paper. */
export class SignatureAnswer {
  @Text() readonly head!: string
  /** Null for days signed before installations had keys. */
  @Nullable() @Text() readonly key!: string | null
}

/** Agreed time, ms since 1970: from the first to before the last. */
class TimeSpanAnswer {
  @Whole(Number.MIN_SAFE_INTEGER) readonly fromMs!: number
  @Whole(Number.MIN_SAFE_INTEGER) readonly beforeMs!: number
}

export class DayAnswer {
  @Nested(() => OccasionAnswer) readonly occasion!: OccasionAnswer
  /** The published version the day is judged by; it was checked when it was published. */
  @AnyObject() readonly standard!: Standard
  @Text() readonly standardHash!: string
  /** Moments the day can hold, in the zone of its venue; null for a rehearsal, whose time runs as fast as it likes. */
  @Nullable() @NestedList(() => TimeSpanAnswer, 1, 1_000) readonly bounds!: TimeBounds | null
  @NestedList(() => StaffMemberAnswer, 0, 1_000) readonly staff!: readonly StaffMemberAnswer[]
  @NestedList(() => EntryAnswer, 0, 100_000) readonly entries!: readonly EntryAnswer[]
  /** Null until somebody has planned it. */
  @Nullable() @Nested(() => PlanAnswer) readonly plan!: PlanAnswer | null
  /** The log beside the captures, oldest first. */
  @NestedList(() => RecordAnswer, 0, 100_000) readonly records!: readonly RecordAnswer[]
  /** Entries the screening questions were put to. */
  @Names() readonly screened!: readonly string[]
  /** What was set up the last time for those who come again, by entry: a retest repeats it. */
  @SetUps() readonly earlierSetUps!: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** When they were tested by the same standard before, the last time, by entry. */
  @TestDates() readonly testedBefore!: Readonly<Record<string, string>>
  /** What was measured of those who come again on earlier signed days of the same standard, by entry. */
  @EarlierFigures() readonly earlierFigures!: Readonly<Record<string, readonly EarlierFigure[]>>
  /** The unit of everybody who has one, by entry. */
  @TextRecord(100_000, 60) readonly unitsOf!: Readonly<Record<string, string>>
  /** What was changed after the signature, oldest first. */
  @NestedList(() => AmendmentAnswer, 0, 100_000) readonly amendments!: readonly AmendmentAnswer[]
  @Nullable() @Nested(() => ReadInAnswer) readonly readIn!: ReadInAnswer | null
  /** What is printed on paper of the signature; null before it. */
  @Nullable() @Nested(() => SignatureAnswer) readonly signature!: SignatureAnswer | null
  /** Where everybody is between events, for who sees one station alone and cannot work it out; null for everybody else. */
  @Nullable() @RestStates() readonly rests!: Readonly<Record<string, RestState>> | null
}

/** How many entries have another wave now. */
export class WavesAnswer {
  @Whole(0) readonly changed!: number
}

export class AttendanceAnswer {
  /** How many were still expected, and are told otherwise now. */
  @Whole(0) readonly changed!: number
}

export class DeviceReport {
  @Text() readonly deviceId!: string
  @Text() readonly by!: string
  /** Captures that wait there to be sent. */
  @Whole(0) readonly waiting!: number
  /** Captures the server refused, which nobody has looked at there. */
  @Whole(0) readonly refused!: number
  @Whole(0) readonly seenMs!: number
  /** How far its clock may be off, ms; left out where nobody knows, as the battery is. */
  @Optional() @Whole(0) readonly clockMs?: number
  @Optional() @Whole(0, 100) readonly batteryPercent?: number
}

/** A device at work on a day that is open. */
export class DeviceAtWork extends DeviceReport {
  @Text() readonly occasionId!: string
  @Text() readonly day!: string
}

/** Devices of all open days one sees, seen lately, the newest first. */
export class DevicesAtWorkAnswer {
  @NestedList(() => DeviceAtWork, 0, 10_000) readonly devices!: readonly DeviceAtWork[]
  /** Now, by the server. */
  @Whole(0) readonly nowMs!: number
}

/** Devices that took part in a day, those that hold something first. */
export class DevicesAnswer {
  @NestedList(() => DeviceReport, 0, 10_000) readonly devices!: readonly DeviceReport[]
}

export class StationCode {
  @Text() readonly code!: string
  @Names() readonly eventIds!: readonly string[]
  @Choice(['grader', 'timer']) readonly role!: 'grader' | 'timer'
}

export class StationsAnswer {
  @NestedList(() => StationCode, 0, 10_000) readonly stations!: readonly StationCode[]
}

export class StationMadeAnswer {
  @Text() readonly code!: string
}
