/** The limit of a race against the clock: nobody goes on beyond it. */
import { compareExact, plus, type Exact } from '../quantity/fraction.ts'
import type { EndReason } from '../referee/ends.ts'
import type { Note } from './measure.ts'

/**
 * Whether a time lies beyond the limit, further than the clocks of two devices may differ.
 * A time exactly on the limit is within it. The time is compared as it was taken, before any rounding: whoever was still on the
 * way when the limit came was stopped.
 * @example isBeyondLimit(600_000, 600_000, 0) // false
 * @example isBeyondLimit(600_001, 600_000, 0) // true
 */
export const isBeyondLimit = (elapsedMs: Exact, limitMs: number | undefined, clockUncertaintyMs: number): boolean =>
  limitMs !== undefined && compareExact(plus(elapsedMs, -clockUncertaintyMs), limitMs) > 0

/** How an event ends for somebody whom the limit stopped. */
export const stoppedAtLimit = (limitMs: number): { readonly reason: EndReason; readonly notes: readonly Note[] } => ({
  reason: 'didNotFinish',
  notes: [{ code: 'limitReached', limitMs }],
})
