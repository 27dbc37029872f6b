/** The form of an archive, whichever it is: what has to be there, and that every part is what it says it is. */
import { CaptureDocument } from '../capture/capture.ts'
import { RecordDocument } from '../day/record.ts'
import type { Finding } from '../document/finding.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { DayPlan } from '../plan/dayPlan.ts'

/** What one form of archive asks for. */
export interface ArchiveForm {
  readonly format: string
  /** Lists of objects that have to be there, beside those of every form. */
  readonly lists: readonly string[]
  /** The list of hashes. */
  readonly hashes: string
  /** A capture or record as it was before it was stored in this form. */
  readonly asSent: <Part extends object>(part: Part) => Part
}

export const altered = (place: string, expected: string): Finding => ({
  place,
  code: 'altered',
  found: 'something else',
  expected,
})

const LISTS = ['accounts', 'staff', 'people', 'entries', 'captures', 'records', 'verdicts', 'amendments'] as const

/** Where a value is no archive of a form. @param plain the result of JSON.parse */
export const formFindings = (plain: unknown, { format, lists, hashes, asSent }: ArchiveForm): Finding[] => {
  if (typeof plain !== 'object' || plain === null) {
    return [{ place: '', code: 'object', found: String(plain), expected: 'a day archive' }]
  }
  const parts = new Map<string, unknown>(Object.entries(plain))
  if (parts.get('format') !== format) {
    return [{ place: 'format', code: 'format', found: String(parts.get('format')), expected: format }]
  }
  const noLists = [...LISTS, ...lists].filter((name) => !isListOf('object', parts.get(name)))
  if (!isListOf('string', parts.get(hashes))) noLists.push(hashes)
  const noObjects = ['occasion', 'standard'].filter(
    (name) => typeof parts.get(name) !== 'object' || parts.get(name) === null,
  )
  // what is not there is written as null, so that nothing can be left out unseen
  const absent = ['plan', 'signOff'].filter((name) => typeof parts.get(name) !== 'object')
  const missing = [
    ...noLists.map((place) => ({ place, code: 'list', found: 'nothing', expected: 'a list' })),
    ...noObjects.map((place) => ({ place, code: 'object', found: 'nothing', expected: 'an object' })),
    ...absent.map((place) => ({ place, code: 'object', found: 'nothing', expected: 'an object, or null' })),
  ]
  if (missing.length > 0) return missing
  const each = (name: string, findingsOf: (part: object) => readonly Finding[]): Finding[] =>
    // a list of objects, as was just seen
    (parts.get(name) as readonly object[]).flatMap((part, index) => within(`${name}[${index}]`, findingsOf(part)))
  const plan = parts.get('plan')
  return [
    ...(plan === null ? [] : within('plan', documentFindings(DayPlan, plan))),
    ...each('captures', (capture) => documentFindings(CaptureDocument, asSent(withoutServers(capture)))),
    ...each('records', (record) => documentFindings(RecordDocument, asSent(idAndContent(record)))),
    ...each('verdicts', verdictFindings),
  ]
}

const isListOf = (type: 'object' | 'string', value: unknown): boolean =>
  Array.isArray(value) && value.every((item: unknown) => typeof item === type && item !== null)

const within = (place: string, findings: readonly Finding[]): Finding[] =>
  findings.map((finding) => ({ ...finding, place: `${place}.${finding.place}` }))

const documentFindings = (form: new () => object, plain: unknown): readonly Finding[] => {
  const parsed = parseDocument(form, plain)
  return parsed.ok ? [] : parsed.findings
}

const SERVERS: ReadonlySet<string> = new Set(['seq', 'actorId', 'receivedMs', 'sentBy'])

/** What the server added is no part of what a device sends. */
const withoutServers = (capture: object): object =>
  Object.fromEntries(
    Object.entries(capture).filter(([name, value]) => !SERVERS.has(name) && !(name === 'entryId' && value === null)),
  )

const idAndContent = (record: { readonly id?: unknown; readonly content?: unknown }): object => ({
  id: record.id,
  content: record.content,
})

const verdictFindings = ({ entryId, inputs }: { readonly entryId?: unknown; readonly inputs?: unknown }): Finding[] => {
  const { candidate } = Object(inputs) as { candidate?: unknown }
  const { entryId: judged } = Object(candidate) as { entryId?: unknown }
  return typeof entryId === 'string' && judged === entryId
    ? []
    : [{ place: 'inputs', code: 'object', found: 'another', expected: 'the candidate it was judged for' }]
}
