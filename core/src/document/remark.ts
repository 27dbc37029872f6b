import type { Edit } from './edit.ts'

/** What the check of a standard has to say about one place of it. */
export interface Remark {
  /** Path from the top of the document. */
  readonly place: string
  readonly code: RemarkCode
  /** Errors stop publishing. */
  readonly severity: 'error' | 'warning'
  readonly what: string
  /** A person and a value that show it. */
  readonly example: string
  readonly mend: string
  /** What mends it by itself, where that is certain enough to be offered at one press. */
  readonly remedy?: Remedy
}

/** A change of the document, with what it is called. */
export interface Remedy {
  readonly label: string
  readonly edits: readonly Edit[]
}

type RemarkCode =
  | 'datesOverlap'
  | 'restMissing'
  | 'roundingTooFine'
  | 'roundingTooCoarse'
  | 'cutOffStep'
  | 'cutOutOfRange'
  | 'unitLooksWrong'
  | 'ageWithoutBand'
  | 'bandsOverlap'
  | 'categoryWithoutBand'
  | 'roleWithoutBand'
  | 'harderWithAge'
  | 'rowsOutOfOrder'
  | 'worseEarnsMore'
  | 'rowRepeated'
  | 'pointsUnreachable'
  | 'classUnreachable'
  | 'classesOutOfOrder'
  | 'minimumUnreachable'
  | 'minimumAlwaysReached'
  | 'totalUnreachable'
  | 'totalAlwaysReached'
  | 'tooManyToMeet'
  | 'nothingJudged'
  | 'judgedForNothing'
  | 'alternateNowhere'
  | 'orderGroups'
  | 'alternateUnused'
  | 'cadenceInCycles'
  | 'offSchedule'

export const sayRemark = ({ place, severity, what, example, mend }: Remark): string =>
  `${severity}: ${place}: ${what} ${example} ${mend}`
