/** Authenticators of accounts. The application's role sees no secret but through these functions, which ask for a session or the password's key. */
import type { TypedCode } from '../access/secondFactor.ts'
import type { Database } from '../database.ts'

/** For whoever has the key of the password. @returns undefined when the key is another; null when no code is needed */
export const findSignInSecret = async (
  db: Database,
  signInName: string,
  key: Buffer,
): Promise<string | null | undefined> => {
  const { rows } = await db.query<{ secret: string | null }>('select secret from sign_in_factor($1, $2)', [
    signInName.toLowerCase(),
    key,
  ])
  return rows[0]?.secret
}

export interface OwnFactor {
  readonly secret: string
  /** Whether a first code has shown that the authenticator keeps it. */
  readonly confirmed: boolean
  readonly recoveryLeft: number
}

export const findOwnFactor = async (db: Database, token: string): Promise<OwnFactor | null> => {
  const { rows } = await db.query<{ secret: string; confirmed: boolean; recovery_left: number }>(
    'select * from own_factor($1)',
    [token],
  )
  const [row] = rows
  return row ? { secret: row.secret, confirmed: row.confirmed, recoveryLeft: row.recovery_left } : null
}

/** @returns false when one is in use */
export const beginSecondFactor = async (db: Database, token: string, secret: string): Promise<boolean> => {
  const { rows } = await db.query<{ begun: boolean }>('select begin_second_factor($1, $2) as begun', [token, secret])
  return rows[0]?.begun === true
}

/** @returns false when there is none to confirm */
export const confirmSecondFactor = async (
  db: Database,
  token: string,
  step: number,
  recoveryCodes: readonly string[],
): Promise<boolean> => {
  const { rows } = await db.query<{ confirmed: boolean }>('select confirm_second_factor($1, $2, $3) as confirmed', [
    token,
    step,
    recoveryCodes,
  ])
  return rows[0]?.confirmed === true
}

/** Uses a code up. @returns whether it was right and not used before */
export const useOwnCode = async (db: Database, token: string, { step, recovery }: TypedCode): Promise<boolean> => {
  const { rows } = await db.query<{ used: boolean }>('select use_own_code($1, $2, $3) as used', [token, step, recovery])
  return rows[0]?.used === true
}

export const dropOwnFactor = async (db: Database, token: string): Promise<void> => {
  await db.query('select drop_own_factor($1)', [token])
}

/** Of another account, for an administrator. */
export const dropSecondFactor = async (db: Database, token: string, accountId: string): Promise<void> => {
  await db.query('select drop_second_factor($1, $2)', [token, accountId])
}
