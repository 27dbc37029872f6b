/** A test day as the record keeps it and the interface speaks of it. */
export interface Occasion {
  readonly id: string
  readonly name: string
  readonly venue: string
  /** IANA zone of the venue. */
  readonly zone: string
  /** YYYY-MM-DD */
  readonly testDate: string
  readonly standardId: string
  readonly standardVersion: number
  /** The unit it belongs to; left out for a day of the whole house. */
  readonly unitId?: string
  /** When it is a rehearsal: its time runs `speed` times as fast from `fromMs` on. */
  readonly rehearsal: { readonly fromMs: number; readonly speed: number; readonly ownEventId: string | null } | null
  readonly signedOff: { readonly atMs: number; readonly by: string } | null
  /** Left out for a day that takes place. */
  readonly cancelled?: { readonly atMs: number; readonly by: string; readonly reason: string }
}

/** A day in the list of days, with how far it is. */
export interface OccasionSummary extends Occasion {
  readonly standardName: string
  readonly organisation: string
  readonly entries: number
  readonly present: number
  readonly captures: number
}

export interface StaffMember {
  readonly accountId: string
  readonly displayName: string
  readonly role: string
  readonly duty: string
  /** Joined with a station code. */
  readonly isGuest?: boolean
  /** Their own entry, when they are tested on this day themselves. */
  readonly entryId?: string
}
