/** The signals of a progressive shuttle: when each shuttle ends. */
import type { ProgressiveShuttle } from './protocol.ts'
import { scheduleOf } from './shuttleSchedule.ts'

export interface ShuttleSignal {
  /** From the start, exact: not rounded shuttle by shuttle, so that it does not drift. */
  readonly atMs: number
  readonly level: number
  readonly shuttle: number
  /** Whether this is the last shuttle of its level. */
  readonly endsLevel: boolean
}

/**
 * All signals in order. The one at the start itself is not among them.
 * @example shuttleSignals(twentyMetres)[0] // { atMs: 8470.58…, level: 1, shuttle: 1, endsLevel: false }
 */
export const shuttleSignals = (
  protocol: Pick<ProgressiveShuttle, 'lineDistanceMm' | 'speeds' | 'levels'>,
): readonly ShuttleSignal[] => {
  const signals: ShuttleSignal[] = []
  let levelStartMs = 0
  for (const { level, metresPerHour, shuttles } of scheduleOf(protocol)) {
    const shuttleMs = (protocol.lineDistanceMm * 3_600) / metresPerHour
    for (let shuttle = 1; shuttle <= shuttles; shuttle++) {
      signals.push({ atMs: levelStartMs + shuttle * shuttleMs, level, shuttle, endsLevel: shuttle === shuttles })
    }
    levelStartMs += shuttles * shuttleMs
  }
  return signals
}
