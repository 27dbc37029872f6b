/** The end an officer wants, against the end a timetable has. */
import { MINUTE_MS } from '../kinds/ranges.ts'
import type { DayPlan, PlannedDay } from './dayPlan.ts'
import { timeOfDayMs, type Timetable } from './timetable.ts'

export interface LateEnd {
  /** Index in the days of the plan. */
  readonly day: number
  readonly endsBy: string
  /** How much later than wanted, ms. */
  readonly lateMs: number
}

/** Days that end later than wanted; none where nobody said, or where all end in time. An end on the minute is in time. */
export const lateEnds = ({ days }: Pick<DayPlan, 'days'>, { endMs }: Pick<Timetable, 'endMs'>): LateEnd[] =>
  days.flatMap(({ startsAt, endsBy }, day) => {
    if (endsBy === undefined) return []
    const lateMs = timeOfDayMs(startsAt) + (endMs[day] ?? 0) - timeOfDayMs(endsBy)
    return lateMs > 0 ? [{ day, endsBy, lateMs }] : []
  })

const STEP_MS = 5 * MINUTE_MS
/** Nobody is asked to come before this. */
const EARLIEST = '05:00'

/** A day so much earlier that it ends in time, on five minutes; null where it would begin before people are asked to come. */
export const earlier = (day: PlannedDay, lateMs: number): PlannedDay | null => {
  const byMs = Math.ceil(lateMs / STEP_MS) * STEP_MS
  const musterMs = timeOfDayMs(day.musterAt) - byMs
  if (musterMs < timeOfDayMs(EARLIEST)) return null
  return { ...day, musterAt: printed(musterMs), startsAt: printed(timeOfDayMs(day.startsAt) - byMs) }
}

const printed = (ms: number): string => {
  const minutes = Math.floor(ms / MINUTE_MS)
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
}
