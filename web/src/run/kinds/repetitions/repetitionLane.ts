/** What the captures of one of several lanes amount to now. */
import {
  clockOf,
  clockStands,
  followRepetitions,
  mayRestart,
  type Capture,
  type CountedProtocol,
  type RepetitionAttempt,
} from '@able-gauge/core'
import type { LanePhase } from '../../console/useTogether.ts'
import { pauseOf, type Pause } from './pauseOf.ts'
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
  readonly elapsedMs: number
  /** Time left; null where no clock runs out. */
  readonly untilMs: number | null
  readonly cautionsLeft: number
  readonly mayRestart: boolean
  /** What a rest would be captured as; null where the clock does not stand for one. */
  readonly restKind: 'paused' | 'resumed' | null
  readonly pause: Pause
}

export const repetitionLane = (protocol: CountedProtocol, own: readonly Capture[], nowMs: number): RepetitionLane => {
  const attempt = followRepetitions(protocol, own, nowMs)
  const { startedAtMs, pausedAtMs, endsAtMs, end, tally } = attempt
  const phase = phaseOf(attempt)
  const isRunning = phase === 'running'
  const upToMs = pausedAtMs ?? end?.atMs ?? nowMs
  return {
    attempt,
    phase,
    elapsedMs: startedAtMs === null ? 0 : upToMs - startedAtMs,
    untilMs: startedAtMs === null ? clockOf(protocol) : endsAtMs === null ? null : endsAtMs - upToMs,
    cautionsLeft: protocol.cautionsAllowed - tally.cautions,
    mayRestart: isRunning && mayRestart(protocol, attempt) === 'yes',
    restKind: !isRunning || !clockStands(protocol) ? null : pausedAtMs === null ? 'paused' : 'resumed',
    pause: isRunning ? pauseOf(protocol, attempt, nowMs) : { words: '', isOver: false },
  }
}
