/** Writes the results of a signed day for reports, as they stand with every amendment. */
import { amendVerdict, factsOfDay, FACTS_FORM, type DayCandidate, type RecordedCapture } from '@able-gauge/core'
import { inTransaction, type Database, type Pool } from './database.ts'
import { readDay, termsOf } from './dayRecord.ts'
import { listAmendments } from './store/amendmentStore.ts'
import { findAllCaptures, lockLedger } from './store/captureStore.ts'
import { findOccasion } from './store/occasionStore.ts'
import { listUnwrittenDays, writeResults } from './store/resultStore.ts'
import { listSnapshots } from './store/signOffStore.ts'

/** Writes a day from what was signed. Call it inside a transaction; a rehearsal, or a day that is not signed, is left alone. */
export const writeDay = async (db: Database, occasionId: string): Promise<void> => {
  const occasion = await findOccasion(db, occasionId)
  if (!occasion?.signedOff || occasion.rehearsal) return
  const { published, entries } = await readDay(db, occasion)
  const terms = { ...(await termsOf(db, occasion, published.standard)), asOfMs: occasion.signedOff.atMs }
  const waveOf = new Map(entries.map(({ id, wave }) => [id, wave]))
  const amendments = await listAmendments(db, occasionId)
  const snapshots = await listSnapshots(db, occasionId)
  const candidates = snapshots.map(({ inputs, entryId }): DayCandidate => ({
    ...inputs.candidate,
    wave: waveOf.get(entryId) ?? 1,
  }))
  const verdicts = new Map(
    snapshots.map(({ entryId, inputs, verdict }) => {
      const own = amendments.filter((one) => one.entryId === entryId)
      return [entryId, amendVerdict(terms, inputs.candidate, verdict, own)]
    }),
  )
  const captures = (await findAllCaptures(db, occasionId)) as readonly RecordedCapture[]
  await writeResults(db, occasionId, FACTS_FORM, factsOfDay(terms, candidates, verdicts, captures))
}

/** Writes one day anew, while nobody amends it. */
export const writeDayAnew = (pool: Pool, occasionId: string): Promise<void> =>
  inTransaction(pool, async (db) => {
    await lockLedger(db, occasionId)
    await writeDay(db, occasionId)
  })

/**
 * Writes every signed day that is not written yet: after an update, or a restore.
 * @param tell called once with how many there are, when there are any
 * @returns how many
 */
export const writeMissingDays = async (pool: Pool, tell: (days: number) => void = () => undefined): Promise<number> => {
  const missing = await listUnwrittenDays(pool, FACTS_FORM)
  if (missing.length > 0) tell(missing.length)
  for (const occasionId of missing) await writeDayAnew(pool, occasionId)
  return missing.length
}
