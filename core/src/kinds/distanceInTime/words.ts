import { printLength } from '../../quantity/length.ts'
import { printTime } from '../../quantity/time.ts'
import type { KindWords } from '../kind.ts'
import type { DistanceInTime } from './protocol.ts'

const conduct = ({ durationMs }: DistanceInTime): string => `As far as possible in ${printTime(durationMs)}`

export const words: KindWords<DistanceInTime> = {
  conduct,
  rules: (protocol) => [
    `${conduct(protocol)} on laps of ${printLength(protocol.lapLengthMm)}, read to the last mark, every ${printLength(protocol.markEveryMm)}.`,
    'Everybody is measured at the limit, whoever stops the watch late.',
  ],
}
