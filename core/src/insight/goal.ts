/** What a goal somebody set themselves takes: from the last figure to the one they want, week by week. */
import { daysBetween } from '../clock/dates.ts'
import { ratio, type Exact } from '../quantity/fraction.ts'

export interface Goal {
  /** In the base unit of the event. */
  readonly value: number
  /** YYYY-MM-DD */
  readonly byDate: string
}

export interface GoalPace {
  /** From the last figure to the goal, in the better direction; 0 or less once it is reached. */
  readonly missing: number
  /** Whole days that are left; 0 from the date on. */
  readonly days: number
  /** How much a week takes from now on; null once it is reached, or no day is left. */
  readonly perWeek: Exact | null
}

/**
 * @param last the latest figure, in the base unit of the event
 * @param sense whether more is better, or less
 * @param today YYYY-MM-DD
 * @example goalPace(30, 'atLeast', { value: 40, byDate: '2026-12-15' }, '2026-11-24') // 10 missing in 21 days: 10/3 a week
 */
export const goalPace = (
  last: number,
  sense: 'atLeast' | 'atMost',
  { value, byDate }: Goal,
  today: string,
): GoalPace => {
  const missing = sense === 'atLeast' ? value - last : last - value
  const days = Math.max(0, daysBetween(today, byDate))
  return { missing, days, perWeek: missing > 0 && days > 0 ? ratio(missing * 7, days) : null }
}
