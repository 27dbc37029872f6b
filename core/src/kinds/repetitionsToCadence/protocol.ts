import { Choice, Optional, Whole } from '../../document/rules.ts'
import { CountedRepetitions } from '../countedRepetitions/protocol.ts'

/** Repetitions to a beat, until the candidate can no longer keep it. */
export class RepetitionsToCadence extends CountedRepetitions {
  @Choice(['repetitionsToCadence']) kind!: 'repetitionsToCadence'
  @Whole(10, 300) beatsPerMinute!: number
  /** Two when one beat is down and the next up. */
  @Whole(1, 8) beatsPerRepetition!: number
  /** Beats that may be missed; one more ends the event. */
  @Whole(0, 50) missedBeatsAllowed!: number
  @Optional() @Whole(1, 10_000) capRepetitions?: number
}
