/** How an event is conducted, in the lines an officer checks beforehand. */
import {
  distanceAtCrossing,
  lapsOf,
  printLength,
  type RepetitionsInTime,
  type StandardEvent,
  type TimedDistance,
} from '@able-gauge/core'
import { conductOf } from '../run/askedIn.ts'

export const rulesOf = (event: StandardEvent): string[] => {
  const { protocol } = event
  return protocol.kind === 'repetitionsInTime'
    ? [`${conductOf(event)}. ${protocol.countsWhen}`, ...gradingOf(protocol)]
    : courseOf(protocol)
}

const REST = { nowhere: 'No resting', up: 'Resting in the up position only', upOrDown: 'Resting up or down' } as const

const gradingOf = ({ restAllowed, cautionsAllowed, restart, refusals }: RepetitionsInTime): string[] => [
  `${REST[restAllowed]}; the clock runs on. ${cautionsAllowed} cautions are allowed, one more ends the event.`,
  ...(restart
    ? [
        `May begin again ${restart.times === 1 ? 'once' : `${restart.times} times`} within the first ${restart.withinFirst}, after the fault is explained.`,
      ]
    : []),
  `Refused for: ${refusals.map(({ label }) => label.toLowerCase()).join(', ')}.`,
]

const courseOf = (protocol: TimedDistance): string[] => {
  const first = distanceAtCrossing(protocol, 1)
  const laps = `${printLength(protocol.distanceMm)} on laps of ${printLength(protocol.lapLengthMm)}: ${lapsOf(protocol)} crossings of the finish line.`
  return first === protocol.lapLengthMm
    ? [laps, 'Start and finish are on the same line.']
    : [laps, `The start line stands ${printLength(first)} before the finish line, so that the part lap comes first.`]
}
