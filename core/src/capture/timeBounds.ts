/**
 * Which moments a day can hold. A capture that says it was made outside the day, or later than it arrived, is kept as it was
 * sent, but is ordered by the moment of its arrival, which the server stored: a clock that is wrong must not let it overrule
 * what others saw. It is doubtful.
 */
import type { Capture, RecordedCapture } from './capture.ts'

/** Agreed time, ms since 1970: from the first to before the last. */
export interface TimeSpan {
  readonly fromMs: number
  readonly beforeMs: number
}

export type TimeBounds = readonly TimeSpan[]

/** Whether a capture's own time can be: within the days, and no later than its arrival by more than its clock can be off. */
export const isTimely = (capture: Capture, bounds: TimeBounds): boolean => {
  const { atMs, uncertaintyMs } = capture
  if ('receivedMs' in capture && atMs > (capture as RecordedCapture).receivedMs + uncertaintyMs) return false
  return bounds.some(({ fromMs, beforeMs }) => atMs + uncertaintyMs >= fromMs && atMs - uncertaintyMs < beforeMs)
}

/**
 * The capture as it is ordered: by its own time, or by its arrival where its own cannot be.
 * What has not arrived yet keeps its own.
 */
export const byArrival = <One extends Capture>(capture: One, bounds: TimeBounds): One =>
  !('receivedMs' in capture) || isTimely(capture, bounds)
    ? capture
    : // what was recorded has a moment of arrival
      { ...capture, atMs: (capture as unknown as RecordedCapture).receivedMs }
