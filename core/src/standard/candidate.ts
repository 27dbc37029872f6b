/** Whom a standard is applied to. */
/** A mark of an earlier day that stands on this one, since only what was short is done again. */
export interface CarriedMark {
  readonly occasionId: string
  /** When it was done, YYYY-MM-DD. */
  readonly testDate: string
  /** As it was judged then, whole; what a mark is, `judge` knows. */
  readonly mark: { readonly eventId: string; readonly kind: string }
}

/** The candidate as judging needs to know them. Choices are by the id of the battery's event. */
export interface Candidate {
  readonly entryId: string
  /** In years, counted by the standard's own rule. */
  readonly ageYears: number
  /** The date on which that age was counted, YYYY-MM-DD. */
  readonly ageCountedOn: string
  readonly category: string
  readonly role?: string
  readonly bodyMassG?: number
  /** The variant used of an event. */
  readonly variants?: Readonly<Record<string, string | undefined>>
  /** The alternate event done in place of an event. */
  readonly alternates?: Readonly<Record<string, string | undefined>>
  /** The exemption that holds for an event. */
  readonly exemptions?: Readonly<Record<string, string | undefined>>
  /** What stands from an earlier day. */
  readonly carried?: Readonly<Record<string, CarriedMark | undefined>>
}
