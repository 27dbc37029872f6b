import { Choice, Nested, NestedList, Optional, Slug, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

export class StepHeight {
  @Slug() category!: string
  @Whole(50, 1_000) heightMm!: number
}

/** What becomes of somebody who stops before the time is over, where a standard judges them by how long they went on. */
export class TimeHeld {
  /** So long meets it. */
  @Whole(1_000, 3_600_000) atLeastMs!: number
}

/** Up and down a step to a beat, then a pulse count. */
export class StepTest extends ProtocolBase {
  @Choice(['stepTest']) kind!: 'stepTest'
  @TextList(6, 40) startCommands!: string[]
  @Whole(50, 1_000) heightMm!: number
  /** Other heights for single scoring categories. */
  @Optional() @NestedList(() => StepHeight, 1, 20) heights?: StepHeight[]
  @Whole(20, 300) beatsPerMinute!: number
  /** Beats for one cycle of up and down, four as a rule. */
  @Whole(1, 8) beatsPerCycle!: number
  @Whole(10_000, 3_600_000) durationMs!: number
  /** From the last step to the start of the pulse count. */
  @Whole(0, 600_000) pulseAfterMs!: number
  @Choice([15_000, 30_000, 60_000]) pulseWindowMs!: 15_000 | 30_000 | 60_000
  /** Left out, whoever stops early did not finish. */
  @Optional() @Nested(() => TimeHeld) ifStopped?: TimeHeld
}

/** The step for one scoring category: its own height where the protocol lists one. */
export const stepHeightMm = (
  { heightMm, heights = [] }: Pick<StepTest, 'heightMm' | 'heights'>,
  category: string,
): number => heights.find((one) => one.category === category)?.heightMm ?? heightMm
