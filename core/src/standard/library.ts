/** A standard as the library shows it: its versions, which state each is in, and when it is in force. */
export type VersionState = 'draft' | 'published' | 'retired'

export interface VersionSummary {
  readonly id: string
  readonly version: number
  readonly state: VersionState
  readonly name: string
  readonly organisation: string
  /** Null in a draft that does not say so yet. */
  readonly inForceFrom: string | null
  /** Last day in force: as published, or as it was retired. */
  readonly inForceTo: string | null
  readonly events: number
  readonly contentHash: string | null
  /** Days that are judged by it. */
  readonly days: number
}

/** A version with its content. */
export interface VersionDetail {
  readonly state: VersionState
  /** The document; a draft may be unsound. */
  readonly content: unknown
  readonly contentHash: string | null
  /** Of a draft: counts edits. */
  readonly revision: number | null
  readonly publishedAtMs: number | null
  readonly publishedBy: string | null
  readonly editedBy: string | null
  readonly retired: { readonly lastDay: string; readonly reason: string; readonly by: string } | null
}

export type Force = 'draft' | 'coming' | 'now' | 'past'

/** Where a date lies in the time a version is in force; a draft never is. */
export const forceOn = (
  { state, inForceFrom, inForceTo }: Pick<VersionSummary, 'state' | 'inForceFrom' | 'inForceTo'>,
  date: string,
): Force => {
  if (state === 'draft' || inForceFrom === null) return 'draft'
  if (date < inForceFrom) return 'coming'
  return inForceTo !== null && date > inForceTo ? 'past' : 'now'
}
