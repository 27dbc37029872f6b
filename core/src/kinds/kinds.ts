/** The table of event kinds. A new kind is a folder and a line here. */
import { attempts } from './attempts/attempts.ts'
import { bodyMeasures } from './bodyMeasures/bodyMeasures.ts'
import { distanceInTime } from './distanceInTime/distanceInTime.ts'
import { heaviestLift } from './heaviestLift/heaviestLift.ts'
import { heldPosition } from './heldPosition/heldPosition.ts'
import type { EventKindRecord } from './kind.ts'
import { progressiveShuttle } from './progressiveShuttle/progressiveShuttle.ts'
import type { ProtocolBase } from './protocolBase.ts'
import { repetitionsInTime } from './repetitionsInTime/repetitionsInTime.ts'
import { repetitionsToCadence } from './repetitionsToCadence/repetitionsToCadence.ts'
import { repetitionsToFailure } from './repetitionsToFailure/repetitionsToFailure.ts'
import { sprint } from './sprint/sprint.ts'
import { stationCourse } from './stationCourse/stationCourse.ts'
import { stepTest } from './stepTest/stepTest.ts'
import { timedDistance } from './timedDistance/timedDistance.ts'
import { untimedTask } from './untimedTask/untimedTask.ts'
import { workChain } from './workChain/workChain.ts'

const KINDS = {
  repetitionsInTime,
  repetitionsToFailure,
  repetitionsToCadence,
  heldPosition,
  timedDistance,
  distanceInTime,
  progressiveShuttle,
  sprint,
  attempts,
  heaviestLift,
  stationCourse,
  workChain,
  untimedTask,
  stepTest,
  bodyMeasures,
} as const

export type EventKind = keyof typeof KINDS
// names come from the table above, so the list is complete by construction
export const EVENT_KINDS = Object.keys(KINDS) as readonly EventKind[]

/** The kind a new event has until somebody chooses. */
export const FIRST_KIND: EventKind = 'repetitionsInTime'

export type Protocol = InstanceType<(typeof KINDS)[EventKind]['protocol']>
export type ProtocolOf<Kind extends EventKind> = Extract<Protocol, { kind: Kind }>

type EachKind<Part> = { readonly [Kind in EventKind]: Part }

const ofEach = <Part>(part: (record: AnyKind) => Part): EachKind<Part> =>
  // one entry for each entry of the table
  Object.fromEntries(EVENT_KINDS.map((kind) => [kind, part(recordOf(kind))])) as EachKind<Part>

/** A kind whose protocol is closed away: it is only asked about protocols of its own. */
export type AnyKind = EventKindRecord<ProtocolBase>

export const recordOf = (kind: EventKind): AnyKind => KINDS[kind]

/** The kind of a protocol, to be asked about this very protocol. */
export const kindOf = ({ kind }: Protocol): AnyKind => KINDS[kind]

export const KIND_NAMES = ofEach(({ name }) => name)

/** The document class of each kind. */
export const PROTOCOLS = ofEach(({ protocol }) => protocol) as { [Kind in EventKind]: new () => ProtocolOf<Kind> } // each its own
