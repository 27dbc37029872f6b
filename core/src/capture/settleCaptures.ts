/** First step of every reduction: captures in any order of arrival -> those that stand, in the order they happened. */
import type { Capture } from './capture.ts'
import { byArrival, type TimeBounds } from './timeBounds.ts'

/**
 * Applies voids, late assignments, moves and replacements, and sorts by agreed time, then id. The result does not depend
 * on the order of the input, and a capture given twice counts once.
 *
 * A void can itself be voided, which brings its target back, whatever their clocks say; of two voids naming each other the later
 * one stands. A start that is voided takes with it the starts that other devices gave of the same moment.
 * A correction stands even when its agreed time is before its target's: two devices' clocks may differ by their
 * uncertainty. Of several corrections of the same thing the latest stands.
 * @param bounds the days' own; a capture whose time cannot be is ordered by its arrival. Null to take every time as it is
 * @returns captures that stand, without the corrections themselves
 */
export const settleCaptures = (captures: readonly Capture[], bounds: TimeBounds | null = null): Capture[] => {
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
  // a moment that a person gave is of no device's clock
  if (change.atMs !== undefined) capture = { ...capture, clockRun: `moved ${capture.id}` }
  return capture.kind === 'read' && value !== undefined
    ? { ...capture, entryId, atMs, payload: { ...capture.payload, value } }
    : { ...capture, entryId, atMs }
}

type Void = Extract<Capture, { kind: 'voided' }>

/**
 * Ids of the captures that no longer count: what a void that stands names, and with a start the starts that other devices gave
 * of the same moment. Whether a void stands follows from the voids that name it, whatever their clocks say; only where voids
 * name each other in a circle, the earliest gives way.
 */
export const voidedIds = (captures: readonly Capture[]): Set<string> => {
  const voids = [...new Map(captures.flatMap((one) => (one.kind === 'voided' ? [[one.id, one]] : []))).values()]
  if (voids.length === 0) return new Set()
  const stand = standing(voids)
  return new Set([...stand.map(({ payload }) => payload.captureId), ...twinStarts(captures, stand)])
}

/** The voids that no void that stands names. */
const standing = (voids: readonly Void[]): Void[] => {
  const byId = new Map(voids.map((one) => [one.id, one]))
  // how many voids that name it are not looked at yet
  const unseen = new Map<string, number>()
  for (const { payload } of voids) unseen.set(payload.captureId, (unseen.get(payload.captureId) ?? 0) + 1)
  const [stands, hit, seen] = [[] as Void[], new Set<string>(), new Set<string>()]
  const look = (first: Void, gaveWay: boolean): void => {
    let next: Void | undefined = first
    let yields = gaveWay
    while (next && !seen.has(next.id)) {
      const target: string = next.payload.captureId
      seen.add(next.id)
      if (!yields && !hit.has(next.id)) {
        stands.push(next)
        hit.add(target)
      }
      yields = false
      const left = (unseen.get(target) ?? 0) - 1
      unseen.set(target, left)
      next = left === 0 ? byId.get(target) : undefined
    }
  }
  for (const one of voids) if (!unseen.get(one.id)) look(one, false)
  // what is left goes round in circles
  for (const one of voids.filter(({ id }) => !seen.has(id)).sort(byTimeThenId)) if (!seen.has(one.id)) look(one, true)
  return stands
}

/** Two devices that start the same people mean one start when they are this near, in ms. */
const SAME_START_MS = 5_000

/** A false start that is voided takes with it what other devices gave of it. */
const twinStarts = (captures: readonly Capture[], voids: readonly Void[]): string[] => {
  const voidedAtMs = new Map(voids.map(({ payload, atMs }) => [payload.captureId, atMs]))
  const starts = captures.filter(({ kind }) => kind === 'waveStarted' || kind === 'started')
  return starts.flatMap((start) => {
    const untilMs = voidedAtMs.get(start.id)
    if (untilMs === undefined) return []
    const isTwin = (other: Capture): boolean =>
      other.deviceId !== start.deviceId &&
      startedWhom(other) === startedWhom(start) &&
      Math.abs(other.atMs - start.atMs) <= SAME_START_MS &&
      // a new start may follow at once
      other.atMs < untilMs
    return starts.filter(isTwin).map(({ id }) => id)
  })
}

const startedWhom = (start: Capture): string =>
  `${start.eventId} ${start.kind === 'waveStarted' ? `wave ${start.payload.wave}` : (start.entryId ?? '')}`

export const byTimeThenId = (a: Capture, b: Capture): number =>
  a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
