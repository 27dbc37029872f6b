/** How the marks of one person combine to a verdict. */
import { Choice, Flag, NestedList, Optional, Slug, Text, Whole } from '../document/rules.ts'

class CombinationBase {
  /** A breach of safety makes the verdict short whatever the figures. */
  @Optional() @Flag() safetyBreachOverrides?: boolean
}

/** Every event has to be met. */
class EveryEventMet extends CombinationBase {
  @Choice(['everyEventMet']) kind!: 'everyEventMet'
}

export class TotalClass {
  @Slug() id!: string
  @Text(40) name!: string
  @Whole(0, 10_000_000) fromCentipoints!: number
}

/** Points are added; events without points have to be met as well. */
export class PointsTotal extends CombinationBase {
  @Choice(['pointsTotal']) kind!: 'pointsTotal'
  @Whole(0, 10_000_000) totalCentipoints!: number
  /** Asked of each event with points, unless the event names its own. */
  @Optional() @Whole(0, 1_000_000) minimumEachCentipoints?: number
  /** By total, from the lowest to the highest; reached only when the standard is met. */
  @Optional() @NestedList(() => TotalClass, 1, 12) classes?: TotalClass[]
}

/** So many of the events have to be met. */
class BestOf extends CombinationBase {
  @Choice(['bestOf']) kind!: 'bestOf'
  @Whole(1, 40) eventsToMeet!: number
}

/** Nothing is judged: baselines and wellbeing checks. */
class TookPart extends CombinationBase {
  @Choice(['tookPart']) kind!: 'tookPart'
}

export const COMBINATIONS = {
  everyEventMet: EveryEventMet,
  pointsTotal: PointsTotal,
  bestOf: BestOf,
  tookPart: TookPart,
} as const

export type Combination = InstanceType<(typeof COMBINATIONS)[keyof typeof COMBINATIONS]>

export const COMBINATION_NAMES: Readonly<Record<Combination['kind'], string>> = {
  everyEventMet: 'Every event has to be met',
  pointsTotal: 'Points are added',
  bestOf: 'So many of the events have to be met',
  tookPart: 'Taking part; nothing is judged',
}
