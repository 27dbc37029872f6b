import { Choice, Optional, TextList, Whole } from '../../document/rules.ts'
import { CountedRepetitions } from '../countedRepetitions/protocol.ts'

/** As many repetitions as the candidate manages, without a clock. */
export class RepetitionsToFailure extends CountedRepetitions {
  @Choice(['repetitionsToFailure']) kind!: 'repetitionsToFailure'
  /** What ends it: leaves the bar, rests in a wrong place, form lost. */
  @TextList(9, 120) endsWhen!: string[]
  @Optional() @Whole(5_000, 3_600_000) capMs?: number
  /** Nothing is counted beyond this many. */
  @Optional() @Whole(1, 10_000) capRepetitions?: number
}
