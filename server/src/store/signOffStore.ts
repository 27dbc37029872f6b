/** The signature under a day, and the verdicts it stands for. */
import type { Verdict } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface VerdictSnapshot {
  readonly entryId: string
  readonly standardHash: string
  /** All the verdict was judged from: the candidate as judged and the captures by number. */
  readonly inputs: unknown
  readonly verdict: Verdict
}

export const addSignOff = async (
  db: Database,
  occasionId: string,
  accountId: string,
  signedAt: Date,
  snapshots: readonly VerdictSnapshot[],
): Promise<void> => {
  await db.query('insert into sign_offs (occasion_id, account_id, signed_at) values ($1, $2, $3)', [
    occasionId,
    accountId,
    signedAt,
  ])
  for (const { entryId, standardHash, inputs, verdict } of snapshots) {
    await db.query(
      'insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict) values ($1, $2, $3, $4, $5)',
      [occasionId, entryId, standardHash, JSON.stringify(inputs), JSON.stringify(verdict)],
    )
  }
}

export const listSnapshots = async (db: Database, occasionId: string): Promise<VerdictSnapshot[]> => {
  const { rows } = await db.query<{ entry_id: string; standard_hash: string; inputs: unknown; verdict: Verdict }>(
    'select entry_id, standard_hash, inputs, verdict from verdict_snapshots where occasion_id = $1',
    [occasionId],
  )
  return rows.map((row) => ({
    entryId: row.entry_id,
    standardHash: row.standard_hash,
    inputs: row.inputs,
    verdict: row.verdict,
  }))
}
