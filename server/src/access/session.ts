/** Who is asking: the session cookie, and the check each route makes before anything else. */
import { randomBytes } from 'node:crypto'
import type { Request, Response } from 'express'
import { may, rolesFor, type Action, type Permission, type Place, type SessionAsks } from '@able-gauge/core'
import type { Pool } from '../database.ts'
import { Problem } from '../problem.ts'
import type { NewSession } from '../store/keptAccountStore.ts'
import { closeSession as removeSession, SESSION_HOURS, useSession } from '../store/sessionStore.ts'
import type { Account } from './role.ts'

/** Over plain HTTP a browser may not replace a cookie it was given over HTTPS, so that a field, which serves both, needs two. */
const COOKIES = { secure: 'able_gauge_session', plain: 'able_gauge_session_plain' } as const
const cookieFor = ({ secure }: Request): string => (secure ? COOKIES.secure : COOKIES.plain)

/** Somebody signed in. The token is what the database derives the actor from, whatever this process thinks. */
export interface Session {
  readonly account: Account
  readonly token: string
  /** When it ends unless it is used, ms since 1970. */
  readonly endsMs: number
  readonly asks: SessionAsks
}

export const newToken = (): string => randomBytes(32).toString('base64url')

export const sessionEnd = (): Date => new Date(Date.now() + SESSION_HOURS * 3_600_000)

const LONGEST_DEVICE = 120

/** A session to be opened for whoever sends the request. */
export const newSession = (request: Request): NewSession => ({
  token: newToken(),
  ends: sessionEnd(),
  device: (request.get('User-Agent') ?? '').slice(0, LONGEST_DEVICE),
})

export const giveCookie = (request: Request, response: Response, token: string): void => {
  response.cookie(cookieFor(request), token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    path: '/',
    maxAge: 7 * 24 * 3_600_000,
  })
}

export const closeSession = async (pool: Pool, request: Request, response: Response): Promise<void> => {
  const token = tokenIn(request)
  if (token) await removeSession(pool, token)
  response.clearCookie(cookieFor(request), { path: '/' })
}

/** The session of a request, or null. */
export const sessionOf = async (pool: Pool, request: Request): Promise<Session | null> => {
  const token = tokenIn(request)
  const used = token ? await useSession(pool, token) : null
  return token && used ? { ...used, token } : null
}

/** @throws Problem 401 when nobody is signed in */
export const requireSession = async (pool: Pool, request: Request): Promise<Session> => {
  const session = await sessionOf(pool, request)
  if (!session)
    throw new Problem(401, 'access.signedOut', 'You are not signed in, or the session has ended. Sign in again.')
  return session
}

/** @throws Problem 403 where the house asks for an authenticator that is not set up, for all but setting it up */
export const requireFactor = ({ asks }: Session, action: Action): void => {
  if (!asks.secondFactor || action === 'account.own') return
  throw new Problem(
    403,
    'access.secondFactor',
    'The house asks administrators for the code of an authenticator. Set yours up in your account first.',
  )
}

/** @throws Problem 403 that says why */
export const requireMay = (account: Account, action: Action, place: Place = {}): void => {
  const permission = may(account, action, place)
  if (!permission.ok) throw refusal(permission, account, action)
}

const refusal = ({ why }: Extract<Permission, { ok: false }>, { role }: Account, action: Action): Problem => {
  switch (why) {
    case 'role':
      return new Problem(
        403,
        'access.role',
        `Your role, ${role}, may not do this. It takes: ${rolesFor(action).join(', ')}.`,
      )
    case 'station':
      return new Problem(403, 'access.station', 'You joined with a station code, which is for that station alone.')
    case 'staff':
      return new Problem(
        403,
        'access.staff',
        'You are not on the staff of this day. The officer in charge can add you. Nothing was stored.',
      )
    case 'unit':
      return new Problem(403, 'access.unit', 'This belongs to another unit than yours, or to the whole organisation.')
  }
}

const tokenIn = (request: Request): string | null => {
  const own = cookieFor(request)
  for (const part of (request.headers.cookie ?? '').split(';')) {
    const [name, value] = part.trim().split('=')
    if (name === own && value) return value
  }
  return null
}
