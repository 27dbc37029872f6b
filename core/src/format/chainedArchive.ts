/**
 * Archives of the first form, under a hash chain and without keys. They are read and proven as far as they can be, and no
 * longer written.
 */
import { CaptureDocument, type RecordedCapture } from '../capture/capture.ts'
import { timeBoundsOf } from '../capture/timeBounds.ts'
import { brokenLinks, chainOf, headOf, placed, type ChainItem } from '../day/chain.ts'
import { RecordDocument, type DayRecordEntry } from '../day/record.ts'
import type { Finding } from '../document/finding.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { judgeDay } from '../judge/judgeDay.ts'
import type { Verdict } from '../judge/mark.ts'
import { DayPlan } from '../plan/dayPlan.ts'
import { contentHash } from '../standard/contentHash.ts'
import { parseStandard } from '../standard/parseStandard.ts'
import type { Standard } from '../standard/standard.ts'
import type {
  ArchivedAccount,
  ArchivedAmendment,
  ArchivedEntry,
  ArchivedOccasion,
  ArchivedPerson,
  VerdictInputs,
} from './archiveParts.ts'

export const CHAINED_FORMAT = 'able-gauge/day-archive/1'

export interface ChainedVerdict {
  readonly entryId: string
  readonly standardHash: string
  readonly inputs: VerdictInputs
  readonly verdict: Verdict
}

export interface ChainedArchive {
  readonly format: typeof CHAINED_FORMAT
  readonly occasion: ArchivedOccasion
  readonly standard: Standard
  readonly plan: DayPlan | null
  /** Everybody who worked, captured or signed. */
  readonly accounts: readonly ArchivedAccount[]
  readonly staff: readonly { readonly accountId: string; readonly duty: string }[]
  readonly people: readonly ArchivedPerson[]
  readonly entries: readonly ArchivedEntry[]
  readonly captures: readonly RecordedCapture[]
  readonly records: readonly Omit<DayRecordEntry, 'actor'>[]
  readonly verdicts: readonly ChainedVerdict[]
  readonly signOff: { readonly accountId: string; readonly atMs: number; readonly head: string } | null
  readonly amendments: readonly ArchivedAmendment[]
  /** One for each item, in the order of `archiveItems`. */
  readonly links: readonly string[]
}

type Unlinked = Omit<ChainedArchive, 'links'>

/** Every item of an archive in the order it is chained. */
export const archiveItems = (archive: Unlinked): ChainItem[] => [
  { place: 'format', item: archive.format },
  { place: 'occasion', item: archive.occasion },
  { place: 'standard', item: archive.standard },
  { place: 'plan', item: archive.plan },
  ...placed('accounts', archive.accounts),
  ...placed('staff', archive.staff),
  ...placed('people', archive.people),
  ...placed('entries', archive.entries),
  ...signedItems(archive),
  { place: 'signOff', item: archive.signOff },
  ...placed('amendments', archive.amendments),
]

/** What a head of the first form is made of, in whatever form it is read now. */
export interface ChainedParts {
  readonly captures: readonly object[]
  readonly records: readonly object[]
  readonly verdicts: readonly object[]
}

/** What the signature stands for: captures, the log up to the signature, and the verdicts. */
export const signedItems = ({ captures, records, verdicts }: ChainedParts): ChainItem[] => [
  ...placed('captures', captures),
  ...placed('records', records),
  ...placed('verdicts', verdicts),
]

/** The hash a signature carries. */
export const chainedHead = (parts: ChainedParts): string => headOf(signedItems(parts))

export const linkArchive = (archive: Unlinked): ChainedArchive => ({
  ...archive,
  links: chainOf(archiveItems(archive)),
})

export type ReadChained =
  | { readonly ok: true; readonly archive: ChainedArchive }
  | { readonly ok: false; readonly findings: readonly Finding[] }

/**
 * Reads an archive and proves it: its form, its chain, the signature's hash, and that its captures give its verdicts.
 * @param plain the result of JSON.parse
 * @returns each place that is not what it was
 */
export const readChainedArchive = (plain: unknown): ReadChained => {
  const shape = shapeFindings(plain)
  if (shape.length > 0) return { ok: false, findings: shape }
  // the shape was checked part by part
  const archive = plain as ChainedArchive
  const standard = parseStandard(archive.standard)
  const findings: Finding[] = [
    ...brokenLinks(archiveItems(archive), archive.links).map((place) =>
      altered(place, 'what its link in the chain stands for'),
    ),
    ...(archive.signOff && archive.signOff.head !== chainedHead(archive)
      ? [altered('signOff.head', 'the hash of captures, log and verdicts')]
      : []),
  ]
  // what is not even what it was is not judged
  if (findings.every(({ place }) => place === 'signOff.head')) {
    findings.push(...(standard.ok ? judgedAgain(archive, standard.value) : standard.findings))
  }
  return findings.length > 0 ? { ok: false, findings } : { ok: true, archive }
}

const altered = (place: string, expected: string): Finding => ({
  place,
  code: 'altered',
  found: 'something else',
  expected,
})

/** The verdicts once more, from the captures: a file whose hashes were all made anew after a change does not get through. */
const judgedAgain = ({ verdicts, captures, records, occasion }: ChainedArchive, standard: Standard): Finding[] => {
  const candidates = verdicts.map(({ inputs }) => inputs.candidate)
  const bounds = timeBoundsOf({ ...occasion, rehearsal: null }, standard, records)
  const again = judgeDay({ standard, testDate: occasion.testDate, bounds }, candidates, captures)
  return verdicts.flatMap(({ entryId, verdict, standardHash }, index) => [
    ...(standardHash === contentHash(standard)
      ? []
      : [altered(`verdicts[${index}].standardHash`, 'the hash of the standard')]),
    ...(contentHash(again.get(entryId) ?? null) === contentHash(verdict)
      ? []
      : [altered(`verdicts[${index}].verdict`, 'what the captures give')]),
  ])
}

const LISTS = [
  'accounts',
  'staff',
  'people',
  'entries',
  'captures',
  'records',
  'verdicts',
  'amendments',
  'links',
] as const

const shapeFindings = (plain: unknown): Finding[] => {
  if (typeof plain !== 'object' || plain === null) {
    return [{ place: '', code: 'object', found: String(plain), expected: 'a day archive' }]
  }
  const parts = new Map<string, unknown>(Object.entries(plain))
  if (parts.get('format') !== CHAINED_FORMAT) {
    return [{ place: 'format', code: 'format', found: String(parts.get('format')), expected: CHAINED_FORMAT }]
  }
  const lists = LISTS.filter((name) => !Array.isArray(parts.get(name)))
  const objects = ['occasion', 'standard'].filter(
    (name) => typeof parts.get(name) !== 'object' || parts.get(name) === null,
  )
  // what is not there is written as null, so that nothing can be left out unseen
  const absent = ['plan', 'signOff'].filter((name) => typeof parts.get(name) !== 'object')
  const missing = [
    ...lists.map((place) => ({ place, code: 'list', found: 'nothing', expected: 'a list' })),
    ...objects.map((place) => ({ place, code: 'object', found: 'nothing', expected: 'an object' })),
    ...absent.map((place) => ({ place, code: 'object', found: 'nothing', expected: 'an object, or null' })),
  ]
  if (missing.length > 0) return missing
  return [
    ...planFindings(parts.get('plan')),
    ...(parts.get('captures') as unknown[]).flatMap(captureFindings),
    ...(parts.get('records') as unknown[]).flatMap(recordFindings),
    ...(parts.get('verdicts') as unknown[]).flatMap(verdictFindings),
  ]
}

const planFindings = (plan: unknown): Finding[] => {
  if (plan === null) return []
  const parsed = parseDocument(DayPlan, plan)
  return parsed.ok ? [] : parsed.findings.map((finding) => ({ ...finding, place: `plan.${finding.place}` }))
}

const SERVERS: ReadonlySet<string> = new Set(['seq', 'actorId', 'receivedMs'])

const captureFindings = (capture: unknown, index: number): Finding[] => {
  // what the server added is no part of what a device sends
  const sent = Object.entries(Object(capture) as object).filter(
    ([name, value]) => !SERVERS.has(name) && !(name === 'entryId' && value === null),
  )
  const parsed = parseDocument(CaptureDocument, Object.fromEntries(sent))
  return parsed.ok
    ? []
    : parsed.findings.map((finding) => ({ ...finding, place: `captures[${index}].${finding.place}` }))
}

const verdictFindings = (verdict: unknown, index: number): Finding[] => {
  const { entryId, inputs } = Object(verdict) as { entryId?: unknown; inputs?: unknown }
  const { candidate } = Object(inputs) as { candidate?: unknown }
  const { entryId: judged } = Object(candidate) as { entryId?: unknown }
  return typeof entryId === 'string' && judged === entryId
    ? []
    : [
        {
          place: `verdicts[${index}].inputs`,
          code: 'object',
          found: 'another',
          expected: 'the candidate it was judged for',
        },
      ]
}

const recordFindings = (record: unknown, index: number): Finding[] => {
  const { id, content } = Object(record) as Record<string, unknown>
  const parsed = parseDocument(RecordDocument, { id, content })
  return parsed.ok
    ? []
    : parsed.findings.map((finding) => ({ ...finding, place: `records[${index}].${finding.place}` }))
}
