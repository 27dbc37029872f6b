/** Captures of one candidate -> measure: figures that were stamped, and figures that were read and entered. */
import { factsOf } from '../protocol/eventKind.ts'
import type { Protocol } from '../protocol/protocol.ts'
import type { Capture } from './capture.ts'
import { NOTHING_LIVE, type LiveWork } from './live/liveFigures.ts'
import { liveWork } from './live/liveWork.ts'
import { isEndReason, type Measure } from './measure.ts'
import { measureReadings } from './measureReadings.ts'
import type { WaveStart } from './reduceTimedDistance.ts'
import type { Readings } from './slots.ts'

/** The figures that were read and stand, by slot: the latest of each. */
export const readingsIn = (captures: readonly Capture[]): Readings => {
  const readings: Record<string, number> = {}
  for (const capture of captures) if (capture.kind === 'read') readings[capture.payload.slot] = capture.payload.value
  return readings
}

/**
 * What the captures amount to. A stop for a reason that ends the event comes before the figures; a figure that was
 * entered takes the place of the one that follows from stamps.
 * @param captures settled captures of this candidate in this event, in order
 * @param start of the candidate's wave, for kinds that start together
 */
export const reduceReadings = (protocol: Protocol, captures: readonly Capture[], start?: WaveStart): Measure => {
  const entered = readingsIn(captures)
  const live = liveWork(protocol, captures, start)
  const readings = { ...live.readings, ...entered }
  const { unit } = factsOf(protocol)
  const stop = captures.findLast((capture) => capture.kind === 'stopped')
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
