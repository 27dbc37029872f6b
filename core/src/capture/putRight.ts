/** Likely slips at a console, put right: which captures have to be added, so that nothing is changed or removed. */
import type { Capture, Observation } from './capture.ts'

/** A capture that is still to be made. */
export interface ToCapture {
  readonly entryId: string | null
  readonly observation: Observation
}

/** What an officer said stays with whom it was said of. */
const STAYS: ReadonlySet<Capture['kind']> = new Set(['decided'])

/**
 * The wrong person stood on the console: all of it belongs to another.
 * @param own settled captures of the wrong person in the event
 */
export const wasAnother = (own: readonly Capture[], otherId: string): ToCapture[] =>
  own
    .filter(({ kind, entryId }) => entryId !== null && !STAYS.has(kind))
    .map(({ id }) => ({
      entryId: otherId,
      observation: { kind: 'assigned', payload: { captureId: id, reason: 'it was somebody else' } },
    }))

/**
 * The clock was started too early or too late.
 * @param starts every start that stands: of a wave two timers may have given one each, and the earlier would count if it were left
 * @param toMs agreed time of the real start
 */
export const startedAt = (starts: readonly Capture[], toMs: number, reason: string): ToCapture[] =>
  starts.map(({ id: captureId, entryId }) => ({
    entryId,
    observation: { kind: 'moved', payload: { captureId, toMs, reason } },
  }))

/** Nobody started: the start does not count. */
export const notStarted = ({ id: captureId, entryId }: Capture): ToCapture => ({
  entryId,
  observation: { kind: 'voided', payload: { captureId, reason: 'false start' } },
})
