import type { Capture } from './capture.ts'

/** Whom a capture is about, as far as it says: one candidate, or all those it names. */
export const concernedBy = ({ entryId, payload }: Pick<Capture, 'entryId' | 'payload'>): readonly string[] => {
  if (entryId !== null) return [entryId]
  return 'entryIds' in payload ? payload.entryIds : []
}
