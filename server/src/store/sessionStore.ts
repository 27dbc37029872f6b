import type { Account } from '../access/role.ts'
import type { Database } from '../database.ts'
import { notifyAccess } from './dayNotices.ts'
import { accountFromRow, type AccountRow } from './accountStore.ts'

/** Adds a session and clears away those that have ended. */
export const addSession = async (
  db: Database,
  tokenHash: Buffer,
  accountId: string,
  expiresAt: Date,
): Promise<void> => {
  await db.query('delete from sessions where expires_at < now()')
  await db.query('insert into sessions (token_hash, account_id, expires_at) values ($1, $2, $3)', [
    tokenHash,
    accountId,
    expiresAt,
  ])
}

export const removeSession = async (db: Database, tokenHash: Buffer): Promise<void> => {
  const { rows } = await db.query<{ account_id: string }>(
    'delete from sessions where token_hash = $1 returning account_id',
    [tokenHash],
  )
  for (const { account_id } of rows) await notifyAccess(db, account_id)
}

/** The account of a session that has not ended, or null. */
export const findAccountBySession = async (db: Database, tokenHash: Buffer): Promise<Account | null> => {
  const { rows } = await db.query<AccountRow>(
    `select a.id, a.sign_in_name, a.display_name, a.role, a.station_day, a.station_events
       from sessions s join accounts a on a.id = s.account_id
      where s.token_hash = $1 and s.expires_at > now()`,
    [tokenHash],
  )
  return rows[0] ? accountFromRow(rows[0]) : null
}
