/**
 * The code beside the password: time-based one-time codes (RFC 6238) of an authenticator, six digits, thirty seconds each; and
 * codes kept on paper for the day the authenticator is lost. The database says whether a code was used before.
 */
import { randomInt } from 'node:crypto'
import { generateSecret, generateURI, verify } from 'otplib'
import { Problem } from '../problem.ts'

/** Clocks of phones: the code before and the one after are right as well. */
const TOLERANCE_S = 30
const RECOVERY_CODES = 8
const RECOVERY_LENGTH = 10
/** Letters and digits that are not taken for each other. */
const RECOVERY_SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'

/** What was typed, for the database to use up: the time step of a right code, or what may be a recovery code. */
export interface TypedCode {
  readonly step: number | null
  readonly recovery: string | null
}
const NO_CODE: TypedCode = { step: null, recovery: null }

export const newSecret = (): string => generateSecret()

/** What an authenticator reads out of a QR code. */
export const secretUri = (secret: string, signInName: string, organisation: string): string =>
  generateURI({ secret, label: signInName, issuer: organisation === '' ? 'Able Gauge' : organisation })

/** @returns codes in two groups of five, as they are shown and kept */
export const newRecoveryCodes = (): string[] =>
  Array.from({ length: RECOVERY_CODES }, () => {
    const signs = Array.from({ length: RECOVERY_LENGTH }, () => RECOVERY_SIGNS.charAt(randomInt(RECOVERY_SIGNS.length)))
    return `${signs.slice(0, RECOVERY_LENGTH / 2).join('')}-${signs.slice(RECOVERY_LENGTH / 2).join('')}`
  })

/** @param typed with or without spaces */
export const readCode = async (typed: string, secret: string): Promise<TypedCode> => {
  const code = typed.replace(/\s/g, '')
  if (!/^\d{6}$/.test(code)) return { step: null, recovery: code.toUpperCase() }
  const result = await verify({ secret, token: code, epochTolerance: TOLERANCE_S })
  return { step: result.valid && 'timeStep' in result ? result.timeStep : null, recovery: null }
}

/** @throws Problem 401 when a code is needed and none was typed */
export const readNeededCode = async (typed: string | undefined, secret: string | null): Promise<TypedCode> => {
  if (secret === null) return NO_CODE
  if (typed === undefined)
    throw new Problem(401, 'signIn.codeNeeded', 'Now the code your authenticator shows, or one of your recovery codes.')
  return readCode(typed, secret)
}

export const wrongCode = (status: 401 | 403, code: 'signIn.code' | 'signOff.code' | 'secondFactor.code'): Problem =>
  new Problem(
    status,
    code,
    'The code is not right, or was used already: each is good once, so wait for the next. After ten wrong ones none is taken for a quarter of an hour.',
    [{ place: 'code', code: 'code', found: 'another', expected: 'the code your authenticator shows now' }],
  )
