import { printLength } from '../../quantity/length.ts'
import { printMass } from '../../quantity/mass.ts'
import { numbered } from '../../quantity/numbered.ts'
import { printTime } from '../../quantity/time.ts'
import type { KindWords } from '../kind.ts'
import { listed } from '../printing.ts'
import type { StationCourse } from './protocol.ts'

const rules = (protocol: StationCourse): string[] => {
  const worn = [
    ...(protocol.vestG === undefined ? [] : [`a vest of ${printMass(protocol.vestG)}`]),
    ...(protocol.gear ?? []).map((item) => item.toLowerCase()),
  ]
  return [
    ...(worn.length > 0 ? [`Worn: ${worn.join(', ')}.`] : []),
    ...protocol.stations.map(({ name, task, faultsAllowed, fault, failsAtOnce = [], rate, tally }, index) =>
      [
        `${index + 1}. ${name}: ${task}`,
        rate ? `${rate.stepsPerMinute} steps a minute for ${printTime(rate.durationMs)}.` : '',
        tally === undefined ? '' : `Complete after ${tally}, counted one by one.`,
        faultsAllowed === undefined ? '' : `${fault ?? 'Faults'}: ${faultsAllowed} allowed.`,
        failsAtOnce.length > 0 ? `Fails at once: ${listed(failsAtOnce)}.` : '',
      ]
        .filter(Boolean)
        .join(' '),
    ),
    `${protocol.walkBetweenMm ? `${printLength(protocol.walkBetweenMm)} of walking between two stations; t` : 'T'}he clock runs on and stops when: ${protocol.clockStopsWhen}`,
  ]
}

export const words: KindWords<StationCourse> = {
  conduct: ({ stations }) => `${numbered(stations.length, 'station')} under one clock`,
  rules,
}
