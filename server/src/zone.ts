/** Time zones as requests name them. */
import { Temporal } from 'temporal-polyfill'
import { invalidInput, type Problem } from './problem.ts'

export const unknownZone = (zone: string): Problem =>
  invalidInput([{ place: 'zone', code: 'zone', found: zone, expected: 'a time zone such as Etc/GMT-12' }])

export const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    // an unknown zone is what is asked about
    return false
  }
}

/** The date at a moment in a zone, YYYY-MM-DD. */
export const dateIn = (zone: string, atMs: number): string =>
  Temporal.Instant.fromEpochMilliseconds(atMs).toZonedDateTimeISO(zone).toPlainDate().toString()
