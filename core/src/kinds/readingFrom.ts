/** What an instrument sensed, as a reading. */
import type { Sensed } from '../capture/capture.ts'
import { kindOf, type Protocol } from './kinds.ts'
import { slotsOf } from './slots.ts'

/**
 * The next empty slot of a protocol that takes a sensed figure, with the figure in the slot's unit.
 * @param filled slots that have a reading already
 * @returns null when the protocol has no use for it
 * @example readingFrom(stepTest, { quantity: 'pulse', value: 122, … }, new Set()) // 30 s window: { slot: 'pulse', value: 61 }
 */
export const readingFrom = (
  protocol: Protocol,
  sensed: Sensed,
  filled: ReadonlySet<string>,
): { readonly slot: string; readonly value: number } | null => {
  const taken = kindOf(protocol).sensed?.(protocol, sensed)
  const slot = taken ? slotsOf(protocol).find(({ id, unit }) => !filled.has(id) && unit === taken.unit) : undefined
  return taken && slot ? { slot: slot.id, value: taken.value } : null
}
