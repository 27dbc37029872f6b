/** The captures of each candidate, kept from one look to the next. */
import type { Capture } from './capture.ts'

export interface ByCandidate {
  readonly settled: readonly Capture[]
  /** In order; whoever nothing has happened to keeps the very same list. */
  readonly of: ReadonlyMap<string, readonly Capture[]>
}

/**
 * Sorts settled captures out by candidate.
 * @param before what was sorted out last: one capture more at the end costs the one candidate it is about
 */
export const byCandidate = (settled: readonly Capture[], before: ByCandidate | null = null): ByCandidate => {
  const last = settled.at(-1)
  if (before && last && isOneMore(before.settled, settled)) {
    if (last.entryId === null) return { settled, of: before.of }
    const of = new Map(before.of)
    return { settled, of: of.set(last.entryId, [...(of.get(last.entryId) ?? []), last]) }
  }
  const of = new Map<string, Capture[]>()
  for (const capture of settled) {
    if (capture.entryId === null) continue
    const own = of.get(capture.entryId)
    if (own) own.push(capture)
    else of.set(capture.entryId, [capture])
  }
  return { settled, of }
}

/** Whether a list is another with one more at the end. */
export const isOneMore = <One>(before: readonly One[], now: readonly One[]): boolean =>
  now.length === before.length + 1 && before.every((one, at) => one === now[at])
