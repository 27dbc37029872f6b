/** Whom a standard is applied to. */
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
}
