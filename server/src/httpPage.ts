/** The page on the interface, for people who write programs against it: made from the routes and the classes they name. */
import { descriptionsOf } from '@able-gauge/core'
import { DESCRIBED, openTo, type DescribedRoute } from './openApi.ts'

const BEGIN = `# The interface over HTTP

Made from the routes of the server by \`npm run schema\`; the fields of what is sent and answered are in
[openapi.json](openapi.json), made from the same classes.

JSON in and out. Problems are answered as \`application/problem+json\` (RFC 9457) with \`type\`, \`title\` (a stable code), \`status\`,
\`detail\` (a sentence) and \`findings\`, each with \`place\`, \`code\`, \`found\`, \`expected\`. Nothing is stored when a request is refused.
503 and 507 come with \`Retry-After\`: the database is away, a day is being written by many, the disk is full. No answer is kept by a
browser or proxy. A field with a question mark may be left out.
`

const END = `## A capture that is sent

\`\`\`json
{
  "id": "019a9d2e-7c41-7d3a-9b1e-5a2f0c6d8e10",
  "eventId": "run",
  "kind": "crossed",
  "payload": {},
  "bib": 28,
  "deviceId": "laptop-finish",
  "deviceMs": 181204,
  "atMs": 1795473848412,
  "uncertaintyMs": 4
}
\`\`\`

\`bib\` or \`entryId\` names the candidate; both may be left out for a crossing. \`atMs\` is agreed time: the device's monotonic clock plus the
offset found from round trips to \`/api/time\`. Kinds and payloads: [captures](../captures.md). Sending a capture again is safe; an id that is
on record with other content is answered with 409. \`madeBy\` names the guest of a station whose device hands captures in.
`

/** @returns Markdown */
export const httpPage = (): string => {
  const sections = [...new Set(DESCRIBED.map(subjectOf))].map((subject) => {
    const routes = DESCRIBED.filter((route) => subjectOf(route) === subject)
    return `## ${subject}\n\n${routes.map(section).join('\n')}\n`
  })
  return `${BEGIN}\n${sections.join('\n')}\n${END}`
}

const subjectOf = ({ path }: DescribedRoute): string => {
  const [, , first = ''] = path.split('/')
  return SUBJECTS[first] ?? first
}

const SUBJECTS: Readonly<Record<string, string>> = {
  session: 'Signing in',
  accounts: 'Accounts',
  occasions: 'Test days',
  archives: 'Archives',
  people: 'People',
  standards: 'Standards',
  rehearsals: 'Rehearsals',
  keys: 'Keys',
  time: 'Time',
  'house-rules': 'House rules',
  'security-events': 'Security log',
}

const section = (route: DescribedRoute): string => {
  const { method, path, what, body, answer } = route
  const lines = [
    `- \`${method.toUpperCase()} ${path}\`: ${what}`,
    `  - open to: ${openTo(route)}`,
    ...(body ? [`  - takes: ${fieldsOf(body)}`] : []),
    `  - answers: ${typeof answer === 'string' ? answer : fieldsOf(answer)}`,
  ]
  return `${lines.join('\n')}`
}

const fieldsOf = (type: new () => object): string => {
  const fields = [...descriptionsOf(type)].map(([name, all]) =>
    all.some(({ kind }) => kind === 'optional') ? `${name}?` : name,
  )
  return `\`${type.name}\` { ${fields.map((field) => `\`${field}\``).join(', ')} }`
}
