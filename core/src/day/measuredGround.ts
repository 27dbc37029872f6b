/** Ground as it was measured. */
import { Choice, FreeText, Optional, Whole } from '../document/rules.ts'
import { GROUND_SHAPES, type GroundShape } from '../kinds/ground.ts'

/** The ground as it was measured for one event. */
export class MeasuredGround {
  @Choice(GROUND_SHAPES) shape!: GroundShape
  /** A lap, the way out to the turn, the distance between two lines, the whole straight, or the height of a step. */
  @Whole(50, 1_000_000_000) lengthMm!: number
  /** How far the measurement may be off, either way. */
  @Optional() @Whole(0, 1_000_000) toleranceMm?: number
  @FreeText(120) surface!: string
  /** Rise over the whole length, in thousandths. */
  @Optional() @Whole(0, 500) slopePermille?: number
}
