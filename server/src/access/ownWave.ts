/** Asks, before anything is written about people, whether the writer would be writing about the own wave. */
import type { Account } from './role.ts'
import type { Database } from '../database.ts'
import { Problem } from '../problem.ts'
import { listEntered } from '../store/entryStore.ts'

export const ownWaveProblem = (wave: number): Problem =>
  new Problem(
    403,
    'access.ownWave',
    `You are entered in wave ${wave} yourself, or whoever made this stamp is. Somebody else has to work that wave. Nothing was stored.`,
  )

/**
 * Refuses what would be about somebody in the own wave.
 * @param entryIds whom it is about; null for everybody on the day
 * @throws Problem 403
 */
export const refuseOwnWave = async (
  db: Database,
  account: Account,
  occasionId: string,
  entryIds: readonly string[] | null,
): Promise<void> => {
  const entered = await listEntered(db, occasionId, account.id)
  const own = entered.find(({ isOwn }) => isOwn)
  if (!own) return
  const touched = entered.filter(({ entryId, wave }) => wave === own.wave && (entryIds?.includes(entryId) ?? true))
  if (touched.length > 0) throw ownWaveProblem(own.wave)
}

/** Refuses what would change the own entry. @throws Problem 403 */
export const refuseOwnEntry = async (
  db: Database,
  account: Account,
  occasionId: string,
  entryIds: readonly string[],
): Promise<void> => {
  const own = (await listEntered(db, occasionId, account.id)).find(({ isOwn }) => isOwn)
  if (own && entryIds.includes(own.entryId)) throw ownWaveProblem(own.wave)
}
