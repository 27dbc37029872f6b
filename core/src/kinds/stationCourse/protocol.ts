import { Choice, Nested, NestedList, Optional, Slug, Text, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

/** A stage done to a beat: so many steps a minute for so long, after a slower beginning. */
export class RateGuide {
  @Whole(10, 300) stepsPerMinute!: number
  @Whole(1_000, 3_600_000) durationMs!: number
  @Optional() @Whole(10, 300) warmUpStepsPerMinute?: number
  @Optional() @Whole(1_000, 3_600_000) warmUpMs?: number
}

export class Station {
  @Slug() id!: string
  @Text(80) name!: string
  @Text(400) task!: string
  /** Faults a candidate may have here; one more fails the course. */
  @Optional() @Whole(0, 50) faultsAllowed?: number
  /** What is counted as a fault. */
  @Optional() @Text(120) fault?: string
  /** What fails the course at once: dropped tool, ladder falling free. */
  @Optional() @TextList(6, 120) failsAtOnce?: string[]
  @Optional() @Nested(() => RateGuide) rate?: RateGuide
  /** So many turns, blows or throws, counted one by one, complete it. */
  @Optional() @Whole(1, 1_000) tally?: number
}

/** Stations in order under one running clock that never stops between them. */
export class StationCourse extends ProtocolBase {
  @Choice(['stationCourse']) kind!: 'stationCourse'
  @TextList(6, 40) startCommands!: string[]
  @NestedList(() => Station, 1, 30) stations!: Station[]
  /** Distance walked between two stations. */
  @Optional() @Whole(0, 1_000_000) walkBetweenMm?: number
  /** The exact moment the clock stops. */
  @Text() clockStopsWhen!: string
  @Optional() @Whole(0, 100_000) vestG?: number
  @Optional() @TextList(12, 80) gear?: string[]
  /** Cautions somebody may have; one more fails it. Left out, none are given. */
  @Optional() @Whole(0, 20) cautionsAllowed?: number
  /** Nobody goes on beyond this time. */
  @Optional() @Whole(1_000, 86_400_000) limitMs?: number
}
