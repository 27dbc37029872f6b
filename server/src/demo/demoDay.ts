/** The form of a demo day: who is entered, and the results to make captures for. Described in docs/demo.md. */
import {
  ATTENDANCES,
  Briefed,
  Conditions,
  EventConfirmed,
  HeatDecided,
  rules,
  STOP_REASONS,
  type Attendance,
  type StopReason,
} from '@able-gauge/core'

class DemoStandard {
  @rules.Slug() id!: string
  @rules.Whole(1) version!: number
}

class DemoStaff {
  @rules.Text(80) signInName!: string
  @rules.Text(80) duty!: string
}

class DemoEntry {
  @rules.Text(20) person!: string
  @rules.Whole(1, 99_999) bib!: number
  @rules.Whole(1, 999) wave!: number
  @rules.Choice(ATTENDANCES) attendance!: Attendance
  @rules.Optional() @rules.Text(300) note?: string
  /** With its unit, such as "64.1 kg". */
  @rules.Optional() @rules.Text(12) bodyMass?: string
}

class DemoRestart {
  @rules.Whole(0, 100) after!: number
  @rules.Text(300) reason!: string
}

class DemoAttempt {
  @rules.Whole(1, 99_999) bib!: number
  /** Time of day at the venue, HH:MM:SS. */
  @rules.Text(8) at!: string
  @rules.Whole(0, 500) counted!: number
  @rules.Optional() @rules.TextList(50) refused?: string[]
  @rules.Optional() @rules.Whole(0, 20) cautions?: number
  @rules.Optional() @rules.Nested(() => DemoRestart) restart?: DemoRestart
}

class DemoRepetitions {
  @rules.Slug() eventId!: string
  @rules.Text(80) grader!: string
  @rules.NestedList(() => DemoAttempt, 0, 500) attempts!: DemoAttempt[]
}

class DemoStop {
  @rules.Choice(STOP_REASONS) reason!: StopReason
  @rules.Optional() @rules.Text(300) note?: string
  @rules.Whole(0, 100) afterLaps!: number
}

class DemoRunner {
  @rules.Whole(1, 99_999) bib!: number
  @rules.Text(12) finish!: string
  @rules.Optional() @rules.Nested(() => DemoStop) stop?: DemoStop
  /** A lap that was stamped without a bib, which was put to it a little later. */
  @rules.Optional() @rules.Whole(1, 100) bibLaterAtLap?: number
}

class DemoRun {
  @rules.Slug() eventId!: string
  @rules.Text(80) timer!: string
  @rules.Whole(1, 999) wave!: number
  @rules.Text(8) at!: string
  @rules.NestedList(() => DemoRunner, 1, 500) runners!: DemoRunner[]
}

class DemoReadings {
  @rules.Whole(1, 99_999) bib!: number
  /** What was read, by slot, written as it is typed. */
  @rules.TextRecord(40, 20) values!: Record<string, string>
}

/** Figures read one person after another. */
class DemoReadingEvent {
  @rules.Slug() eventId!: string
  @rules.Text(80) grader!: string
  /** Of the first person. */
  @rules.Text(8) at!: string
  @rules.Whole(1, 3_600) everySeconds!: number
  @rules.NestedList(() => DemoReadings, 1, 500) people!: DemoReadings[]
}

class DemoStation {
  @rules.Slug() eventId!: string
  @rules.Text(80) place!: string
  @rules.Whole(1, 50) stations!: number
  /** Sign-in names. */
  @rules.TextList(20, 80) staff!: string[]
  /** How far the measured ground may be off, and what it is. */
  @rules.Optional() @rules.Whole(0, 10_000) toleranceMm?: number
  @rules.Optional() @rules.Text(120) surface?: string
  /** On which day of the occasion; the first when left out. */
  @rules.Optional() @rules.Whole(0, 60) day?: number
}

class DemoPlan {
  @rules.Text(5) musterAt!: string
  @rules.Text(5) startsAt!: string
  /** How many days it takes; one when left out. */
  @rules.Optional() @rules.Whole(1, 60) days?: number
  @rules.NestedList(() => DemoStation, 0, 40) stations!: DemoStation[]
}

class DemoRecord {
  /** Time of day at the venue, HH:MM:SS. */
  @rules.Text(8) at!: string
  @rules.Text(80) by!: string
  @rules.OneOf({ conditions: Conditions, heatDecided: HeatDecided, briefed: Briefed, eventConfirmed: EventConfirmed })
  content!: Conditions | HeatDecided | Briefed | EventConfirmed
}

export class DemoDay {
  @rules.Uuid() id!: string
  @rules.Text(120) name!: string
  @rules.Text(120) venue!: string
  @rules.Text(60) zone!: string
  @rules.CalendarDate() testDate!: string
  @rules.Nested(() => DemoStandard) standard!: DemoStandard
  @rules.NestedList(() => DemoStaff, 1, 50) staff!: DemoStaff[]
  @rules.NestedList(() => DemoEntry, 1, 500) entries!: DemoEntry[]
  @rules.NestedList(() => DemoRepetitions, 0, 10) repetitions!: DemoRepetitions[]
  @rules.NestedList(() => DemoReadingEvent, 0, 20) readings!: DemoReadingEvent[]
  @rules.NestedList(() => DemoRun, 0, 20) runs!: DemoRun[]
  @rules.Optional() @rules.Nested(() => DemoPlan) plan?: DemoPlan
  @rules.Optional() @rules.NestedList(() => DemoRecord, 1, 100) log?: DemoRecord[]
  @rules.Optional() @rules.Text(80) signedOffBy?: string
}
