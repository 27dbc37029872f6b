/** Whether an event comes out alike at every venue: the same people there and elsewhere. */
import jstat from 'jstat'
import { LEAST_IN_GROUP } from './compareGroups.ts'
import type { Interval } from './rate.ts'

/** Of people who did the event there and elsewhere: how much more they reached there, on the logarithm of their own mean elsewhere. */
export interface VenueTally {
  readonly eventId: string
  readonly venue: string
  readonly people: number
  readonly meanLog: number
  readonly deviationLog: number
}

export interface ComparedVenue {
  readonly eventId: string
  readonly venue: string
  readonly people: number
  /** There, as a share of elsewhere: 0.99 for one in a hundred less. */
  readonly ratio: number
  /** 95 %, by Student's t on the logarithms. */
  readonly interval: Interval
  /** `differs`: beyond chance, and by enough to matter. */
  readonly reading: 'tooFew' | 'alike' | 'differs'
}

/** Half in a hundred: of a run of ten minutes three seconds. */
const MATTERS = 0.005

export const compareVenues = (tallies: readonly VenueTally[]): ComparedVenue[] =>
  tallies.map(({ eventId, venue, people, meanLog, deviationLog }): ComparedVenue => {
    const ratio = Math.exp(meanLog)
    if (people < LEAST_IN_GROUP)
      return { eventId, venue, people, ratio, interval: { low: 0, high: Number.MAX_VALUE }, reading: 'tooFew' }
    const half = jstat.studentt.inv(0.975, people - 1) * (deviationLog / Math.sqrt(people))
    const interval = { low: Math.exp(meanLog - half), high: Math.exp(meanLog + half) }
    const isBeyondChance = interval.low > 1 || interval.high < 1
    const reading = isBeyondChance && Math.abs(meanLog) >= MATTERS ? 'differs' : 'alike'
    return { eventId, venue, people, ratio, interval, reading }
  })
