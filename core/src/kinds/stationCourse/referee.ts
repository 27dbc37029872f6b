/** The rules of a station course: stations in order under one clock, stages of fixed time, faults where they are counted, splits. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { elapsed } from '../../capture/elapsed.ts'
import { permitCaution, withCaution } from '../../referee/cautions.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, asked, refused, type Action, type End, type Permission } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { BREATH_MS } from '../../referee/thresholds.ts'
import { stoppedAtLimit } from '../limit.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { Station, StationCourse } from './protocol.ts'

interface Split {
  readonly part: string
  /** From the start. */
  readonly elapsedMs: number
  readonly atMs: number
}

export interface CourseState {
  readonly started: Capture | null
  /** Completed stations in order, with the time from the start. */
  readonly splits: readonly Split[]
  readonly faults: Readonly<Record<string, number | undefined>>
  /** The stamp of the last station; null where it closed by itself. */
  readonly finishedBy: Capture | null
  /** The station whose faults went over what is allowed. */
  readonly failedAt: Station | null
  /** Turns counted at the station the candidate is on. */
  readonly tally: number
  readonly cautions: number
  readonly end: End | null
}

export interface Course extends CourseState {
  /** The station the candidate is on; null before the start and after the last. */
  readonly current: Station | null
  readonly isFinished: boolean
  /** Stations stamped before their turn, which did not count. */
  readonly outOfOrder: readonly string[]
}

const BEFORE: CourseState = {
  started: null,
  splits: [],
  faults: {},
  finishedBy: null,
  failedAt: null,
  tally: 0,
  cautions: 0,
  end: null,
}

const HELD: ReadonlySet<CaptureKind> = new Set(['passed', 'faulted', 'counted'])

const isFinished = ({ stations }: StationCourse, { splits }: CourseState): boolean => splits.length === stations.length

const isOver = (protocol: StationCourse, state: CourseState): boolean =>
  state.end !== null || state.failedAt !== null || isFinished(protocol, state)

/** When the current station opened: the agreed moment. */
const openedMs = ({ started, splits }: CourseState): number => splits.at(-1)?.atMs ?? started?.atMs ?? Infinity

/** How long a stage takes, where its time is fixed. */
export const fixedMsOf = ({ rate }: Pick<Station, 'rate'>): number | null =>
  rate ? rate.durationMs + (rate.warmUpMs ?? 0) : null

const stageEndMs = ({ stations }: StationCourse, state: CourseState): number => {
  const station = stations[state.splits.length]
  const fixedMs = station ? fixedMsOf(station) : null
  return fixedMs === null ? Infinity : openedMs(state) + fixedMs
}

const limitMs = ({ limitMs: withinMs }: StationCourse, { started }: CourseState): number =>
  started && withinMs !== undefined ? started.atMs + withinMs : Infinity

/**
 * A station stamped before the one in front of it is complete does not count, and a stage of fixed time closes by itself; a fault belongs
 * to the station it names, at any time before the finish.
 */
export const courseReferee: Refereed<StationCourse, CourseState> = {
  held: HELD,
  actions: ({ stations }) => [
    { kind: 'started', payload: {} },
    ...(stations.some(({ tally }) => tally !== undefined) ? [{ kind: 'counted' as const, payload: {} }] : []),
    ...stations.flatMap(({ id, faultsAllowed }) => [
      { kind: 'passed' as const, payload: { part: id } },
      ...(faultsAllowed === undefined ? [] : [{ kind: 'faulted' as const, payload: { part: id } }]),
    ]),
    { kind: 'stopped', payload: { reason: 'didNotFinish' } },
  ],
  referee: {
    begin: () => BEFORE,
    phase: (protocol, state) => (isOver(protocol, state) ? 'over' : state.started ? 'running' : 'before'),
    span: (protocol, state) => {
      const last = isFinished(protocol, state) ? state.splits.at(-1) : undefined
      return spanOf(state.started?.atMs, last ?? state.end)
    },
    due: (protocol, state) => {
      if (!state.started || isOver(protocol, state)) return null
      const soonest = Math.min(stageEndMs(protocol, state), limitMs(protocol, state))
      return soonest === Infinity ? null : soonest
    },
    pass: (protocol, state) => {
      const [stageMs, endMs] = [stageEndMs(protocol, state), limitMs(protocol, state)]
      if (stageMs > endMs) return { ...state, end: { by: 'limit', atMs: endMs } }
      const startedAtMs = state.started?.atMs ?? 0
      return closed(protocol, state, { atMs: stageMs, elapsedMs: stageMs - startedAtMs })
    },
    permit: (protocol, state, action) => {
      switch (action.kind) {
        case 'started':
          return state.started ? refused('secondStartIgnored') : ALLOWED
        case 'faulted':
          if (!state.started) return refused('beforeStart')
          return isOver(protocol, state) ? refused('afterEnd') : ALLOWED
        case 'cautioned':
          return permitCaution(protocol.cautionsAllowed, state.started !== null && !isOver(protocol, state))
        case 'counted': {
          if (!state.started) return refused('countedBeforeStart')
          if (isOver(protocol, state)) return refused('countedAfterEnd')
          return protocol.stations[state.splits.length]?.tally === undefined ? refused('notOpen') : ALLOWED
        }
        case 'passed':
          return permitPassing(protocol, state, action.payload.part, action.stamp)
        default:
          return ALLOWED
      }
    },
    apply: (protocol, state, capture) => {
      const { started } = state
      switch (capture.kind) {
        case 'started':
          return { ...state, started: capture }
        case 'passed': {
          if (!started) return state
          const { ms } = elapsed(started, capture)
          return { ...closed(protocol, state, { atMs: capture.atMs, elapsedMs: ms }), finishedBy: capture, end: null }
        }
        case 'faulted': {
          const { part } = capture.payload
          const count = (state.faults[part] ?? 0) + 1
          const station = protocol.stations.find(({ id }) => id === part)
          const isTooMany = station?.faultsAllowed !== undefined && count > station.faultsAllowed
          return {
            ...state,
            faults: { ...state.faults, [part]: count },
            ...(isTooMany ? { failedAt: station, end: { by: 'faults' as const, atMs: capture.atMs } } : {}),
          }
        }
        case 'cautioned':
          return withCaution(state, protocol.cautionsAllowed, capture.atMs)
        case 'counted': {
          const tally = state.tally + 1
          if (!started || tally < (protocol.stations[state.splits.length]?.tally ?? Infinity))
            return { ...state, tally }
          const { ms } = elapsed(started, capture)
          return { ...closed(protocol, state, { atMs: capture.atMs, elapsedMs: ms }), finishedBy: capture }
        }
        case 'stopped':
          return isEndReason(capture.payload.reason) ? stopped(state, capture) : state
        default:
          return state
      }
    },
    figures: (protocol, state) => [
      { code: 'stationsDone', value: state.splits.length },
      ...(protocol.stations[state.splits.length]?.tally === undefined
        ? []
        : [{ code: 'tallyToGo', value: (protocol.stations[state.splits.length]?.tally ?? 0) - state.tally }]),
      ...protocol.stations.flatMap(({ id, faultsAllowed }) =>
        faultsAllowed === undefined
          ? []
          : [{ code: `faultsLeft ${id}`, value: Math.max(0, faultsAllowed - (state.faults[id] ?? 0)) }],
      ),
      ...(state.started && !isOver(protocol, state) ? [{ code: 'time', upFromMs: state.started.atMs }] : []),
      ...(stageEndMs(protocol, state) === Infinity || isOver(protocol, state)
        ? []
        : [{ code: 'stage', downToMs: stageEndMs(protocol, state) }]),
    ],
  },
}

const permitPassing = (
  protocol: StationCourse,
  state: CourseState,
  part: string,
  stamp: Action['stamp'],
): Permission => {
  const { started, splits } = state
  const current = protocol.stations[splits.length]
  if (!started) return refused('beforeStart')
  if (splits.some((split) => split.part === part)) return refused('passedAlready')
  if (state.failedAt || isFinished(protocol, state) || (state.end && state.end.by !== 'limit'))
    return refused('afterEnd')
  const { ms, uncertaintyMs } = elapsed(started, stamp)
  const withinMs = protocol.limitMs ?? Infinity
  if (ms - uncertaintyMs > withinMs) return refused('afterEnd')
  if (current?.id !== part) return refused('outOfOrder', { part })
  if (fixedMsOf(current) !== null || current.tally !== undefined) return refused('beforeItsTime', { part })
  // the press that ended the station before may come twice
  if (splits.length > 0 && stamp.atMs - openedMs(state) < BREATH_MS) return refused('pressedTwice')
  return ms > withinMs ? asked('atTheLine') : ALLOWED
}

const closed = (
  protocol: StationCourse,
  state: CourseState,
  { atMs, elapsedMs }: Pick<Split, 'atMs' | 'elapsedMs'>,
): CourseState => {
  const part = protocol.stations[state.splits.length]?.id ?? ''
  return { ...state, splits: [...state.splits, { part, elapsedMs, atMs }], tally: 0 }
}

/** Follows one candidate. @param captures settled captures of this candidate in this event, in order */
export const followCourse = (
  protocol: StationCourse,
  captures: readonly Capture[],
  asOfMs: number | null = null,
): Course => {
  const { state, refused: left } = standingOf(courseReferee, protocol, captures, undefined, asOfMs)
  return {
    ...state,
    current: state.started && !isOver(protocol, state) ? (protocol.stations[state.splits.length] ?? null) : null,
    isFinished: isFinished(protocol, state),
    outOfOrder: left.flatMap(({ code, figures }) =>
      code === 'outOfOrder' && figures ? [String(figures['part'])] : [],
    ),
  }
}

export const stampedCourse = (protocol: StationCourse, state: CourseState): Stamped => {
  const { started, splits, faults, finishedBy, failedAt, end } = state
  const base: Stamped = { ...NOTHING_STAMPED, begun: started !== null, soFar: splits.length }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  if (failedAt) {
    const { id, name: where, faultsAllowed: allowed = 0 } = failedAt
    const notes = [{ code: 'faultsTooMany' as const, where, faults: faults[id] ?? 0, allowed }]
    return { ...base, end: { reason: 'failed', byRule: true }, notes }
  }
  if (end?.by === 'limit') {
    const { reason, notes } = stoppedAtLimit(protocol.limitMs ?? 0)
    return { ...base, end: { reason, byRule: true }, notes }
  }
  const last = splits.at(-1)
  if (!started || !last || !isFinished(protocol, state)) return base
  const counted = Object.entries(faults).map(([part, count]) => [`${part}-faults`, count] as const)
  return {
    ...base,
    readings: { time: last.elapsedMs, ...Object.fromEntries(counted) },
    clockUncertaintyMs: finishedBy ? clockDoubt(started, finishedBy) : 0,
  }
}
