/** What was changed after the signature, each with a reason and a signature of its own, chained to the one before. */
import type { ArchivedAmendment, SignedAmendment } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { withTexts } from './textStore.ts'

export interface NamedAmendment extends ArchivedAmendment {
  readonly by: string
}

/** Amends a signed day in the name of whoever's session it is. @param reasonCommit of a text that was added before */
export const addAmendment = async (
  db: Database,
  occasionId: string,
  token: string,
  amendment: SignedAmendment,
  reasonCommit: string,
): Promise<void> => {
  const { id, entryId, eventId, as = null, value = null, atMs, before, signature } = amendment
  await db.query('select amend_day($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)', [
    token,
    occasionId,
    id,
    entryId,
    eventId,
    as,
    value,
    reasonCommit,
    atMs,
    before,
    signature,
  ])
}

interface AmendmentRow {
  id: string
  entry_id: string
  event_id: string
  outcome: 'met' | 'short' | null
  stated: number | null
  reason: string | null
  reason_commit: string | null
  account_id: string
  display_name: string
  at_ms: string
  before: string | null
  signature: string | null
}

const listRows = async (db: Database, occasionId: string): Promise<AmendmentRow[]> =>
  (
    await db.query<AmendmentRow>(
      `select m.id, m.entry_id, m.event_id, m.outcome, m.stated, m.reason, m.reason_commit, m.account_id, a.display_name, m.at_ms,
              m.before, m.signature
         from amendments m join accounts a on a.id = m.account_id where m.occasion_id = $1 order by m.at_ms, m.id`,
      [occasionId],
    )
  ).rows

/** Amendments of a day, oldest first. */
export const listAmendments = async (db: Database, occasionId: string): Promise<NamedAmendment[]> => {
  const rows = await listRows(db, occasionId)
  const stored = rows.map((row) => ({ ...storedFrom(row), by: row.display_name }))
  // with its text back a reason is what was written
  return (await withTexts(db, stored)).map(
    ({ before: _before, signature: _signature, ...amendment }) => amendment as NamedAmendment,
  )
}

/** The same as they are stored and signed. */
export const listSignedAmendments = async (db: Database, occasionId: string): Promise<SignedAmendment[]> =>
  (await listRows(db, occasionId)).map(storedFrom)

const storedFrom = (row: AmendmentRow): SignedAmendment => ({
  id: row.id,
  entryId: row.entry_id,
  eventId: row.event_id,
  ...(row.outcome === null ? {} : { as: row.outcome }),
  ...(row.stated === null ? {} : { value: row.stated }),
  reason: row.reason_commit === null ? (row.reason ?? '') : { commit: row.reason_commit },
  accountId: row.account_id,
  atMs: Number(row.at_ms),
  before: row.before ?? '',
  signature: row.signature ?? '',
})
