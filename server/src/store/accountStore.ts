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
  unit_id: string | null
}

/** For the owner's role alone: setting the program up, the demo, tests. */
export interface NewAccount {
  readonly id: string
  readonly signInName: string
  readonly displayName: string
  readonly role: Role
  readonly passwordHash: string
  readonly isDemo: boolean
  readonly unitId?: string | undefined
}

/** Adds an account. The application's role may not. */
export const addAccount = async (db: Database, account: NewAccount): Promise<void> => {
  await db.query(
    `insert into accounts (id, sign_in_name, display_name, role, password_hash, is_demo, unit_id) values ($1, $2, $3, $4, $5, $6, $7)`,
    [
      account.id,
      account.signInName,
      account.displayName,
      account.role,
      account.passwordHash,
      account.isDemo,
      account.unitId,
    ],
  )
}

export const ACCOUNT_COLUMNS = [
  'id',
  'sign_in_name',
  'display_name',
  'role',
  'station_day',
  'station_events',
  'unit_id',
] as const
const COLUMNS = ACCOUNT_COLUMNS.join(', ')

export const findAccount = async (db: Database, id: string): Promise<Account | null> => {
  const { rows } = await db.query<AccountRow>(`select ${COLUMNS} from accounts where id = $1`, [id])
  return rows[0] ? accountFromRow(rows[0]) : null
}

/** Whether somebody signs in by this name already. */
export const isKnownName = async (db: Database, signInName: string): Promise<boolean> => {
  const { rowCount } = await db.query('select 1 from accounts where sign_in_name = $1', [signInName.toLowerCase()])
  return rowCount === 1
}

/** Whether a name is that of a demo account. */
export const isDemoAccount = async (db: Database, signInName: string): Promise<boolean> => {
  const { rowCount } = await db.query('select 1 from accounts where sign_in_name = $1 and is_demo', [
    signInName.toLowerCase(),
  ])
  return rowCount === 1
}

/** Demo accounts, in the order of their roles on a test day. */
export const listDemoAccounts = async (db: Database): Promise<Account[]> => {
  const { rows } = await db.query<AccountRow>(
    `select ${COLUMNS} from accounts where is_demo
      order by array_position($1::text[], role), sign_in_name`,
    [ROLES],
  )
  return rows.map(accountFromRow)
}

export interface LinkedAccount extends Account {
  /** Number of the person whose account it is, or null. */
  readonly personNumber: string | null
}

/** Everybody who can sign in, by role and name; demo accounts too, which nobody can sign in with outside the demo. */
export const listAccounts = async (db: Database): Promise<LinkedAccount[]> => {
  const { rows } = await db.query<AccountRow & { number: string | null }>(
    `select ${ACCOUNT_COLUMNS.map((name) => `a.${name}`).join(', ')}, p.number
       from accounts a left join people p on p.id = a.person_id
      where a.station_day is null and a.can_sign_in
      order by array_position($1::text[], a.role), a.display_name`,
    [ROLES],
  )
  return rows.map((row) => ({ ...accountFromRow(row), personNumber: row.number }))
}

/** Says which person an account is, or that it is nobody on record. */
export const linkAccount = async (
  db: Database,
  token: string,
  accountId: string,
  personId: string | null,
): Promise<void> => {
  await db.query('select link_account($1, $2, $3)', [token, accountId, personId])
}

/** Accounts by id, as an archive names them. */
export const listAccountsById = async (db: Database, ids: readonly string[]): Promise<ArchivedAccount[]> => {
  const { rows } = await db.query<AccountRow>(`select ${COLUMNS} from accounts where id = any($1::uuid[])`, [ids])
  return rows.map(({ id, display_name, role }) => ({ id, displayName: display_name, role }))
}

/** Somebody an archive names that is being read in: on record, but nobody signs in as them. */
export const addArchivedAccount = async (
  db: Database,
  token: string,
  occasionId: string,
  { id, displayName, role }: ArchivedAccount,
): Promise<void> => {
  const known = ROLES.find((one) => one === role) ?? 'viewer'
  await db.query('select add_archived_account($1, $2, $3, $4, $5)', [token, occasionId, id, displayName, known])
}

export const accountFromRow = (row: AccountRow): Account => ({
  id: row.id,
  signInName: row.sign_in_name,
  displayName: row.display_name,
  role: row.role,
  ...(row.unit_id === null ? {} : { unitId: row.unit_id }),
  ...(row.station_day === null ? {} : { station: { occasionId: row.station_day, eventIds: row.station_events ?? [] } }),
})
