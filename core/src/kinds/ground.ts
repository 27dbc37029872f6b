/** What an event asks of the ground. */
export const GROUND_SHAPES = ['loop', 'outAndBack', 'shuttle', 'straight', 'step'] as const
export type GroundShape = (typeof GROUND_SHAPES)[number]

export interface AskedGround {
  /** What is laid out as a rule. */
  readonly shape: GroundShape
  /** A lap, the distance between two lines, the whole straight, or the height of a step. */
  readonly lengthMm: number
  /** What one time round is called; a lap where nothing else is said. */
  readonly called?: 'lap' | 'length'
  /** What has to be covered; null where the time is fixed and the distance is measured, or where there is nothing to cover. */
  readonly distanceMm: number | null
  /** How often the length between fixed lines is covered; null where laps are run, whose start line takes up the difference. */
  readonly lengths: number | null
  /** Other lengths that stand beside it: steps of several heights. */
  readonly othersMm?: readonly number[]
  /** Marks to be set on each lap. */
  readonly marksEveryMm?: number
}
