import { printTime } from '../../quantity/time.ts'
import { countedRules } from '../countedRepetitions/words.ts'
import type { KindWords } from '../kind.ts'
import { listed } from '../printing.ts'
import type { RepetitionsToFailure } from './protocol.ts'

const conduct = ({ capMs }: RepetitionsToFailure): string =>
  capMs === undefined ? 'As many as possible' : `As many as possible, at most ${printTime(capMs)}`

export const words: KindWords<RepetitionsToFailure> = {
  conduct,
  rules: (protocol) => countedRules(protocol, conduct(protocol), [`Ended by: ${listed(protocol.endsWhen)}.`]),
}
