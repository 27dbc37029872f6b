/** Captures of one runner, with the start of the wave -> time over the distance. */
import { combineWatches } from '../../clock/combineWatches.ts'
import { lapsOf, type TimedDistance } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { crossingsSince, isOfWatch, isTimers, SAME_CROSSING_MS, type Crossing } from '../crossings.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'
import { isBeyondLimit, stoppedAtLimit } from '../limit.ts'
import { measuredAs, type Measure, type Note } from '../measure.ts'

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
  const {
    counted: since,
    again,
    beforeStart,
  } = start
    ? crossingsSince(start, captures)
    : { counted: [], again: [], beforeStart: captures.filter(isTimers).length }
  const stops = captures.filter((capture): capture is Stop => capture.kind === 'stopped')
  const [end] = stops
  const beforeEnd = end ? since.filter(({ atMs }) => atMs <= end.atMs) : since
  const finish = beforeEnd[laps - 1]
  const counted = beforeEnd.slice(0, laps)
  const notes = notesOf(beforeStart, since.length - counted.length, again.length, counted)

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
  const isLate = (crossing: Capture): boolean =>
    isBeyondLimit(crossing.atMs - start.atMs, limitMs, clockDoubt(start, crossing))
  const stopped = (): Measure => {
    const soFar = counted.filter((crossing) => !isLate(crossing)).length
    const { reason, notes: why } = stoppedAtLimit(limitMs ?? 0)
    return { kind: 'ended', reason, soFar, unit: 'count', notes: [...notes, ...why] }
  }
  if (counted.some(isLate)) return stopped()
  if (!finish) return { kind: 'running', soFar: counted.length, unit: 'count', notes }
  const backups = BACKUPS.flatMap((watch) => backupFinish(captures, watch, finish.atMs) ?? [])
  const timesMs = [finish, ...backups].map(({ atMs }) => atMs - start.atMs)
  const { elapsedMs, by } = combineWatches(timesMs, protocol.watchRule)
  if (isBeyondLimit(elapsedMs, limitMs, clockDoubt(start, finish))) return stopped()
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
    clockUncertaintyMs: clockDoubt(start, finish),
    notes,
  }
}

/** The stamp of a backup watch that is nearest to the timer's finish, if it can be meant for it. */
const backupFinish = (captures: readonly Capture[], watch: number, finishedAtMs: number): Crossing | null => {
  const far = ({ atMs }: Capture): number => Math.abs(atMs - finishedAtMs)
  const [nearest] = captures
    .filter((capture): capture is Crossing => isOfWatch(capture, watch))
    .sort((a, b) => far(a) - far(b))
  return nearest && far(nearest) <= SAME_CROSSING_MS ? nearest : null
}

const BACKUPS = [2, 3] as const

/**
 * What a finished runner's stamps give by slot, so that figures from a card can stand in the place of single ones: each takes the place
 * of what was stamped in its slot, and the stamps of the other watches stand beside it.
 */
export const runWork = (
  protocol: TimedDistance,
  captures: readonly Capture[],
  start: Capture | undefined,
): LiveWork => {
  const stamped = reduceTimedDistance(protocol, start, captures)
  if (stamped.kind !== 'complete' || stamped.reading.kind !== 'crossings') return NOTHING_LIVE
  const { startedAtMs, finishedAtMs } = stamped.reading
  const backups = BACKUPS.flatMap((watch) => {
    const backup = backupFinish(captures, watch, finishedAtMs)
    return backup ? [[`time-watch-${watch}`, backup.atMs - startedAtMs] as const] : []
  })
  return {
    begun: true,
    soFar: stamped.reading.splitsMs.length,
    readings: { time: finishedAtMs - startedAtMs, ...Object.fromEntries(backups) },
    // a finish stands whatever comes after it
    isFinal: true,
    clockUncertaintyMs: stamped.clockUncertaintyMs,
    notes: stamped.notes,
  }
}

type Stop = Extract<Capture, { kind: 'stopped' }>

const notesOf = (beforeStart: number, afterEnd: number, again: number, counted: readonly Crossing[]): Note[] => {
  const laps = counted.flatMap(({ payload }, index) => (payload.estimated ? [index + 1] : []))
  return [
    ...leftOut(beforeStart, afterEnd),
    ...(again > 0 ? [{ code: 'stampedTwice' as const, count: again }] : []),
    ...(laps.length > 0 ? [{ code: 'stampEstimated' as const, laps }] : []),
  ]
}

const leftOut = (beforeStart: number, afterEnd: number): Note[] => [
  ...(beforeStart > 0 ? [{ code: 'crossedBeforeStart' as const, count: beforeStart }] : []),
  ...(afterEnd > 0 ? [{ code: 'crossedAfterEnd' as const, count: afterEnd }] : []),
]
