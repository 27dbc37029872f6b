import type { Capture, Observation } from '../src/capture/capture.ts'
import { captureId } from '../src/capture/captureId.ts'
import { seededRandom } from '../src/random/random.ts'
import type { HandWorkedCase, Seen } from './handWorkedCases.ts'

/** 24 November 2026, 09:00 in the Tarn Isles. */
export const DAY_START_MS = 1_795_467_600_000

/** The captures a hand-worked case describes: press-ups from the start of the day, the run an hour later. */
export const capturesOf = (handWorked: HandWorkedCase, entryId: string, wave: number, seed: number): Capture[] => {
  const random = seededRandom(seed)
  const runStartMs = DAY_START_MS + 3_600_000
  const make =
    (eventId: string, startMs: number, candidate: string | null) =>
    ([afterMs, observation]: Seen): Capture => {
      const atMs = startMs + afterMs
      const id = captureId(atMs, random.bytes(16))
      return {
        id,
        eventId,
        entryId: candidate,
        deviceId: 'test-device',
        deviceMs: 0,
        atMs,
        uncertaintyMs: 4,
        ...observation,
      }
    }
  const waveStarted: Observation = { kind: 'waveStarted', payload: { wave, entryIds: [entryId] } }
  return [
    ...(handWorked.pressUps ?? []).map(make('press-ups', DAY_START_MS, entryId)),
    ...(handWorked.run ? [make('run', runStartMs, null)([0, waveStarted])] : []),
    ...(handWorked.run ?? []).map(make('run', runStartMs, entryId)),
  ]
}
