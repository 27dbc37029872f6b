/** Sessions, all of them through functions of the database: its application's role sees neither tokens nor passwords. */
import type { SessionAsks } from '@able-gauge/core'
import type { Account } from '../access/role.ts'
import type { TypedCode } from '../access/secondFactor.ts'
import type { Database } from '../database.ts'
import { ACCOUNT_COLUMNS, accountFromRow, findAccount, type AccountRow } from './accountStore.ts'
import { notifyAccess } from './dayNotices.ts'
import type { NewSession } from './keptAccountStore.ts'
import { together } from './together.ts'

/** How the key of a name's password is derived, or null when nobody signs in by that name. */
export const findSessionParameters = async (db: Database, signInName: string): Promise<string | null> => {
  const { rows } = await db.query<{ parameters: string | null }>('select session_parameters($1) as parameters', [
    signInName.toLowerCase(),
  ])
  return rows[0]?.parameters ?? null
}

/** Opens a session for whoever has the key, and the code where one is needed. @returns the account, or null when either is another */
export const openSession = async (
  db: Database,
  signInName: string,
  key: Buffer,
  { token, ends, device }: NewSession,
  { step, recovery }: TypedCode,
): Promise<Account | null> => {
  const { rows } = await db.query<{ id: string | null }>('select open_session($1, $2, $3, $4, $5, $6, $7) as id', [
    signInName.toLowerCase(),
    key,
    token,
    ends,
    device,
    step,
    recovery,
  ])
  const id = rows[0]?.id
  return id ? findAccount(db, id) : null
}

/** Whether a key is that of the account whose session it is. */
export const isOwnKey = async (db: Database, token: string, key: Buffer): Promise<boolean> => {
  const { rows } = await db.query<{ own: boolean | null }>('select is_own_key($1, $2) as own', [token, key])
  return rows[0]?.own === true
}

interface UsedSession {
  readonly account: Account
  readonly endsMs: number
  readonly asks: SessionAsks
}

/** A session lasts this long after it was last used, and no longer than a week. */
export const SESSION_HOURS = 16

/** The account of a live session, by its token; it lasts on because it is used. */
export const useSession = together<UsedSession>(async (db, tokens) => {
  const { rows } = await db.query<
    AccountRow & { token: string; ends: Date; lacks_factor: boolean; signs_by_code: boolean }
  >({
    name: 'used-sessions',
    text: `select t.token, u.ends, u.lacks_factor, u.signs_by_code, ${ACCOUNT_COLUMNS.map((column) => `a.${column}`).join(', ')}
             from unnest($1::text[]) as t (token)
            cross join lateral use_session(t.token, make_interval(hours => $2)) u
             join accounts a on a.id = u.account_id`,
    values: [tokens, SESSION_HOURS],
  })
  return new Map(
    rows.map(({ token, ends, lacks_factor, signs_by_code, ...account }) => [
      token,
      {
        account: accountFromRow(account),
        endsMs: ends.getTime(),
        asks: { secondFactor: lacks_factor, codeToSign: signs_by_code },
      },
    ]),
  )
})

export const closeSession = async (db: Database, token: string): Promise<void> => {
  const { rows } = await db.query<{ account_id: string | null }>('select close_session($1) as account_id', [token])
  for (const { account_id } of rows) if (account_id) await notifyAccess(db, account_id)
}

export interface NewGuest {
  readonly id: string
  readonly displayName: string
  readonly personId: string | null
  readonly token: string
  readonly ends: Date
}

/** Joins the station of a code. */
export const joinStation = async (
  db: Database,
  code: string,
  { id, displayName, personId, token, ends }: NewGuest,
): Promise<'joined' | 'noCode' | 'nameTaken'> => {
  const { rows } = await db.query<{ outcome: 'joined' | 'noCode' | 'nameTaken' }>(
    'select join_station($1, $2, $3, $4, $5, $6) as outcome',
    [code, id, displayName, personId, token, ends],
  )
  return rows[0]?.outcome ?? 'noCode'
}
