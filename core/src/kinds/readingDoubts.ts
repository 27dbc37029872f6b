/** Figures that were read and that no such event can give: wrong units, slipped digits. */
import type { Capture } from '../capture/capture.ts'
import type { Doubt } from '../referee/referee.ts'
import { kindOf, type Protocol } from './kinds.ts'

/** @param own settled captures of the candidate, in order */
export const readingDoubts = (protocol: Protocol, own: readonly Capture[]): Doubt[] => {
  const kind = kindOf(protocol)
  const { unit } = kind.form(protocol)
  return own.flatMap((capture): Doubt[] => {
    if (capture.kind !== 'read' || capture.despite?.includes('outsideSense')) return []
    const { slot: id, value } = capture.payload
    const slot = kind.slots(protocol).find((one) => one.id === id)
    const range = kind.readingRange?.(protocol, id) ?? (slot?.unit === unit ? kind.sensibleRange(protocol) : null)
    if (!range || (value >= range.least && value <= range.most)) return []
    return [{ code: 'outsideSense', captures: [capture.id], figures: { ...range, value } }]
  })
}
