import { printTime } from '../../quantity/time.ts'
import { countedRules } from '../countedRepetitions/words.ts'
import type { KindWords } from '../kind.ts'
import type { RepetitionsInTime } from './protocol.ts'

const conduct = ({ durationMs }: RepetitionsInTime): string => `As many as possible in ${printTime(durationMs)}`

export const words: KindWords<RepetitionsInTime> = {
  conduct,
  rules: (protocol) =>
    countedRules(
      protocol,
      conduct(protocol),
      [],
      protocol.clockRunsOn === false ? '; the clock stops in a rest' : '; the clock runs on',
    ),
}
