/** A description of the interface for other programs (OpenAPI 3.1), made from the routes and the document classes they name. */
import { jsonSchemaOf, rolesFor } from '@able-gauge/core'
import { ROUTES } from './routes/index.ts'
import type { Route } from './routes/route.ts'
import { SESSION_ROUTES } from './routes/sessionRoutes.ts'

/** A route as it is described; those of sessions stand before any action. */
export type DescribedRoute = Pick<Route, 'method' | 'path' | 'what' | 'answer' | 'body'> &
  Partial<Pick<Route, 'action'>>

export const DESCRIBED: readonly DescribedRoute[] = [...SESSION_ROUTES, ...ROUTES]

const REFUSALS = {
  '401': 'Nobody is signed in, or the session has ended.',
  '403': 'Not for this account.',
  '404': 'There is no such thing.',
  '409': 'It clashes with something that was stored meanwhile.',
  '422': 'What was sent is not what is expected; the findings name each place.',
  '429': 'Too often; Retry-After says when to come again.',
  '503': 'For a moment it cannot be done; Retry-After says when to come again.',
} as const

/** @returns plain JSON */
export const openApi = (): object => {
  const definitions: Record<string, unknown> = {}
  const paths: Record<string, Record<string, unknown>> = {}
  for (const route of DESCRIBED) {
    const path = route.path.replaceAll(/:(\w+)/g, '{$1}')
    paths[path] = { ...paths[path], [route.method]: operation(route, definitions) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Able Gauge',
      version: '1',
      description: 'Requests need the session cookie. Refusals are problem documents (RFC 9457). See http.md.',
    },
    paths: sorted(paths),
    components: { schemas: sorted(definitions) },
  }
}

/** Who may call it. */
export const openTo = ({ action }: DescribedRoute): string => (action ? rolesFor(action).join(', ') : 'everybody')

const operation = (route: DescribedRoute, definitions: Record<string, unknown>): object => {
  const { path, what, answer, body } = route
  const names = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name)
  return {
    summary: what,
    description: `Open to: ${openTo(route)}.`,
    parameters: names.map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
    ...(body
      ? { requestBody: { required: true, content: { 'application/json': { schema: bodySchema(body, definitions) } } } }
      : {}),
    responses: {
      '2XX': answerSchema(answer, definitions),
      ...Object.fromEntries(Object.entries(REFUSALS).map(([status, description]) => [status, { description }])),
    },
  }
}

const answerSchema = (answer: Route['answer'], definitions: Record<string, unknown>): object => {
  if (typeof answer !== 'string') {
    return { description: 'Done.', content: { 'application/json': { schema: bodySchema(answer, definitions) } } }
  }
  return { description: answer === 'nothing' ? 'Done.' : `Done: ${answer}.` }
}

const bodySchema = (body: new () => object, definitions: Record<string, unknown>): unknown => {
  const { $defs, $ref } = inComponents(jsonSchemaOf(body, body.name)) as {
    $defs: Record<string, unknown>
    $ref: string
  }
  Object.assign(definitions, $defs)
  return { $ref }
}

/** The same schema with its definitions where OpenAPI keeps them. */
const inComponents = (schema: object): unknown =>
  JSON.parse(JSON.stringify(schema).replaceAll('"#/$defs/', '"#/components/schemas/'))

const sorted = <Value>(record: Readonly<Record<string, Value>>): Record<string, Value> =>
  Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1)))
