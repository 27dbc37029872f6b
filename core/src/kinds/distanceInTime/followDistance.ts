/** Distance in a time: whole laps stamped before the limit, and the mark each runner stood at when the time ran out. */
import type { DistanceInTime } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { crossingsSince } from '../crossings.ts'
import type { WaveStart } from '../waveStart.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface DistanceRun {
  /** Whole laps completed before the limit. */
  readonly laps: number
  /** Stamps after the limit, which do not count. */
  readonly late: number
  /** Distance beyond the last line when the time ran out; null until it is entered. */
  readonly beyondLineMm: number | null
}

/**
 * Follows one runner. A stamp exactly at the limit counts; whoever stops the watch late is measured at the limit.
 * @param captures settled captures of this runner in this event, in order
 */
export const followDistance = (
  protocol: DistanceInTime,
  captures: readonly Capture[],
  start: WaveStart | undefined,
): DistanceRun => {
  const crossings = start ? crossingsSince(start, captures).counted : []
  const limitAtMs = (start?.atMs ?? 0) + protocol.durationMs
  const laps = crossings.filter(({ atMs }) => atMs <= limitAtMs).length
  const marked = captures.findLast((capture) => capture.kind === 'markedAt')
  return { laps, late: crossings.length - laps, beyondLineMm: marked ? marked.payload.beyondLineMm : null }
}

export const distanceWork = (
  protocol: DistanceInTime,
  captures: readonly Capture[],
  start: WaveStart | undefined,
): LiveWork => {
  if (!start) return NOTHING_LIVE
  const { laps, late, beyondLineMm } = followDistance(protocol, captures, start)
  return {
    ...NOTHING_LIVE,
    begun: true,
    soFar: laps,
    readings: beyondLineMm === null ? {} : { distance: laps * protocol.lapLengthMm + beyondLineMm },
    notes: [
      ...(late > 0 ? [{ code: 'crossedAfterEnd' as const, count: late }] : []),
      ...(beyondLineMm === null ? [] : [{ code: 'lastMark' as const, laps, beyondLineMm }]),
    ],
  }
}
