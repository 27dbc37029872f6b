/** What is measured by an event, in which unit, and in which direction it improves. */
import type { Unit } from '../quantity/unit.ts'
import { BODY_UNITS } from './bodyUnits.ts'
import type { EventKind, Protocol } from './protocol.ts'

export const KIND_NAMES: Readonly<Record<EventKind, string>> = {
  repetitionsInTime: 'Repetitions in a time',
  repetitionsToFailure: 'Repetitions to failure',
  repetitionsToCadence: 'Repetitions to a cadence',
  heldPosition: 'Held position',
  timedDistance: 'Timed distance',
  distanceInTime: 'Distance in a time',
  progressiveShuttle: 'Progressive shuttle',
  sprint: 'Sprint or agility',
  attempts: 'Attempts',
  heaviestLift: 'Heaviest lift',
  stationCourse: 'Station course',
  workChain: 'Work chain',
  untimedTask: 'Untimed task',
  stepTest: 'Step test',
  bodyMeasures: 'Body measures',
}

/** `atLeast`: more is better and the cut is reached from below. `atMost`: less is better. */
export type Sense = 'atLeast' | 'atMost'

export interface EventFacts {
  readonly name: string
  readonly unit: Unit
  readonly sense: Sense
}

/**
 * Name, unit and sense of what the event measures.
 * @example factsOf(run) // { name: 'Timed distance', unit: 'ms', sense: 'atMost' }
 */
export const factsOf = (protocol: Protocol): EventFacts => ({
  name: KIND_NAMES[protocol.kind],
  unit: unitOf(protocol),
  sense: senseOf(protocol),
})

const unitOf = (protocol: Protocol): Unit => {
  switch (protocol.kind) {
    case 'repetitionsInTime':
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return 'count'
    case 'heldPosition':
    case 'timedDistance':
    case 'sprint':
    case 'stationCourse':
    case 'workChain':
      return 'ms'
    case 'distanceInTime':
      return 'mm'
    case 'progressiveShuttle':
      return protocol.counts === 'lastShuttle' ? 'levelShuttle' : 'level'
    case 'attempts':
      return protocol.unit
    case 'heaviestLift':
      return 'g'
    case 'untimedTask':
      return 'done'
    case 'stepTest':
      return 'bpm'
    case 'bodyMeasures':
      return protocol.judged ? BODY_UNITS[protocol.judged.id] : 'done'
  }
}

const senseOf = (protocol: Protocol): Sense => {
  switch (protocol.kind) {
    case 'timedDistance':
    case 'sprint':
    case 'stationCourse':
    case 'workChain':
    case 'stepTest':
      return 'atMost'
    case 'bodyMeasures':
      return protocol.judged && !protocol.judged.moreIsBetter ? 'atMost' : 'atLeast'
    default:
      return 'atLeast'
  }
}
