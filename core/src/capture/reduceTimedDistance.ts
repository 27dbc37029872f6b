/** Captures of one runner, with the start of the wave -> time over the distance. */
import { lapsOf, type TimedDistance } from '../protocol/timedDistance.ts'
import type { Capture } from './capture.ts'
import type { Measure, Note } from './measure.ts'

/** The starts of waves that stand, in order. */
export const waveStarts = (captures: readonly Capture[]): WaveStart[] =>
  captures.filter((capture): capture is WaveStart => capture.kind === 'waveStarted')

export type WaveStart = Extract<Capture, { kind: 'waveStarted' }>

/**
 * The start a runner's time counts from: the earliest that names them, since two timers may both have given it.
 * Somebody it does not name, checked in late perhaps, but who is stamped in their wave, did start with it.
 */
export const startOf = (
  entry: { readonly entryId: string; readonly wave: number },
  starts: readonly WaveStart[],
  own: readonly Capture[],
): WaveStart | undefined =>
  starts.find(({ payload }) => payload.entryIds.includes(entry.entryId)) ??
  (own.length > 0 ? starts.find(({ payload }) => payload.wave === entry.wave) : undefined)

/**
 * Reduces one runner.
 * The elapsed time runs from the start of the wave to the crossing that completes the distance.
 * @param start the start of the runner's wave, if it has been given
 * @param captures settled captures of this runner in this event, in order
 */
export const reduceTimedDistance = (
  protocol: TimedDistance,
  start: Capture | undefined,
  captures: readonly Capture[],
): Measure => {
  const laps = lapsOf(protocol)
  const crossings = captures.filter(({ kind }) => kind === 'crossed')
  const since = start ? crossings.filter(({ atMs }) => atMs > start.atMs) : []
  const stops = captures.filter((capture): capture is Stop => capture.kind === 'stopped')
  const [end] = stops
  const beforeEnd = end ? since.filter(({ atMs }) => atMs <= end.atMs) : since
  const finish = beforeEnd[laps - 1]
  const counted = beforeEnd.slice(0, laps)
  const notes = notesOf(crossings.length - since.length, since.length - counted.length)

  // a finish stands whatever comes after it, but for a disqualification
  const decisive = stops.find(({ payload }) => payload.reason === 'disqualified') ?? (finish ? undefined : end)
  if (decisive) {
    const { reason, note } = decisive.payload
    return {
      kind: 'ended',
      reason: reason === 'time' || reason === 'ended' ? 'didNotFinish' : reason,
      ...(note ? { note } : {}),
      soFar: counted.length,
      unit: 'count',
      notes,
    }
  }
  if (!start) return { kind: 'notStarted', notes }
  if (!finish) return { kind: 'running', soFar: counted.length, unit: 'count', notes }
  return {
    kind: 'complete',
    value: finish.atMs - start.atMs,
    unit: 'ms',
    reading: {
      kind: 'crossings',
      startedAtMs: start.atMs,
      finishedAtMs: finish.atMs,
      splitsMs: counted.map(({ atMs }, index) => atMs - (counted[index - 1]?.atMs ?? start.atMs)),
    },
    clockUncertaintyMs: start.deviceId === finish.deviceId ? 0 : start.uncertaintyMs + finish.uncertaintyMs,
    notes,
  }
}

type Stop = Extract<Capture, { kind: 'stopped' }>

const notesOf = (beforeStart: number, afterEnd: number): Note[] => [
  ...(beforeStart > 0 ? [{ code: 'crossedBeforeStart' as const, count: beforeStart }] : []),
  ...(afterEnd > 0 ? [{ code: 'crossedAfterEnd' as const, count: afterEnd }] : []),
]
