/** Days that came out of an archive: who read them in, and what their signature proves here. */
import type { ReadInAnswer } from '@able-gauge/core'
import type { Database } from '../database.ts'

export const findReadIn = async (db: Database, occasionId: string): Promise<ReadInAnswer | null> => {
  const { rows } = await db.query<{
    display_name: string
    at: Date
    key_fingerprint: string | null
    proven: boolean
  }>(
    `select a.display_name, i.at, i.key_fingerprint, i.proven
       from day_imports i join accounts a on a.id = i.account_id where i.occasion_id = $1`,
    [occasionId],
  )
  const row = rows[0]
  return row
    ? { by: row.display_name, atMs: row.at.getTime(), keyFingerprint: row.key_fingerprint, proven: row.proven }
    : null
}

/** Begins reading a day in; until it is ended the functions that restore a day are open to this session. */
export const beginReadingIn = async (
  db: Database,
  token: string,
  occasionId: string,
  keyFingerprint: string | null,
  proven: boolean,
): Promise<void> => {
  await db.query('select begin_reading_in($1, $2, $3, $4)', [token, occasionId, keyFingerprint, proven])
}

export const endReadingIn = async (db: Database, token: string, occasionId: string): Promise<void> => {
  await db.query('select end_reading_in($1, $2)', [token, occasionId])
}

/** Puts captures and log of an archived day back under their own numbers, which follow each other from 1. */
export const restoreLog = async (
  db: Database,
  token: string,
  occasionId: string,
  captures: readonly object[],
  records: readonly object[],
): Promise<void> => {
  await db.query('select restore_day_log($1, $2, $3, $4)', [
    token,
    occasionId,
    JSON.stringify(captures),
    JSON.stringify(records),
  ])
}
