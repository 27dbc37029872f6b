/** Work on a day that must not be signed off meanwhile. */
import type { Database } from '../database.ts'
import { Problem } from '../problem.ts'
import { holdDayOpen } from '../store/captureStore.ts'
import { isCancelled } from '../store/keptDayStore.ts'
import type { Server } from './route.ts'

/** Runs work in a transaction that keeps the day open. @throws Problem 409 once it is signed off or cancelled */
export const inOpenDay = <Result>(
  { days }: Pick<Server, 'days'>,
  occasionId: string,
  work: (db: Database) => Promise<Result>,
): Promise<Result> =>
  days.run(occasionId, async (db) => {
    if (await holdDayOpen(db, occasionId)) return work(db)
    if (await isCancelled(db, occasionId))
      throw new Problem(409, 'day.cancelled', 'The day is cancelled. Take that back first; nothing was stored.')
    throw new Problem(
      409,
      'day.signedOff',
      'The day is signed off. Its plan, its people, its log and its staff stay as they were.',
    )
  })
