/** Dates and times of day in words, at the venue. */
import { printShortDate } from '@able-gauge/core'

/** Making one takes longer than using it a thousand times. */
const formatters = new Map<string, Intl.DateTimeFormat>()
const formatterOf = (locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat => {
  const key = `${locale} ${JSON.stringify(options)}`
  const known = formatters.get(key)
  if (known) return known
  const made = new Intl.DateTimeFormat(locale, options)
  formatters.set(key, made)
  return made
}

const TIME = { hour: '2-digit', minute: '2-digit', second: '2-digit' } as const

/** "10:34:08" at the venue. */
export const timeOfDay = (atMs: number, zone: string): string =>
  formatterOf('en-GB', { timeZone: zone, ...TIME }).format(atMs)

/** "Tue 24 Nov 2026" for a calendar date. */
export const shortDate = (date: string): string => {
  const weekday = formatterOf('en-GB', { timeZone: 'UTC', weekday: 'short' }).format(new Date(`${date}T00:00:00Z`))
  return `${weekday} ${printShortDate(date)}`
}

/** "24 Nov 2026, 16:05" at the venue. */
export const dateAndTime = (atMs: number, zone: string): string =>
  `${printShortDate(dateIn(atMs, zone))}, ${timeOfDay(atMs, zone).slice(0, 5)}`

/** The calendar date at the venue, as YYYY-MM-DD. */
export const dateIn = (atMs: number, zone: string): string => formatterOf('sv-SE', { timeZone: zone }).format(atMs)

/** Today's calendar date on this device, as YYYY-MM-DD. */
export const today = (): string => new Intl.DateTimeFormat('sv-SE').format(Date.now())
