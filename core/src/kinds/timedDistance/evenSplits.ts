/** How to divide a distance: even laps that meet a limit. */
import type { EvenSplit } from '../kind.ts'
import { distanceAtCrossing, lapsOf, type TimedDistance } from './protocol.ts'

const TENTH_MS = 100

/**
 * Even laps that meet a limit exactly at the finish; passing times are cut down to the tenth.
 * @example evenSplits(2,000 m in laps of 400 m, 580_000)[0] // { lap: 1, distanceMm: 400000, atMs: 116000, splitMs: 116000 }
 */
export const evenSplits = (course: Pick<TimedDistance, 'distanceMm' | 'lapLengthMm'>, limitMs: number): EvenSplit[] => {
  const laps = lapsOf(course)
  let beforeMs = 0
  return Array.from({ length: laps }, (_, index) => {
    const lap = index + 1
    const distanceMm = distanceAtCrossing(course, lap)
    const exactMs = (limitMs * distanceMm) / course.distanceMm
    const atMs = lap === laps ? limitMs : Math.floor(exactMs / TENTH_MS) * TENTH_MS
    const split = { lap, distanceMm, atMs, splitMs: atMs - beforeMs }
    beforeMs = atMs
    return split
  })
}
