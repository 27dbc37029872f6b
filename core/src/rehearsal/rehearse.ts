/** Made-up captures for a wanted result: what graders and timers would have stamped. */
import type { Capture, CaptureEnvelope, Observation, StopReason } from '../capture/capture.ts'
import { captureId } from '../capture/captureId.ts'
import type { RepetitionsInTime } from '../protocol/repetitionsInTime.ts'
import { distanceAtCrossing, lapsOf, type TimedDistance } from '../protocol/timedDistance.ts'
import type { Random } from './random.ts'

export interface Stage {
  readonly eventId: string
  readonly deviceId: string
  readonly random: Random
}

export interface RepetitionScript {
  readonly entryId: string
  readonly startAtMs: number
  readonly counted: number
  /** Reason ids, spread among the counted ones. */
  readonly refused?: readonly string[]
  readonly cautions?: number
  /** Begins again after this many, for this reason. */
  readonly restart?: { readonly after: number; readonly reason: string }
  /** What ends it before the time does. */
  readonly stop?: { readonly reason: StopReason; readonly note?: string; readonly afterMs: number }
}

export interface RunScript {
  readonly entryId: string
  /** From the start of the wave to the finish. */
  readonly finishMs: number
  readonly stop?: { readonly reason: StopReason; readonly note?: string; readonly afterLaps: number }
}

/** One capture with an id and an envelope. */
export const stamp = (stage: Stage, entryId: string | null, atMs: number, observation: Observation): Capture => {
  const envelope: CaptureEnvelope = {
    id: captureId(atMs, stage.random.bytes(16)),
    eventId: stage.eventId,
    entryId,
    deviceId: stage.deviceId,
    deviceMs: Math.max(0, atMs % 86_400_000),
    atMs,
    uncertaintyMs: 4,
  }
  return { ...envelope, ...observation }
}

/** The captures of one candidate's repetitions. */
export const rehearseRepetitions = (stage: Stage, protocol: RepetitionsInTime, script: RepetitionScript): Capture[] => {
  const at = (atMs: number, observation: Observation): Capture => stamp(stage, script.entryId, atMs, observation)
  const bare = (kind: 'started' | 'counted' | 'cautioned'): Observation => ({ kind, payload: {} })
  const captures = [at(script.startAtMs, bare('started'))]
  let startMs = script.startAtMs
  if (script.restart) {
    const { after, reason } = script.restart
    for (let index = 1; index <= after; index++) captures.push(at(startMs + index * 1_600, bare('counted')))
    captures.push(at(startMs + (after + 1) * 1_600, { kind: 'restarted', payload: { reason } }))
    startMs += 60_000
    captures.push(at(startMs, bare('started')))
  }
  const endMs = script.stop?.afterMs ?? protocol.durationMs
  const moves = spread(
    [
      ...Array.from({ length: script.counted }, () => bare('counted')),
      ...(script.refused ?? []).map((reason): Observation => ({ kind: 'refused', payload: { reason } })),
      ...Array.from({ length: script.cautions ?? 0 }, () => bare('cautioned')),
    ],
    stage.random,
  )
  const gapMs = Math.floor((endMs - 2_000) / Math.max(1, moves.length))
  moves.forEach((move, index) => {
    captures.push(at(startMs + (index + 1) * gapMs - stage.random.whole(0, Math.floor(gapMs / 4)), move))
  })
  const stop = script.stop ?? { reason: 'time' as const }
  const note = 'note' in stop && stop.note ? { note: stop.note } : {}
  captures.push(at(startMs + endMs, { kind: 'stopped', payload: { reason: stop.reason, ...note } }))
  return captures
}

/** The captures of one wave: its start, every crossing, every early end. */
export const rehearseWave = (
  stage: Stage,
  protocol: TimedDistance,
  wave: number,
  startAtMs: number,
  runners: readonly RunScript[],
): Capture[] => [
  stamp(stage, null, startAtMs, {
    kind: 'waveStarted',
    payload: { wave, entryIds: runners.map(({ entryId }) => entryId) },
  }),
  ...runners.flatMap((runner) => rehearseRunner(stage, protocol, startAtMs, runner)),
]

const rehearseRunner = (stage: Stage, protocol: TimedDistance, startAtMs: number, runner: RunScript): Capture[] => {
  const laps = lapsOf(protocol)
  const crossedLaps = runner.stop?.afterLaps ?? laps
  const captures: Capture[] = []
  for (let lap = 1; lap <= crossedLaps; lap++) {
    const even = (runner.finishMs * distanceAtCrossing(protocol, lap)) / protocol.distanceMm
    // people start a little fast and slow down in the middle; the finish is exact
    const sway = lap === laps ? 0 : Math.round(stage.random.whole(-25, 10) * 100)
    captures.push(stamp(stage, runner.entryId, startAtMs + Math.round(even) + sway, { kind: 'crossed', payload: {} }))
  }
  if (runner.stop) {
    const { reason, note, afterLaps } = runner.stop
    const atMs = startAtMs + Math.round((runner.finishMs * (afterLaps + 0.4)) / laps)
    captures.push(
      stamp(stage, runner.entryId, atMs, { kind: 'stopped', payload: { reason, ...(note ? { note } : {}) } }),
    )
  }
  return captures
}

/** Mixes refusals and cautions among the counted, never first. */
const spread = (moves: readonly Observation[], random: Random): Observation[] => {
  const [first, ...rest] = moves
  if (!first) return []
  const mixed = rest.map((move) => ({ move, order: random.next() })).sort((a, b) => a.order - b.order)
  return [first, ...mixed.map(({ move }) => move)]
}
