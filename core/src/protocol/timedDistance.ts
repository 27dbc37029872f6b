import { Choice, TextList, Whole } from '../document/rules.ts'

/** A fixed distance in laps of a course, against the clock of a wave that starts together. */
export class TimedDistance {
  @Choice(['timedDistance']) kind!: 'timedDistance'
  @Whole(1_000, 1_000_000_000) distanceMm!: number
  /** Length of one lap. When it does not divide the distance, the part lap comes first: the start line is moved, not the finish. */
  @Whole(1_000, 1_000_000_000) lapLengthMm!: number
  @TextList(6, 40) startCommands!: string[]
}

/**
 * How many times a runner crosses the finish line, the last crossing being the finish.
 * @example lapsOf({ distanceMm: 2_500_000, lapLengthMm: 400_000 }) // 7: the part lap of 100 m, then 6 laps
 */
export const lapsOf = ({ distanceMm, lapLengthMm }: Pick<TimedDistance, 'distanceMm' | 'lapLengthMm'>): number =>
  Math.ceil(distanceMm / lapLengthMm)

/** Distance covered at a runner's nth crossing (0 at the start). */
export const distanceAtCrossing = (
  course: Pick<TimedDistance, 'distanceMm' | 'lapLengthMm'>,
  crossing: number,
): number => (crossing === 0 ? 0 : course.distanceMm - (lapsOf(course) - crossing) * course.lapLengthMm)
