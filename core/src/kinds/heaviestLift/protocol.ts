import { Choice, Optional, Text, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

/** Lifts that get heavier; the last good one counts. */
export class HeaviestLift extends ProtocolBase {
  @Choice(['heaviestLift']) kind!: 'heaviestLift'
  @TextList(6, 40) startCommands!: string[]
  @Text(120) goodWhen!: string
  @Whole(0, 500_000) startLoadG!: number
  @Whole(100, 100_000) incrementG!: number
  @Whole(0, 3_600_000) restMs!: number
  /** Failed lifts allowed; one more ends it. */
  @Whole(0, 10) failuresAllowed!: number
  /** When published: one repetition's load is computed from several repetitions at a lighter one, and that figure is judged. */
  @Optional() @Choice(['epley', 'brzycki']) estimate?: 'epley' | 'brzycki'
}
