/** Captures of one runner, with the start of the wave -> time over the distance. */
import { combineWatches } from '../clock/combineWatches.ts'
import { lapsOf, type TimedDistance } from '../protocol/timedDistance.ts'
import type { Capture } from './capture.ts'
import { isBeyondLimit, stoppedAtLimit } from './limit.ts'
import { measuredAs, type Measure, type Note } from './measure.ts'

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
  const crossings = captures.filter((capture) => isOfWatch(capture, 1))
  const since = start ? crossings.filter(({ atMs }) => atMs > start.atMs) : []
  const stops = captures.filter((capture): capture is Stop => capture.kind === 'stopped')
  const [end] = stops
  const beforeEnd = end ? since.filter(({ atMs }) => atMs <= end.atMs) : since
  const finish = beforeEnd[laps - 1]
  const counted = beforeEnd.slice(0, laps)
  const notes = notesOf(crossings.length - since.length, since.length - counted.length, counted)

  // a finish stands whatever comes after it, but for what an officer rules
  const ruled = stops.find(({ payload: { reason } }) => reason === 'disqualified' || reason === 'breach')
  const decisive = ruled ?? (finish ? undefined : end)
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
  const { limitMs } = protocol
  const clockDoubt = (last: Capture): number =>
    start.deviceId === last.deviceId ? 0 : start.uncertaintyMs + last.uncertaintyMs
  const isLate = (crossing: Capture): boolean =>
    isBeyondLimit(crossing.atMs - start.atMs, limitMs, clockDoubt(crossing))
  const stopped = (): Measure => {
    const soFar = counted.filter((crossing) => !isLate(crossing)).length
    const { reason, notes: why } = stoppedAtLimit(limitMs ?? 0)
    return { kind: 'ended', reason, soFar, unit: 'count', notes: [...notes, ...why] }
  }
  if (counted.some(isLate)) return stopped()
  if (!finish) return { kind: 'running', soFar: counted.length, unit: 'count', notes }
  const timesMs = [finish, ...backupFinishes(captures, finish)].map(({ atMs }) => atMs - start.atMs)
  const { elapsedMs, by } = combineWatches(timesMs, protocol.watchRule)
  if (isBeyondLimit(elapsedMs, limitMs, clockDoubt(finish))) return stopped()
  return {
    kind: 'complete',
    ...measuredAs(elapsedMs),
    unit: 'ms',
    reading: {
      kind: 'crossings',
      startedAtMs: start.atMs,
      finishedAtMs: finish.atMs,
      splitsMs: counted.map(({ atMs }, index) => atMs - (counted[index - 1]?.atMs ?? start.atMs)),
      ...(by === 'only' ? {} : { watches: { timesMs, by } }),
    },
    clockUncertaintyMs: clockDoubt(finish),
    notes,
  }
}

/** How far a backup's stamp may be from the timer's finish and still be meant for it. */
const SAME_FINISH_MS = 5_000

const isOfWatch = (capture: Capture, watch: number): boolean =>
  capture.kind === 'crossed' && (capture.payload.watch ?? 1) === watch

/** The stamp of each backup watch that is nearest to the timer's finish. */
const backupFinishes = (captures: readonly Capture[], finish: Capture): Capture[] =>
  [2, 3].flatMap((watch) => {
    const far = ({ atMs }: Capture): number => Math.abs(atMs - finish.atMs)
    const [nearest] = captures.filter((capture) => isOfWatch(capture, watch)).sort((a, b) => far(a) - far(b))
    return nearest && far(nearest) <= SAME_FINISH_MS ? [nearest] : []
  })

type Stop = Extract<Capture, { kind: 'stopped' }>

const notesOf = (beforeStart: number, afterEnd: number, counted: readonly Capture[]): Note[] => {
  const laps = counted.flatMap((capture, index) =>
    capture.kind === 'crossed' && capture.payload.estimated ? [index + 1] : [],
  )
  return [...leftOut(beforeStart, afterEnd), ...(laps.length > 0 ? [{ code: 'stampEstimated' as const, laps }] : [])]
}

const leftOut = (beforeStart: number, afterEnd: number): Note[] => [
  ...(beforeStart > 0 ? [{ code: 'crossedBeforeStart' as const, count: beforeStart }] : []),
  ...(afterEnd > 0 ? [{ code: 'crossedAfterEnd' as const, count: afterEnd }] : []),
]
