/** Captures of one candidate -> measure, for events whose figures are read and entered slot by slot. */
import { factsOf } from '../protocol/eventKind.ts'
import type { Protocol } from '../protocol/protocol.ts'
import type { Capture } from './capture.ts'
import { isEndReason, type Measure } from './measure.ts'
import { measureReadings } from './measureReadings.ts'
import type { Readings } from './slots.ts'

/** The figures that stand, by slot: the latest of each. */
export const readingsIn = (captures: readonly Capture[]): Readings => {
  const readings: Record<string, number> = {}
  for (const capture of captures) if (capture.kind === 'read') readings[capture.payload.slot] = capture.payload.value
  return readings
}

/**
 * What the readings amount to. A stop for a reason that ends the event comes before the figures.
 * @param captures settled captures of this candidate in this event, in order
 */
export const reduceReadings = (protocol: Protocol, captures: readonly Capture[]): Measure => {
  const readings = readingsIn(captures)
  const stop = captures.findLast((capture) => capture.kind === 'stopped')
  if (stop && isEndReason(stop.payload.reason)) {
    return {
      kind: 'ended',
      reason: stop.payload.reason,
      ...(stop.payload.note ? { note: stop.payload.note } : {}),
      soFar: Object.keys(readings).length,
      unit: factsOf(protocol).unit,
      notes: [],
    }
  }
  return measureReadings(protocol, readings)
}
