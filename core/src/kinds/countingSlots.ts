/** Which of the readings a measure comes from: those without which it would be another. */
import { compareExact, type Exact } from '../quantity/fraction.ts'
import { kindOf, type Protocol } from './kinds.ts'
import type { Readings } from './slot.ts'

/**
 * @returns ids of slots; of several that are equally good the first, and none where there is no measure yet
 * @example countingSlots(grip, { 'left-1': 41_200, 'left-2': 43_500, 'right-1': 39_000 }) // the weaker hand: ['right-1']
 */
export const countingSlots = (protocol: Protocol, readings: Readings): readonly string[] => {
  const kind = kindOf(protocol)
  const taken = Object.keys(readings).filter((slot) => readings[slot] !== undefined)
  const needed = kind.slots(protocol).filter(({ optional }) => !optional)
  const isEnough = needed.every(({ id }) => taken.includes(id)) || kind.isEnough?.(protocol, readings)
  const whole = isEnough ? valueOf(protocol, readings, taken) : null
  if (whole === null) return []
  // one after the other, so that of two that are alike one stays
  let left = taken
  for (const slot of [...taken].reverse()) {
    const without = left.filter((one) => one !== slot)
    const value = without.length === 0 ? null : valueOf(protocol, readings, without)
    if (value !== null && compareExact(value, whole) === 0) left = without
  }
  return left
}

const valueOf = (protocol: Protocol, readings: Readings, slots: readonly string[]): Exact | null => {
  const worked = kindOf(protocol).measure(protocol, Object.fromEntries(slots.map((slot) => [slot, readings[slot]])))
  return 'value' in worked ? worked.value : null
}
