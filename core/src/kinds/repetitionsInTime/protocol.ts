import { Choice, Flag, Optional, Whole } from '../../document/rules.ts'
import { CountedRepetitions } from '../countedRepetitions/protocol.ts'

/** As many repetitions as the candidate manages in a fixed time. */
export class RepetitionsInTime extends CountedRepetitions {
  @Choice(['repetitionsInTime']) kind!: 'repetitionsInTime'
  @Whole(5_000, 3_600_000) durationMs!: number
  /** Whether the clock runs on while the candidate rests; it does unless the standard says otherwise. */
  @Optional() @Flag() clockRunsOn?: boolean
}
