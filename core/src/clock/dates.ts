/** Calendar dates as YYYY-MM-DD, counted in days. Every day of a calendar without a place has 24 hours, so no library is asked: a phone on the field fetches none for it. */

const DAY_MS = 86_400_000

const midnightMs = (date: string): number => Date.parse(`${date}T00:00:00Z`)

/** @example dateAfter('2026-12-31', 1) // "2027-01-01" */
export const dateAfter = (date: string, days: number): string =>
  new Date(midnightMs(date) + days * DAY_MS).toISOString().slice(0, 10)

/** Whole days from one date to another; negative when it lies before. @example daysBetween('2026-11-24', '2026-12-01') // 7 */
export const daysBetween = (from: string, to: string): number => (midnightMs(to) - midnightMs(from)) / DAY_MS

/** What a house rule counts time in. */
export const PERIODS = ['days', 'weeks', 'months', 'years'] as const
export type Period = (typeof PERIODS)[number]
