/** A step test: the work to its beat, an early stop, and the pulse that is felt in the window after it. */
import type { StepTest } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface Steps {
  readonly startedAtMs: number | null
  /** When the work is over: the time of the protocol, or the early stop. */
  readonly workEndsAtMs: number | null
  /** From the start to the early stop; null when not stopped early. */
  readonly stoppedAfterMs: number | null
  readonly pulseFromMs: number | null
  readonly pulseToMs: number | null
  /** Beats touched within the window. */
  readonly beats: number
}

/** @param captures settled captures of this candidate in this event, in order */
export const followSteps = (protocol: StepTest, captures: readonly Capture[]): Steps => {
  const started = captures.find(({ kind }) => kind === 'started')
  if (!started) {
    return { startedAtMs: null, workEndsAtMs: null, stoppedAfterMs: null, pulseFromMs: null, pulseToMs: null, beats: 0 }
  }
  const fullAtMs = started.atMs + protocol.durationMs
  const stop = captures.find((capture) => capture.kind === 'stopped')
  const isEarly = stop !== undefined && stop.atMs < fullAtMs
  const pulseFromMs = fullAtMs + protocol.pulseAfterMs
  const pulseToMs = pulseFromMs + protocol.pulseWindowMs
  const isBeat = ({ kind, atMs }: Capture): boolean => kind === 'counted' && atMs >= pulseFromMs && atMs <= pulseToMs
  return {
    startedAtMs: started.atMs,
    workEndsAtMs: isEarly ? stop.atMs : fullAtMs,
    stoppedAfterMs: isEarly ? stop.atMs - started.atMs : null,
    pulseFromMs: isEarly ? null : pulseFromMs,
    pulseToMs: isEarly ? null : pulseToMs,
    beats: captures.filter(isBeat).length,
  }
}

/** The touched beats become a figure when the console enters them at the end of the window. */
export const stepWork = (protocol: StepTest, captures: readonly Capture[]): LiveWork => {
  const { startedAtMs, stoppedAfterMs, beats } = followSteps(protocol, captures)
  if (startedAtMs === null) return NOTHING_LIVE
  return {
    ...NOTHING_LIVE,
    begun: true,
    soFar: beats,
    readings: stoppedAfterMs === null ? {} : { stopped: stoppedAfterMs },
  }
}
