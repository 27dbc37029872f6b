import { Choice, Flag, NestedList, Optional, Slug, Text, TextList, Whole } from '../../document/rules.ts'
import { RefusalReason } from '../countedRepetitions/protocol.ts'
import { ProtocolBase } from '../protocolBase.ts'

/** One part of the work; exactly one of distance and repetitions is given. */
export class ChainSegment {
  @Slug() id!: string
  @Text(80) name!: string
  @Optional() @Whole(1_000, 1_000_000_000) distanceMm?: number
  @Optional() @Whole(1, 10_000) repetitions?: number
  /** Whether the repetitions may be broken into sets. */
  @Optional() @Flag() setsAllowed?: boolean
  /** The point of the movement at which a repetition counts. */
  @Optional() @Text() countsWhen?: string
  /** What refuses a repetition, at one touch. */
  @Optional() @NestedList(() => RefusalReason, 1, 9) refusals?: RefusalReason[]
}

/** Segments in order under one running clock; one has to be complete before the next. */
export class WorkChain extends ProtocolBase {
  @Choice(['workChain']) kind!: 'workChain'
  @TextList(6, 40) startCommands!: string[]
  @NestedList(() => ChainSegment, 1, 30) segments!: ChainSegment[]
  /** Cautions somebody may have; one more fails it. Left out, none are given. */
  @Optional() @Whole(0, 20) cautionsAllowed?: number
  @Optional() @Whole(1_000, 86_400_000) limitMs?: number
}
