import type { Capture, Observation } from '../../capture/capture.ts'
import { stamp, type Stage, type WaveRunner } from '../stage.ts'
import type { DistanceInTime } from './protocol.ts'

/** Made-up captures of one runner: laps until the time is over, then the mark they stand at. */
export const rehearseRunner = (
  stage: Stage,
  { durationMs, lapLengthMm, markEveryMm }: DistanceInTime,
  startAtMs: number,
  { entryId, target }: WaveRunner,
): Capture[] => {
  const laps = Math.floor(target / lapLengthMm)
  const beyondLineMm = Math.floor((target - laps * lapLengthMm) / markEveryMm) * markEveryMm
  const lapMs = (durationMs * lapLengthMm) / target
  const crossed: Observation = { kind: 'crossed', payload: {} }
  return [
    ...Array.from({ length: laps }, (_, lap) =>
      stamp(stage, entryId, startAtMs + Math.min(durationMs, Math.round((lap + 1) * lapMs)), crossed),
    ),
    stamp(stage, entryId, startAtMs + durationMs + stage.random.whole(5_000, 60_000), {
      kind: 'markedAt',
      payload: { beyondLineMm },
    }),
  ]
}
