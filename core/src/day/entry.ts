/** Somebody entered on a day. */
export const ATTENDANCES = ['expected', 'present', 'held', 'absent'] as const
/** `held`: is here and may not start. */
export type Attendance = (typeof ATTENDANCES)[number]

export interface EntryFacts {
  readonly id: string
  readonly bib: number | null
  readonly wave: number
  readonly category: string
  readonly attendance: Attendance
  readonly note: string
  /** Taken at muster; a share of it can be a cut. */
  readonly bodyMassG: number | null
  /** Counts edits, so that a second person editing is told instead of overwriting. */
  readonly revision: number
}

/** The person of an entry, without the date of birth, which few may see. */
export interface PersonFacts {
  readonly id: string
  readonly number: string
  readonly givenName: string
  readonly familyName: string
}
