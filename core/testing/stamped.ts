/** Captures of one candidate in one event, written as moments and observations. */
import type { Capture, Observation } from '../src/capture/capture.ts'
import { captureId } from '../src/capture/captureId.ts'
import { seededRandom } from '../src/random/random.ts'

export const ENTRY = '00000000-0000-4000-8000-000000000001'
export const START_MS = 1_795_467_600_000

const random = seededRandom(7)

/** One capture, `afterMs` after the start of the event. */
export const at = (afterMs: number, observation: Observation, change: Partial<Capture> = {}): Capture =>
  // the change is of the envelope; kind and payload stay together
  ({
    id: captureId(START_MS + afterMs, random.bytes(16)),
    eventId: 'event',
    entryId: ENTRY,
    deviceId: 'device-1',
    deviceMs: 0,
    atMs: START_MS + afterMs,
    uncertaintyMs: 4,
    ...observation,
    ...change,
  }) as Capture

type BareKind = 'started' | 'counted' | 'cautioned' | 'paused' | 'resumed' | 'missed' | 'placed'
export const bare = (afterMs: number, kind: BareKind): Capture => at(afterMs, { kind, payload: {} })
export const crossed = (afterMs: number, watch?: number): Capture =>
  at(afterMs, { kind: 'crossed', payload: watch === undefined ? {} : { watch } })
export const passed = (afterMs: number, part: string): Capture => at(afterMs, { kind: 'passed', payload: { part } })
export const faulted = (afterMs: number, part: string): Capture => at(afterMs, { kind: 'faulted', payload: { part } })
export const lifted = (afterMs: number, loadG: number, good: boolean): Capture =>
  at(afterMs, { kind: 'lifted', payload: { loadG, good } })
export const ended = (afterMs: number): Capture => at(afterMs, { kind: 'stopped', payload: { reason: 'ended' } })
export const waveStarted = (afterMs = 0): Extract<Capture, { kind: 'waveStarted' }> => {
  const capture = at(afterMs, { kind: 'waveStarted', payload: { wave: 1, entryIds: [ENTRY] } }, { entryId: null })
  if (capture.kind !== 'waveStarted') throw new Error('A start was made as something else.')
  return capture
}
