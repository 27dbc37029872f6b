/** The rules of lifts that get heavier: the last good one, the misses, the rest, the next load. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, asked, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { ONE_LIFT_MS } from '../../referee/thresholds.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { HeaviestLift } from './protocol.ts'

interface Lift {
  readonly loadG: number
  readonly good: boolean
  readonly atMs: number
}

export interface LiftState {
  readonly lifts: readonly Lift[]
  readonly end: End | null
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

const HELD: ReadonlySet<CaptureKind> = new Set(['lifted'])

const missesIn = (lifts: readonly Lift[]): number => lifts.filter(({ good }) => !good).length

const nextLoadG = ({ startLoadG, incrementG }: HeaviestLift, last: Lift | undefined): number =>
  last ? (last.good ? last.loadG + incrementG : last.loadG) : startLoadG

/** One failure more than is allowed ends it; a lift before its rest is over counts, and is asked about. */
export const liftReferee: Refereed<HeaviestLift, LiftState> = {
  held: HELD,
  actions: (protocol) => [
    { kind: 'lifted', payload: { loadG: protocol.startLoadG, good: true } },
    { kind: 'stopped', payload: { reason: 'ended' } },
  ],
  referee: {
    begin: () => ({ lifts: [], end: null }),
    phase: (_, { lifts, end }) => (end ? 'over' : lifts.length > 0 ? 'running' : 'before'),
    span: (_, { lifts, end }) => spanOf(lifts[0]?.atMs, end),
    due: () => null,
    pass: (_, state) => state,
    permit: ({ restMs }, { lifts, end }, action) => {
      if (action.kind !== 'lifted') return ALLOWED
      if (end) return refused('liftedAfterEnd')
      const last = lifts.at(-1)
      if (!last) return ALLOWED
      const afterMs = action.stamp.atMs - last.atMs
      // the same key again; the other key is another lift, however soon
      if (afterMs < ONE_LIFT_MS && action.payload.good === last.good) return refused('pressedTwice')
      return afterMs < restMs ? asked('restNotOver', { leftMs: restMs - afterMs }) : ALLOWED
    },
    apply: ({ failuresAllowed }, state, capture) => {
      if (capture.kind === 'lifted') {
        const { atMs } = capture
        const lifts = [...state.lifts, { ...capture.payload, atMs }]
        return { lifts, end: missesIn(lifts) > failuresAllowed ? { by: 'failures', atMs } : state.end }
      }
      return capture.kind === 'stopped' ? stopped(state, capture) : state
    },
    figures: (protocol, { lifts, end }) => {
      const last = lifts.at(-1)
      return [
        { code: 'nextLoadG', value: nextLoadG(protocol, last) },
        { code: 'failuresLeft', value: Math.max(0, protocol.failuresAllowed - missesIn(lifts)) },
        ...(last && !end ? [{ code: 'rest', downToMs: last.atMs + protocol.restMs }] : []),
      ]
    },
  },
}

const lastGoodG = (lifts: readonly Lift[]): number | null => {
  const good = lifts.filter((lift) => lift.good).map(({ loadG }) => loadG)
  return good.length > 0 ? Math.max(...good) : null
}

/** @param captures settled captures of this candidate in this event, in order */
export const followLifts = (protocol: HeaviestLift, captures: readonly Capture[]): Lifts => {
  const { lifts, end } = standingOf(liftReferee, protocol, captures).state
  const last = lifts.at(-1)
  return {
    lifts,
    lastGoodG: lastGoodG(lifts),
    misses: missesIn(lifts),
    nextLoadG: nextLoadG(protocol, last),
    restedAtMs: last ? last.atMs + protocol.restMs : null,
    over: end !== null,
  }
}

export const stampedLifts = (_: HeaviestLift, { lifts, end }: LiftState): Stamped => {
  const base: Stamped = { ...NOTHING_STAMPED, begun: lifts.length > 0, soFar: lifts.length }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  // nothing lifted well is a load of nothing, not a missing figure
  return end && lifts.length > 0 ? { ...base, readings: { load: lastGoodG(lifts) ?? 0 } } : base
}
