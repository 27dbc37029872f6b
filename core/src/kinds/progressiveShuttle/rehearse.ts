import type { Capture } from '../../capture/capture.ts'
import { stamp, type Stage, type WaveRunner } from '../stage.ts'
import type { ProgressiveShuttle } from './protocol.ts'
import { scheduleOf } from './shuttleSchedule.ts'
import { shuttleSignals } from './shuttleSignals.ts'

/** Made-up captures of one runner: the lines missed after the last shuttle they complete. */
export const rehearseRunner = (
  stage: Stage,
  protocol: ProgressiveShuttle,
  startAtMs: number,
  { entryId, target }: WaveRunner,
): Capture[] => {
  const signals = shuttleSignals(protocol)
  const level = protocol.counts === 'lastShuttle' ? Math.floor(target / 100) : target
  const shuttleNumber = protocol.counts === 'lastShuttle' ? target % 100 : Infinity
  const last = signals.findLastIndex(
    (signal) => signal.level < level || (signal.level === level && signal.shuttle <= shuttleNumber),
  )
  const misses = Array.from({ length: protocol.missesAllowed + 1 }, (_, miss) => signals[last + 1 + miss])
  return misses.flatMap((signal) =>
    signal
      ? [
          stamp(stage, entryId, startAtMs + Math.round(signal.atMs) + stage.random.whole(150, 700), {
            kind: 'missed',
            payload: {},
          }),
        ]
      : [],
  )
}

/** A level about the cut, in the middle of its shuttles. @param form about a standard normal value */
export const rehearsedTarget = (protocol: ProgressiveShuttle, cut: number, form: number): number | null => {
  if (protocol.counts !== 'lastShuttle') return null
  const schedule = scheduleOf(protocol)
  const level = Math.min(schedule.length, Math.max(1, Math.floor(cut / 100) + Math.round(0.6 + form * 1.4)))
  const { shuttles } = schedule[level - 1] ?? { shuttles: 1 }
  return level * 100 + Math.max(1, Math.round(shuttles / 2))
}
