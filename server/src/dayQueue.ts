/**
 * Work on the ledger of a day, one transaction at a time for each day. The ledger row lets only one through anyway; queued
 * here, those that wait hold no connection, so that one busy or blocked day never takes them from another.
 */
import { inTransaction, type Database, type Pool } from './database.ts'
import { TooBusy } from './databaseFault.ts'

export interface DayQueue {
  /** Runs work in a transaction of its own when the day's turn has come. @throws TooBusy when that takes too long */
  readonly run: <Result>(occasionId: string, work: (db: Database) => Promise<Result>) => Promise<Result>
  /** The same for work that is one statement, which is a transaction by itself. */
  readonly runOne: <Result>(occasionId: string, work: (db: Database) => Promise<Result>) => Promise<Result>
}

/** How many may wait for one day, and for how long. */
export interface QueueLimits {
  readonly mostWaiting: number
  readonly longestMs: number
}

const LIMITS: QueueLimits = { mostWaiting: 100, longestMs: 5_000 }

/** @param pool of its own, so that reading goes on however many days are written to */
export const makeDayQueue = (pool: Pool, { mostWaiting, longestMs }: QueueLimits = LIMITS): DayQueue => {
  /** What waits for each day that is being worked on. */
  const days = new Map<string, (() => void)[]>()

  const turn = (occasionId: string): Promise<void> | null => {
    const waiting = days.get(occasionId)
    if (!waiting) {
      days.set(occasionId, [])
      return null
    }
    if (waiting.length >= mostWaiting) throw new TooBusy(`${waiting.length} writes wait for this day already.`)
    return new Promise((resolve, reject) => {
      const begin = (): void => {
        clearTimeout(timer)
        resolve()
      }
      const timer = setTimeout(() => {
        waiting.splice(waiting.indexOf(begin), 1)
        reject(new TooBusy(`The day was written to by others for ${longestMs} ms.`))
      }, longestMs)
      waiting.push(begin)
    })
  }

  const pass = (occasionId: string): void => {
    const next = days.get(occasionId)?.shift()
    if (next) next()
    else days.delete(occasionId)
  }

  const inTurn = async <Result>(occasionId: string, work: () => Promise<Result>): Promise<Result> => {
    await turn(occasionId)
    try {
      return await work()
    } finally {
      pass(occasionId)
    }
  }

  return {
    run: (occasionId, work) => inTurn(occasionId, () => inTransaction(pool, work)),
    runOne: (occasionId, work) => inTurn(occasionId, () => work(pool)),
  }
}
