/** The signature under a day, and the verdicts it stands for. */
import type { ArchivedVerdict, Verdict } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface VerdictSnapshot {
  readonly entryId: string
  readonly standardHash: string
  /** All the verdict was judged from: the candidate as judged and the captures by number. */
  readonly inputs: ArchivedVerdict['inputs']
  readonly verdict: Verdict
}

export const addSignOff = async (
  db: Database,
  occasionId: string,
  accountId: string,
  signedAt: Date,
  snapshots: readonly VerdictSnapshot[],
  head: string,
): Promise<void> => {
  await db.query('insert into sign_offs (occasion_id, account_id, signed_at, head) values ($1, $2, $3, $4)', [
    occasionId,
    accountId,
    signedAt,
    head,
  ])
  for (const { entryId, standardHash, inputs, verdict } of snapshots) {
    await db.query(
      'insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict) values ($1, $2, $3, $4, $5)',
      [occasionId, entryId, standardHash, JSON.stringify(inputs), JSON.stringify(verdict)],
    )
  }
}

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
