/** Captures of one candidate -> repetitions in a time. */
import type { RepetitionsInTime } from '../protocol/repetitionsInTime.ts'
import type { Capture, StopReason } from './capture.ts'
import { isEndReason, type Measure, type Note, type RepetitionTally } from './measure.ts'

/** Where an attempt stands; a console shows it while it runs. */
export interface RepetitionAttempt {
  readonly startedAtMs: number | null
  readonly endsAtMs: number | null
  readonly tally: RepetitionTally
  readonly restartsUsed: number
  readonly end: { readonly by: StopReason | 'cautions'; readonly atMs: number; readonly note?: string } | null
  readonly notes: readonly Note[]
}

const NO_TALLY: RepetitionTally = { counted: 0, refused: {}, cautions: 0 }
const BEFORE_START: RepetitionAttempt = {
  startedAtMs: null,
  endsAtMs: null,
  tally: NO_TALLY,
  restartsUsed: 0,
  end: null,
  notes: [],
}

/**
 * Follows one candidate's attempt.
 * A repetition exactly at the end of the time counts; the caution that goes over the limit ends the event at its moment.
 * @param captures settled captures of this candidate in this event, in order
 */
export const followRepetitions = (protocol: RepetitionsInTime, captures: readonly Capture[]): RepetitionAttempt =>
  captures.reduce((attempt, capture) => step(protocol, attempt, capture), BEFORE_START)

/** What the attempt amounts to. */
export const reduceRepetitions = (protocol: RepetitionsInTime, captures: readonly Capture[]): Measure => {
  const attempt = followRepetitions(protocol, captures)
  const { startedAtMs, tally, end, notes } = attempt
  if (end && isEndReason(end.by)) {
    return {
      kind: 'ended',
      reason: end.by,
      ...(end.note ? { note: end.note } : {}),
      soFar: tally.counted,
      unit: 'count',
      notes,
    }
  }
  if (startedAtMs === null) return { kind: 'notStarted', notes }
  if (!end) return { kind: 'running', soFar: tally.counted, unit: 'count', notes }
  const endedBy = end.by === 'time' || end.by === 'cautions' ? end.by : 'ended'
  return {
    kind: 'complete',
    value: tally.counted,
    unit: 'count',
    reading: { kind: 'repetitions', startedAtMs, tally, endedBy },
    clockUncertaintyMs: 0,
    notes,
  }
}

/** Whether the protocol lets this attempt begin again now. */
export const mayRestart = (
  protocol: RepetitionsInTime,
  attempt: Pick<RepetitionAttempt, 'restartsUsed' | 'tally'>,
): 'yes' | 'notInProtocol' | 'tooMany' | 'tooLate' => {
  const { restart } = protocol
  if (!restart) return 'notInProtocol'
  if (attempt.restartsUsed >= restart.times) return 'tooMany'
  return attempt.tally.counted > restart.withinFirst ? 'tooLate' : 'yes'
}

const step = (protocol: RepetitionsInTime, attempt: RepetitionAttempt, capture: Capture): RepetitionAttempt => {
  switch (capture.kind) {
    case 'started':
      return start(protocol, attempt, capture.atMs)
    case 'counted':
      return whileRunning(attempt, capture.atMs, 'counts', () => ({
        ...attempt,
        tally: { ...attempt.tally, counted: attempt.tally.counted + 1 },
      }))
    case 'refused':
      return whileRunning(attempt, capture.atMs, 'other', () => ({
        ...attempt,
        tally: { ...attempt.tally, refused: oneMore(attempt.tally.refused, capture.payload.reason) },
      }))
    case 'cautioned':
      return whileRunning(attempt, capture.atMs, 'other', () => caution(protocol, attempt, capture.atMs))
    case 'restarted':
      return restart(protocol, attempt, capture.payload.reason)
    case 'stopped':
      return stop(attempt, capture.payload, capture.atMs)
    default:
      return attempt
  }
}

const start = (protocol: RepetitionsInTime, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt =>
  attempt.startedAtMs !== null || attempt.end !== null
    ? { ...attempt, notes: addToCount(attempt.notes, 'secondStartIgnored') }
    : { ...attempt, startedAtMs: atMs, endsAtMs: atMs + protocol.durationMs }

const whileRunning = (
  attempt: RepetitionAttempt,
  atMs: number,
  what: 'counts' | 'other',
  next: () => RepetitionAttempt,
): RepetitionAttempt => {
  if (attempt.startedAtMs === null || attempt.endsAtMs === null) {
    return what === 'counts' ? { ...attempt, notes: addToCount(attempt.notes, 'countedBeforeStart') } : attempt
  }
  // the stop that records the end of the time may bear the same millisecond as the last repetition, which still counts
  const over = (attempt.end !== null && attempt.end.by !== 'time') || atMs > attempt.endsAtMs
  if (!over) return next()
  return what === 'counts' ? { ...attempt, notes: addToCount(attempt.notes, 'countedAfterEnd') } : attempt
}

const caution = (protocol: RepetitionsInTime, attempt: RepetitionAttempt, atMs: number): RepetitionAttempt => {
  const cautions = attempt.tally.cautions + 1
  const end = cautions > protocol.cautionsAllowed ? { by: 'cautions' as const, atMs } : null
  return { ...attempt, tally: { ...attempt.tally, cautions }, end }
}

const restart = (protocol: RepetitionsInTime, attempt: RepetitionAttempt, reason: string): RepetitionAttempt => {
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
