import type { ReadingStep } from '../measure.ts'
import type { Worked } from '../kind.ts'
import type { Readings } from '../slot.ts'
import type { ProgressiveShuttle } from './protocol.ts'
import { scheduleOf } from './shuttleSchedule.ts'

/** Level and shuttle reached, and the first line missed, both as level × 100 + shuttle -> what the protocol counts. */
export const measureShuttle = (protocol: ProgressiveShuttle, readings: Readings): Worked => {
  const { reached = 0, 'first-miss': firstMiss } = readings
  const [level, shuttle] = [Math.floor(reached / 100), reached % 100]
  const scheduled = scheduleOf(protocol)[level - 1]
  const isComplete = scheduled !== undefined && shuttle >= scheduled.shuttles
  const completedLevels = isComplete ? level : Math.max(0, level - 1)
  // whoever misses a shuttle of a level has not completed that level before it
  const levelsBeforeMiss =
    firstMiss === undefined ? completedLevels : Math.min(completedLevels, Math.max(0, Math.floor(firstMiss / 100) - 1))
  const { counts } = protocol
  const steps: ReadingStep[] = [{ code: 'shuttle', level, shuttle, completedLevels, levelsBeforeMiss, counts }]
  const value = { lastShuttle: reached, lastCompletedLevel: completedLevels, levelBeforeFirstMiss: levelsBeforeMiss }[
    counts
  ]
  return { value, steps }
}
