import { printDecimal } from '../../quantity/digits.ts'
import type { PublishedUnit } from '../../quantity/imperial.ts'
import { printLength } from '../../quantity/length.ts'
import { printQuantity } from '../../quantity/unit.ts'
import type { KindWords } from '../kind.ts'
import type { ProgressiveShuttle, ShuttleCounts } from './protocol.ts'
import { scheduleOf } from './shuttleSchedule.ts'

const conduct = ({ lineDistanceMm }: ProgressiveShuttle, publishedIn?: PublishedUnit): string =>
  `Shuttles of ${printQuantity(lineDistanceMm, 'mm', publishedIn)} to signals that come faster and faster`

/** What a shuttle is measured by, each a sentence. */
export const SHUTTLE_COUNT_RULES: Readonly<Record<ShuttleCounts, string>> = {
  lastShuttle: 'The last shuttle completed counts.',
  lastCompletedLevel: 'The last level completed counts.',
  levelBeforeFirstMiss: 'The last level complete before the first miss counts.',
}

const rules = (protocol: ProgressiveShuttle): string[] => {
  const [first, second] = scheduleOf(protocol)
  const speed = (metresPerHour: number | undefined): string => `${printDecimal(metresPerHour ?? 0, 3)} km/h`
  return [
    `${conduct(protocol)}: level 1 at ${speed(first?.metresPerHour)}, level 2 at ${speed(second?.metresPerHour)}.`,
    `The line counts as reached within ${printLength(protocol.zoneMm)}. ${protocol.missesAllowed} missed in a row ${protocol.missesAllowed === 1 ? 'is' : 'are'} allowed; one more ends it.`,
    SHUTTLE_COUNT_RULES[protocol.counts],
  ]
}

export const words: KindWords<ProgressiveShuttle> = { conduct, rules }
