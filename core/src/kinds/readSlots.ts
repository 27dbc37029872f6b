/** Made-up readings of one person, slot by slot, as a card or an instrument gives them. */
import type { Capture, Sensed } from '../capture/capture.ts'
import type { Slot } from './slot.ts'
import { makerFor, read, stamp, type Stage, type Turn } from './stage.ts'

const READ_EVERY_MS = 12_000
const ENTERED_AFTER_MS = 800

/**
 * @param valueOf the figure of a slot
 * @param sensedOf what an instrument sends of it, as on a day when one is connected; null where it is read by eye
 */
export const rehearseReadings = (
  stage: Stage,
  turn: Turn,
  slots: readonly Slot[],
  valueOf: (slot: Slot) => number,
  sensedOf: (slot: Slot, value: number) => Sensed | null = () => null,
): Capture[] => {
  const make = makerFor(stage, turn)
  return slots.flatMap((slot, index) => {
    const value = valueOf(slot)
    const afterMs = (index + 1) * READ_EVERY_MS
    const payload = sensedOf(slot, value)
    const sensed = payload && stamp(stage, null, turn.startAtMs + afterMs, { kind: 'sensed', payload })
    return [...(sensed ? [sensed] : []), make(afterMs + ENTERED_AFTER_MS, read(slot.id, value, sensed?.id))]
  })
}
