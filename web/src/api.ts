/** Calls to the server. What it refuses comes back as an error that carries the problem document. */
import { checkAnswer, type Finding } from '@able-gauge/core'

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

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'

/**
 * Asks the interface something.
 * @param answer what the route declares to answer; what is not like it is no answer of the server this page belongs to
 * @throws Refusal for a status of 400 and above, NoAnswer without an answer that can be read
 */
export const call = async <Answer extends object>(
  method: Method,
  path: string,
  answer: new () => Answer,
  body?: unknown,
): Promise<Answer> => {
  const plain = parsed(await received(method, path, body))
  // a newer server may tell more than this page knows of
  const [wrong] = checkAnswer(answer, plain).filter(({ code }) => code !== 'unknownProperty')
  if (wrong) {
    const place = wrong.place === '' ? 'the answer' : wrong.place
    throw new NoAnswer(
      `The server answered what this page does not understand: ${place} is ${wrong.found}, expected ${wrong.expected}. Reload the page.`,
    )
  }
  // checked just now; it stays the plain document that was sent, which is what the disk of this device keeps
  return plain as Answer
}

/** Tells the interface something whose answer says no more than that it was done. @throws as `call` */
export const tell = async (method: Method, path: string, body?: unknown): Promise<void> => {
  await received(method, path, body)
}

/** A file, as it is. @throws as `call` */
export const download = (path: string): Promise<string> => received('GET', path, undefined)

/** A file that is no text. @throws as `call` */
export const receiveFile = async (method: Method, path: string, body?: unknown): Promise<Uint8Array<ArrayBuffer>> => {
  const response = await send(method, path, body)
  if (!response.ok) throw await refusalFrom(response)
  return new Uint8Array(await response.arrayBuffer())
}

const received = async (method: Method, path: string, body: unknown): Promise<string> => {
  const response = await send(method, path, body)
  if (!response.ok) throw await refusalFrom(response)
  return response.text()
}

/** A page somebody puts between, to sign in to their network for instance, is no answer. */
const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text) as unknown
  } catch (error) {
    throw new NoAnswer('Something that is not the server answered.', { cause: error })
  }
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
