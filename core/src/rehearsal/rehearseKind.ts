/** Made-up captures of one person in one event of any kind that is worked person by person. */
import { readingFrom } from '../instrument/instrumentLine.ts'
import type { Capture, Observation, SensedQuantity } from '../capture/capture.ts'
import { slotsOf, type Slot } from '../capture/slots.ts'
import type { Protocol, ProtocolOf } from '../protocol/protocol.ts'
import { rehearseRepetitions, stamp, type Stage } from './rehearse.ts'

/** Somebody at an event. */
export interface Turn {
  readonly entryId: string
  readonly startAtMs: number
  /** What the person is to reach, in the unit of the event. */
  readonly target: number
}

type Make = (afterMs: number, observation: Observation) => Capture

const bare = (kind: 'started' | 'counted' | 'cautioned'): Observation => ({ kind, payload: {} })
const ended: Observation = { kind: 'stopped', payload: { reason: 'ended' } }
const read = (slot: string, value: number, sensedBy?: string): Observation => ({
  kind: 'read',
  payload: sensedBy === undefined ? { slot, value } : { slot, value, sensedBy },
})

/** @returns captures in the order they happen */
export const rehearseKind = (stage: Stage, protocol: Protocol, turn: Turn): Capture[] => {
  const make: Make = (afterMs, observation) =>
    stamp(stage, turn.entryId, turn.startAtMs + Math.round(afterMs), observation)
  switch (protocol.kind) {
    case 'repetitionsInTime':
      return rehearseRepetitions(stage, protocol, {
        entryId: turn.entryId,
        startAtMs: turn.startAtMs,
        counted: turn.target,
        refused: protocol.refusals.filter(() => stage.random.next() < 0.4).map(({ id }) => id),
        cautions: stage.random.next() < 0.2 ? Math.min(1, protocol.cautionsAllowed) : 0,
      })
    case 'repetitionsToFailure':
      return countTo(make, turn.target, 2_400)
    case 'repetitionsToCadence':
      return countTo(make, turn.target, (60_000 * protocol.beatsPerRepetition) / protocol.beatsPerMinute)
    case 'heldPosition':
      return [make(0, bare('started')), make(Math.min(turn.target, protocol.capMs ?? Infinity), ended)]
    case 'sprint':
      return sprintTries(make, protocol, turn.target, stage)
    case 'attempts':
    case 'bodyMeasures':
      return readSlots(stage, make, protocol, turn)
    case 'heaviestLift':
      return lifts(make, protocol, turn.target)
    case 'stationCourse':
      return courseOf(make, protocol, turn.target, stage)
    case 'workChain':
      return chainOf(make, protocol, turn.target)
    case 'untimedTask':
      return stage.random.next() < 0.06
        ? [make(60_000, { kind: 'stopped', payload: { reason: 'failed', note: protocol.failsWhen[0] ?? 'Not done.' } })]
        : [make(90_000, read('done', 1))]
    case 'stepTest':
      return stepsOf(make, protocol, turn.target)
    case 'timedDistance':
    case 'distanceInTime':
    case 'progressiveShuttle':
      throw new Error(`"${protocol.kind}" is run in waves. Use rehearseWaveKind.`)
  }
}

const countTo = (make: Make, count: number, everyMs: number): Capture[] => [
  make(0, bare('started')),
  ...Array.from({ length: count }, (_, index) => make((index + 1) * everyMs, bare('counted'))),
  make((count + 2) * everyMs, ended),
]

const BETWEEN_TRIES_MS = 45_000

const sprintTries = (make: Make, protocol: ProtocolOf<'sprint'>, targetMs: number, { random }: Stage): Capture[] =>
  Array.from({ length: protocol.attemptsAllowed }, (_, index) => {
    const startMs = index * (targetMs + BETWEEN_TRIES_MS)
    const tryMs = targetMs + (index === 0 ? 0 : random.whole(-200, 900))
    return [make(startMs, bare('started')), make(startMs + tryMs, { kind: 'crossed', payload: {} })]
  }).flat()

const READ_EVERY_MS = 12_000

/** Figures come from an instrument where there is one for them, as on a day when it is connected. */
const readSlots = (
  stage: Stage,
  make: Make,
  protocol: ProtocolOf<'attempts' | 'bodyMeasures'>,
  turn: Turn,
): Capture[] =>
  slotsOf(protocol).flatMap((slot, index) => {
    const value = figureFor(slot, protocol, turn.target, stage)
    const afterMs = (index + 1) * READ_EVERY_MS
    const sensed = sensedFor(stage, protocol, slot, value, turn.startAtMs + afterMs)
    return [...(sensed ? [sensed] : []), make(afterMs + 800, read(slot.id, value, sensed?.id))]
  })

const BODY: Readonly<Record<string, readonly [number, number]>> = {
  mass: [58_000, 96_000],
  height: [1_600, 1_930],
  waist: [720, 980],
  composition: [120, 280],
}

const figureFor = (
  { id }: Slot,
  protocol: ProtocolOf<'attempts' | 'bodyMeasures'>,
  target: number,
  { random }: Stage,
): number => {
  if (protocol.kind === 'bodyMeasures') {
    const [least, most] = BODY[id] ?? [1, 10]
    return random.whole(least, most)
  }
  if (id === 'standing') return random.whole(1_950, 2_350)
  const offset = (protocol.zero ?? 0) + (protocol.lessStandingReach ? 2_150 : 0)
  const tried = (target + offset) * (1 - random.next() * 0.05)
  return Math.max(0, Math.round(tried / protocol.resolution) * protocol.resolution)
}

const sensedFor = (
  stage: Stage,
  protocol: ProtocolOf<'attempts' | 'bodyMeasures'>,
  { id }: Slot,
  value: number,
  atMs: number,
): Capture | null => {
  if (protocol.kind !== 'attempts' || protocol.unit === 'count') return null
  const quantity: SensedQuantity = protocol.unit === 'g' ? 'force' : 'height'
  const payload = { instrument: `${quantity}-1`, quantity, value, resolution: protocol.resolution }
  const others = new Set(slotsOf(protocol).flatMap((slot) => (slot.id === id ? [] : [slot.id])))
  return readingFrom(protocol, payload, others) ? stamp(stage, null, atMs, { kind: 'sensed', payload }) : null
}

const lifts = (make: Make, protocol: ProtocolOf<'heaviestLift'>, targetG: number): Capture[] => {
  if (protocol.estimate) {
    const loadG = Math.max(
      protocol.startLoadG,
      Math.round((targetG * 0.85) / protocol.incrementG) * protocol.incrementG,
    )
    return [make(0, read('load', loadG)), make(4_000, read('repetitions', 5))]
  }
  const captures: Capture[] = []
  let loadG = protocol.startLoadG
  let afterMs = 0
  const lift = (good: boolean): void => {
    captures.push(make(afterMs, { kind: 'lifted', payload: { loadG, good } }))
    afterMs += protocol.restMs + 20_000
  }
  while (loadG <= targetG) {
    lift(true)
    loadG += protocol.incrementG
  }
  for (let miss = 0; miss <= protocol.failuresAllowed; miss++) lift(false)
  return captures
}

const courseOf = (
  make: Make,
  protocol: ProtocolOf<'stationCourse'>,
  targetMs: number,
  { random }: Stage,
): Capture[] => {
  const weights = protocol.stations.map(({ rate }) =>
    rate ? (rate.durationMs + (rate.warmUpMs ?? 0)) / targetMs : 0.6 + random.next() * 0.8,
  )
  const fixed = protocol.stations.reduce((sum, { rate }, index) => sum + (rate ? (weights[index] ?? 0) : 0), 0)
  const free = weights.reduce((sum, weight) => sum + weight, 0) - fixed
  let done = 0
  const captures = protocol.stations.flatMap(({ id, rate, faultsAllowed }, index) => {
    const share = rate ? (weights[index] ?? 0) : ((weights[index] ?? 0) / free) * Math.max(0.1, 1 - fixed)
    const faulted = faultsAllowed !== undefined && faultsAllowed > 0 && random.next() < 0.25
    const fault = faulted
      ? [make((done + share / 2) * targetMs, { kind: 'faulted' as const, payload: { part: id } })]
      : []
    done += share
    return [...fault, make(done * targetMs, { kind: 'passed' as const, payload: { part: id } })]
  })
  return [make(0, bare('started')), ...captures]
}

const chainOf = (make: Make, protocol: ProtocolOf<'workChain'>, targetMs: number): Capture[] => {
  const share = targetMs / protocol.segments.length
  const captures = protocol.segments.flatMap(({ id, repetitions }, index) => {
    const startMs = index * share
    if (repetitions === undefined) {
      return [make(startMs + share, { kind: 'passed' as const, payload: { part: id } })]
    }
    return Array.from({ length: repetitions }, (_, at) =>
      make(startMs + ((at + 1) * share) / repetitions, bare('counted')),
    )
  })
  return [make(0, bare('started')), ...captures]
}

const stepsOf = (make: Make, protocol: ProtocolOf<'stepTest'>, targetBpm: number): Capture[] => {
  const { durationMs, pulseAfterMs, pulseWindowMs } = protocol
  const beats = Math.round((targetBpm * pulseWindowMs) / 60_000)
  const fromMs = durationMs + pulseAfterMs
  return [
    make(0, bare('started')),
    ...Array.from({ length: beats }, (_, beat) =>
      make(fromMs + ((beat + 0.5) * pulseWindowMs) / beats, bare('counted')),
    ),
    make(fromMs + pulseWindowMs + 3_000, read('pulse', beats)),
  ]
}
