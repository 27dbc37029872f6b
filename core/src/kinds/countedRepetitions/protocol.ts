/** What the three kinds of counted repetitions have in common. */
import { Choice, Flag, Nested, NestedList, Optional, Slug, Text, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

const REST_PLACES = ['nowhere', 'up', 'upOrDown'] as const
export type RestPlace = (typeof REST_PLACES)[number]

/** One reason for which a repetition is refused, as it stands on the grader's button. */
export class RefusalReason {
  @Slug() id!: string
  @Text(40) label!: string
}

/** When a candidate may begin again after a fault was explained. */
export class RestartRule {
  /** How many times. */
  @Whole(1, 5) times!: number
  /** Only while no more than this many repetitions have been counted. */
  @Whole(0, 100) withinFirst!: number
  /** Whether cautions given before the restart still stand after it. */
  @Flag() keepsCautions!: boolean
}

export class CountedRepetitions extends ProtocolBase {
  @TextList(6, 40) startCommands!: string[]
  /** The point of the movement at which a repetition counts, in the words graders are trained with. */
  @Text() countsWhen!: string
  @Choice(REST_PLACES) restAllowed!: RestPlace
  /** A pause longer than this ends the event. */
  @Optional() @Whole(500, 600_000) longestPauseMs?: number
  @NestedList(() => RefusalReason, 1, 9) refusals!: RefusalReason[]
  /** Cautions a candidate may have; one more ends the event. */
  @Whole(0, 20) cautionsAllowed!: number
  @Optional() @Nested(() => RestartRule) restart?: RestartRule
}
