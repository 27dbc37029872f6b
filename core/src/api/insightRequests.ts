/** What the interface takes about the results of many days. */
import {
  CalendarDate,
  Choice,
  FreeText,
  Matching,
  Optional,
  Slug,
  Text,
  Uuid,
  UuidList,
  Whole,
} from '../document/rules.ts'
import { AGE_GROUPS, type AgeGroup } from '../insight/ageGroup.ts'
import { EVENT_RESULTS, REPEATS, type EventResult } from '../insight/dayFacts.ts'
import { OUTCOMES, type Outcome } from '../judge/outcome.ts'

/** Which results are looked at: in the address of the room and of the interface alike. What is left out is not asked about. */
export class InsightQuery {
  /** Left out, the standard most results are of. */
  @Optional() @Slug() standard?: string
  @Optional() @Matching(/^[1-9]\d{0,4}$/, 'the number of a version') version?: string
  @Optional() @CalendarDate() from?: string
  @Optional() @CalendarDate() to?: string
  @Optional() @Uuid() unit?: string
  @Optional() @Slug() category?: string
  @Optional() @Choice(AGE_GROUPS) age?: AgeGroup
  @Optional() @FreeText(120) venue?: string
}

export const RESULT_MARGINS = ['value', 'margin'] as const

/** Which of them are listed by name. */
export class InsightPeopleQuery extends InsightQuery {
  @Optional() @Choice(OUTCOMES) outcome?: Outcome
  @Optional() @Slug() event?: string
  @Optional() @Choice(EVENT_RESULTS) kind?: EventResult
  /** What the two figures below are: the value, or the distance to the cut. */
  @Optional() @Choice(RESULT_MARGINS) by?: (typeof RESULT_MARGINS)[number]
  @Optional() @Matching(/^-?\d{1,10}$/, 'a whole number') atLeast?: string
  @Optional() @Matching(/^-?\d{1,10}$/, 'a whole number') below?: string
  /** Short in exactly these events, joined with a plus sign. */
  @Optional() @Matching(/^[a-z0-9-]+(\+[a-z0-9-]+)*$/, 'events joined with +') shortIn?: string
  @Optional() @Choice(['yes']) near?: 'yes'
  @Optional() @Matching(/^\d{4}(-\d{2})?$/, 'a year or a month') when?: string
}

export const REPEATED = ['retests', ...REPEATS] as const
export type Repeated = (typeof REPEATED)[number]

export class RepeatsQuery extends InsightQuery {
  @Optional() @Slug() event?: string
  @Optional() @Choice(REPEATED) of?: Repeated
  @Optional() @FreeText(40) part?: string
  /** For retests: within how many days. */
  @Optional() @Matching(/^[1-9]\d{0,2}$/, 'days from 1 to 999') within?: string
}

export class EventQuery extends InsightQuery {
  @Optional() @Slug() event?: string
}

/** A day made of whoever is due. */
export class DueDayBody {
  @Text(120) name!: string
  @Text(120) venue!: string
  @Text(60) zone!: string
  @CalendarDate() testDate!: string
  @Slug() standardId!: string
  @Whole(1) standardVersion!: number
  @UuidList(500) personIds!: string[]
  /** How many start together at most. */
  @Whole(1, 500) perWave!: number
}
