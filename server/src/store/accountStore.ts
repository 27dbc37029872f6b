import type { Account, Role } from '../access/role.ts'
import type { Database } from '../database.ts'

export interface AccountRow {
  id: string
  sign_in_name: string
  display_name: string
  role: Role
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
    `insert into accounts (id, sign_in_name, display_name, role, password_hash, is_demo) values ($1, $2, $3, $4, $5, $6)`,
    [account.id, account.signInName, account.displayName, account.role, account.passwordHash, account.isDemo],
  )
}

export const findAccountByName = async (db: Database, signInName: string): Promise<AccountSecret | null> => {
  const { rows } = await db.query<AccountRow & { password_hash: string; is_demo: boolean }>(
    `select id, sign_in_name, display_name, role, password_hash, is_demo from accounts where sign_in_name = $1`,
    [signInName.toLowerCase()],
  )
  const row = rows[0]
  return row ? { account: accountFromRow(row), passwordHash: row.password_hash, isDemo: row.is_demo } : null
}

/** Demo accounts, in the order of their roles on a test day. */
export const listDemoAccounts = async (db: Database): Promise<Account[]> => {
  const { rows } = await db.query<AccountRow>(
    `select id, sign_in_name, display_name, role from accounts where is_demo
      order by array_position(array['officer', 'grader', 'timer', 'clerk', 'viewer'], role), sign_in_name`,
  )
  return rows.map(accountFromRow)
}

/** Everybody who can sign in, by role and name; demo accounts too, which nobody can sign in with outside the demo. */
export const listAccounts = async (db: Database): Promise<Account[]> => {
  const { rows } = await db.query<AccountRow>(
    `select id, sign_in_name, display_name, role from accounts
      order by array_position(array['officer', 'grader', 'timer', 'clerk', 'viewer'], role), display_name`,
  )
  return rows.map(accountFromRow)
}

export const accountFromRow = (row: AccountRow): Account => ({
  id: row.id,
  signInName: row.sign_in_name,
  displayName: row.display_name,
  role: row.role,
})
