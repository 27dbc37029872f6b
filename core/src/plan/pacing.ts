/** How to divide a limit: even laps for a distance, sets and pauses for a chain of work. */
import { distanceAtCrossing, lapsOf, type TimedDistance } from '../protocol/timedDistance.ts'
import type { WorkChain } from '../protocol/workChain.ts'

export interface EvenSplit {
  readonly lap: number
  readonly distanceMm: number
  /** From the start; never later than an even pace, so that keeping them keeps the limit. */
  readonly atMs: number
  /** For this lap alone. */
  readonly splitMs: number
}

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

export interface ChainPace {
  /** Time over each 100 m of the distances. */
  readonly msPer100M: number
  readonly msPerRepetition: number
  /** The most repetitions at a stretch. */
  readonly mostInASet: number
}

export interface PlannedSegment {
  readonly segmentId: string
  readonly name: string
  /** Sizes of the sets; empty for a distance. */
  readonly sets: readonly number[]
  /** Between two sets of this segment. */
  readonly pauseMs: number
  /** The clock when it is done. */
  readonly doneAtMs: number
}

export type ChainPlan =
  | { readonly ok: true; readonly segments: readonly PlannedSegment[]; readonly doneAtMs: number }
  /** The work alone takes longer than the limit, by so much. */
  | { readonly ok: false; readonly overMs: number }

const SECOND_MS = 1_000

/**
 * Divides a chain's repetitions into even sets and shares what time is left among the pauses between them, in whole
 * seconds. Where sets are not allowed, all repetitions are one.
 * @param limitMs of the whole chain
 */
export const planChain = ({ segments }: Pick<WorkChain, 'segments'>, limitMs: number, pace: ChainPace): ChainPlan => {
  const workMs = segments.map((segment) => workOf(segment, pace))
  const totalMs = workMs.reduce((sum, ms) => sum + ms, 0)
  if (totalMs > limitMs) return { ok: false, overMs: totalMs - limitMs }
  const sets = segments.map((segment) => setsOf(segment, pace.mostInASet))
  const pauses = sets.reduce((sum, list) => sum + Math.max(0, list.length - 1), 0)
  const pauseMs = pauses === 0 ? 0 : Math.floor((limitMs - totalMs) / pauses / SECOND_MS) * SECOND_MS
  let clockMs = 0
  const planned = segments.map(({ id, name }, index): PlannedSegment => {
    const own = sets[index] ?? []
    clockMs += (workMs[index] ?? 0) + Math.max(0, own.length - 1) * pauseMs
    return { segmentId: id, name, sets: own, pauseMs: own.length > 1 ? pauseMs : 0, doneAtMs: clockMs }
  })
  return { ok: true, segments: planned, doneAtMs: clockMs }
}

type Segment = WorkChain['segments'][number]

const workOf = ({ distanceMm = 0, repetitions = 0 }: Segment, { msPer100M, msPerRepetition }: ChainPace): number =>
  Math.ceil((distanceMm * msPer100M) / 100_000) + repetitions * msPerRepetition

/** As even as can be, the larger sets first. */
const setsOf = ({ repetitions = 0, setsAllowed = false }: Segment, mostInASet: number): number[] => {
  if (repetitions === 0) return []
  const count = setsAllowed ? Math.ceil(repetitions / mostInASet) : 1
  const [least, larger] = [Math.floor(repetitions / count), repetitions % count]
  return Array.from({ length: count }, (_, index) => least + (index < larger ? 1 : 0))
}
