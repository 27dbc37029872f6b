import { Choice, Nested, NestedList, Optional, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

const SHUTTLE_COUNTS = ['lastCompletedLevel', 'levelBeforeFirstMiss', 'lastShuttle'] as const
export type ShuttleCounts = (typeof SHUTTLE_COUNTS)[number]

export class ShuttleLevel {
  @Whole(1_000, 40_000) metresPerHour!: number
  @Whole(1, 99) shuttles!: number
}

/** Speeds that follow a rule: a first level, a second, then the same step again and again. */
export class ShuttleSpeeds {
  @Whole(1_000, 40_000) firstMetresPerHour!: number
  @Whole(1_000, 40_000) secondMetresPerHour!: number
  @Whole(1, 10_000) stepMetresPerHour!: number
}

/** Shuttles between two lines to signals that come faster and faster. */
export class ProgressiveShuttle extends ProtocolBase {
  @Choice(['progressiveShuttle']) kind!: 'progressiveShuttle'
  @TextList(6, 40) startCommands!: string[]
  @Whole(5_000, 100_000) lineDistanceMm!: number
  /** Either the speeds, or every level listed. */
  @Optional() @Nested(() => ShuttleSpeeds) speeds?: ShuttleSpeeds
  @Optional() @NestedList(() => ShuttleLevel, 1, 50) levels?: ShuttleLevel[]
  /** How near to the line still counts as reached. */
  @Whole(0, 10_000) zoneMm!: number
  /** Cautions somebody may have; one more fails it. Left out, none are given. */
  @Optional() @Whole(0, 20) cautionsAllowed?: number
  /** Lines missed in a row that are allowed; one more ends it. */
  @Whole(0, 10) missesAllowed!: number
  /**
   * `lastShuttle`: the last shuttle run. `lastCompletedLevel`: the level somebody stopped in, less one, or that level when all of it was
   * run. `levelBeforeFirstMiss`: the last level complete before the first line that was missed.
   */
  @Choice(SHUTTLE_COUNTS) counts!: ShuttleCounts
}
