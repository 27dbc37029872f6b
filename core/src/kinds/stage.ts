/** Where made-up captures come from, and whom they are about. */
import type { Capture, CaptureEnvelope, Observation } from '../capture/capture.ts'
import { captureId } from '../capture/captureId.ts'
import type { Random } from '../random/random.ts'

export interface Stage {
  readonly eventId: string
  readonly deviceId: string
  readonly random: Random
  /** What was stamped wrongly was put right: nothing is missed or touched twice. */
  readonly isMended?: boolean
}

/** Somebody at an event. */
export interface Turn {
  readonly entryId: string
  readonly startAtMs: number
  /** What the person is to reach, in the unit of the event. */
  readonly target: number
}

export interface WaveRunner {
  readonly entryId: string
  /** What the runner is to reach, in the unit of the event. */
  readonly target: number
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

export type Make = (afterMs: number, observation: Observation) => Capture

/** Captures of one person's turn, each so many ms after it began. */
export const makerFor =
  (stage: Stage, { entryId, startAtMs }: Turn): Make =>
  (afterMs, observation) =>
    stamp(stage, entryId, startAtMs + Math.round(afterMs), observation)

export const bare = (kind: 'started' | 'counted' | 'cautioned'): Observation => ({ kind, payload: {} })
export const ended: Observation = { kind: 'stopped', payload: { reason: 'ended' } }
export const read = (slot: string, value: number, sensedBy?: string): Observation => ({
  kind: 'read',
  payload: sensedBy === undefined ? { slot, value } : { slot, value, sensedBy },
})

/** The start of a wave. */
export const waveStart = (
  stage: Stage,
  wave: number,
  startAtMs: number,
  runners: readonly { readonly entryId: string }[],
): Capture =>
  stamp(stage, null, startAtMs, {
    kind: 'waveStarted',
    payload: { wave, entryIds: runners.map(({ entryId }) => entryId) },
  })
