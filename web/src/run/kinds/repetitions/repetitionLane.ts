/** What the captures of one of several lanes amount to, and what its clock shows. */
import {
  clockOf,
  clockStands,
  endsByTimeAtMs,
  followRepetitions,
  mayRestart,
  type Capture,
  type CountedProtocol,
  type RepetitionAttempt,
} from '@able-gauge/core'
import type { LanePhase } from '../../console/useTogether.ts'
import { NO_PAUSE, pauseOf, type Pause } from './pauseOf.ts'
import { phaseOf } from './useRepetitions.ts'

/** The keys of one lane; `other` is a missed beat, or a rest for which the clock stands. */
export interface LaneKeys {
  readonly count: string
  readonly refuse: string
  readonly caution: string
  readonly end: string
  readonly other: string
  readonly again: string
}

export interface RepetitionLane {
  readonly attempt: RepetitionAttempt
  readonly phase: LanePhase
  /** When time alone ends it; null when it does not. */
  readonly endsAtMs: number | null
  readonly cautionsLeft: number
  readonly mayRestart: boolean
  /** What a rest would be captured as; null where the clock does not stand for one. */
  readonly restKind: 'paused' | 'resumed' | null
}

export const repetitionLane = (
  protocol: CountedProtocol,
  own: readonly Capture[],
  asOfMs: number | null,
): RepetitionLane => {
  const attempt = followRepetitions(protocol, own, asOfMs)
  const phase = phaseOf(attempt)
  const isRunning = phase === 'running'
  return {
    attempt,
    phase,
    endsAtMs: endsByTimeAtMs(protocol, attempt),
    cautionsLeft: protocol.cautionsAllowed - attempt.tally.cautions,
    mayRestart: isRunning && mayRestart(protocol, attempt) === 'yes',
    restKind: !isRunning || !clockStands(protocol) ? null : attempt.pausedAtMs === null ? 'paused' : 'resumed',
  }
}

export interface LaneClock {
  readonly elapsedMs: number
  /** Time left; null where no clock runs out. */
  readonly untilMs: number | null
  readonly pause: Pause
}

export const laneClock = (
  protocol: CountedProtocol,
  { attempt, phase }: Pick<RepetitionLane, 'attempt' | 'phase'>,
  nowMs: number,
): LaneClock => {
  const { startedAtMs, pausedAtMs, endsAtMs, end } = attempt
  const upToMs = pausedAtMs ?? end?.atMs ?? nowMs
  return {
    elapsedMs: startedAtMs === null ? 0 : upToMs - startedAtMs,
    untilMs: startedAtMs === null ? clockOf(protocol) : endsAtMs === null ? null : endsAtMs - upToMs,
    pause: phase === 'running' ? pauseOf(protocol, attempt, nowMs) : NO_PAUSE,
  }
}
