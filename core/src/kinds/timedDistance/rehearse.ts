/** Made-up captures of a wave over a distance: what a timer would have stamped. */
import type { Capture, StopReason } from '../../capture/capture.ts'
import { stamp, waveStart, type Stage } from '../stage.ts'
import { distanceAtCrossing, lapsOf, type TimedDistance } from './protocol.ts'

export interface RunScript {
  readonly entryId: string
  /** From the start of the wave to the finish. */
  readonly finishMs: number
  readonly stop?: { readonly reason: StopReason; readonly note?: string; readonly afterLaps: number }
}

/** The captures of one wave: its start, every crossing, every early end. */
export const rehearseWave = (
  stage: Stage,
  protocol: TimedDistance,
  wave: number,
  startAtMs: number,
  runners: readonly RunScript[],
): Capture[] => [
  waveStart(stage, wave, startAtMs, runners),
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

/** Now and then a lap is missed or touched twice, so that there is something to mend. The finish is always stamped. */
export const withMistakes = (stage: Stage, laps: number, captures: readonly Capture[]): Capture[] => {
  const seen = new Map<string, number>()
  return captures.flatMap((capture) => {
    if (capture.kind !== 'crossed' || capture.entryId === null) return [capture]
    const lap = (seen.get(capture.entryId) ?? 0) + 1
    seen.set(capture.entryId, lap)
    const chance = stage.random.next()
    if (lap < laps && chance < 0.01) return []
    if (lap < laps && chance > 0.99) {
      return [capture, stamp(stage, capture.entryId, capture.atMs + 900, { kind: 'crossed', payload: {} })]
    }
    return [capture]
  })
}
