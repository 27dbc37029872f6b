import { Choice, Nested, Optional, Text, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase, WatchRule } from '../protocolBase.ts'

/** A position held for as long as possible. */
export class HeldPosition extends ProtocolBase {
  @Choice(['heldPosition']) kind!: 'heldPosition'
  @TextList(6, 40) startCommands!: string[]
  @Text() position!: string
  /** The event is stopped at this time, and nobody is measured beyond it. */
  @Optional() @Whole(1_000, 7_200_000) capMs?: number
  /** Cautions for form a candidate may have; one more ends the event. */
  @Whole(0, 20) cautionsAllowed!: number
  @TextList(9, 120) endsWhen!: string[]
  @Optional() @Nested(() => WatchRule) watchRule?: WatchRule
}
