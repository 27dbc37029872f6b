/** Calendar dates as YYYY-MM-DD in months and years, and the moments a day at a venue begins. The polyfill's functions are taken one by one, so that no more of it is fetched. */
import { addMonths, create, toString, toZonedDateTime } from 'temporal-polyfill/fns/PlainDate'
import { create as createTime } from 'temporal-polyfill/fns/PlainTime'
import { dateAfter, type Period } from './dates.ts'

const recordOf = (date: string) => {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number)
  return create(year, month, day)
}

/**
 * A date so many periods later, or earlier when there are fewer than none; where the month has no such day, its last.
 * @example dateLater('2024-02-29', 1, 'years') // "2025-02-28"
 */
export const dateLater = (date: string, count: number, of: Period): string => {
  if (of === 'days' || of === 'weeks') return dateAfter(date, of === 'weeks' ? 7 * count : count)
  return toString(addMonths(recordOf(date), of === 'years' ? 12 * count : count))
}

/** When a day begins in a time zone, in ms since 1970; days at which clocks are put forward or back begin when the zone has them begin. */
export const startOfDayMs = (date: string, zone: string): number =>
  toZonedDateTime(recordOf(date), zone).epochMilliseconds

/** The moment at which the clocks of a zone show a time of day, in ms since 1970. @param time HH:MM */
export const momentIn = (date: string, time: string, zone: string): number => {
  const [hour = 0, minute = 0] = time.split(':').map(Number)
  return toZonedDateTime(recordOf(date), { timeZone: zone, plainTime: createTime(hour, minute) }).epochMilliseconds
}
