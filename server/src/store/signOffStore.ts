/** The signature under a day, and the verdicts it stands for. */
import type { ArchivedAmendment, ArchivedVerdict, DayArchive, Verdict } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface VerdictSnapshot {
  readonly entryId: string
  readonly standardHash: string
  /** All the verdict was judged from: the candidate as judged and the captures by number. */
  readonly inputs: ArchivedVerdict['inputs']
  readonly verdict: Verdict
}

/** Signs a day in the name of whoever's session it is, and closes its log for good. */
export const signDay = async (
  db: Database,
  occasionId: string,
  token: string,
  signedAt: Date,
  snapshots: readonly VerdictSnapshot[],
  head: string,
): Promise<void> => {
  await db.query('select sign_day($1, $2, $3, $4, $5)', [
    token,
    occasionId,
    signedAt,
    head,
    JSON.stringify(snapshots.map(snapshotRow)),
  ])
}

/** Puts the signature of an archived day back, with its verdicts and amendments. */
export const restoreSignature = async (
  db: Database,
  token: string,
  occasionId: string,
  signOff: Signature,
  { verdicts, amendments }: Pick<DayArchive, 'verdicts' | 'amendments'>,
): Promise<void> => {
  await db.query('select restore_signature($1, $2, $3, $4, $5, $6, $7)', [
    token,
    occasionId,
    signOff.accountId,
    new Date(signOff.atMs),
    signOff.head,
    JSON.stringify(verdicts.map(snapshotRow)),
    JSON.stringify(amendments.map(amendmentRow)),
  ])
}

const amendmentRow = ({ id, entryId, eventId, as, reason, accountId, atMs }: ArchivedAmendment) => ({
  id,
  entry_id: entryId,
  event_id: eventId,
  outcome: as,
  reason,
  account_id: accountId,
  at_ms: atMs,
})

const snapshotRow = ({ entryId, standardHash, inputs, verdict }: VerdictSnapshot) => ({
  entry_id: entryId,
  standard_hash: standardHash,
  inputs,
  verdict,
})

export const listSnapshots = async (db: Database, occasionId: string): Promise<VerdictSnapshot[]> => {
  const { rows } = await db.query<{
    entry_id: string
    standard_hash: string
    inputs: ArchivedVerdict['inputs']
    verdict: Verdict
  }>(
    'select entry_id, standard_hash, inputs, verdict from verdict_snapshots where occasion_id = $1 order by entry_id',
    [occasionId],
  )
  return rows.map((row) => ({
    entryId: row.entry_id,
    standardHash: row.standard_hash,
    inputs: row.inputs,
    verdict: row.verdict,
  }))
}

export interface Signature {
  readonly accountId: string
  readonly atMs: number
  /** Hash of what was signed; empty for days signed before there was one. */
  readonly head: string
}

export const findSignature = async (db: Database, occasionId: string): Promise<Signature | null> => {
  const { rows } = await db.query<{ account_id: string; signed_at: Date; head: string | null }>(
    'select account_id, signed_at, head from sign_offs where occasion_id = $1',
    [occasionId],
  )
  const row = rows[0]
  return row ? { accountId: row.account_id, atMs: row.signed_at.getTime(), head: row.head ?? '' } : null
}
