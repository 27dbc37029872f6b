/** Figures that were read and that no such event can give: wrong units, slipped digits. */
import type { Capture } from '../capture/capture.ts'
import type { Range } from './kind.ts'
import type { Doubt } from '../referee/referee.ts'
import { kindOf, type Protocol } from './kinds.ts'

/** What such an event can give in a slot, where a figure lies beyond it; null where the figure can be. */
export const beyondSense = (protocol: Protocol, slotId: string, value: number): Range | null => {
  const kind = kindOf(protocol)
  const slot = kind.slots(protocol).find(({ id }) => id === slotId)
  const isMeasured = slot?.unit === kind.form(protocol).unit
  const range = kind.readingRange?.(protocol, slotId) ?? (isMeasured ? kind.sensibleRange(protocol) : null)
  return range && (value < range.least || value > range.most) ? range : null
}

/**
 * Doubts of the figures that stand. One that was read anew since, or entered by a second press, is none.
 * @param own settled captures of the candidate, in order
 */
export const readingDoubts = (protocol: Protocol, own: readonly Capture[]): Doubt[] => {
  const read = own.filter((capture) => capture.kind === 'read')
  const standing = new Map(read.map((capture) => [capture.payload.slot, capture]))
  return [...standing.values()].flatMap(({ id, payload: { slot, value }, despite }): Doubt[] => {
    const range = despite?.includes('outsideSense') ? null : beyondSense(protocol, slot, value)
    return range ? [{ code: 'outsideSense', captures: [id], figures: { ...range, value } }] : []
  })
}
