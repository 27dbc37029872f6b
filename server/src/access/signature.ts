/** A signature takes the password once more, of whoever is signed in. */
import { Problem } from '../problem.ts'
import type { Call } from '../routes/route.ts'
import { findSessionParameters, isOwnKey } from '../store/sessionStore.ts'
import { deriveKey } from './password.ts'

/** @throws Problem 403 when the password is another */
export const requirePassword = async ({ server, account, token }: Call, password: string): Promise<void> => {
  const key = await deriveKey(password, await findSessionParameters(server.pool, account.signInName))
  if (await isOwnKey(server.pool, token, key)) return
  throw new Problem(403, 'signOff.password', 'The password is not right. Nothing was signed.', [
    { place: 'password', code: 'password', found: 'another', expected: 'your own password' },
  ])
}
