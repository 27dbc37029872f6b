/** What is on record about starts besides their moments: questions a second press answered, and who was found clear. */
import type { Capture } from '../capture/capture.ts'
import { clearedIn } from '../capture/clearedIn.ts'
import { concernedBy } from '../capture/concernedBy.ts'
import { voidedIds } from '../capture/settleCaptures.ts'

export interface StartsOnRecord {
  /** Codes of the questions answered when this candidate was started. */
  readonly answered: (eventId: string, entryId: string) => ReadonlySet<string>
  readonly isClear: (eventId: string, entryId: string) => boolean
}

/** @param captures of a day, as they are on record */
export const startsOnRecord = (captures: readonly Capture[]): StartsOnRecord => {
  const voided = voidedIds(captures)
  const standing = captures.filter(({ id }) => !voided.has(id))
  const answers = new Map<string, Set<string>>()
  for (const capture of standing) {
    const { eventId, despite = [] } = capture
    if (despite.length === 0) continue
    for (const entryId of concernedBy(capture)) {
      const key = `${eventId} ${entryId}`
      answers.set(key, new Set([...(answers.get(key) ?? []), ...despite]))
    }
  }
  const events = new Set(standing.flatMap(({ kind, eventId }) => (kind === 'cleared' ? [eventId] : [])))
  const cleared = new Map(
    [...events].map((eventId) => [eventId, clearedIn(standing.filter((capture) => capture.eventId === eventId))]),
  )
  return {
    answered: (eventId, entryId) => answers.get(`${eventId} ${entryId}`) ?? NOTHING,
    isClear: (eventId, entryId) => cleared.get(eventId)?.has(entryId) ?? false,
  }
}

const NOTHING: ReadonlySet<string> = new Set()
