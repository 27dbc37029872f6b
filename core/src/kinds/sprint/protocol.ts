import { Choice, Nested, Optional, Text, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase, WatchRule } from '../protocolBase.ts'

export const TIME_SELECTIONS = ['best', 'mean', 'last'] as const

/** A short course against the clock: shuttle legs, a T or zigzag course, 100 to 400 m, a drag. */
export class Sprint extends ProtocolBase {
  @Choice(['sprint']) kind!: 'sprint'
  @TextList(6, 40) startCommands!: string[]
  @Whole(1_000, 1_000_000) distanceMm!: number
  @Whole(1, 100) legs!: number
  /** What has to be touched at each turn. */
  @Optional() @Text() touches?: string
  /** Dragged or carried. */
  @Optional() @Whole(0, 200_000) loadG?: number
  @Whole(1, 6) attemptsAllowed!: number
  @Choice(TIME_SELECTIONS) select!: (typeof TIME_SELECTIONS)[number]
  @Choice(['hand', 'electronic', 'either']) timing!: 'hand' | 'electronic' | 'either'
  /** Added to a time taken by hand, where the standard publishes such a correction. */
  @Optional() @Whole(1, 1_000) handCorrectionMs?: number
  @Optional() @Nested(() => WatchRule) watchRule?: WatchRule
}
