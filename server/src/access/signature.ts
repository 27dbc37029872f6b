/** A signature takes the password once more, of whoever is signed in, and a code of their authenticator where the house asks for it. */
import type { SignatureBody } from '@able-gauge/core'
import type { Pool } from '../database.ts'
import { Problem } from '../problem.ts'
import { findOwnFactor, useOwnCode } from '../store/secondFactorStore.ts'
import { findSessionParameters, isOwnKey } from '../store/sessionStore.ts'
import { deriveKey } from './password.ts'
import { readCode, wrongCode } from './secondFactor.ts'
import type { Session } from './session.ts'

/** Who signs: somebody in a session of their own. */
export type Signatory = Pick<Session, 'account' | 'token' | 'asks'>

/** @throws Problem 403 when the password is another, or the code is */
export const requireSignature = async (
  pool: Pool,
  { account, token, asks }: Signatory,
  { password, code }: SignatureBody,
): Promise<void> => {
  const key = await deriveKey(password, await findSessionParameters(pool, account.signInName))
  if (!(await isOwnKey(pool, token, key))) {
    throw new Problem(403, 'signOff.password', 'The password is not right. Nothing was signed.', [
      { place: 'password', code: 'password', found: 'another', expected: 'your own password' },
    ])
  }
  if (!asks.codeToSign) return
  const factor = await findOwnFactor(pool, token)
  if (!factor?.confirmed) {
    throw new Problem(
      403,
      'signOff.noSecondFactor',
      'The house asks for the code of an authenticator with every signature. Set yours up in your account first. Nothing was signed.',
    )
  }
  if (code === undefined || !(await useOwnCode(pool, token, await readCode(code, factor.secret))))
    throw wrongCode(403, 'signOff.code')
}
