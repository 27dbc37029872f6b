import { divideToNearest } from '../../quantity/integers.ts'
import type { EndedByFigures, Worked } from '../kind.ts'
import { MINUTE_MS } from '../ranges.ts'
import type { Readings } from '../slot.ts'
import type { StepTest } from './protocol.ts'

/** Beats in the window -> beats a minute; or the time held in ms, where the protocol judges an early stop by it. */
export const measureSteps = (
  { pulseWindowMs, durationMs, ifStopped }: StepTest,
  readings: Readings,
): Worked | EndedByFigures => {
  const { stopped: heldMs, pulse: beats = 0 } = readings
  if (heldMs !== undefined && ifStopped) {
    return { value: heldMs, unit: 'ms', steps: [{ code: 'stoppedEarly', heldMs, ofMs: durationMs }] }
  }
  if (heldMs !== undefined) return { reason: 'didNotFinish', notes: [{ code: 'stoppedBeforeTheTime' }] }
  const value = divideToNearest(beats * MINUTE_MS, pulseWindowMs)
  return { value, steps: [{ code: 'pulse', beats, windowMs: pulseWindowMs }] }
}
