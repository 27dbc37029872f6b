/** A signature takes the password once more, of whoever is signed in. */
import type { Pool } from '../database.ts'
import { Problem } from '../problem.ts'
import { findSessionParameters, isOwnKey } from '../store/sessionStore.ts'
import { deriveKey } from './password.ts'

/** Who signs: somebody in a session of their own. */
export interface Signatory {
  readonly signInName: string
  readonly token: string
}

/** @throws Problem 403 when the password is another */
export const requirePassword = async (
  pool: Pool,
  { signInName, token }: Signatory,
  password: string,
): Promise<void> => {
  const key = await deriveKey(password, await findSessionParameters(pool, signInName))
  if (await isOwnKey(pool, token, key)) return
  throw new Problem(403, 'signOff.password', 'The password is not right. Nothing was signed.', [
    { place: 'password', code: 'password', found: 'another', expected: 'your own password' },
  ])
}
