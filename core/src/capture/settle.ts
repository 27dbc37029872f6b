/** First step of every reduction: captures in any order of arrival -> those that stand, in the order they happened. */
import type { Capture } from './capture.ts'
import { byArrival, type TimeBounds } from './timeBounds.ts'

/**
 * Applies voids, late assignments, moves and replacements, and sorts by agreed time, then id. The result does not depend
 * on the order of the input, and a capture given twice counts once.
 *
 * A void can itself be voided, which brings its target back; of two voids naming each other the later one stands.
 * A correction stands even when its agreed time is before its target's: two devices' clocks may differ by their
 * uncertainty. Of several corrections of the same thing the latest stands.
 * @param bounds the days' own; a capture whose time cannot be is ordered by its arrival. Null to take every time as it is
 * @returns captures that stand, without the corrections themselves
 */
export const settle = (captures: readonly Capture[], bounds: TimeBounds | null = null): Capture[] => {
  const timed = bounds ? captures.map((capture) => byArrival(capture, bounds)) : captures
  const ordered = [...new Map(timed.map((capture) => [capture.id, capture])).values()].sort(byTimeThenId)
  const voided = voidedIds(ordered)
  const corrections = new Map<string, Corrections>()
  let movedAny = false
  for (const capture of ordered) {
    if (voided.has(capture.id)) continue
    const correction = correctionIn(capture)
    if (!correction) continue
    movedAny ||= capture.kind === 'moved'
    const { captureId } = correction
    corrections.set(captureId, { ...corrections.get(captureId), ...correction.change })
  }
  const standing = ordered
    .filter(({ id, kind }) => !CORRECTIONS.has(kind) && !voided.has(id))
    .map((capture) => corrected(capture, corrections.get(capture.id)))
  return movedAny ? standing.sort(byTimeThenId) : standing
}

const CORRECTIONS: ReadonlySet<Capture['kind']> = new Set(['voided', 'assigned', 'moved', 'replaced'])

interface Corrections {
  readonly entryId?: string
  readonly atMs?: number
  readonly value?: number
}

const correctionIn = (capture: Capture): { readonly captureId: string; readonly change: Corrections } | null => {
  switch (capture.kind) {
    case 'assigned':
      return capture.entryId === null
        ? null
        : { captureId: capture.payload.captureId, change: { entryId: capture.entryId } }
    case 'moved':
      return { captureId: capture.payload.captureId, change: { atMs: capture.payload.toMs } }
    case 'replaced':
      return { captureId: capture.payload.captureId, change: { value: capture.payload.value } }
    default:
      return null
  }
}

const corrected = (capture: Capture, change: Corrections | undefined): Capture => {
  if (!change) return capture
  const { entryId = capture.entryId, atMs = capture.atMs, value } = change
  return capture.kind === 'read' && value !== undefined
    ? { ...capture, entryId, atMs, payload: { ...capture.payload, value } }
    : { ...capture, entryId, atMs }
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
