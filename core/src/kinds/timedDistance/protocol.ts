import { Choice, Flag, Nested, Optional, Text, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase, WatchRule } from '../protocolBase.ts'

/** A fixed distance in laps of a course, against the clock of a wave that starts together. */
export class TimedDistance extends ProtocolBase {
  @Choice(['timedDistance']) kind!: 'timedDistance'
  @Optional() @Choice(['run', 'swim', 'march', 'row', 'cycle']) by?: 'run' | 'swim' | 'march' | 'row' | 'cycle'
  @Whole(1_000, 1_000_000_000) distanceMm!: number
  /** Length of one lap. When it does not divide the distance, the part lap comes first: the start line is moved, not the finish. */
  @Whole(1_000, 1_000_000_000) lapLengthMm!: number
  @TextList(6, 40) startCommands!: string[]
  /** Everybody still on the course is stopped at this time. */
  @Optional() @Whole(1_000, 86_400_000) limitMs?: number
  @Optional() @Flag() walkingAllowed?: boolean
  /** Whether others may pace or help. */
  @Optional() @Flag() aidAllowed?: boolean
  /** Who calls the laps to the runners. */
  @Optional() @Text(60) lapsCalledBy?: string
  /** Carried on a march. */
  @Optional() @Whole(0, 100_000) loadG?: number
  /** Cautions somebody may have; one more fails it. Left out, none are given. */
  @Optional() @Whole(0, 20) cautionsAllowed?: number
  @Optional() @Nested(() => WatchRule) watchRule?: WatchRule
}

/**
 * How many times a runner crosses the finish line, the last crossing being the finish.
 * @example lapsOf({ distanceMm: 2_500_000, lapLengthMm: 400_000 }) // 7: the part lap of 100 m, then 6 laps
 */
export const lapsOf = ({ distanceMm, lapLengthMm }: Pick<TimedDistance, 'distanceMm' | 'lapLengthMm'>): number =>
  Math.ceil(distanceMm / lapLengthMm)

/** What one time round is called: swimmers count lengths. */
export const lapWord = ({ by }: Pick<TimedDistance, 'by'>): 'lap' | 'length' => (by === 'swim' ? 'length' : 'lap')

/** Distance covered at a runner's nth crossing (0 at the start). */
export const distanceAtCrossing = (
  course: Pick<TimedDistance, 'distanceMm' | 'lapLengthMm'>,
  crossing: number,
): number => (crossing === 0 ? 0 : course.distanceMm - (lapsOf(course) - crossing) * course.lapLengthMm)
