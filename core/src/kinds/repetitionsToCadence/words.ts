import { numbered } from '../../quantity/numbered.ts'
import { countedRules } from '../countedRepetitions/words.ts'
import type { KindWords } from '../kind.ts'
import type { RepetitionsToCadence } from './protocol.ts'

const conduct = ({ beatsPerMinute }: RepetitionsToCadence): string =>
  `As many as possible to ${beatsPerMinute} beats a minute`

export const words: KindWords<RepetitionsToCadence> = {
  conduct,
  rules: (protocol) =>
    countedRules(protocol, conduct(protocol), [
      `${numbered(protocol.beatsPerRepetition, 'beat')} for one repetition; ${numbered(protocol.missedBeatsAllowed, 'beat')} may be missed.`,
    ]),
}
