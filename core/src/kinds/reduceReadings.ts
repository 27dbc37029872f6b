/** Captures of one candidate -> measure: figures that were stamped, and figures that were read and entered. */
import { factsOf } from './facts.ts'
import { kindOf, type Protocol } from './kinds.ts'
import type { Capture } from '../capture/capture.ts'
import { NOTHING_LIVE, type LiveWork } from './liveFigures.ts'
import { isEndReason, type Measure } from './measure.ts'
import { measureReadings } from './measureReadings.ts'
import { readingsIn } from './readingsIn.ts'
import type { Readings } from './slot.ts'
import type { WaveStart } from './waveStart.ts'

/**
 * What the captures amount to. A stop for a reason that ends the event comes before the figures; a figure that was
 * entered takes the place of the one that follows from stamps.
 * @param captures settled captures of this candidate in this event, in order
 * @param start of the candidate's wave, for kinds that start together
 */
export const reduceReadings = (protocol: Protocol, captures: readonly Capture[], start?: WaveStart): Measure => {
  const entered = readingsIn(captures)
  const live = kindOf(protocol).work(protocol, captures, start)
  const readings = { ...live.readings, ...entered }
  const { unit } = factsOf(protocol)
  const stop = live.isFinal ? undefined : captures.findLast((capture) => capture.kind === 'stopped')
  if (stop && isEndReason(stop.payload.reason)) {
    const { reason, note } = stop.payload
    const soFar = Math.max(live.soFar, Object.keys(readings).length)
    return { kind: 'ended', reason, ...(note ? { note } : {}), soFar, unit, notes: live.notes }
  }
  if (live.end) return { kind: 'ended', ...live.end, soFar: live.soFar, unit, notes: live.notes }
  const measure = measureReadings(protocol, readings, {
    stamped: new Set(Object.keys(live.readings).filter((id) => !(id in entered))),
    clockUncertaintyMs: doubtOf(live, entered),
  })
  switch (measure.kind) {
    case 'notStarted':
      return live.begun ? { kind: 'running', soFar: live.soFar, unit, notes: live.notes } : measure
    default:
      return { ...measure, notes: [...live.notes, ...measure.notes] }
  }
}

const doubtOf = ({ clockUncertaintyMs, readings }: LiveWork, entered: Readings): number =>
  Object.keys(readings).every((id) => id in entered) ? NOTHING_LIVE.clockUncertaintyMs : clockUncertaintyMs
