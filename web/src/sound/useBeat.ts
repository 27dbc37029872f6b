/** A beat that sounds while something runs, the first of each cycle accented. */
import { beatSignals, type BeatStretch } from '@able-gauge/core'
import { useSignals } from './useSignals.ts'

/**
 * @param plan of the beat; empty where there is none
 * @param perCycle beats of one cycle
 * @param fromMs agreed time of the first beat; null while it does not run
 */
export const useBeat = (plan: () => readonly BeatStretch[], perCycle: number, fromMs: () => number | null): void =>
  useSignals(
    () => (plan().length === 0 ? null : fromMs()),
    (sinceMs, untilMs) => beatSignals(plan(), perCycle, sinceMs, untilMs),
  )
