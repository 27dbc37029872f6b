import { Choice, Flag, Optional, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

/** As far as possible in a fixed time. Everybody is measured at the limit, whoever stops the watch late. */
export class DistanceInTime extends ProtocolBase {
  @Choice(['distanceInTime']) kind!: 'distanceInTime'
  @TextList(6, 40) startCommands!: string[]
  @Whole(10_000, 86_400_000) durationMs!: number
  @Whole(1_000, 1_000_000_000) lapLengthMm!: number
  /** Distance between the marks by which a part lap is read. */
  @Whole(1, 1_000_000) markEveryMm!: number
  /** Cautions somebody may have; one more fails it. Left out, none are given. */
  @Optional() @Whole(0, 20) cautionsAllowed?: number
  @Optional() @Flag() walkingAllowed?: boolean
}
