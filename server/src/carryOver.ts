/** Marks of an earlier day that stand for people entered on a day, where its standard has only what was short done again. */
import { carryOver, type CarriedMark, type Standard } from '@able-gauge/core'
import type { Database } from './database.ts'
import { testsOf } from './personRecord.ts'
import { listEntries, listTestedBefore, setCarried } from './store/entryStore.ts'

/**
 * Looks anew. Only what was signed here counts, never a result that was brought in. Call it inside a transaction that holds the
 * day open.
 * @param day when it is, YYYY-MM-DD: only what was done before counts
 * @param whom nobody who is here already, once something may have been captured
 */
export const carryMarks = async (
  db: Database,
  { id, testDate }: { readonly id: string; readonly testDate: string },
  standard: Standard,
  whom: 'expected' | 'everybody',
): Promise<void> => {
  const entries = (await listEntries(db, id)).filter(
    ({ attendance }) => whom === 'everybody' || attendance === 'expected',
  )
  const tested = standard.retest.repeats === 'shortEvents' ? await listTestedBefore(db, id) : {}
  const carried = new Map<string, Readonly<Record<string, CarriedMark>>>()
  for (const { id: entryId, person } of entries)
    carried.set(entryId, entryId in tested ? await carriedTo(db, standard, testDate, person.id) : {})
  await setCarried(db, carried)
}

const carriedTo = async (
  db: Database,
  standard: Standard,
  testDate: string,
  personId: string,
): Promise<Readonly<Record<string, CarriedMark>>> => {
  const last = (await testsOf(db, personId)).findLast((test) => test.testDate < testDate && test.verdict !== null)
  return carryOver(standard, last?.verdict ? { ...last, verdict: last.verdict } : null)
}
