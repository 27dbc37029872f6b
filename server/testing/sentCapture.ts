/** Captures as devices send them. */
import { captureId, seededRandom } from '@able-gauge/core'

/** 24 November 2026, 09:00 at the venue of a test day. */
export const MORNING_MS = 1_795_467_600_000

const random = seededRandom(1)

/** What of a capture is not as usual; an `entryId` that is undefined names nobody. */
export interface SentChange {
  readonly eventId?: string
  readonly kind?: string
  readonly payload?: object
  readonly entryId?: string | undefined
  readonly bib?: number
  readonly deviceId?: string
  readonly deviceMs?: number
  readonly atMs?: number
  readonly uncertaintyMs?: number
}

/** A crossing in the run that names nobody yet, or what is asked for in its place; each has an id of its own. */
export const sentCapture = (change: SentChange = {}) => {
  const { atMs = MORNING_MS } = change
  return {
    id: captureId(atMs, random.bytes(16)),
    eventId: 'run',
    kind: 'crossed',
    payload: {},
    deviceId: 'd',
    deviceMs: 0,
    atMs,
    uncertaintyMs: 4,
    ...change,
  }
}
