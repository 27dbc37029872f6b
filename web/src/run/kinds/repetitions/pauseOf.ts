/** How long somebody has paused between repetitions, and what it means by the protocol. */
import { printClock, type CountedProtocol, type RepetitionAttempt } from '@able-gauge/core'

/** How long nothing has moved; told once it could be a rest. */
const PAUSE_TOLD_MS = 2_000

export interface Pause {
  /** Empty while nobody pauses. */
  readonly words: string
  /** Whether it is longer than allowed. */
  readonly isOver: boolean
}

export const NO_PAUSE: Pause = { words: '', isOver: false }

/** @param attempt that runs */
export const pauseOf = (
  { longestPauseMs, restAllowed }: CountedProtocol,
  { lastMoveAtMs, pausedAtMs }: RepetitionAttempt,
  nowMs: number,
): Pause => {
  const sinceMs = pausedAtMs ?? lastMoveAtMs
  const pauseMs = sinceMs === null ? 0 : nowMs - sinceMs
  if (pauseMs < PAUSE_TOLD_MS) return NO_PAUSE
  const paused = `Pause ${printClock(pauseMs)}`
  if (longestPauseMs === undefined) {
    return { words: restAllowed === 'nowhere' ? `${paused}: no rest is allowed` : paused, isOver: false }
  }
  const leftMs = longestPauseMs - pauseMs
  return leftMs > 0
    ? { words: `${paused}, ${printClock(leftMs + 999)} left`, isOver: false }
    : { words: `${paused}: longer than the ${printClock(longestPauseMs)} allowed`, isOver: true }
}
