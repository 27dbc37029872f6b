/** What the check of a standard has to say about one place of it. */
export interface Remark {
  /** Path from the top of the document. */
  readonly place: string
  readonly code:
    | 'datesOverlap'
    | 'restMissing'
    | 'roundingTooFine'
    | 'roundingTooCoarse'
    | 'cutOffStep'
    | 'cutOutOfRange'
    | 'ageWithoutBand'
    | 'bandsOverlap'
    | 'categoryWithoutBand'
    | 'harderWithAge'
  /** Errors stop publishing. */
  readonly severity: 'error' | 'warning'
  readonly what: string
  /** A person and a value that show it. */
  readonly example: string
  readonly mend: string
}

export const sayRemark = ({ place, severity, what, example, mend }: Remark): string =>
  `${severity}: ${place}: ${what} ${example} ${mend}`
