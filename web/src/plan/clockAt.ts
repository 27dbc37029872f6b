import { timeOfDayMs } from '@able-gauge/core'

/** The time of day so long after another, such as "10:35". @param startsAt HH:MM */
export const clockAt = (startsAt: string, afterMs: number): string => {
  const minutes = Math.floor((timeOfDayMs(startsAt) + afterMs) / 60_000)
  return `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
}
