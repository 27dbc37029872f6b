/** Answers that say what is wrong: problem documents (RFC 9457) with a stable code and, for input, the places. */
import type { ErrorRequestHandler, Request } from 'express'
import type { Logger } from 'pino'
import type { Finding } from '@able-gauge/core'
import { databaseFault, type DatabaseFault } from './databaseFault.ts'

export class Problem extends Error {
  constructor(
    readonly status: number,
    /** Stable name, such as `day.signedOff`. */
    readonly code: string,
    /** A sentence for the person who reads it. */
    readonly detail: string,
    readonly findings: readonly Finding[] = [],
    /** When trying again may help, in seconds. */
    readonly retryAfterSeconds: number | null = null,
    /** What went wrong elsewhere, for the log alone. */
    cause?: string,
  ) {
    super(detail, cause === undefined ? undefined : { cause })
  }
}

export const invalidInput = (findings: readonly Finding[]): Problem => {
  const places = findings.map(({ place }) => place || 'the whole').join(', ')
  return new Problem(422, 'input.invalid', `Nothing was stored. Look at: ${places}.`, findings)
}

export const notFound = (what: string): Problem => new Problem(404, 'notFound', `There is no such ${what}.`)

/** The one error handler. What we did not foresee is logged and answered without details. */
export const answerErrors =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error)
      return
    }
    const problem = problemFrom(error)
    const fault = databaseFault(error)
    if (problem.status >= 500 || fault === 'refusedValue' || fault === 'forbidden') {
      log.error({ err: error, fault, method: request.method, route: routeOf(request) }, problem.code)
    }
    const { status, code, detail, findings, retryAfterSeconds } = problem
    if (retryAfterSeconds !== null) response.set('Retry-After', String(retryAfterSeconds))
    response
      .status(status)
      .type('application/problem+json')
      .send(JSON.stringify({ type: `urn:able-gauge:problem:${code}`, title: code, status, detail, findings }))
  }

/** @param error of whatever tried to read it */
export const notJson = (error: unknown): Problem => {
  const found = error instanceof Error ? error.message : 'unreadable text'
  return new Problem(400, 'input.notJson', `Nothing was stored. The body is not JSON: ${found}.`, [
    { place: 'body', code: 'json', found, expected: 'JSON' },
  ])
}

export const problemFrom = (error: unknown): Problem => {
  if (error instanceof Problem) return error
  const fault = databaseFault(error)
  if (fault) return OF_FAULT[fault]()
  const type = bodyParserType(error)
  if (type === 'entity.parse.failed') return notJson(error)
  if (type === 'entity.too.large')
    return new Problem(413, 'input.tooLarge', 'Nothing was stored. The body is larger than 1 MB.')
  const status = statusOf(error)
  if (status === 404) return notFound('file')
  if (status !== null) {
    return new Problem(status, 'input.unreadable', 'Nothing was stored. The request could not be read as it was sent.')
  }
  return new Problem(500, 'server.failed', 'The server could not do this. Nothing was stored; please try again.')
}

/** Paths name people and days, so the log says which route it was. */
const routeOf = (request: Request): string => {
  const route = request.route as { path?: unknown } | undefined
  return typeof route?.path === 'string' ? route.path : 'none'
}

const KEPT = 'Nothing was stored; what your device holds stays there and is sent again.'

const OF_FAULT: Readonly<Record<DatabaseFault, () => Problem>> = {
  unavailable: () =>
    new Problem(503, 'server.noDatabase', `The database cannot be reached for a moment. ${KEPT}`, [], 2),
  busy: () => new Problem(503, 'server.busy', `Others are writing here, and it takes too long. ${KEPT}`, [], 1),
  diskFull: () =>
    new Problem(
      507,
      'server.diskFull',
      `The disk of the server is full. ${KEPT} Whoever looks after the server has to make room.`,
      [],
      30,
    ),
  refusedValue: () => new Problem(422, 'input.invalid', 'Nothing was stored. A value is beyond what can be kept.'),
  signedOut: () =>
    new Problem(401, 'access.signedOut', 'You are not signed in, or the session has ended. Sign in again.'),
  forbidden: () => new Problem(403, 'access.forbidden', 'This account may not do this. Nothing was stored.'),
  dayClosed: () => new Problem(409, 'day.signedOff', 'The day is signed off. Nothing was stored.'),
  missing: () => notFound('account'),
  lastAdministrator: () =>
    new Problem(
      409,
      'account.lastAdministrator',
      'Nothing was changed. This is the only administrator; make another one first.',
    ),
  accountClosed: () =>
    new Problem(409, 'account.closed', 'Nothing was made. The account is closed; open it again first.'),
  dayBegun: () =>
    new Problem(
      409,
      'day.begun',
      'Something was captured on this day already. Sign it off as it stands; nothing was changed.',
    ),
  unitCircle: () =>
    new Problem(409, 'unit.circle', 'Nothing was changed. A unit cannot lie within itself, or within one below it.'),
  conflict: () =>
    new Problem(409, 'input.conflict', 'Nothing was stored. It clashes with something that was stored meanwhile.'),
}

/** Express, its router and its parsers mark what the caller did wrong with a status; anything else is ours. */
const statusOf = (error: unknown): number | null =>
  error instanceof Error &&
  'status' in error &&
  typeof error.status === 'number' &&
  error.status >= 400 &&
  error.status < 500
    ? error.status
    : null

/** body-parser marks its errors with a type of its own. */
const bodyParserType = (error: unknown): string | undefined =>
  error instanceof Error && 'type' in error && typeof error.type === 'string' ? error.type : undefined
