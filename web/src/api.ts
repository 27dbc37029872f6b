/** Calls to the server. What it refuses comes back as an error that carries the problem document. */
import type { Finding } from '@able-gauge/core'

/** The server answered, and said no. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    detail: string,
    readonly findings: readonly Finding[],
  ) {
    super(detail)
  }
}

/** No answer: the server or the network is away. */
export class NoAnswer extends Error {}

interface ProblemDocument {
  readonly title?: string
  readonly detail?: string
  readonly findings?: readonly Finding[]
}

/**
 * Sends a request to the interface.
 * @throws Refusal for an answer of 400 and above, NoAnswer without one
 */
export const call = async <Answer>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<Answer> => {
  const response = await send(method, path, body)
  if (!response.ok) throw await refusalFrom(response)
  // the shape of each answer is the server's promise; its own tests keep it
  return response.status === 204 ? (undefined as Answer) : ((await response.json()) as Answer)
}

const send = async (method: string, path: string, body: unknown): Promise<Response> => {
  const json = body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }
  try {
    return await fetch(`/api${path}`, { method, ...json })
  } catch (error) {
    throw new NoAnswer('The server cannot be reached.', { cause: error })
  }
}

const refusalFrom = async (response: Response): Promise<Refusal | NoAnswer> => {
  if (response.status >= 502) return new NoAnswer('The server is starting or away.')
  const text = await response.text()
  const problem = response.headers.get('Content-Type')?.includes('json') ? (JSON.parse(text) as ProblemDocument) : {}
  return new Refusal(
    response.status,
    problem.title ?? 'unknown',
    problem.detail ?? 'The server refused this.',
    problem.findings ?? [],
  )
}

/** A sentence for the screen, with the places if there are any. */
export const inWords = (error: unknown): string => {
  if (error instanceof Refusal) {
    const places = error.findings.map(({ place, expected }) => `${place}: expected ${expected}`)
    return [error.message, ...places].join(' ')
  }
  if (error instanceof NoAnswer)
    return `${error.message} Nothing you entered is lost. Try again when there is a connection.`
  throw error
}
