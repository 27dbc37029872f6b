/** What the interface answers about the results of many days. Shares and deviations are numbers; what was judged is whole. */
import {
  CalendarDate,
  Choice,
  Flag,
  FreeText,
  Nested,
  NestedList,
  Nullable,
  Optional,
  Real,
  Slug,
  SlugList,
  Text,
  TextList,
  Uuid,
  Whole,
} from '../document/rules.ts'
import { DUE_STATES, type DueState } from '../insight/due.ts'
import { OUTCOMES, type Outcome } from '../judge/outcome.ts'
import type { Sense } from '../kinds/kind.ts'
import { PUBLISHED_UNITS, type PublishedUnit } from '../quantity/imperial.ts'
import { UNITS, type Unit } from '../quantity/unit.ts'
import { REPEATED, RESULT_MARGINS, type Repeated } from './insightRequests.ts'

export class InsightEvent {
  @Slug() readonly eventId!: string
  @Text() readonly name!: string
  @Choice(UNITS) readonly unit!: Unit
  @Choice(['atLeast', 'atMost']) readonly sense!: Sense
  @Optional() @Choice(PUBLISHED_UNITS) readonly publishedIn?: PublishedUnit
}

export class InsightChoice {
  @Slug() readonly id!: string
  @Text() readonly name!: string
  @NestedList(() => InsightVersion, 0, 1_000) readonly versions!: readonly InsightVersion[]
  @Whole(0) readonly results!: number
}

export class InsightVersion {
  @Whole(1) readonly version!: number
  @Whole(0) readonly results!: number
}

export class InsightNamed {
  @Text() readonly id!: string
  @Text() readonly name!: string
}

export class OutcomeCount {
  @Choice(OUTCOMES) readonly outcome!: Outcome
  @Whole(0) readonly results!: number
}

const GROUPED_BY = ['unit', 'category', 'age', 'venue', 'version', 'year', 'month', 'unitYear'] as const
export type GroupedBy = (typeof GROUPED_BY)[number]

/** Results of one group: how many met it or fell short, and how many of those met it. */
export class GroupCount {
  @Choice(GROUPED_BY) readonly by!: GroupedBy
  /** A unit's id, a category, an age group, a venue, a version, a year or a month; of `unitYear` both with a blank between. Empty for none. */
  @FreeText(140) readonly key!: string
  @Whole(0) readonly met!: number
  @Whole(0) readonly of!: number
}

export class StripColumnShape {
  @Whole(0, 10_000) readonly at!: number
  @Whole(0) readonly met!: number
  @Whole(0) readonly short!: number
  @Whole(0) readonly scored!: number
}

/** How the figures of an event spread: in columns, by value where everybody has the same cut, else by the distance to the own cut. */
export class StripShape {
  @Choice(RESULT_MARGINS) readonly by!: (typeof RESULT_MARGINS)[number]
  @Whole(-2_000_000_000) readonly from!: number
  @Whole(-2_000_000_000) readonly to!: number
  @Whole(1, 1_000) readonly bins!: number
  /** Where the cut stands among them; null where there is none. */
  @Nullable() @Whole(-2_000_000_000) readonly cut!: number | null
  @NestedList(() => StripColumnShape, 0, 10_000) readonly columns!: readonly StripColumnShape[]
}

export class EventCount {
  @Slug() readonly eventId!: string
  @Whole(0) readonly met!: number
  @Whole(0) readonly short!: number
  @Whole(0) readonly scored!: number
  @Whole(0) readonly open!: number
  @Whole(0) readonly ended!: number
  @Whole(0) readonly exempt!: number
  /** Within what the method can tell of the cut. */
  @Whole(0) readonly near!: number
  /** Did it in another form, or another in place of it; in no figure of the event. */
  @Whole(0) readonly otherForms!: number
  @Nullable() @Nested(() => StripShape) readonly strip!: StripShape | null
}

export class CombinationCount {
  @SlugList(0, 40) readonly eventIds!: readonly string[]
  @Whole(0) readonly results!: number
}

export class InsightAnswer {
  /** Standards there are results of, most first. */
  @NestedList(() => InsightChoice, 0, 10_000) readonly standards!: readonly InsightChoice[]
  /** The one that is looked at; null where there are no results at all. */
  @Nullable() @Slug() readonly standardId!: string | null
  @FreeText(120) readonly standardName!: string
  @NestedList(() => InsightEvent, 0, 100) readonly events!: readonly InsightEvent[]
  @NestedList(() => InsightNamed, 0, 100) readonly categories!: readonly InsightNamed[]
  @NestedList(() => InsightNamed, 0, 10_000) readonly units!: readonly InsightNamed[]
  @NestedList(() => InsightNamed, 0, 10_000) readonly venues!: readonly InsightNamed[]
  /** Years there are results of, newest first. */
  @TextList(200, 4) readonly years!: readonly string[]
  @Whole(0) readonly results!: number
  @Whole(0) readonly people!: number
  @Whole(0) readonly days!: number
  @Nullable() @CalendarDate() readonly first!: string | null
  @Nullable() @CalendarDate() readonly last!: string | null
  /** With an event within what its method can tell of the cut. */
  @Whole(0) readonly near!: number
  @NestedList(() => OutcomeCount, 0, 20) readonly outcomes!: readonly OutcomeCount[]
  @NestedList(() => GroupCount, 0, 100_000) readonly groups!: readonly GroupCount[]
  @NestedList(() => EventCount, 0, 100) readonly byEvent!: readonly EventCount[]
  @NestedList(() => CombinationCount, 0, 1_000) readonly combinations!: readonly CombinationCount[]
}

export const EVENT_GROUPS = ['version', 'year', 'venue', 'unit', 'category', 'age'] as const

export class EventGroupCount {
  @Slug() readonly eventId!: string
  @Choice(EVENT_GROUPS) readonly by!: (typeof EVENT_GROUPS)[number]
  @FreeText(140) readonly key!: string
  @Whole(0) readonly met!: number
  @Whole(0) readonly of!: number
}

export class VenueTallyShape {
  @Slug() readonly eventId!: string
  @FreeText(120) readonly venue!: string
  @Whole(0) readonly people!: number
  @Real() readonly meanLog!: number
  @Real() readonly deviationLog!: number
}

/** What tells whether an event became harder. */
export class EventGroupsAnswer {
  @NestedList(() => EventGroupCount, 0, 100_000) readonly groups!: readonly EventGroupCount[]
}

/** What tells whether an event comes out otherwise at one venue. */
export class VenuesAnswer {
  @NestedList(() => VenueTallyShape, 0, 10_000) readonly venues!: readonly VenueTallyShape[]
}

/** A signed day that figures come from. */
export class InsightDay {
  @Uuid() readonly occasionId!: string
  @FreeText(200) readonly name!: string
  @CalendarDate() readonly testDate!: string
  @FreeText(120) readonly venue!: string
  @Whole(0) readonly results!: number
  /** Fingerprint of what was signed; empty for days signed before there was one. */
  @FreeText(80) readonly fingerprint!: string
}

export class InsightDaysAnswer {
  /** Oldest first. */
  @NestedList(() => InsightDay, 0, 100_000) readonly days!: readonly InsightDay[]
}

/** One result behind a figure. */
export class InsightPerson {
  @Uuid() readonly personId!: string
  @Uuid() readonly occasionId!: string
  @Uuid() readonly entryId!: string
  @FreeText(200) readonly name!: string
  @FreeText(80) readonly number!: string
  @CalendarDate() readonly testDate!: string
  @FreeText(120) readonly venue!: string
  @FreeText(120) readonly unit!: string
  @Choice(OUTCOMES) readonly outcome!: Outcome
  /** In the event that was asked about. */
  @Nullable() @Whole(-2_000_000_000) readonly value!: number | null
  @Nullable() @Whole(-2_000_000_000) readonly margin!: number | null
}

export class InsightPeopleAnswer {
  @Whole(0) readonly inAll!: number
  /** The latest of them. */
  @NestedList(() => InsightPerson, 0, 1_000) readonly people!: readonly InsightPerson[]
}

export class RepeatChoice {
  @Slug() readonly eventId!: string
  @Choice(REPEATED) readonly of!: Repeated
  @FreeText(40) readonly part!: string
  @Whole(0) readonly pairs!: number
}

export class IntervalShape {
  @Real() readonly low!: number
  @Real() readonly high!: number
}

export class RepeatabilityShape {
  @Real() readonly icc21!: number
  @Nested(() => IntervalShape) readonly limits!: IntervalShape
  @Real() readonly standardError!: number
  @Real() readonly smallestRealChange!: number
}

export class AgreementShape {
  @Real() readonly meanDifference!: number
  @Real() readonly deviation!: number
  @Nested(() => IntervalShape) readonly limits!: IntervalShape
}

export class RepeatPoint {
  @Whole(-2_000_000_000) readonly first!: number
  @Whole(-2_000_000_000) readonly second!: number
}

/** How closely one thing comes out again. */
export class RepeatsAnswer {
  @NestedList(() => RepeatChoice, 0, 10_000) readonly choices!: readonly RepeatChoice[]
  @NestedList(() => InsightEvent, 0, 100) readonly events!: readonly InsightEvent[]
  /** The one that is looked at; null where nothing was measured twice. */
  @Nullable() @Nested(() => RepeatChoice) readonly chosen!: RepeatChoice | null
  @Choice(UNITS) readonly unit!: Unit
  @Whole(1) readonly withinDays!: number
  /** People with a single result, who tell nothing of repeating. */
  @Whole(0) readonly leftOut!: number
  @Nullable() @Nested(() => RepeatabilityShape) readonly found!: RepeatabilityShape | null
  @Nullable() @Nested(() => AgreementShape) readonly agreement!: AgreementShape | null
  /** Some of the pairs, evenly taken, where there are very many. */
  @NestedList(() => RepeatPoint, 0, 5_000) readonly points!: readonly RepeatPoint[]
}

export class DecisionCount {
  /** `counted`, a reason, or `notSeen`. */
  @Text(80) readonly own!: string
  @Text(80) readonly other!: string
  @Whole(1) readonly times!: number
}

export class GraderShape {
  /** Empty for all the others together, as a grader sees them. */
  @FreeText(40) readonly accountId!: string
  @FreeText(120) readonly name!: string
  @Whole(0) readonly candidates!: number
  @Whole(0) readonly attempts!: number
  @Whole(0) readonly refused!: number
  @Whole(0) readonly attemptsSquared!: number
  @Whole(0) readonly refusedSquared!: number
  @Whole(0) readonly refusedTimesAttempts!: number
  @NestedList(() => ReasonCount, 0, 200) readonly reasons!: readonly ReasonCount[]
  /** Of the candidates: how many are of each category, how old they are, and how many met every other event. */
  @NestedList(() => ReasonCount, 0, 50) readonly categories!: readonly ReasonCount[]
  @Real() readonly meanAge!: number
  @Whole(0) readonly metTheRest!: number
  /** Candidates whom somebody else counted as well. */
  @Whole(0) readonly countedTwice!: number
  @Whole(0) readonly withinOne!: number
  /** Own counts less those of the others, in all. */
  @Whole(-1_000_000) readonly countedMore!: number
  @NestedList(() => DecisionCount, 0, 2_000) readonly decisions!: readonly DecisionCount[]
  @Whole(0) readonly captured!: number
  @Whole(0) readonly corrected!: number
  @Whole(0) readonly overruled!: number
  @Whole(0) readonly decided!: number
  @Whole(0) readonly tookOver!: number
}

export class ReasonCount {
  @Text(80) readonly id!: string
  @Whole(0) readonly times!: number
}

/** How one person's watch differed from the other one on the same finishes. */
export class WatchShape {
  @FreeText(40) readonly accountId!: string
  @FreeText(120) readonly name!: string
  @Whole(1) readonly finishes!: number
  /** Own time less the other, in ms. */
  @Real() readonly meanMs!: number
  @Real() readonly deviationMs!: number
}

export class GradersAnswer {
  /** Events that somebody refuses repetitions in. */
  @NestedList(() => InsightEvent, 0, 100) readonly events!: readonly InsightEvent[]
  @Nullable() @Slug() readonly eventId!: string | null
  @NestedList(() => InsightNamed, 0, 200) readonly reasons!: readonly InsightNamed[]
  @NestedList(() => GraderShape, 0, 10_000) readonly graders!: readonly GraderShape[]
  /** Of all events that were timed by two watches. */
  @NestedList(() => WatchShape, 0, 10_000) readonly watches!: readonly WatchShape[]
  /** Whether all are told by name, or only who asks beside all the others together. */
  @Flag() readonly isWhole!: boolean
}

export class ChangeShape {
  @Uuid() readonly personId!: string
  @FreeText(200) readonly name!: string
  @CalendarDate() readonly firstDate!: string
  @CalendarDate() readonly lastDate!: string
  @Whole(-2_000_000_000) readonly first!: number
  @Whole(-2_000_000_000) readonly last!: number
}

export class YearMean {
  @Text(4) readonly year!: string
  @Whole(0) readonly results!: number
  @Real() readonly mean!: number
  @Whole(0) readonly met!: number
  @Whole(0) readonly of!: number
}

export class ProgressAnswer {
  @NestedList(() => InsightEvent, 0, 100) readonly events!: readonly InsightEvent[]
  @Nullable() @Nested(() => InsightEvent) readonly event!: InsightEvent | null
  /** People with more than one result. */
  @Whole(0) readonly people!: number
  /** Some of them, most changed first. */
  @NestedList(() => ChangeShape, 0, 1_000) readonly changes!: readonly ChangeShape[]
  @NestedList(() => YearMean, 0, 200) readonly years!: readonly YearMean[]
}

export class EventNoise {
  @Slug() readonly eventId!: string
  /** Null where too few were tested twice. */
  @Nullable() @Real() readonly smallestRealChange!: number | null
}

export class NoiseAnswer {
  @NestedList(() => EventNoise, 0, 100) readonly noise!: readonly EventNoise[]
}

export class DueCall {
  @Text(80) readonly name!: string
  @Slug() readonly standardId!: string
  @Text() readonly standardName!: string
  /** Where the standard was tested last, and the zone there; empty for nowhere. */
  @FreeText(120) readonly venue!: string
  @FreeText(60) readonly zone!: string
  /** The version in force today; null for none. */
  @Nullable() @Whole(1) readonly version!: number | null
  @Nullable() @CalendarDate() readonly before!: string | null
}

export class DuePerson {
  /** Of the calls. */
  @Whole(0) readonly call!: number
  @Uuid() readonly personId!: string
  @FreeText(200) readonly name!: string
  @FreeText(80) readonly number!: string
  @FreeText(120) readonly unit!: string
  @FreeText(40) readonly unitId!: string
  @FreeText(40) readonly category!: string
  @Choice(DUE_STATES) readonly state!: DueState
  @Nullable() @CalendarDate() readonly by!: string | null
  @Nullable() @CalendarDate() readonly allowedFrom!: string | null
  @Nullable() @CalendarDate() readonly lastDate!: string | null
  /** Names of events that were short in the last one. */
  @NestedList(() => InsightNamed, 0, 40) readonly shortIn!: readonly InsightNamed[]
  /** The day they are entered on already; empty for none. */
  @FreeText(200) readonly enteredOn!: string
}

export class DueAnswer {
  @CalendarDate() readonly today!: string
  @NestedList(() => DueCall, 0, 100) readonly calls!: readonly DueCall[]
  /** Whoever is asked something, those first who have waited longest. */
  @NestedList(() => DuePerson, 0, 100_000) readonly people!: readonly DuePerson[]
  /** Of whom nothing is asked now. */
  @Whole(0) readonly fine!: number
}
