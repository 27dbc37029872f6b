/** The form of an event that was changed at the line. */
import type { Capture, CaptureKind } from '../capture/capture.ts'
import type { Doubt } from '../referee/referee.ts'
import type { Candidate } from './mark.ts'

/** What is done in a form, and counts in it. */
const DONE: ReadonlySet<CaptureKind> = new Set(['counted', 'crossed', 'passed', 'lifted', 'read', 'markedAt'])

/**
 * The candidate with the variant they really do: the last one captured, or the one the entry names. The same candidate where nobody changed it.
 * @param own settled captures of the candidate in the event, in order
 */
export const asVaried = <Who extends Pick<Candidate, 'variants'>>(
  candidate: Who,
  eventId: string,
  own: readonly Capture[],
): Who => {
  const last = own.findLast((capture) => capture.kind === 'varied')
  if (last?.kind !== 'varied') return candidate
  const { [eventId]: _, ...others } = candidate.variants ?? {}
  const { variant } = last.payload
  return { ...candidate, variants: variant === undefined ? others : { ...others, [eventId]: variant } }
}

/** A form that was changed after something had been counted in another; beginning again begins the counting anew. */
export const variedDoubts = (own: readonly Capture[]): readonly Doubt[] => {
  let hasBegun = false
  const captures = own.flatMap(({ id, kind }) => {
    if (kind === 'restarted') hasBegun = false
    if (DONE.has(kind)) hasBegun = true
    return kind === 'varied' && hasBegun ? [id] : []
  })
  return captures.length === 0 ? [] : [{ code: 'variedUnderWay', captures }]
}
