/** Who is due for a test: what the house asks of whom, and when the last one was. */
import { dateLater } from '../clock/calendarDate.ts'
import { dateAfter } from '../clock/dates.ts'
import type { RetestCall } from '../day/houseRules.ts'

/** The latest tests of a person under one standard. */
export interface LastTests {
  readonly personId: string
  /** YYYY-MM-DD; null for none. */
  readonly lastDate: string | null
  /** Whether that one was met; an effort without a cut counts as met. */
  readonly lastIsMet: boolean
  /** The latest one that was met. */
  readonly lastMet: string | null
  /** Events that were short in the last one. */
  readonly shortIn: readonly string[]
}

export const DUE_STATES = ['overdue', 'never', 'again', 'due', 'waiting', 'fine'] as const
/**
 * `overdue`: the day it was due by is past. `never`: never tested. `again`: fell short, and may be tested again. `due`: within the
 * notice. `waiting`: fell short, and may not be tested yet. `fine`: nothing is asked now.
 */
export type DueState = (typeof DUE_STATES)[number]

export interface Due {
  readonly state: DueState
  /** By when a test is asked; null where nothing was ever met and no date is set. */
  readonly by: string | null
  /** From when on a test is allowed after one that fell short; null where nothing keeps anybody. */
  readonly allowedFrom: string | null
}

const NOTICE_DAYS = 30

/**
 * @param call what the house asks
 * @param earliestAfterDays of the standard, after a test that fell short
 * @param today YYYY-MM-DD
 */
export const dueOf = (
  call: Pick<RetestCall, 'every' | 'before'>,
  earliestAfterDays: number,
  { lastDate, lastIsMet, lastMet }: LastTests,
  today: string,
): Due => {
  const by = dueBy(call, lastMet)
  const isShort = lastDate !== null && !lastIsMet
  const allowedFrom = isShort ? dateAfter(lastDate, earliestAfterDays) : null
  const isOverdue = by !== null && by < today
  if (lastDate === null) return { state: isOverdue ? 'overdue' : 'never', by, allowedFrom: null }
  if (isShort && allowedFrom !== null && allowedFrom > today) return { state: 'waiting', by, allowedFrom }
  if (isOverdue) return { state: 'overdue', by, allowedFrom }
  if (isShort) return { state: 'again', by, allowedFrom }
  const isSoon = by !== null && by <= dateAfter(today, NOTICE_DAYS)
  return { state: isSoon ? 'due' : 'fine', by, allowedFrom: null }
}

/** By when the next one has to be met, or null. */
const dueBy = ({ every, before }: Pick<RetestCall, 'every' | 'before'>, lastMet: string | null): string | null => {
  if (before === undefined) return every && lastMet !== null ? dateLater(lastMet, every.count, every.of) : null
  const isFresh = lastMet !== null && (every === undefined || lastMet >= dateLater(before, -every.count, every.of))
  return isFresh ? null : before
}

/** Whether somebody may be entered on a day: not who has to wait, nor who is entered on one already. */
export const mayCome = ({ state }: Pick<Due, 'state'>, enteredOn: string): boolean =>
  state !== 'waiting' && enteredOn === ''

/** Whether nothing is asked of somebody now. */
export const isFine = ({ state }: Due): boolean => state === 'fine'
