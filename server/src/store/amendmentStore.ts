/** What was changed after the signature, each with a reason and a signature of its own. */
import type { ArchivedAmendment } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface StoredAmendment extends ArchivedAmendment {
  readonly by: string
}

export const addAmendment = async (
  db: Database,
  occasionId: string,
  { id, entryId, eventId, as, reason, accountId, atMs }: ArchivedAmendment,
): Promise<void> => {
  await db.query(
    `insert into amendments (id, occasion_id, entry_id, event_id, outcome, reason, account_id, at_ms)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [id, occasionId, entryId, eventId, as, reason, accountId, atMs],
  )
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
