/** Limits of what can be meant, shared by kinds. Wide on purpose: they find wrong units and slipped digits, no opinions. */
import type { Range } from './kind.ts'

/** Faster than any human has run, and slower than a stroll with stops, in ms for each metre. */
export const FASTEST_MS_PER_M = 95
export const SLOWEST_MS_PER_M = 2_400
/** Swimming and carrying are slower than running, by up to this much. */
export const SLOWEST_AIDED_MS_PER_M = 6_000
/** Two repetitions a second are beyond what can be counted. */
export const QUICKEST_REPETITION_MS = 500
export const MOST_REPETITIONS = 1_000
export const MINUTE_MS = 60_000
export const HOUR_MS = 3_600_000
export const DAY_MS = 86_400_000

/** @returns ms over a distance */
export const overDistance = (distanceMm: number, slowestMsPerM: number): Range => ({
  least: Math.ceil((distanceMm * FASTEST_MS_PER_M) / 1000),
  most: Math.floor((distanceMm * slowestMsPerM) / 1000),
})
