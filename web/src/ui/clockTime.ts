/** A time of day that somebody read off a clock, as a moment. */
import { timeOfDay } from './localTime.ts'

const DAY_MS = 86_400_000
const FORM = /^([01]?\d|2[0-3])[:.]([0-5]\d)(?:[:.]([0-5]\d)(?:[.,](\d))?)?$/

const inDayMs = (hours: string, minutes: string, seconds: string): number =>
  ((Number(hours) * 60 + Number(minutes)) * 60 + Number(seconds)) * 1_000

/**
 * The last moment before now at which a clock at the venue showed this time.
 * @param nowMs agreed time
 * @returns agreed time in ms, or null where the text is no time of day
 * @example lastMomentAt('10:42:07', nowMs, 'Etc/UTC')
 */
export const lastMomentAt = (text: string, nowMs: number, zone: string): number | null => {
  const match = FORM.exec(text.trim())
  if (!match) return null
  const [, hours = '', minutes = '', seconds = '0', tenth = '0'] = match
  const [nowHours = '', nowMinutes = '', nowSeconds = ''] = timeOfDay(nowMs, zone).split(':')
  const wholeMs = Math.floor(nowMs / 1_000) * 1_000
  const agoMs = inDayMs(nowHours, nowMinutes, nowSeconds) - inDayMs(hours, minutes, seconds)
  const atMs = wholeMs - agoMs + Number(tenth) * 100
  return atMs > nowMs ? atMs - DAY_MS : atMs
}
