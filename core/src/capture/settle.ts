/** First step of every reduction: captures in any order of arrival -> those that stand, in the order they happened. */
import type { Capture } from './capture.ts'

/**
 * Applies voids and late assignments and sorts by agreed time, then id. The result does not depend on the order of the
 * input, and a capture given twice counts once.
 *
 * A void can itself be voided, which brings its target back; of two voids naming each other the later one stands.
 * A void stands even when its agreed time is before its target's: the two devices' clocks may differ by their uncertainty.
 * @returns captures that stand, without the corrections themselves
 */
export const settle = (captures: readonly Capture[]): Capture[] => {
  const ordered = [...new Map(captures.map((capture) => [capture.id, capture])).values()].sort(byTimeThenId)
  const voided = voidedIds(ordered)
  const assignedTo = new Map<string, string>()
  for (const capture of ordered) {
    if (capture.kind === 'assigned' && capture.entryId !== null && !voided.has(capture.id)) {
      assignedTo.set(capture.payload.captureId, capture.entryId)
    }
  }
  return ordered
    .filter(({ id, kind }) => kind !== 'voided' && kind !== 'assigned' && !voided.has(id))
    .map((capture) => withCandidate(capture, assignedTo.get(capture.id)))
}

/** Ids of the captures that no longer count. */
export const voidedIds = (captures: readonly Capture[]): Set<string> => {
  const voided = new Set<string>()
  for (const capture of [...captures].sort((a, b) => byTimeThenId(b, a))) {
    if (capture.kind === 'voided' && !voided.has(capture.id)) voided.add(capture.payload.captureId)
  }
  return voided
}

export const byTimeThenId = (a: Capture, b: Capture): number =>
  a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)

const withCandidate = (capture: Capture, entryId: string | undefined): Capture =>
  entryId === undefined ? capture : { ...capture, entryId }
