/** Figures that were read and that no such event can give: wrong units, slipped digits. */
import type { Capture } from '../capture/capture.ts'
import type { Range, Stood } from './kind.ts'
import type { Doubt } from '../referee/referee.ts'
import { kindOf, type Protocol } from './kinds.ts'

const beyond = (range: Range | null | undefined, value: number): Range | null =>
  range && (value < range.least || value > range.most) ? range : null

/** What such an event can give in a slot, where a figure lies beyond it; null where the figure can be. */
export const beyondSense = (protocol: Protocol, slotId: string, value: number): Range | null => {
  const kind = kindOf(protocol)
  const slot = kind.slots(protocol).find(({ id }) => id === slotId)
  const isMeasured = slot?.unit === kind.form(protocol).unit
  return beyond(kind.readingRange?.(protocol, slotId) ?? (isMeasured ? kind.sensibleRange(protocol) : null), value)
}

/**
 * Doubts of the figures that stand. One that was read anew since, or entered by a second press, is none.
 * @param own settled captures of the candidate, in order
 * @param stood with figures that follow from stamps: five beats touched are no pulse, unless somebody enters it
 */
export const readingDoubts = (
  protocol: Protocol,
  own: readonly Capture[],
  { stamped, refused }: Pick<Stood, 'stamped' | 'refused'>,
): Doubt[] => {
  const read = own.filter((capture) => capture.kind === 'read')
  const standing = new Map(read.map((capture) => [capture.payload.slot, capture]))
  const ofRead = [...standing.values()].flatMap((capture) => {
    const { slot, value } = capture.payload
    return doubted(beyondSense(protocol, slot, value), value, capture)
  })
  const ofStamps = Object.entries(stamped.readings).flatMap(([slot, value = 0]) => {
    const range = standing.has(slot) ? null : beyond(kindOf(protocol).readingRange?.(protocol, slot), value)
    const lastCounted = range && own.findLast(({ id }) => !refused.some(({ captures }) => captures.includes(id)))
    return doubted(range, value, lastCounted)
  })
  return [...ofRead, ...ofStamps]
}

const doubted = (range: Range | null, value: number, from: Capture | null | undefined): Doubt[] =>
  range && from && !from.despite?.includes('outsideSense')
    ? [{ code: 'outsideSense', captures: [from.id], figures: { ...range, value } }]
    : []
