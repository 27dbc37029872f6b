/** Lifts that get heavier: the last good one, the misses, the next load. */
import type { HeaviestLift } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface Lift {
  readonly loadG: number
  readonly good: boolean
  readonly atMs: number
}

export interface Lifts {
  readonly lifts: readonly Lift[]
  /** Null before a good one. */
  readonly lastGoodG: number | null
  readonly misses: number
  /** What the protocol puts on next: the start load, one step more after a good lift, the same after a miss. */
  readonly nextLoadG: number
  /** When the rest before the next lift is over; null before the first. */
  readonly restedAtMs: number | null
  readonly over: boolean
}

/** @param captures settled captures of this candidate in this event, in order */
export const followLifts = (protocol: HeaviestLift, captures: readonly Capture[]): Lifts => {
  const lifts: Lift[] = []
  let over = false
  for (const capture of captures) {
    if (over) break
    if (capture.kind === 'stopped') over = true
    if (capture.kind !== 'lifted') continue
    lifts.push({ ...capture.payload, atMs: capture.atMs })
    over = lifts.filter(({ good }) => !good).length > protocol.failuresAllowed
  }
  const good = lifts.filter((lift) => lift.good).map(({ loadG }) => loadG)
  const last = lifts.at(-1)
  return {
    lifts,
    lastGoodG: good.length > 0 ? Math.max(...good) : null,
    misses: lifts.length - good.length,
    nextLoadG: last ? (last.good ? last.loadG + protocol.incrementG : last.loadG) : protocol.startLoadG,
    restedAtMs: last ? last.atMs + protocol.restMs : null,
    over,
  }
}

export const liftWork = (protocol: HeaviestLift, captures: readonly Capture[]): LiveWork => {
  const { lifts, lastGoodG, over } = followLifts(protocol, captures)
  const isMeasured = over && lifts.length > 0
  return {
    ...NOTHING_LIVE,
    begun: lifts.length > 0,
    soFar: lifts.length,
    // nothing lifted well is a load of nothing, not a missing figure
    readings: isMeasured ? { load: lastGoodG ?? 0 } : {},
  }
}
