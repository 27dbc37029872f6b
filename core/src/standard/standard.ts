/** The standard document. Its classes are its schema: the validators below are used for files, forms and HTTP alike. */
import {
  CalendarDate,
  Choice,
  Nested,
  NestedList,
  OneOf,
  Optional,
  Slug,
  Text,
  TextList,
  Whole,
} from '../document/rules.ts'
import { PROTOCOLS, type Protocol } from '../protocol/protocol.ts'
import { ROUNDING_MODES, type RoundingMode } from '../quantity/rounding.ts'
import { SCORINGS, type Scoring } from './scoring.ts'

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

export class Rounding {
  @Choice(ROUNDING_MODES) mode!: RoundingMode
  /** In the unit of the event's measure: 1000 for whole seconds. */
  @Whole(1) step!: number
}

export class StandardEvent {
  @Slug() id!: string
  @Text(60) name!: string
  @OneOf(PROTOCOLS) protocol!: Protocol
  @Nested(() => Rounding) rounding!: Rounding
  @OneOf(SCORINGS) scoring!: Scoring
  /** At least this long until the next event. */
  @Optional() @Whole(0, 604_800_000) restAfterMs?: number
  /** What candidates are told to watch for. */
  @Optional() @TextList(12, 300) cautions?: string[]
}

/** Every event has to be met. */
export class EveryEventMet {
  @Choice(['everyEventMet']) kind!: 'everyEventMet'
}

export class RetestRule {
  @Whole(0, 3650) earliestAfterDays!: number
}

/** How sure a reading is, and what follows when the cut lies within that. */
export class UncertaintyPolicy {
  /** Of a time taken by hand, either way. */
  @Whole(0, 60_000) handTimingMs!: number
  /** `flag`: the mark stands and says so. `decide`: a person decides. */
  @Choice(['flag', 'decide']) nearTheCut!: 'flag' | 'decide'
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
  @NestedList(() => StandardEvent, 1, 40) events!: StandardEvent[]
  @OneOf({ everyEventMet: EveryEventMet }) combination!: EveryEventMet
  @Nested(() => RetestRule) retest!: RetestRule
  @Nested(() => UncertaintyPolicy) uncertainty!: UncertaintyPolicy
}
