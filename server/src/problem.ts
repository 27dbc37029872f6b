/** Answers that say what is wrong: problem documents (RFC 9457) with a stable code and, for input, the places. */
import type { ErrorRequestHandler } from 'express'
import type { Logger } from 'pino'
import type { Finding } from '@able-gauge/core'

export class Problem extends Error {
  constructor(
    readonly status: number,
    /** Stable name, such as `day.signedOff`. */
    readonly code: string,
    /** A sentence for the person who reads it. */
    readonly detail: string,
    readonly findings: readonly Finding[] = [],
  ) {
    super(detail)
  }
}

export const invalidInput = (findings: readonly Finding[]): Problem => {
  const places = findings.map(({ place }) => place || 'the whole').join(', ')
  return new Problem(422, 'input.invalid', `Nothing was stored. Look at: ${places}.`, findings)
}

export const notFound = (what: string): Problem => new Problem(404, 'notFound', `There is no such ${what}.`)

/** The one error handler. What we did not foresee is logged whole and answered without details. */
export const answerErrors =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error)
      return
    }
    const problem = problemFrom(error)
    if (problem.status >= 500) log.error({ err: error, method: request.method, path: request.path }, 'request failed')
    const { status, code, detail, findings } = problem
    response
      .status(status)
      .type('application/problem+json')
      .send(JSON.stringify({ type: `urn:able-gauge:problem:${code}`, title: code, status, detail, findings }))
  }

const problemFrom = (error: unknown): Problem => {
  if (error instanceof Problem) return error
  const type = bodyParserType(error)
  if (type === 'entity.parse.failed') {
    const found = error instanceof Error ? error.message : 'unreadable text'
    return new Problem(400, 'input.notJson', `Nothing was stored. The body is not JSON: ${found}.`, [
      { place: 'body', code: 'json', found, expected: 'JSON' },
    ])
  }
  if (type === 'entity.too.large')
    return new Problem(413, 'input.tooLarge', 'Nothing was stored. The body is larger than 1 MB.')
  if (type !== undefined) return new Problem(400, 'input.unreadable', 'Nothing was stored. The body could not be read.')
  return new Problem(500, 'server.failed', 'The server could not do this. Nothing was stored; please try again.')
}

/** body-parser marks its errors with a type of its own. */
const bodyParserType = (error: unknown): string | undefined =>
  error instanceof Error && 'type' in error && typeof error.type === 'string' ? error.type : undefined
