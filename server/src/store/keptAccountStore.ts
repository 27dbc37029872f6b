/** Accounts as whoever looks after the house keeps them: let in, changed, closed. The database asks the session who that is. */
import { ROLES, type KeptAccount, type OpenSession } from '@able-gauge/core'
import type { TypedCode } from '../access/secondFactor.ts'
import type { Database } from '../database.ts'
import { ACCOUNT_COLUMNS, accountFromRow, type AccountRow } from './accountStore.ts'

interface KeptRow extends AccountRow {
  readonly number: string | null
  readonly closed_at: Date | null
  readonly invited: boolean
  readonly has_second_factor: boolean
}

/** Everybody who was ever let in by name; guests of stations and names out of archives are not kept. */
export const listKeptAccounts = async (db: Database): Promise<KeptAccount[]> => {
  const { rows } = await db.query<KeptRow>(
    `select ${ACCOUNT_COLUMNS.map((name) => `a.${name}`).join(', ')}, a.closed_at, a.invited, p.number,
            a.id in (select accounts_with_second_factor()) as has_second_factor
       from accounts a left join people p on p.id = a.person_id
      where a.station_day is null and (a.can_sign_in or a.invited or a.closed_at is not null)
      order by a.closed_at is not null, array_position($1::text[], a.role), a.display_name`,
    [ROLES],
  )
  return rows.map((row) => ({
    ...accountFromRow(row),
    personNumber: row.number,
    state: row.closed_at ? 'closed' : row.invited ? 'invited' : 'open',
    hasSecondFactor: row.has_second_factor,
  }))
}

/** Whether there is nobody who could let others in. */
export const isUnfounded = async (db: Database): Promise<boolean> => {
  const { rowCount } = await db.query(`select 1 from accounts where role = 'administrator' and can_sign_in limit 1`)
  return rowCount === 0
}

export interface Invitation {
  readonly id: string
  readonly signInName: string
  readonly displayName: string
  readonly role: string
  /** Null for the whole house. */
  readonly unitId: string | null
  readonly code: string
  readonly ends: Date
}

/** @returns whether the name was free */
export const inviteAccount = async (
  db: Database,
  token: string,
  { id, signInName, displayName, role, unitId, code, ends }: Invitation,
): Promise<boolean> => {
  const { rows } = await db.query<{ taken: boolean }>(
    'select invite_account($1, $2, $3, $4, $5, $6, $7, $8) as taken',
    [token, id, signInName, displayName, role, unitId, code, ends],
  )
  return rows[0]?.taken === true
}

export const renewAccountLink = async (
  db: Database,
  token: string,
  accountId: string,
  code: string,
  ends: Date,
): Promise<void> => {
  await db.query('select renew_account_link($1, $2, $3, $4)', [token, accountId, code, ends])
}

export interface LinkHolder {
  readonly signInName: string
  readonly displayName: string
  readonly role: (typeof ROLES)[number]
  readonly isNew: boolean
  /** Of the account's authenticator; null where there is none. */
  readonly secret: string | null
}

/** Whom a link lets in; null for one that was used, has ended, or never was. */
export const findLinkHolder = async (db: Database, code: string): Promise<LinkHolder | null> => {
  const { rows } = await db.query<{
    sign_in_name: string
    display_name: string
    role: LinkHolder['role']
    is_new: boolean
    secret: string | null
  }>('select * from account_of_link($1)', [code])
  const [row] = rows
  if (!row) return null
  const { sign_in_name: signInName, display_name: displayName, role, is_new: isNew, secret } = row
  return { signInName, displayName, role, isNew, secret }
}

/** A session that is about to be opened. */
export interface NewSession {
  readonly token: string
  readonly ends: Date
  /** What the browser calls itself. */
  readonly device: string
}

/** Sets the password of a link's account and signs it in. @returns the account; null when the link, or the code, opens nothing */
export const takeAccountLink = async (
  db: Database,
  code: string,
  passwordHash: string,
  { token, ends, device }: NewSession,
  { step, recovery }: TypedCode,
): Promise<string | null> => {
  const { rows } = await db.query<{ id: string | null }>('select take_account_link($1, $2, $3, $4, $5, $6, $7) as id', [
    code,
    passwordHash,
    token,
    ends,
    device,
    step,
    recovery,
  ])
  return rows[0]?.id ?? null
}

export const changeAccount = async (
  db: Database,
  token: string,
  accountId: string,
  { displayName, role, unitId }: Pick<Invitation, 'displayName' | 'role' | 'unitId'>,
): Promise<void> => {
  await db.query('select change_account($1, $2, $3, $4, $5)', [token, accountId, displayName, role, unitId])
}

/** Closes an account, which ends its sessions and links, or opens it again. */
export const closeAccount = async (db: Database, token: string, accountId: string, closed: boolean): Promise<void> => {
  await db.query('select close_account($1, $2, $3)', [token, accountId, closed])
}

/** @returns whether the key was the account's own */
export const changePassword = async (
  db: Database,
  token: string,
  key: Buffer,
  passwordHash: string,
): Promise<boolean> => {
  const { rows } = await db.query<{ changed: boolean }>('select change_password($1, $2, $3) as changed', [
    token,
    key,
    passwordHash,
  ])
  return rows[0]?.changed === true
}

export const listSessions = async (db: Database, token: string, accountId: string): Promise<OpenSession[]> => {
  const { rows } = await db.query<{ id: string; device: string; created_at: Date; used_at: Date; is_this: boolean }>(
    'select * from list_sessions($1, $2)',
    [token, accountId],
  )
  return rows.map((row) => ({
    id: row.id,
    device: row.device,
    sinceMs: row.created_at.getTime(),
    usedMs: row.used_at.getTime(),
    isThis: row.is_this,
  }))
}

/** @param sessionId one of them; null for all but the one that asks */
export const endSessions = async (
  db: Database,
  token: string,
  accountId: string,
  sessionId: string | null,
): Promise<void> => {
  await db.query('select end_sessions($1, $2, $3)', [token, accountId, sessionId])
}

export interface Founder {
  readonly code: string
  readonly id: string
  readonly signInName: string
  readonly displayName: string
  readonly passwordHash: string
}

/** Makes the first administrator. @returns whether the code was right, the name free, and the house without one */
export const foundHouse = async (
  db: Database,
  { code, id, signInName, displayName, passwordHash }: Founder,
  { token, ends, device }: NewSession,
): Promise<boolean> => {
  const { rows } = await db.query<{ founded: boolean }>(
    'select found_house($1, $2, $3, $4, $5, $6, $7, $8) as founded',
    [code, id, signInName, displayName, passwordHash, token, ends, device],
  )
  return rows[0]?.founded === true
}

/** For the owner's role: the code that lets whoever reads the terminal set the house up. It takes the place of an earlier one. */
export const keepSetUpCode = async (db: Database, code: string): Promise<void> => {
  await db.query('delete from set_up_codes')
  await db.query(`insert into set_up_codes (code_hash) values (sha256(convert_to($1, 'UTF8')))`, [code])
}
