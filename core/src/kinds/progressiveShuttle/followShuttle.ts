/** A progressive shuttle, runner by runner: misses in a row, when the runner is out, the last shuttle completed. */
import type { ProgressiveShuttle } from './protocol.ts'
import { shuttleSignals, type ShuttleSignal } from './shuttleSignals.ts'
import type { Capture } from '../../capture/capture.ts'
import type { WaveStart } from '../waveStart.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface ShuttleRun {
  /** Lines missed in a row up to now. */
  readonly missesInRow: number
  /** When the runner was out; null while still in. */
  readonly outAtMs: number | null
  readonly outBy: 'misses' | 'ended' | 'schedule' | null
  /** The last shuttle completed when out; null while in, or when not one was completed. */
  readonly last: ShuttleSignal | null
  /** The first line missed, whether or not the runner went on. */
  readonly firstMiss: ShuttleSignal | null
}

/**
 * Follows one runner.
 * A miss belongs to the last signal before it. Once more misses in a row than allowed have come together the runner is
 * out, and the last shuttle is the one before the first of them. Whoever steps out is measured at the last signal they
 * reached.
 * @param captures settled captures of this runner in this event, in order
 */
export const followShuttle = (
  protocol: ProgressiveShuttle,
  captures: readonly Capture[],
  start: WaveStart | undefined,
  signals: readonly ShuttleSignal[] = shuttleSignals(protocol),
): ShuttleRun => {
  const run: ShuttleRun = { missesInRow: 0, outAtMs: null, outBy: null, last: null, firstMiss: null }
  if (!start) return run
  const missed = new Set<number>()
  const firstMiss = (): ShuttleSignal | null => signals[Math.min(...missed)] ?? null
  for (const capture of captures) {
    const index = lastBefore(signals, capture.atMs - start.atMs)
    if (capture.kind === 'missed') {
      if (index < 0) continue
      missed.add(index)
      const inRow = missesUpTo(missed, index)
      if (inRow > protocol.missesAllowed) {
        return {
          missesInRow: inRow,
          outAtMs: capture.atMs,
          outBy: 'misses',
          last: signals[index - inRow] ?? null,
          firstMiss: firstMiss(),
        }
      }
    } else if (capture.kind === 'stopped') {
      const reached = index - missesUpTo(missed, index)
      const isAllDone = index === signals.length - 1
      return {
        missesInRow: missesUpTo(missed, index),
        outAtMs: capture.atMs,
        outBy: isAllDone ? 'schedule' : 'ended',
        last: signals[reached] ?? null,
        firstMiss: firstMiss(),
      }
    }
  }
  return { ...run, firstMiss: firstMiss(), missesInRow: missesUpTo(missed, Math.max(-1, ...missed)) }
}

/** Index of the last signal that has sounded, or -1. */
export const lastBefore = (signals: readonly ShuttleSignal[], elapsedMs: number): number => {
  let [low, high] = [0, signals.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((signals[middle]?.atMs ?? Infinity) <= elapsedMs) low = middle + 1
    else high = middle
  }
  return low - 1
}

const missesUpTo = (missed: ReadonlySet<number>, index: number): number => {
  let inRow = 0
  while (index - inRow >= 0 && missed.has(index - inRow)) inRow++
  return inRow
}

export const shuttleWork = (
  protocol: ProgressiveShuttle,
  captures: readonly Capture[],
  start: WaveStart | undefined,
): LiveWork => {
  if (!start) return NOTHING_LIVE
  const { outAtMs, last, firstMiss } = followShuttle(protocol, captures, start)
  // level 1, shuttle 0 for somebody who completed none
  const reached = last ? last.level * 100 + last.shuttle : 100
  const missed = firstMiss ? { 'first-miss': firstMiss.level * 100 + firstMiss.shuttle } : {}
  return { ...NOTHING_LIVE, begun: true, readings: outAtMs === null ? {} : { reached, ...missed } }
}
