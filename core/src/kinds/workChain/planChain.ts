/** How to divide a chain of work: sets of repetitions, and pauses between them. */
import type { WorkChain } from './protocol.ts'

export interface ChainPace {
  /** Time over each 100 m of the distances. */
  readonly msPer100M: number
  readonly msPerRepetition: number
  /** The most repetitions at a stretch. */
  readonly mostInASet: number
}

/** A steady beginner's pace, to plan by where nobody has one of their own. */
export const USUAL_CHAIN_PACE: ChainPace = { msPer100M: 30_000, msPerRepetition: 2_000, mostInASet: 10 }

interface PlannedSegment {
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
