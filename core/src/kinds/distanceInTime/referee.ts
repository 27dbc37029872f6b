/** The rules of a distance in a time: whole laps stamped before the limit, and the mark each runner stood at when the time ran out. */
import type { Capture, Observation } from '../../capture/capture.ts'
import { permitCaution, withCaution } from '../../referee/cautions.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, asked, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { FASTEST_MS_PER_M } from '../../referee/thresholds.ts'
import {
  NO_CROSSINGS,
  lapAnnouncements,
  permitCrossing,
  replacedNotes,
  withCrossing,
  type Crossings,
} from '../crossings.ts'
import { groundNotes, onGround } from '../onGround.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { DistanceInTime } from './protocol.ts'

export interface DistanceRun extends Crossings {
  /** Distance beyond the last line when the time ran out; null until it is entered. */
  readonly beyondLineMm: number | null
  /** Whether the time has run out. */
  readonly timeIsUp: boolean
  readonly cautions: number
  readonly end: End | null
}

const BEFORE: DistanceRun = { ...NO_CROSSINGS, beyondLineMm: null, timeIsUp: false, cautions: 0, end: null }

/** A stamp exactly at the limit counts; whoever stops the watch late is measured at the limit. */
export const distanceReferee: Refereed<DistanceInTime, DistanceRun> = {
  actions: (): readonly Observation[] => [
    { kind: 'crossed', payload: {} },
    { kind: 'markedAt', payload: { beyondLineMm: 0 } },
    { kind: 'stopped', payload: { reason: 'didNotFinish' } },
  ],
  referee: {
    begin: () => BEFORE,
    phase: (_, { start, timeIsUp, end }) => (end || timeIsUp ? 'over' : start ? 'running' : 'before'),
    span: ({ durationMs }, { start, timeIsUp, end }) =>
      spanOf(start?.atMs, end ?? (timeIsUp && start ? { atMs: start.atMs + durationMs } : null)),
    due: ({ durationMs }, { start, timeIsUp, end }) => (start && !timeIsUp && !end ? start.atMs + durationMs : null),
    pass: (_, run) => ({ ...run, timeIsUp: true }),
    permit: (protocol, run, action) => {
      const { durationMs, lapLengthMm, cautionsAllowed } = onGround(protocol, run.start)
      switch (action.kind) {
        case 'waveStarted':
          return run.start ? refused('secondStartIgnored') : ALLOWED
        case 'crossed':
          return permitCrossing(run, action, durationMs, Math.floor((lapLengthMm * FASTEST_MS_PER_M) / 1_000))
        case 'markedAt':
          if (!run.start) return refused('beforeStart')
          return action.payload.beyondLineMm >= lapLengthMm ? asked('outsideSense', { most: lapLengthMm }) : ALLOWED
        case 'cautioned':
          return permitCaution(cautionsAllowed, run.start !== null && !run.timeIsUp && !run.end)
        default:
          return ALLOWED
      }
    },
    apply: ({ cautionsAllowed }, run, capture) => {
      switch (capture.kind) {
        case 'waveStarted':
          return { ...run, start: capture }
        case 'crossed':
          return withCrossing(run, capture)
        case 'markedAt':
          return { ...run, beyondLineMm: capture.payload.beyondLineMm }
        case 'cautioned':
          return withCaution(run, cautionsAllowed, capture.atMs)
        case 'stopped':
          return isEndReason(capture.payload.reason) ? stopped(run, capture) : run
        default:
          return run
      }
    },
    calls: (protocol, { start, counted }) => {
      const { lapLengthMm } = onGround(protocol, start)
      return lapAnnouncements(protocol, counted, (lap) => lap * lapLengthMm)
    },
    figures: ({ durationMs }, { start, counted, timeIsUp }) => [
      { code: 'laps', value: counted.length },
      ...(start && !timeIsUp ? [{ code: 'time', downToMs: start.atMs + durationMs }] : []),
    ],
  },
}

/** Follows one runner. @param captures settled captures of this runner in this event, in order */
export const followDistance = (
  protocol: DistanceInTime,
  captures: readonly Capture[],
  start: Capture | undefined,
): { readonly laps: number; readonly lapLengthMm: number; readonly beyondLineMm: number | null } => {
  const { state } = standingOf(distanceReferee, protocol, captures, start)
  return {
    laps: state.counted.length,
    lapLengthMm: onGround(protocol, state.start).lapLengthMm,
    beyondLineMm: state.beyondLineMm,
  }
}

export const stampedDistance = (protocol: DistanceInTime, run: DistanceRun): Stamped => {
  const { start, counted, beyondLineMm, end } = run
  const { lapLengthMm } = onGround(protocol, start)
  const laps = counted.length
  const base: Stamped = {
    ...NOTHING_STAMPED,
    begun: start !== null,
    soFar: laps,
    notes: [
      ...replacedNotes(run),
      ...groundNotes(protocol, start),
      ...(beyondLineMm === null ? [] : [{ code: 'lastMark' as const, laps, beyondLineMm }]),
    ],
  }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  return { ...base, readings: start && beyondLineMm !== null ? { distance: laps * lapLengthMm + beyondLineMm } : {} }
}
