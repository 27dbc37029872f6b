import { printDate } from '../quantity/printDate.ts'
import type { Remark } from '../document/remark.ts'
import type { Standard } from './standard.ts'

const NO_END = '9999-12-31'

/** Finds days on which another version is in force as well. */
export const checkDates = (standard: Standard, others: readonly Standard[]): Remark[] =>
  others
    .filter((other) => other.id === standard.id && other.version !== standard.version)
    .filter(
      (other) =>
        standard.inForceFrom <= (other.inForceTo ?? NO_END) && other.inForceFrom <= (standard.inForceTo ?? NO_END),
    )
    .map((other) => ({
      place: 'inForceFrom',
      code: 'datesOverlap',
      severity: 'error',
      what: `Versions ${standard.version} and ${other.version} are both in force from ${printDate(later(standard.inForceFrom, other.inForceFrom))}.`,
      example: `A test on ${printDate(later(standard.inForceFrom, other.inForceFrom))} could be judged by either.`,
      mend: 'Give the earlier version a last day in force before the later one begins.',
    }))

const later = (a: string, b: string): string => (a > b ? a : b)
