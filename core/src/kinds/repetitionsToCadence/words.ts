import { countedRules } from '../countedRepetitions/words.ts'
import type { KindWords } from '../kind.ts'
import type { RepetitionsToCadence } from './protocol.ts'

const conduct = ({ beatsPerMinute }: RepetitionsToCadence): string =>
  `As many as possible to ${beatsPerMinute} beats a minute`

export const words: KindWords<RepetitionsToCadence> = {
  conduct,
  rules: (protocol) =>
    countedRules(protocol, conduct(protocol), [
      `${protocol.beatsPerRepetition} beats for one repetition; ${protocol.missedBeatsAllowed} beats may be missed.`,
    ]),
}
