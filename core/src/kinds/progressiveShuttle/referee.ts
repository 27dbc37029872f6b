/** The rules of a progressive shuttle, runner by runner: misses in a row, when the runner is out, the last shuttle completed. */
import type { Capture } from '../../capture/capture.ts'
import { elapsed } from '../../capture/elapsed.ts'
import { permitCaution, withCaution } from '../../referee/cautions.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, refused, type Action, type Call, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { WaveStart } from '../waveStart.ts'
import type { ProgressiveShuttle } from './protocol.ts'
import { shuttleSignals, type ShuttleSignal } from './shuttleSignals.ts'

export interface ShuttleRun {
  readonly start: WaveStart | null
  /** Indexes of the signals whose line was missed. */
  readonly missed: ReadonlySet<number>
  /** Lines missed in a row up to the last one missed, or up to the end. */
  readonly missesInRow: number
  readonly cautions: number
  readonly end: End | null
  /** When the runner was out; null while still in. */
  readonly outAtMs: number | null
  /** The last shuttle completed when out; null while in, or when not one was completed. */
  readonly last: ShuttleSignal | null
  /** The first line missed, whether or not the runner went on. */
  readonly firstMiss: ShuttleSignal | null
}

const BEFORE: ShuttleRun = {
  start: null,
  missed: new Set(),
  missesInRow: 0,
  cautions: 0,
  end: null,
  outAtMs: null,
  last: null,
  firstMiss: null,
}

/** The schedule is the same for everybody, and for every capture. */
const schedules = new WeakMap<ProgressiveShuttle, readonly ShuttleSignal[]>()
const signalsOf = (protocol: ProgressiveShuttle): readonly ShuttleSignal[] => {
  const known = schedules.get(protocol) ?? shuttleSignals(protocol)
  schedules.set(protocol, known)
  return known
}

/**
 * A miss belongs to the last signal before it. Once more misses in a row than allowed have come together the runner is
 * out, and the last shuttle is the one before the first of them. Whoever steps out is measured at the last signal they
 * reached; whoever is still in when the schedule ends has done all of it.
 */
export const shuttleReferee: Refereed<ProgressiveShuttle, ShuttleRun> = {
  actions: () => [
    { kind: 'missed', payload: {} },
    { kind: 'stopped', payload: { reason: 'ended' } },
  ],
  referee: {
    begin: () => BEFORE,
    phase: (_, { start, end }) => (end ? 'over' : start ? 'running' : 'before'),
    // signals are arithmetic, not happenings: only the end of the schedule is due
    span: (_, { start, end }) => spanOf(start?.atMs, end),
    due: (protocol, { start, end }) => (start && !end ? start.atMs + endOf(signalsOf(protocol)) : null),
    pass: (protocol, run) => {
      const signals = signalsOf(protocol)
      const atMs = (run.start?.atMs ?? 0) + endOf(signals)
      return outAt(signals, run, signals.length - 1, { by: 'schedule', atMs })
    },
    permit: (protocol, { start, end, missed }, action) => {
      if (action.kind === 'waveStarted') return start ? refused('secondStartIgnored') : ALLOWED
      if (action.kind === 'cautioned') return permitCaution(protocol.cautionsAllowed, start !== null && !end)
      if (action.kind !== 'missed') return ALLOWED
      if (!start) return refused('beforeStart')
      if (end) return refused('afterEnd')
      const index = indexAt(signalsOf(protocol), start, action.stamp)
      if (index < 0) return refused('beforeFirstSignal')
      return missed.has(index) ? refused('missedAlready') : ALLOWED
    },
    apply: (protocol, run, capture) => {
      const signals = signalsOf(protocol)
      if (capture.kind === 'waveStarted') return { ...run, start: capture }
      if (!run.start)
        return capture.kind === 'stopped' && isEndReason(capture.payload.reason) ? stopped(run, capture) : run
      const index = indexAt(signals, run.start, capture)
      const { atMs } = capture
      if (capture.kind === 'cautioned') return withCaution(run, protocol.cautionsAllowed, atMs)
      if (capture.kind === 'missed') {
        const missed = new Set(run.missed).add(index)
        const missesInRow = missesUpTo(missed, index)
        const missing = { ...run, missed, missesInRow, firstMiss: signals[Math.min(...missed)] ?? null }
        return missesInRow > protocol.missesAllowed ? outAt(signals, missing, index, { by: 'misses', atMs }) : missing
      }
      if (capture.kind !== 'stopped') return run
      const after = stopped(run, capture)
      if (run.end || !after.end) return after
      const by = index === signals.length - 1 && !isEndReason(after.end.by) ? 'schedule' : after.end.by
      return outAt(signals, run, index, { ...after.end, by })
    },
    figures: (_, { start, end, missesInRow }) => [
      { code: 'missesInRow', value: missesInRow },
      ...(start && !end ? [{ code: 'time', upFromMs: start.atMs }] : []),
    ],
    calls: (protocol, { start, end }) => (start && !end ? callsFrom(signalsOf(protocol), start.atMs) : []),
  },
}

/** Everybody of a wave is told the same, so that it is made once for the wave. */
const callsOfWaves = new WeakMap<readonly ShuttleSignal[], Map<number, readonly Call[]>>()
const callsFrom = (signals: readonly ShuttleSignal[], startMs: number): readonly Call[] => {
  const waves = callsOfWaves.get(signals) ?? new Map<number, readonly Call[]>()
  callsOfWaves.set(signals, waves)
  const calls =
    waves.get(startMs) ??
    signals.map(({ atMs, level, shuttle, endsLevel }) => ({
      code: endsLevel ? 'level' : 'signal',
      atMs: startMs + atMs,
      figures: { level, shuttle },
    }))
  waves.set(startMs, calls)
  return calls
}

const endOf = (signals: readonly ShuttleSignal[]): number => signals.at(-1)?.atMs ?? 0

const indexAt = (signals: readonly ShuttleSignal[], start: WaveStart, stamp: Action['stamp']): number =>
  lastBefore(signals, elapsed(start, stamp).ms)

/** Whoever is out has completed the last shuttle before the misses in a row that led there. */
const outAt = (signals: readonly ShuttleSignal[], run: ShuttleRun, index: number, end: End): ShuttleRun => {
  const missesInRow = missesUpTo(run.missed, index)
  return { ...run, end, outAtMs: end.atMs, missesInRow, last: signals[index - missesInRow] ?? null }
}

/** Index of the last signal that has sounded, or -1. */
export const lastBefore = (signals: readonly ShuttleSignal[], elapsedMs: number): number => {
  let [low, high] = [0, signals.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((signals[middle]?.atMs ?? Infinity) <= elapsedMs) low = middle + 1
    else high = middle
  }
  return low - 1
}

const missesUpTo = (missed: ReadonlySet<number>, index: number): number => {
  let inRow = 0
  while (index - inRow >= 0 && missed.has(index - inRow)) inRow++
  return inRow
}

/** Follows one runner. @param captures settled captures of this runner in this event, in order */
export const followShuttle = (
  protocol: ProgressiveShuttle,
  captures: readonly Capture[],
  start: Capture | undefined,
  asOfMs: number | null = null,
): ShuttleRun => standingOf(shuttleReferee, protocol, captures, start, asOfMs).state

export const stampedShuttle = (_: ProgressiveShuttle, { start, end, last, firstMiss }: ShuttleRun): Stamped => {
  const base: Stamped = { ...NOTHING_STAMPED, begun: start !== null }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  if (!end) return base
  // level 1, shuttle 0 for somebody who completed none
  const reached = last ? last.level * 100 + last.shuttle : 100
  const missed = firstMiss ? { 'first-miss': firstMiss.level * 100 + firstMiss.shuttle } : {}
  return { ...base, readings: { reached, ...missed } }
}
