import type { PublishedUnit } from '../../quantity/imperial.ts'
import { printMass } from '../../quantity/mass.ts'
import { printTime } from '../../quantity/time.ts'
import { printQuantity } from '../../quantity/unit.ts'
import type { KindWords } from '../kind.ts'
import { distanceAtCrossing, lapsOf, lapWord, type TimedDistance } from './protocol.ts'

const rules = (protocol: TimedDistance, publishedIn?: PublishedUnit): string[] => {
  const length = (mm: number): string => printQuantity(mm, 'mm', publishedIn)
  const first = distanceAtCrossing(protocol, 1)
  const lap = lapWord(protocol)
  const [passed, line] =
    lap === 'length' ? ['touches of the wall', 'wall'] : ['crossings of the finish line', 'finish line']
  const allowed = [
    ...(protocol.walkingAllowed === undefined ? [] : [protocol.walkingAllowed ? 'Walking is allowed.' : 'No walking.']),
    ...(protocol.aidAllowed === false ? ['Nobody may pace or help.'] : []),
    ...(protocol.loadG === undefined ? [] : [`Carried: ${printMass(protocol.loadG)}.`]),
    ...(protocol.limitMs === undefined ? [] : [`Stopped at ${printTime(protocol.limitMs)}.`]),
  ]
  return [
    `${length(protocol.distanceMm)} on ${lap}s of ${length(protocol.lapLengthMm)}: ${lapsOf(protocol)} ${passed}.`,
    first === protocol.lapLengthMm
      ? lap === 'length'
        ? 'Every length ends at the wall.'
        : 'Start and finish are on the same line.'
      : `The start line stands ${length(first)} before the ${line}, so that the part ${lap} comes first.`,
    ...(allowed.length > 0 ? [allowed.join(' ')] : []),
  ]
}

export const words: KindWords<TimedDistance> = {
  conduct: (protocol, publishedIn) =>
    `${printQuantity(protocol.distanceMm, 'mm', publishedIn)} in ${lapWord(protocol)}s of ${printQuantity(protocol.lapLengthMm, 'mm', publishedIn)}`,
  rules,
}
