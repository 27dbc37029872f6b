import type { ArchivedAccount } from '@able-gauge/core'
import { ROLES, type Account, type Role } from '../access/role.ts'
import type { Database } from '../database.ts'

export interface AccountRow {
  id: string
  sign_in_name: string
  display_name: string
  role: Role
  station_day: string | null
  station_events: string[] | null
}

/** An account with what is needed to check a password. */
export interface AccountSecret {
  readonly account: Account
  readonly passwordHash: string
  readonly isDemo: boolean
}

export interface NewAccount extends Account {
  readonly passwordHash: string
  readonly isDemo: boolean
}

export const addAccount = async (db: Database, account: NewAccount): Promise<void> => {
  await db.query(
    `insert into accounts (id, sign_in_name, display_name, role, password_hash, is_demo, station_day, station_events)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      account.id,
      account.signInName,
      account.displayName,
      account.role,
      account.passwordHash,
      account.isDemo,
      account.station?.occasionId ?? null,
      account.station?.eventIds ?? null,
    ],
  )
}

export const findAccountByName = async (db: Database, signInName: string): Promise<AccountSecret | null> => {
  const { rows } = await db.query<AccountRow & { password_hash: string; is_demo: boolean }>(
    `select id, sign_in_name, display_name, role, station_day, station_events, password_hash, is_demo from accounts where sign_in_name = $1`,
    [signInName.toLowerCase()],
  )
  const row = rows[0]
  return row ? { account: accountFromRow(row), passwordHash: row.password_hash, isDemo: row.is_demo } : null
}

/** Demo accounts, in the order of their roles on a test day. */
export const listDemoAccounts = async (db: Database): Promise<Account[]> => {
  const { rows } = await db.query<AccountRow>(
    `select id, sign_in_name, display_name, role, station_day, station_events from accounts where is_demo
      order by array_position(array['officer', 'grader', 'timer', 'clerk', 'viewer'], role), sign_in_name`,
  )
  return rows.map(accountFromRow)
}

/** Everybody who can sign in, by role and name; demo accounts too, which nobody can sign in with outside the demo. */
export const listAccounts = async (db: Database): Promise<Account[]> => {
  const { rows } = await db.query<AccountRow>(
    `select id, sign_in_name, display_name, role, station_day, station_events from accounts where station_day is null and password_hash <> ''
      order by array_position(array['officer', 'grader', 'timer', 'clerk', 'viewer'], role), display_name`,
  )
  return rows.map(accountFromRow)
}

/** Accounts by id, as an archive names them. */
export const listAccountsById = async (db: Database, ids: readonly string[]): Promise<ArchivedAccount[]> => {
  const { rows } = await db.query<AccountRow>(
    'select id, sign_in_name, display_name, role, station_day, station_events from accounts where id = any($1::uuid[])',
    [ids],
  )
  return rows.map(({ id, display_name, role }) => ({ id, displayName: display_name, role }))
}

/** Somebody an archive names: on record, but nobody signs in as them. */
export const addArchivedAccount = async (db: Database, { id, displayName, role }: ArchivedAccount): Promise<void> => {
  const known = ROLES.find((one) => one === role)
  await addAccount(db, {
    id,
    signInName: `archived-${id}`,
    displayName,
    role: known ?? 'viewer',
    passwordHash: '',
    isDemo: false,
  })
}

export const accountFromRow = (row: AccountRow): Account => ({
  id: row.id,
  signInName: row.sign_in_name,
  displayName: row.display_name,
  role: row.role,
  ...(row.station_day === null ? {} : { station: { occasionId: row.station_day, eventIds: row.station_events ?? [] } }),
})
