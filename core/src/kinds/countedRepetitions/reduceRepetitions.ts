/** Captures of one candidate -> counted repetitions: in a time, to failure or to a cadence. */
import type { Capture, StopReason } from '../../capture/capture.ts'
import type { CountedRepetitions } from './protocol.ts'
import { isEndReason, type Measure, type Note, type RepetitionTally } from '../measure.ts'

/** The protocol of one of the three kinds; what only single ones have is missing in the others. */
export type CountedProtocol = CountedRepetitions & {
  readonly durationMs?: number
  readonly clockRunsOn?: boolean
  readonly capMs?: number
  readonly capRepetitions?: number
  readonly missedBeatsAllowed?: number
}

/** Where an attempt stands; a console shows it while it runs. */
export interface RepetitionAttempt {
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
  readonly end: {
    readonly by: StopReason | 'cautions' | 'missedBeats' | 'cap' | 'pause'
    readonly atMs: number
    readonly note?: string
  } | null
  readonly notes: readonly Note[]
}

const NO_TALLY: RepetitionTally = { counted: 0, refused: {}, cautions: 0 }
const BEFORE_START: RepetitionAttempt = {
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

/**
 * Follows one candidate's attempt.
 * A repetition exactly at the end of the time counts, and so does one exactly at the end of the longest pause; the caution
 * that goes over the limit ends the event at its moment.
 * @param captures settled captures of this candidate in this event, in order
 */
export const followRepetitions = (protocol: CountedProtocol, captures: readonly Capture[]): RepetitionAttempt =>
  captures.reduce(
    (attempt, capture) => step(protocol, endedByPause(protocol, attempt, capture.atMs), capture),
    BEFORE_START,
  )

/** How long an attempt may last, or null without a clock. */
export const clockOf = ({ durationMs, capMs }: CountedProtocol): number | null => durationMs ?? capMs ?? null

/** Whether the clock stands while the candidate rests. */
export const clockStands = (protocol: CountedProtocol): boolean => protocol.clockRunsOn === false

/** What the attempt amounts to. */
export const reduceRepetitions = (protocol: CountedProtocol, captures: readonly Capture[]): Measure => {
  const attempt = followRepetitions(protocol, captures)
  const { startedAtMs, tally, end, notes } = attempt
  if (!end) {
    return startedAtMs === null
      ? { kind: 'notStarted', notes }
      : { kind: 'running', soFar: tally.counted, unit: 'count', notes }
  }
  const { by } = end
  if (isEndReason(by)) {
    return {
      kind: 'ended',
      reason: by,
      ...(end.note ? { note: end.note } : {}),
      soFar: tally.counted,
      unit: 'count',
      notes,
    }
  }
  if (startedAtMs === null) return { kind: 'notStarted', notes }
  return {
    kind: 'complete',
    value: tally.counted,
    unit: 'count',
    reading: { kind: 'repetitions', startedAtMs, tally, endedBy: by },
    clockUncertaintyMs: 0,
    notes,
  }
}

/** Whether the protocol lets this attempt begin again now. */
export const mayRestart = (
  protocol: CountedProtocol,
  attempt: Pick<RepetitionAttempt, 'restartsUsed' | 'tally'>,
): 'yes' | 'notInProtocol' | 'tooMany' | 'tooLate' => {
  const { restart } = protocol
  if (!restart) return 'notInProtocol'
  if (attempt.restartsUsed >= restart.times) return 'tooMany'
  return attempt.tally.counted > restart.withinFirst ? 'tooLate' : 'yes'
}

const step = (protocol: CountedProtocol, attempt: RepetitionAttempt, capture: Capture): RepetitionAttempt => {
  switch (capture.kind) {
    case 'started':
      return start(protocol, attempt, capture.atMs)
    case 'counted':
      return whileRunning(attempt, capture.atMs, 'counts', () => count(protocol, attempt, capture.atMs))
    case 'refused':
      return whileRunning(attempt, capture.atMs, 'other', () => ({
        ...attempt,
        lastMoveAtMs: capture.atMs,
        tally: { ...attempt.tally, refused: oneMore(attempt.tally.refused, capture.payload.reason) },
      }))
    case 'cautioned':
      return whileRunning(attempt, capture.atMs, 'other', () => caution(protocol, attempt, capture.atMs))
    case 'missed':
      return whileRunning(attempt, capture.atMs, 'other', () => missBeat(protocol, attempt, capture.atMs))
    case 'paused':
      return whileRunning(attempt, capture.atMs, 'other', () => pause(protocol, attempt, capture.atMs))
    case 'resumed':
      return resume(protocol, attempt, capture.atMs)
    case 'restarted':
      return restart(protocol, attempt, capture.payload.reason)
    case 'stopped':
      return stop(attempt, capture.payload, capture.atMs)
    default:
      return attempt
  }
}

/** What a pause longer than allowed ends, it ends at its own moment, whoever sees it; the time may have run out before. */
const endedByPause = (protocol: CountedProtocol, attempt: RepetitionAttempt, nowMs: number): RepetitionAttempt => {
  const { lastMoveAtMs, endsAtMs, pausedAtMs, end } = attempt
  if (protocol.longestPauseMs === undefined || lastMoveAtMs === null || end !== null) return attempt
  const atMs = lastMoveAtMs + protocol.longestPauseMs
  const isTimeOver = pausedAtMs === null && endsAtMs !== null && endsAtMs <= atMs
  return nowMs > atMs && !isTimeOver ? { ...attempt, end: { by: 'pause', atMs } } : attempt
}

const start = (protocol: CountedProtocol, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt =>
  attempt.startedAtMs !== null || attempt.end !== null
    ? { ...attempt, notes: addToCount(attempt.notes, 'secondStartIgnored') }
    : { ...attempt, startedAtMs: atMs, endsAtMs: endOfClock(protocol, atMs), lastMoveAtMs: atMs }

const endOfClock = (protocol: CountedProtocol, fromMs: number): number | null => {
  const durationMs = clockOf(protocol)
  return durationMs === null ? null : fromMs + durationMs
}

/** Nothing is counted beyond the cap: reaching it ends the attempt. */
const count = (protocol: CountedProtocol, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt => {
  const counted = attempt.tally.counted + 1
  const end = counted === protocol.capRepetitions ? { by: 'cap' as const, atMs } : attempt.end
  return { ...attempt, lastMoveAtMs: atMs, tally: { ...attempt.tally, counted }, end }
}

const missBeat = (protocol: CountedProtocol, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt => {
  const missedBeats = attempt.missedBeats + 1
  return {
    ...attempt,
    missedBeats,
    end: missedBeats > (protocol.missedBeatsAllowed ?? Infinity) ? { by: 'missedBeats', atMs } : null,
  }
}

const pause = (protocol: CountedProtocol, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt =>
  clockStands(protocol) && attempt.pausedAtMs === null ? { ...attempt, pausedAtMs: atMs } : attempt

/** The time the clock stood is added at the end. */
const resume = (protocol: CountedProtocol, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt => {
  const { pausedAtMs, endsAtMs } = attempt
  if (!clockStands(protocol) || pausedAtMs === null || endsAtMs === null || attempt.end !== null) return attempt
  return { ...attempt, pausedAtMs: null, endsAtMs: endsAtMs + atMs - pausedAtMs, lastMoveAtMs: atMs }
}

const whileRunning = (
  attempt: RepetitionAttempt,
  atMs: number,
  what: 'counts' | 'other',
  next: () => RepetitionAttempt,
): RepetitionAttempt => {
  if (attempt.startedAtMs === null) {
    return what === 'counts' ? { ...attempt, notes: addToCount(attempt.notes, 'countedBeforeStart') } : attempt
  }
  // the stop that records the end of the time may bear the same millisecond as the last repetition, which still counts
  const timeIsOver = attempt.endsAtMs !== null && attempt.pausedAtMs === null && atMs > attempt.endsAtMs
  const over = (attempt.end !== null && attempt.end.by !== 'time') || timeIsOver
  if (!over) return next()
  return what === 'counts' ? { ...attempt, notes: addToCount(attempt.notes, 'countedAfterEnd') } : attempt
}

const caution = (protocol: CountedProtocol, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt => {
  const cautions = attempt.tally.cautions + 1
  const end = cautions > protocol.cautionsAllowed ? { by: 'cautions' as const, atMs } : null
  return { ...attempt, tally: { ...attempt.tally, cautions }, end }
}

const restart = (protocol: CountedProtocol, attempt: RepetitionAttempt, reason: string): RepetitionAttempt => {
  if (attempt.startedAtMs === null) return attempt
  const may = attempt.end !== null ? 'tooLate' : mayRestart(protocol, attempt)
  if (may !== 'yes') return { ...attempt, notes: [...attempt.notes, { code: 'restartRefused', reason, why: may }] }
  const cautions = protocol.restart?.keepsCautions ? attempt.tally.cautions : 0
  return {
    ...BEFORE_START,
    tally: { ...NO_TALLY, cautions },
    restartsUsed: attempt.restartsUsed + 1,
    notes: [...attempt.notes, { code: 'restarted', reason, countedBefore: attempt.tally.counted }],
  }
}

const stop = (
  attempt: RepetitionAttempt,
  { reason, note }: { readonly reason: StopReason; readonly note?: string },
  atMs: number,
): RepetitionAttempt => {
  // a medical, safety or disciplinary end is on record even before the start; an ordinary stop needs something to stop
  const needsStart = !isEndReason(reason)
  if (attempt.end !== null && (needsStart || isEndReason(attempt.end.by))) return attempt
  if (needsStart && attempt.startedAtMs === null) return attempt
  return { ...attempt, end: { by: reason, atMs, ...(note ? { note } : {}) } }
}

const oneMore = (tally: Readonly<Record<string, number>>, key: string): Record<string, number> => ({
  ...tally,
  [key]: (tally[key] ?? 0) + 1,
})

type CountedNote = Extract<Note, { count: number }>['code']

/** Adds one to a note that counts, or begins it. */
const addToCount = (notes: readonly Note[], code: CountedNote): Note[] => {
  const before = notes.find((note): note is Extract<Note, { count: number }> => note.code === code)
  return [...notes.filter((note) => note !== before), { code, count: (before?.count ?? 0) + 1 }]
}
