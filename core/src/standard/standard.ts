/** The standard document. Its classes are its schema: the validators below are used for files, forms and HTTP alike. */
import {
  CalendarDate,
  Choice,
  Nested,
  NestedList,
  OneOf,
  Optional,
  Slug,
  SlugList,
  Text,
  TextList,
  Whole,
} from '../document/rules.ts'
import { PROTOCOLS, type Protocol } from '../kinds/kinds.ts'
import { PUBLISHED_UNITS, type PublishedUnit } from '../quantity/imperial.ts'
import { Band } from './band.ts'
import { COMBINATIONS, type Combination } from './combination.ts'
import { BatteryOrder } from './order.ts'
import { Rounding, SCORINGS, type Scoring } from './scoring.ts'

export const STANDARD_FORMAT = 'able-gauge/standard/1'

/** On which date a person's age is counted, and when somebody born on 29 February has a birthday in other years. */
export class AgeRule {
  @Choice(['testDate', 'fixedDate', 'endOfCalendarYear']) countedOn!: 'testDate' | 'fixedDate' | 'endOfCalendarYear'
  /** Needed for `fixedDate` only. */
  @Optional() @CalendarDate() fixedDate?: string
  @Choice(['1 March', '28 February']) leapDayBirthday!: '1 March' | '28 February'
}

/** A column of the published tables. */
export class ScoringCategory {
  @Slug() id!: string
  @Text(60) name!: string
}

/** Another form of the same event with a scoring of its own, such as press-ups on the knees. */
export class Variant {
  @Slug() id!: string
  @Text(60) name!: string
  /** Everybody in this scoring category does it so; left out, it is chosen for each person. */
  @Optional() @Slug() category?: string
  @OneOf(SCORINGS) scoring!: Scoring
}

/** Another event in place of this one, scored by its own rule. */
export class Alternate {
  /** Id of an event in `alternateEvents`. */
  @Slug() eventId!: string
  /** `band`: for everybody in the band. `choice`: as the candidate likes. `medicalProfile`: on a medical profile. */
  @Choice(['band', 'choice', 'medicalProfile']) allowedBy!: 'band' | 'choice' | 'medicalProfile'
  @Optional() @Nested(() => Band) band?: Band
}

export class StandardEvent {
  @Slug() id!: string
  @Text(60) name!: string
  @OneOf(PROTOCOLS) protocol!: Protocol
  @Nested(() => Rounding) rounding!: Rounding
  @OneOf(SCORINGS) scoring!: Scoring
  /** The unit the figures were published in, when that is not metric; they print in it. */
  @Optional() @Choice(PUBLISHED_UNITS) publishedIn?: PublishedUnit
  /** How far a reading may be off either way, in the unit of the event, where its method is better or worse than others of the standard. */
  @Optional() @Whole(0, 1_000_000) uncertainty?: number
  /** The least points asked of this event, in hundredths. */
  @Optional() @Whole(0, 1_000_000) minimumCentipoints?: number
  @Optional() @NestedList(() => Variant, 1, 6) variants?: Variant[]
  @Optional() @NestedList(() => Alternate, 1, 6) alternates?: Alternate[]
  /** At least this long until the next event. */
  @Optional() @Whole(0, 604_800_000) restAfterMs?: number
  /** What candidates are told to watch for. */
  @Optional() @TextList(12, 300) cautions?: string[]
  /** What has to be there: mats, cones, watches, spare cards. */
  @Optional() @TextList(40, 120) kit?: string[]
}

/** A reason for which single events are not asked of somebody. */
export class Exemption {
  @Slug() id!: string
  @Text(80) name!: string
  @SlugList(1, 40) eventIds!: string[]
  /** `removed`: the event is left out. `fixed`: it counts with the points given. */
  @Choice(['removed', 'fixed']) effect!: 'removed' | 'fixed'
  @Optional() @Whole(0, 1_000_000) fixedCentipoints?: number
  /** When points are removed: whether the total asked shrinks in proportion to the points that are left. */
  @Optional() @Choice(['unchanged', 'proportional']) total?: 'unchanged' | 'proportional'
}

export class RetestRule {
  @Whole(0, 3650) earliestAfterDays!: number
  /** What is done again: everything, or only what was short. */
  @Optional() @Choice(['wholeBattery', 'shortEvents']) repeats?: 'wholeBattery' | 'shortEvents'
}

/** How sure a reading is either way by its method, unless an event has a figure of its own, and what follows when the cut lies within that. Left out: taken as exact. */
export class UncertaintyPolicy {
  /** Of a time taken by hand. */
  @Whole(0, 60_000) handTimingMs!: number
  /** Of a length: a jump board, a throw. */
  @Optional() @Whole(0, 10_000) lengthMm?: number
  /** Of a force or a mass that is read: a grip dynamometer, a scale. A load of plates is exact. */
  @Optional() @Whole(0, 50_000) massG?: number
  /** Of a pulse counted by touch. */
  @Optional() @Whole(0, 60) pulseBpm?: number
  /** `flag`: the mark stands and says so. `decide`: a person decides. */
  @Choice(['flag', 'decide']) nearTheCut!: 'flag' | 'decide'
}

/** The words a standard prints for its outcomes; the codes in files and records stay. */
export class OutcomeWords {
  @Optional() @Text(30) met?: string
  @Optional() @Text(30) short?: string
  @Optional() @Text(30) tookPart?: string
  @Optional() @Text(30) notFinished?: string
  @Optional() @Text(30) exempt?: string
}

export class Standard {
  @Choice([STANDARD_FORMAT]) format!: typeof STANDARD_FORMAT
  @Slug() id!: string
  @Text(120) name!: string
  @Text(120) organisation!: string
  @Whole(1, 10_000) version!: number
  @CalendarDate() inForceFrom!: string
  /** Last day in force; left out while no end is known. */
  @Optional() @CalendarDate() inForceTo?: string
  @Text(1000) source!: string
  @Nested(() => AgeRule) ageRule!: AgeRule
  @NestedList(() => ScoringCategory, 1, 20) categories!: ScoringCategory[]
  /** Roles a band may ask for. */
  @Optional() @NestedList(() => ScoringCategory, 1, 40) roles?: ScoringCategory[]
  /** The battery, in the order it is listed and done, unless its order is free. */
  @NestedList(() => StandardEvent, 1, 40) events!: StandardEvent[]
  /** Left out, nothing is published of the order: events are planned as they are listed, and done as somebody sees fit. */
  @Optional() @Nested(() => BatteryOrder) order?: BatteryOrder
  /** Events that only stand in place of another. */
  @Optional() @NestedList(() => StandardEvent, 1, 40) alternateEvents?: StandardEvent[]
  @Optional() @NestedList(() => Exemption, 1, 20) exemptions?: Exemption[]
  @OneOf(COMBINATIONS) combination!: Combination
  /** Days after the first on which events of one test may still be done; left out, all of it is done on one day. */
  @Optional() @Whole(1, 60) occasionDays?: number
  @Nested(() => RetestRule) retest!: RetestRule
  @Nested(() => UncertaintyPolicy) uncertainty!: UncertaintyPolicy
  /** In place of met, short and the others: satisfactory and unsatisfactory, pass and fail. */
  @Optional() @Nested(() => OutcomeWords) outcomeWords?: OutcomeWords
}
