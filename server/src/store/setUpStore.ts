/** Sessions for setting a database up, as its owner: the demo and tests write through the same functions as everybody. */
import type { Database } from '../database.ts'

/** The token of an account while its database is being set up. */
export const tokenOf = (accountId: string): string => `set-up ${accountId}`

/** Opens a session that the owner's role alone can open. */
export const openSetUpSession = async (db: Database, accountId: string): Promise<void> => {
  await db.query(
    `insert into sessions (token_hash, account_id, expires_at)
     values (sha256(convert_to($1, 'UTF8')), $2, now() + interval '1 hour') on conflict do nothing`,
    [tokenOf(accountId), accountId],
  )
}

export const closeSetUpSessions = async (db: Database): Promise<void> => {
  await db.query(
    `delete from sessions s using accounts a
      where a.id = s.account_id and s.token_hash = sha256(convert_to('set-up ' || a.id, 'UTF8'))`,
  )
}
