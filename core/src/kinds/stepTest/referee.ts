/** The rules of a step test: the work to its beat, an early stop, and the pulse that is felt in the window after it. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import { elapsed } from '../../capture/elapsed.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import { stepHeightMm, type StepTest } from './protocol.ts'

export interface StepState {
  readonly started: Capture | null
  /** The step for this person. */
  readonly heightMm: number
  /** How far it is: the work, the pause after it, the window in which beats count, all over. */
  readonly stage: 'work' | 'pause' | 'pulse' | 'done'
  /** From the start to the early stop; null when not stopped early. */
  readonly stoppedAfterMs: number | null
  /** Beats touched within the window. */
  readonly beats: number
  readonly end: End | null
}

export interface Steps {
  readonly startedAtMs: number | null
  /** When the work is over: the time of the protocol, or the early stop. */
  readonly workEndsAtMs: number | null
  readonly stoppedAfterMs: number | null
  readonly pulseFromMs: number | null
  readonly pulseToMs: number | null
  readonly beats: number
}

const HELD: ReadonlySet<CaptureKind> = new Set(['counted'])

/** From the start, when each stage ends. */
const stageEnds = ({ durationMs, pulseAfterMs, pulseWindowMs }: StepTest) => ({
  work: durationMs,
  pause: durationMs + pulseAfterMs,
  pulse: durationMs + pulseAfterMs + pulseWindowMs,
})
const NEXT = { work: 'pause', pause: 'pulse', pulse: 'done' } as const

/** Beats count within the window, both ends included; whoever stops before the time is over has no pulse counted. */
export const stepReferee: Refereed<StepTest, StepState> = {
  held: HELD,
  actions: () => [
    { kind: 'started', payload: {} },
    { kind: 'counted', payload: {} },
    { kind: 'stopped', payload: { reason: 'ended' } },
  ],
  referee: {
    begin: (protocol, { category }) => ({
      started: null,
      heightMm: stepHeightMm(protocol, category),
      stage: 'work',
      stoppedAfterMs: null,
      beats: 0,
      end: null,
    }),
    phase: (_, { started, stage, end }) => {
      if (!started && !end) return 'before'
      if (end || stage === 'done') return 'over'
      return stage === 'pause' ? 'paused' : 'running'
    },
    span: (protocol, { started, stage, stoppedAfterMs, end }) => {
      const overMs = stoppedAfterMs ?? (stage === 'done' ? stageEnds(protocol).pulse : null)
      return spanOf(started?.atMs, end ?? (started && overMs !== null ? { atMs: started.atMs + overMs } : null))
    },
    due: (protocol, { started, stage, stoppedAfterMs, end }) =>
      started && !end && stoppedAfterMs === null && stage !== 'done' ? started.atMs + stageEnds(protocol)[stage] : null,
    pass: (protocol, state) => nextStage(protocol, state),
    permit: (protocol, { started, stoppedAfterMs, end }, { kind, stamp }) => {
      if (kind === 'started') return started ? refused('secondStartIgnored') : ALLOWED
      if (kind !== 'counted') return ALLOWED
      if (!started) return refused('beforeStart')
      const { ms } = elapsed(started, stamp)
      const { pause, pulse } = stageEnds(protocol)
      return end || stoppedAfterMs !== null || ms < pause || ms > pulse ? refused('outsideWindow') : ALLOWED
    },
    apply: (protocol, state, capture) => {
      switch (capture.kind) {
        case 'started':
          return { ...state, started: capture }
        case 'counted':
          return { ...state, beats: state.beats + 1 }
        case 'stopped': {
          if (isEndReason(capture.payload.reason)) return stopped(state, capture)
          const ms = state.started ? elapsed(state.started, capture).ms : Infinity
          const isEarly = ms < protocol.durationMs && state.stoppedAfterMs === null
          return isEarly ? { ...state, stoppedAfterMs: ms } : state
        }
        default:
          return state
      }
    },
    figures: (protocol, { started, heightMm, stage, stoppedAfterMs, beats, end }) => [
      { code: 'heightMm', value: heightMm },
      { code: 'beats', value: beats },
      ...(started && !end && stoppedAfterMs === null && stage !== 'done'
        ? [{ code: stage, downToMs: started.atMs + stageEnds(protocol)[stage] }]
        : []),
    ],
    calls: ({ beatsPerMinute, beatsPerCycle, durationMs }, { started, end }) =>
      started && !end
        ? [{ code: 'beats', atMs: started.atMs, figures: { beatsPerMinute, beatsPerCycle, durationMs } }]
        : [],
  },
}

/** A stage without length is passed over, so that each pass moves on. */
const nextStage = (protocol: StepTest, state: StepState): StepState => {
  const { stage } = state
  if (stage === 'done') return state
  const next = NEXT[stage]
  const ends = stageEnds(protocol)
  return next !== 'done' && ends[next] <= ends[stage]
    ? nextStage(protocol, { ...state, stage: next })
    : { ...state, stage: next }
}

/** @param captures settled captures of this candidate in this event, in order */
export const followSteps = (protocol: StepTest, captures: readonly Capture[]): Steps => {
  const { started, stoppedAfterMs, beats } = standingOf(stepReferee, protocol, captures).state
  if (!started) {
    return { startedAtMs: null, workEndsAtMs: null, stoppedAfterMs: null, pulseFromMs: null, pulseToMs: null, beats: 0 }
  }
  const { work, pause, pulse } = stageEnds(protocol)
  const isEarly = stoppedAfterMs !== null
  return {
    startedAtMs: started.atMs,
    workEndsAtMs: started.atMs + (stoppedAfterMs ?? work),
    stoppedAfterMs,
    pulseFromMs: isEarly ? null : started.atMs + pause,
    pulseToMs: isEarly ? null : started.atMs + pulse,
    beats,
  }
}

/** The beats that were touched are the count, once the window is over; a count that is entered comes before them. */
export const stampedSteps = (_: StepTest, { started, stage, stoppedAfterMs, beats, end }: StepState): Stamped => {
  const base: Stamped = { ...NOTHING_STAMPED, begun: started !== null, soFar: beats }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  if (stoppedAfterMs !== null) return { ...base, readings: { stopped: stoppedAfterMs } }
  return stage === 'done' && beats > 0 ? { ...base, readings: { pulse: beats } } : base
}
