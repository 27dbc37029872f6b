/** Who is asking: the session cookie, and the check each route makes before anything else. */
import { createHash, randomBytes } from 'node:crypto'
import type { Request, Response } from 'express'
import type { Pool } from '../database.ts'
import { Problem } from '../problem.ts'
import { addSession, findAccountBySession, removeSession } from '../store/sessionStore.ts'
import type { Account, Role } from './role.ts'

export const COOKIE = 'able_gauge_session'
const HOURS = 16

export const openSession = async (
  pool: Pool,
  request: Request,
  response: Response,
  account: Account,
): Promise<void> => {
  const token = randomBytes(32).toString('base64url')
  const expiresAt = new Date(Date.now() + HOURS * 3_600_000)
  await addSession(pool, hashToken(token), account.id, expiresAt)
  response.cookie(COOKIE, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    path: '/',
    expires: expiresAt,
  })
}

export const closeSession = async (pool: Pool, request: Request, response: Response): Promise<void> => {
  const token = tokenIn(request)
  if (token) await removeSession(pool, hashToken(token))
  response.clearCookie(COOKIE, { path: '/' })
}

/** The signed-in account, or null. */
export const accountOf = async (pool: Pool, request: Request): Promise<Account | null> => {
  const token = tokenIn(request)
  return token ? findAccountBySession(pool, hashToken(token)) : null
}

/** @throws Problem 401 when nobody is signed in, 403 when the role is not among `roles` */
export const requireRole = async (pool: Pool, request: Request, roles: readonly Role[]): Promise<Account> => {
  const account = await accountOf(pool, request)
  if (!account)
    throw new Problem(401, 'access.signedOut', 'You are not signed in, or the session has ended. Sign in again.')
  if (!roles.includes(account.role)) {
    throw new Problem(403, 'access.role', `A ${account.role} may not do this. It takes: ${roles.join(', ')}.`)
  }
  return account
}

/** Only the hash is stored, so that a copy of the table signs nobody in. */
const hashToken = (token: string): Buffer => createHash('sha256').update(token).digest()

const tokenIn = (request: Request): string | null => {
  for (const part of (request.headers.cookie ?? '').split(';')) {
    const [name, value] = part.trim().split('=')
    if (name === COOKIE && value) return value
  }
  return null
}
