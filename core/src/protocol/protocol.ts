import { Attempts } from './attempts.ts'
import { BodyMeasures } from './bodyMeasures.ts'
import { DistanceInTime } from './distanceInTime.ts'
import { HeaviestLift } from './heaviestLift.ts'
import { HeldPosition } from './heldPosition.ts'
import { ProgressiveShuttle } from './progressiveShuttle.ts'
import { RepetitionsInTime } from './repetitionsInTime.ts'
import { RepetitionsToCadence } from './repetitionsToCadence.ts'
import { RepetitionsToFailure } from './repetitionsToFailure.ts'
import { Sprint } from './sprint.ts'
import { StationCourse } from './stationCourse.ts'
import { StepTest } from './stepTest.ts'
import { TimedDistance } from './timedDistance.ts'
import { UntimedTask } from './untimedTask.ts'
import { WorkChain } from './workChain.ts'

export const PROTOCOLS = {
  repetitionsInTime: RepetitionsInTime,
  repetitionsToFailure: RepetitionsToFailure,
  repetitionsToCadence: RepetitionsToCadence,
  heldPosition: HeldPosition,
  timedDistance: TimedDistance,
  distanceInTime: DistanceInTime,
  progressiveShuttle: ProgressiveShuttle,
  sprint: Sprint,
  attempts: Attempts,
  heaviestLift: HeaviestLift,
  stationCourse: StationCourse,
  workChain: WorkChain,
  untimedTask: UntimedTask,
  stepTest: StepTest,
  bodyMeasures: BodyMeasures,
} as const

export type EventKind = keyof typeof PROTOCOLS
// names come from the table above, so the list is complete by construction
export const EVENT_KINDS = Object.keys(PROTOCOLS) as readonly EventKind[]

export type Protocol = InstanceType<(typeof PROTOCOLS)[EventKind]>
export type ProtocolOf<Kind extends EventKind> = Extract<Protocol, { kind: Kind }>
