/** Ends that every kind has. */
import type { Capture } from '../capture/capture.ts'
import type { Attempted, End, EndBy } from './referee.ts'

type Stop = Extract<Capture, { kind: 'stopped' }>

/** Reasons that end an event whatever was done: nothing is measured. */
const END_REASONS = ['didNotFinish', 'failed', 'breach', 'safety', 'withdrawn', 'disqualified'] as const
export type EndReason = (typeof END_REASONS)[number]

export const isEndReason = (by: string): by is EndReason => (END_REASONS as readonly string[]).includes(by)

/** An end for such a reason, as it stands in a measure; null where the end is an ordinary one. */
export const ruledEnd = (end: End | null): { readonly reason: EndReason; readonly note?: string } | null => {
  if (!end || !isEndReason(end.by)) return null
  return end.note ? { reason: end.by, note: end.note } : { reason: end.by }
}

const isRuling = (reason: EndBy): boolean => reason === 'disqualified' || reason === 'breach'

const endBy = ({ payload: { reason, note }, atMs }: Stop): End => ({
  by: reason,
  atMs,
  ...(note ? { note } : {}),
})

/**
 * What a stop makes of an attempt. What an officer rules stands before everything else; a stop for another reason of its own stands
 * before an ordinary end, and the first of several stands.
 * @param isFinal nothing but a ruling changes what was reached: a finish stands
 */
export const stopped = <S extends Attempted>(state: S, stop: Stop, isFinal = false): S => {
  const { reason } = stop.payload
  const { end } = state
  const isRuled = end !== null && isEndReason(end.by)
  const stands = isRuling(reason)
    ? !(isRuled && isRuling(end.by))
    : !isFinal && (end === null || (isEndReason(reason) && !isRuled))
  return stands ? { ...state, end: endBy(stop) } : state
}
