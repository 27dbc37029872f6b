/** The rules of counted repetitions while they run: in a time, to failure or to a cadence. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import { elapsed } from '../../capture/elapsed.ts'
import { isEndReason, stopped } from '../../referee/ends.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { ALLOWED, asked, refused, type Action, type End, type Permission, type Referee } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { SOONEST_REPETITION_MS } from '../../referee/thresholds.ts'
import type { Note, Reading, RepetitionTally } from '../measure.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { CountedRepetitions } from './protocol.ts'

/** The protocol of one of the three kinds; what only single ones have is missing in the others. */
export type CountedProtocol = CountedRepetitions & {
  readonly durationMs?: number
  readonly clockRunsOn?: boolean
  readonly capMs?: number
  readonly capRepetitions?: number
  readonly missedBeatsAllowed?: number
  readonly beatsPerMinute?: number
  readonly beatsPerRepetition?: number
}

/** Where an attempt stands; a console shows it while it runs. */
export interface RepetitionAttempt {
  readonly started: Capture | null
  readonly startedAtMs: number | null
  /** When the time runs out; null before the start, without a clock, and while the clock stands. */
  readonly endsAtMs: number | null
  /** Since when the clock stands, where the protocol lets it. */
  readonly pausedAtMs: number | null
  /** When the last repetition was counted or refused: what a pause is timed from. */
  readonly lastMoveAtMs: number | null
  readonly missedBeats: number
  readonly tally: RepetitionTally
  readonly restartsUsed: number
  readonly end: End | null
  readonly notes: readonly Note[]
}

const NO_TALLY: RepetitionTally = { counted: 0, refused: {}, cautions: 0 }
const BEFORE_START: RepetitionAttempt = {
  started: null,
  startedAtMs: null,
  endsAtMs: null,
  pausedAtMs: null,
  lastMoveAtMs: null,
  missedBeats: 0,
  tally: NO_TALLY,
  restartsUsed: 0,
  end: null,
  notes: [],
}

/** How long an attempt may last, or null without a clock. */
export const clockOf = ({ durationMs, capMs }: CountedProtocol): number | null => durationMs ?? capMs ?? null

/** Whether the clock stands while the candidate rests. */
export const clockStands = ({ clockRunsOn }: CountedProtocol): boolean => clockRunsOn === false

/** Whether the protocol lets this attempt begin again now. */
export const mayRestart = (
  { restart }: CountedProtocol,
  { restartsUsed, tally, end }: Pick<RepetitionAttempt, 'restartsUsed' | 'tally'> & { readonly end?: End | null },
): 'yes' | 'notInProtocol' | 'tooMany' | 'tooLate' => {
  if (end) return 'tooLate'
  if (!restart) return 'notInProtocol'
  if (restartsUsed >= restart.times) return 'tooMany'
  return tally.counted > restart.withinFirst ? 'tooLate' : 'yes'
}

/** When the clock runs out, while it runs. */
const clockEndMs = ({ endsAtMs, pausedAtMs }: RepetitionAttempt): number =>
  endsAtMs === null || pausedAtMs !== null ? Infinity : endsAtMs

/** When a pause ends it, by its own moment, whoever sees it. */
const pauseEndMs = ({ longestPauseMs = Infinity }: CountedProtocol, { lastMoveAtMs }: RepetitionAttempt): number =>
  (lastMoveAtMs ?? Infinity) + longestPauseMs

/**
 * A repetition exactly at the end of the time counts, and so does one exactly at the end of the longest pause; the caution
 * that goes over the limit ends the event at its moment.
 */
const referee: Referee<CountedProtocol, RepetitionAttempt> = {
  begin: () => BEFORE_START,
  phase: (_, { startedAtMs, pausedAtMs, end }) =>
    end ? 'over' : startedAtMs === null ? 'before' : pausedAtMs === null ? 'running' : 'paused',
  span: (_, { startedAtMs, end }) => spanOf(startedAtMs, end),
  due: (protocol, state) => {
    if (state.startedAtMs === null || state.end) return null
    const soonest = Math.min(clockEndMs(state), pauseEndMs(protocol, state))
    return soonest === Infinity ? null : soonest
  },
  pass: (protocol, state) => {
    const [clockMs, pauseMs] = [clockEndMs(state), pauseEndMs(protocol, state)]
    return { ...state, end: clockMs <= pauseMs ? { by: 'time', atMs: clockMs } : { by: 'pause', atMs: pauseMs } }
  },
  permit: (protocol, state, action) => {
    switch (action.kind) {
      case 'started':
        return state.startedAtMs !== null || state.end ? refused('secondStartIgnored') : ALLOWED
      case 'restarted': {
        if (state.startedAtMs === null) return refused('beforeStart')
        const why = mayRestart(protocol, state)
        return why === 'yes' ? ALLOWED : refused('restartRefused', { reason: action.payload.reason, why })
      }
      case 'counted':
      case 'refused':
      case 'cautioned':
      case 'missed':
      case 'paused':
      case 'resumed':
        return whileRunning(state, action)
      default:
        return ALLOWED
    }
  },
  apply: (protocol, state, capture) => {
    const { atMs } = capture
    switch (capture.kind) {
      case 'started': {
        const durationMs = clockOf(protocol)
        const endsAtMs = durationMs === null ? null : atMs + durationMs
        return { ...state, started: capture, startedAtMs: atMs, endsAtMs, lastMoveAtMs: atMs }
      }
      case 'counted':
        return count(protocol, state, atMs)
      case 'refused':
        return {
          ...state,
          lastMoveAtMs: atMs,
          tally: { ...state.tally, refused: oneMore(state.tally.refused, capture.payload.reason) },
        }
      case 'cautioned': {
        const cautions = state.tally.cautions + 1
        const end: End | null = cautions > protocol.cautionsAllowed ? { by: 'cautions', atMs } : state.end
        return { ...state, tally: { ...state.tally, cautions }, end }
      }
      case 'missed': {
        const missedBeats = state.missedBeats + 1
        const isOver = missedBeats > (protocol.missedBeatsAllowed ?? Infinity)
        return { ...state, missedBeats, end: isOver ? { by: 'missedBeats', atMs } : state.end }
      }
      case 'paused':
        return clockStands(protocol) && state.pausedAtMs === null ? { ...state, pausedAtMs: atMs } : state
      case 'resumed':
        return resume(state, atMs)
      case 'restarted':
        return restart(protocol, state, capture.payload.reason)
      case 'stopped':
        // a medical, safety or disciplinary end is on record even before the start; an ordinary stop needs something to stop
        return state.startedAtMs === null && !isEndReason(capture.payload.reason) ? state : stopped(state, capture)
      default:
        return state
    }
  },
  figures: (protocol, state) => [
    { code: 'counted', value: state.tally.counted },
    { code: 'cautionsLeft', value: Math.max(0, protocol.cautionsAllowed - state.tally.cautions) },
    ...(protocol.missedBeatsAllowed === undefined
      ? []
      : [{ code: 'missesLeft', value: Math.max(0, protocol.missedBeatsAllowed - state.missedBeats) }]),
    ...(state.end || clockEndMs(state) === Infinity ? [] : [{ code: 'time', downToMs: clockEndMs(state) }]),
    ...(state.end || pauseEndMs(protocol, state) === Infinity
      ? []
      : [{ code: 'pause', downToMs: pauseEndMs(protocol, state) }]),
  ],
  goOnFrom: (state, counted) => ({ ...state, tally: { ...state.tally, counted } }),
}

const HELD: ReadonlySet<CaptureKind> = new Set(['counted', 'refused', 'cautioned', 'missed', 'paused', 'resumed'])

/** Its referee, with what counts from the holder alone. */
export const countedReferee: Refereed<CountedProtocol, RepetitionAttempt> = {
  referee,
  held: HELD,
  actions: ({ refusals, restart: again, missedBeatsAllowed }) => [
    { kind: 'started', payload: {} },
    { kind: 'counted', payload: {} },
    ...refusals.slice(0, 1).map(({ id }) => ({ kind: 'refused' as const, payload: { reason: id } })),
    { kind: 'cautioned', payload: {} },
    ...(missedBeatsAllowed === undefined ? [] : [{ kind: 'missed' as const, payload: {} }]),
    ...(again ? [{ kind: 'restarted' as const, payload: { reason: '' } }] : []),
    { kind: 'stopped', payload: { reason: 'ended' } },
  ],
}

/** Follows one candidate's attempt. @param captures settled captures of this candidate in this event, in order */
export const followRepetitions = (
  protocol: CountedProtocol,
  captures: readonly Capture[],
  asOfMs: number | null = null,
): RepetitionAttempt => standingOf(countedReferee, protocol, captures, undefined, asOfMs).state

/** When time alone ends an attempt, by its clock or by a pause longer than allowed, in ms of agreed time; null when it does not. */
export const endsByTimeAtMs = (protocol: CountedProtocol, attempt: RepetitionAttempt): number | null =>
  countedReferee.referee.due(protocol, attempt)

const whileRunning = (state: RepetitionAttempt, { kind, stamp }: Action): Permission => {
  const counts = kind === 'counted'
  if (!state.started || state.startedAtMs === null) return refused(counts ? 'countedBeforeStart' : 'beforeStart')
  if (state.end && state.end.by !== 'time') return refused(counts ? 'countedAfterEnd' : 'afterEnd')
  const within = withinTime(state.started, state, stamp)
  if (within === 'no') return refused(counts ? 'countedAfterEnd' : 'afterEnd')
  if (within === 'unsure') return asked('atTheLine')
  const sinceMs = stamp.atMs - (state.lastMoveAtMs ?? 0)
  return counts && state.tally.counted > 0 && sinceMs < SOONEST_REPETITION_MS
    ? asked('soonerThanAnybody', { afterMs: sinceMs })
    : ALLOWED
}

/** Whether it is within the time; `unsure` where the clocks of two devices cannot tell. */
const withinTime = (
  started: Capture,
  { startedAtMs, endsAtMs, pausedAtMs }: RepetitionAttempt,
  stamp: Action['stamp'],
): 'yes' | 'unsure' | 'no' => {
  if (startedAtMs === null || endsAtMs === null || pausedAtMs !== null) return 'yes'
  const allowedMs = endsAtMs - startedAtMs
  const { ms, uncertaintyMs } = elapsed(started, stamp)
  if (ms <= allowedMs) return 'yes'
  return ms - uncertaintyMs <= allowedMs ? 'unsure' : 'no'
}

/** Nothing is counted beyond the cap: reaching it ends the attempt. */
const count = (protocol: CountedProtocol, state: RepetitionAttempt, atMs: number): RepetitionAttempt => {
  const counted = state.tally.counted + 1
  const end: End | null = counted === protocol.capRepetitions ? { by: 'cap', atMs } : state.end
  return { ...state, lastMoveAtMs: atMs, tally: { ...state.tally, counted }, end }
}

/** The time the clock stood is added at the end. */
const resume = (state: RepetitionAttempt, atMs: number): RepetitionAttempt =>
  state.pausedAtMs === null || state.endsAtMs === null || state.end
    ? state
    : { ...state, pausedAtMs: null, endsAtMs: state.endsAtMs + atMs - state.pausedAtMs, lastMoveAtMs: atMs }

const restart = (protocol: CountedProtocol, state: RepetitionAttempt, reason: string): RepetitionAttempt => ({
  ...BEFORE_START,
  tally: { ...NO_TALLY, cautions: protocol.restart?.keepsCautions ? state.tally.cautions : 0 },
  restartsUsed: state.restartsUsed + 1,
  notes: [...state.notes, { code: 'restarted', reason, countedBefore: state.tally.counted }],
})

const oneMore = (tally: Readonly<Record<string, number>>, key: string): Record<string, number> => ({
  ...tally,
  [key]: (tally[key] ?? 0) + 1,
})

type EndedBy = Extract<Reading, { kind: 'repetitions' }>['endedBy']

/** What an attempt amounts to. */
export const stampedRepetitions = (
  _: CountedProtocol,
  { startedAtMs, tally, end, notes }: RepetitionAttempt,
): Stamped => {
  const base: Stamped = {
    ...NOTHING_STAMPED,
    begun: startedAtMs !== null,
    soFar: tally.counted,
    soFarIsCount: true,
    notes,
  }
  if (!end) return base
  const { by, note } = end
  if (isEndReason(by)) return { ...base, end: note ? { reason: by, note } : { reason: by } }
  if (startedAtMs === null) return base
  return {
    ...base,
    readings: { count: tally.counted },
    observed: {
      value: tally.counted,
      // the other ends are those of other kinds
      reading: { kind: 'repetitions', startedAtMs, tally, endedBy: by as EndedBy },
    },
  }
}
