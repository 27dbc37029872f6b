/** Figures read of one person in one event -> measure, by the rules of the protocol: selection, watches, zero, caps. */
import { factsOf } from './facts.ts'
import { kindOf, type Protocol } from './kinds.ts'
import { isBeyondLimit, stoppedAtLimit } from './limit.ts'
import { measuredAs, type Measure, type TakenReading } from './measure.ts'
import type { Readings } from './slot.ts'
import { isFilled, slotsOf } from './slots.ts'

export interface MeasuringOptions {
  /** Slots whose figures follow from stamps; the others were entered. */
  readonly stamped?: ReadonlySet<string>
  /** How far the clocks of two devices may disagree about what was stamped. */
  readonly clockUncertaintyMs?: number
  /** Whether one try on one side stands for all of them, as it does in the plain column of a file. */
  readonly oneIsEnough?: boolean
}

const NONE: ReadonlySet<string> = new Set()

/**
 * Measures what was read.
 * @param readings by slot id; slots the protocol does not have are ignored
 * @returns `complete` when every needed slot is filled, `running` when some are, `ended` when the figures themselves end it
 */
export const measureReadings = (
  protocol: Protocol,
  readings: Readings,
  { stamped = NONE, clockUncertaintyMs = 0, oneIsEnough = false }: MeasuringOptions = {},
): Measure => {
  const taken = slotsOf(protocol).flatMap(({ id, label, unit, shownIn }): TakenReading[] => {
    const value = readings[id]
    const form = { unit, ...(shownIn ? { shownIn } : {}), ...(stamped.has(id) ? { stamped: true as const } : {}) }
    return value === undefined ? [] : [{ slot: id, label, value, ...form }]
  })
  if (taken.length === 0) return { kind: 'notStarted', notes: [] }
  const { unit } = factsOf(protocol)
  if (!isFilled(protocol, readings, oneIsEnough)) return { kind: 'running', soFar: taken.length, unit, notes: [] }
  const result = kindOf(protocol).measure(protocol, readings)
  if ('reason' in result) return { kind: 'ended', ...result, soFar: 0, unit }
  const limitMs = 'limitMs' in protocol ? protocol.limitMs : undefined
  if (limitMs !== undefined && isBeyondLimit(result.value, limitMs, clockUncertaintyMs)) {
    return { kind: 'ended', ...stoppedAtLimit(limitMs), soFar: 0, unit }
  }
  return {
    kind: 'complete',
    ...measuredAs(result.value),
    unit: result.unit ?? unit,
    reading: { kind: 'readings', taken, steps: result.steps },
    clockUncertaintyMs,
    notes: [],
  }
}
