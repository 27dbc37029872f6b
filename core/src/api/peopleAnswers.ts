/** What the interface answers about people across days. */
import { EntryChoices, type PersonFacts } from '../day/entry.ts'
import {
  CalendarDate,
  Choice,
  Flag,
  FreeText,
  Nested,
  NestedList,
  Nullable,
  Optional,
  Text,
  TextList,
  TextRecord,
  Whole,
} from '../document/rules.ts'
import type { Mark, Verdict } from '../judge/mark.ts'
import { UNITS, type Unit } from '../quantity/unit.ts'
import type { RegisterMatch } from '../people/matchRegister.ts'
import { FigureRecord, MarkShape, RegisterMatches, VerdictShape } from './shapes.ts'

export class Person implements PersonFacts {
  @Text() readonly id!: string
  @FreeText(80) readonly number!: string
  @FreeText(80) readonly givenName!: string
  @FreeText(80) readonly familyName!: string
  @CalendarDate() readonly birthDate!: string
  @Flag() readonly erased!: boolean
  /** Left out for somebody of no unit. */
  @Optional() @Text() readonly unitId?: string
  /** As the organisation writes it; left out where nobody knows, as rank and e-mail are. */
  @Optional() @Text(40) readonly category?: string
  @Optional() @Text(40) readonly rank?: string
  @Optional() @Text(120) readonly email?: string
}

export class PersonSummary extends Person {
  @Whole(0) readonly tests!: number
  /** Date of the last test that was signed off, or null. */
  @Nullable() @CalendarDate() readonly lastTest!: string | null
}

export class PeopleAnswer {
  @NestedList(() => PersonSummary, 0, 100_000) readonly people!: readonly PersonSummary[]
}

export class TestedEvent {
  @Text() readonly id!: string
  @Text() readonly name!: string
}

/** Air and wind on a test day, as they were written down. */
export class TestConditions {
  @Whole(-600, 600) readonly airDeciC!: number
  @Whole(0, 100) readonly humidityPercent!: number
  @Optional() @Whole(0, 300) readonly windKmh?: number
}

/** A class by points in total, from so many on. */
export class PointsClass {
  @Text() readonly name!: string
  @Whole(0) readonly fromCentipoints!: number
}

export class PersonTest {
  @Text() readonly occasionId!: string
  @Text() readonly name!: string
  @CalendarDate() readonly testDate!: string
  @Text() readonly standardId!: string
  @Whole(1) readonly standardVersion!: number
  @Text() readonly standardName!: string
  @Text() readonly entryId!: string
  @Nested(() => EntryChoices) readonly choices!: EntryChoices
  @TextRecord(60, 60) readonly setUp!: Readonly<Record<string, string>>
  @NestedList(() => TestedEvent, 0, 100) readonly events!: readonly TestedEvent[]
  /** Earliest retest, in days after the test. */
  @Whole(0) readonly earliestAfterDays!: number
  /** Null while the day is not signed off. */
  @Nullable() @VerdictShape() readonly verdict!: Verdict | null
  @Optional() @Flag() readonly amended?: boolean
  /** Null where nobody wrote them down. */
  @Nullable() @Nested(() => TestConditions) readonly conditions!: TestConditions | null
  /** What results give an estimate of, with the formula; an estimate decides nothing. */
  @TextList(200, 600) readonly estimates!: readonly string[]
  /** Of the total, from the lowest to the highest; empty where there are none. */
  @NestedList(() => PointsClass, 0, 20) readonly classes!: readonly PointsClass[]
  /** The file it came from, for a result of earlier years that was never signed here. */
  @Optional() @Text() readonly broughtIn?: string
}

export class ReadFigure {
  @Text() readonly label!: string
  @Whole(-1_000_000_000) readonly value!: number
  @Choice(UNITS) readonly unit!: Unit
}

export class PersonSelfTest {
  @Text() readonly id!: string
  @Text() readonly standardId!: string
  @Whole(1) readonly standardVersion!: number
  @Text() readonly eventId!: string
  @Text() readonly eventName!: string
  @CalendarDate() readonly testDate!: string
  @FreeText(200) readonly witness!: string
  @FreeText(1_000) readonly note!: string
  /** By slot, in base units. */
  @FigureRecord() readonly figures!: Readonly<Record<string, number>>
  /** The same as they are read. */
  @NestedList(() => ReadFigure, 0, 60) readonly read!: readonly ReadFigure[]
  @Optional() @Text() readonly variantId?: string
  /** The self-test it put right; left out for one that stands on its own. */
  @Optional() @Text() readonly replaces?: string
  @Flag() readonly hasPicture!: boolean
  /** Null while there is no category to judge it by. */
  @Nullable() @MarkShape() readonly mark!: Mark | null
}

export const PERSON_CHANGES = ['merged', 'unmerged', 'corrected', 'erased'] as const

export class PersonChange {
  @Choice(PERSON_CHANGES) readonly what!: (typeof PERSON_CHANGES)[number]
  @Text() readonly personId!: string
  @FreeText(500) readonly reason!: string
  @Text() readonly by!: string
  @Whole(0) readonly atMs!: number
  @FreeText(80) readonly number!: string
}

export class PersonRecord {
  @Nested(() => Person) readonly person!: Person
  @NestedList(() => PersonTest, 0, 10_000) readonly tests!: readonly PersonTest[]
  @NestedList(() => PersonSelfTest, 0, 10_000) readonly selfTests!: readonly PersonSelfTest[]
  @NestedList(() => PersonChange, 0, 10_000) readonly changes!: readonly PersonChange[]
}

export class MergedAnswer {
  /** How many entries came over. */
  @Whole(0) readonly entries!: number
}

/** How each row of a file stands to the register, in their order. */
export class MatchesAnswer {
  @RegisterMatches() readonly matches!: readonly RegisterMatch[]
}

export class ImportedAnswer {
  @Whole(0) readonly added!: number
  @Whole(0) readonly changed!: number
}
