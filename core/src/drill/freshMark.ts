/** Whether somebody's practice is as fresh and as good as the house asks. */
import type { StandardEvent } from '../standard/standard.ts'
import { movementsFor } from './movement.ts'
import type { DrillLevel, Movement, Practised } from './practised.ts'

/** What the house asks of whoever grades. */
export interface PracticeAsked {
  /** Agreement beyond chance, in hundredths. */
  readonly atLeastHundredths: number
  readonly level: number
  readonly withinDays: number
}

/** The latest set of somebody at a level. */
export interface LatestMark {
  readonly accountId: string
  readonly what: Practised
  readonly level: DrillLevel
  readonly mark: number | null
  readonly doneAtMs: number
}

const DAY_MS = 86_400_000

/** What a grader of an event practises on; null for events in which nothing is refused by eye. */
export const practisedFor = (event: Pick<StandardEvent, 'name' | 'protocol'>): Movement | null => {
  const [movement] = movementsFor(event)
  return movement ?? null
}

export const isFresh = ({ mark, level, doneAtMs }: LatestMark, asked: PracticeAsked, nowMs: number): boolean =>
  mark !== null &&
  Math.round(mark * 100) >= asked.atLeastHundredths &&
  level >= asked.level &&
  nowMs - doneAtMs <= asked.withinDays * DAY_MS

/**
 * Events somebody works without a fresh mark in what they ask to be seen.
 * @param events those the person works
 */
export const unpractised = <Event extends Pick<StandardEvent, 'name' | 'protocol'>>(
  accountId: string,
  events: readonly Event[],
  marks: readonly LatestMark[],
  asked: PracticeAsked,
  nowMs: number,
): Event[] =>
  events.filter((event) => {
    const movement = practisedFor(event)
    if (movement === null) return false
    return !marks.some((one) => one.accountId === accountId && one.what === movement && isFresh(one, asked, nowMs))
  })
