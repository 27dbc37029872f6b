/** Marks of an earlier day that stand for people entered on a day, where its standard has only what was short done again. */
import { carryOver, type CarriedMark, type Standard } from '@able-gauge/core'
import type { Database } from './database.ts'
import { recordOf } from './personRecord.ts'
import { listEntries, setCarried } from './store/entryStore.ts'
import { findPerson } from './store/peopleStore.ts'

/**
 * Looks anew. Call it inside a transaction that holds the day open.
 * @param whom nobody who is here already, once something may have been captured
 * @param day when it is, YYYY-MM-DD: only what was done before counts
 */
export const carryMarks = async (
  db: Database,
  { id, testDate }: { readonly id: string; readonly testDate: string },
  standard: Standard,
  whom: 'expected' | 'everybody',
): Promise<void> => {
  const carried = new Map<string, Readonly<Record<string, CarriedMark>>>()
  for (const { id: entryId, attendance, person: entered } of await listEntries(db, id)) {
    if (whom === 'expected' && attendance !== 'expected') continue
    if (standard.retest.repeats !== 'shortEvents') {
      carried.set(entryId, {})
      continue
    }
    const person = await findPerson(db, entered.id, null)
    const tests = person ? (await recordOf(db, person)).tests : []
    const last = tests.findLast((test) => test.occasionId !== id && test.testDate < testDate && test.verdict !== null)
    carried.set(entryId, carryOver(standard, last?.verdict ? { ...last, verdict: last.verdict } : null))
  }
  await setCarried(db, carried)
}
