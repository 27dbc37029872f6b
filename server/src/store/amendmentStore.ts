/** What was changed after the signature, each with a reason and a signature of its own. */
import type { ArchivedAmendment } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface StoredAmendment extends ArchivedAmendment {
  readonly by: string
}

/** Amends a signed day in the name of whoever's session it is. */
export const addAmendment = async (
  db: Database,
  occasionId: string,
  token: string,
  { id, entryId, eventId, as, reason, atMs }: Omit<ArchivedAmendment, 'accountId'>,
): Promise<void> => {
  await db.query('select amend_day($1, $2, $3, $4, $5, $6, $7, $8)', [
    token,
    occasionId,
    id,
    entryId,
    eventId,
    as,
    reason,
    atMs,
  ])
}

/** Amendments of a day, oldest first. */
export const listAmendments = async (db: Database, occasionId: string): Promise<StoredAmendment[]> => {
  const { rows } = await db.query<{
    id: string
    entry_id: string
    event_id: string
    outcome: 'met' | 'short'
    reason: string
    account_id: string
    display_name: string
    at_ms: string
  }>(
    `select m.id, m.entry_id, m.event_id, m.outcome, m.reason, m.account_id, a.display_name, m.at_ms
       from amendments m join accounts a on a.id = m.account_id where m.occasion_id = $1 order by m.at_ms, m.id`,
    [occasionId],
  )
  return rows.map((row) => ({
    id: row.id,
    entryId: row.entry_id,
    eventId: row.event_id,
    as: row.outcome,
    reason: row.reason,
    accountId: row.account_id,
    by: row.display_name,
    atMs: Number(row.at_ms),
  }))
}
