/**
 * A whole day as one open file: the standard it was judged by, who was there, every capture and entry of the log, verdicts,
 * signature and amendments. What is signed is the root of a tree with a leaf for each entry; texts and identities stand
 * beside it and can be erased. docs/formats/archive.md describes it.
 */
import { CaptureDocument, type RecordedCapture } from '../capture/capture.ts'
import { timeBoundsOf } from '../capture/timeBounds.ts'
import { commitmentsIn, commitmentTo, ERASED, joinTexts, type CommittedText } from '../day/commitment.ts'
import { leafHash, merkleRoot, type Leaf } from '../day/merkle.ts'
import { RecordDocument, type DayRecordEntry } from '../day/record.ts'
import { isAmendmentSignature, isDaySignature, keyFingerprint } from '../day/signature.ts'
import type { Finding } from '../document/finding.ts'
import { parseDocument } from '../document/parseDocument.ts'
import type { Verdict } from '../judge/mark.ts'
import { judgeDay } from '../judge/judgeDay.ts'
import { readStoredVerdict, storeVerdict, withTokens, type StoredVerdict } from '../judge/storedVerdict.ts'
import { DayPlan } from '../plan/dayPlan.ts'
import { canonicalJson, contentHash } from '../standard/contentHash.ts'
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
import { CHAINED_FORMAT, chainedHead, readChainedArchive, type ChainedArchive } from './chainedArchive.ts'

export const ARCHIVE_FORMAT = 'able-gauge/day-archive/2'

export interface ArchivedVerdict {
  readonly entryId: string
  readonly standardHash: string
  readonly inputs: VerdictInputs
  readonly verdict: StoredVerdict
}

/** An amendment as it is chained and signed: its reason a commitment. */
export interface SignedAmendment extends Omit<ArchivedAmendment, 'reason'> {
  readonly reason: unknown
  /** Hash of the amendment before, or the head of the day; empty for those of days without a key. */
  readonly before: string
  readonly signature: string
}

/** Who an entry or an account was when the day was signed, apart from what is signed. */
export interface ArchivedIdentity {
  readonly of: 'entry' | 'account'
  readonly id: string
  readonly commit: string
  /** Empty while the day is open, and once the person was erased. */
  readonly salt: string
}

export interface ArchivedSignature {
  readonly accountId: string
  readonly atMs: number
  readonly head: string
  /** Of the installation that signed; empty for days signed before installations had keys. */
  readonly publicKey: string
  readonly signature: string
}

/** Captures and records as they are stored: commitments in place of texts. */
export type StoredCapture = Omit<RecordedCapture, 'payload'> & { readonly payload: object }
export type StoredRecord = Omit<DayRecordEntry, 'actor' | 'content'> & { readonly content: object }

export interface DayArchive {
  readonly format: typeof ARCHIVE_FORMAT
  readonly occasion: ArchivedOccasion
  readonly standard: Standard
  readonly plan: DayPlan | null
  /** Everybody who worked, captured or signed. */
  readonly accounts: readonly ArchivedAccount[]
  readonly staff: readonly { readonly accountId: string; readonly duty: string }[]
  readonly people: readonly ArchivedPerson[]
  readonly entries: readonly ArchivedEntry[]
  readonly captures: readonly StoredCapture[]
  readonly records: readonly StoredRecord[]
  readonly verdicts: readonly ArchivedVerdict[]
  readonly identities: readonly ArchivedIdentity[]
  /** What was written; a text that was erased is left out. */
  readonly texts: readonly CommittedText[]
  readonly signOff: ArchivedSignature | null
  readonly amendments: readonly SignedAmendment[]
  /** Hash of each leaf of the tree, so that what was altered is found at its place. */
  readonly leaves: readonly string[]
  /** Hash of all of the file but this: what happened to it on its way is noticed, signed or not. */
  readonly seal: string
}

type Signed = Pick<
  DayArchive,
  'occasion' | 'standard' | 'plan' | 'staff' | 'entries' | 'captures' | 'records' | 'verdicts' | 'identities'
>

/** The text an identity commits to. */
export const identityText = (who: ArchivedPerson | ArchivedAccount): string =>
  'displayName' in who
    ? canonicalJson({ displayName: who.displayName, role: who.role })
    : canonicalJson({
        number: who.number,
        givenName: who.givenName,
        familyName: who.familyName,
        birthDate: who.birthDate,
      })

/**
 * The leaves of a day's tree: what belongs to the day, then one for each entry with everything about that person, so that one
 * result can be proven alone.
 */
export const dayLeaves = ({
  occasion,
  standard,
  plan,
  staff,
  entries,
  captures,
  records,
  verdicts,
  identities,
}: Signed): Leaf[] => {
  const commitOf = new Map(identities.map(({ of, id, commit }) => [`${of} ${id}`, commit]))
  const captured = groupBy(captures, ({ entryId }) => entryId ?? '')
  const recorded = groupBy(records, ({ content }) => ('entryId' in content ? String(content.entryId) : ''))
  const judged = new Map(verdicts.map((verdict) => [verdict.entryId, verdict]))
  return [
    { place: 'occasion', item: occasion },
    { place: 'standard', item: contentHash(standard) },
    { place: 'plan', item: plan },
    { place: 'staff', item: staff },
    {
      place: 'accounts',
      item: identities.filter(({ of }) => of === 'account').map(({ id: account, commit }) => ({ account, commit })),
    },
    { place: 'day', item: { captures: captured.get('') ?? [], records: recorded.get('') ?? [] } },
    ...[...entries].sort(byId).map((entry): Leaf => ({
      place: `entries.${entry.id}`,
      item: {
        entry: signedFacts(entry),
        identity: commitOf.get(`entry ${entry.id}`) ?? null,
        captures: captured.get(entry.id) ?? [],
        records: recorded.get(entry.id) ?? [],
        verdict: judged.get(entry.id) ?? null,
      },
    })),
  ]
}

/** Of an entry what a verdict can rest on; notes, gear and reasons stand apart, and a double may point elsewhere later. */
const signedFacts = ({
  note: _note,
  gear: _gear,
  personId: _person,
  choices: { reason: _reason, ...choices },
  ...facts
}: ArchivedEntry): object => ({ ...facts, choices })

const byId = (a: { readonly id: string }, b: { readonly id: string }): number =>
  a.id < b.id ? -1 : a.id > b.id ? 1 : 0

const groupBy = <Item>(items: readonly Item[], keyOf: (item: Item) => string): Map<string, Item[]> => {
  const groups = new Map<string, Item[]>()
  for (const item of items) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item])
  return groups
}

export const leafHashes = (signed: Signed): string[] => dayLeaves(signed).map(leafHash)

/** The hash a signature is made over. */
export const dayHead = (signed: Signed): string => merkleRoot(leafHashes(signed))

/** What the next amendment is chained to. */
export const amendmentHash = (amendment: SignedAmendment): string => contentHash(amendment)

export const sealArchive = (archive: Omit<DayArchive, 'leaves' | 'seal'>): DayArchive => {
  const whole = { ...archive, leaves: leafHashes(archive) }
  return { ...whole, seal: contentHash(whole) }
}

/** The archive in one line of canonical JSON: the same day is the same bytes. */
export const printArchive = (archive: DayArchive): string => `${canonicalJson(archive)}\n`

/**
 * What the signature proves. `signed`: by the key, which is known. `unknownKey`: by a key nobody vouches for. `noKey`: signed
 * before installations had keys. `open`: not signed at all.
 */
export type Proof =
  | { readonly kind: 'signed' | 'unknownKey'; readonly keyFingerprint: string; readonly publicKey: string }
  | { readonly kind: 'noKey' }
  | { readonly kind: 'open' }

export type ReadArchive =
  | { readonly ok: true; readonly archive: DayArchive; readonly proof: Proof }
  | { readonly ok: false; readonly findings: readonly Finding[] }

/**
 * Reads an archive and proves it: its form, its leaves, its texts and identities, the signatures, and that its captures give
 * its verdicts.
 * @param plain the result of JSON.parse
 * @param knownKeys public keys that are vouched for
 * @returns each place that is not what it was; or the archive with what its signature proves
 */
export const readArchive = (plain: unknown, knownKeys: readonly string[] = []): ReadArchive => {
  if (typeof plain === 'object' && plain !== null && 'format' in plain && plain.format === CHAINED_FORMAT) {
    const read = readChainedArchive(plain)
    if (!read.ok) return read
    const archive = fromChained(read.archive)
    return { ok: true, archive, proof: proofOf(archive, knownKeys) }
  }
  const shape = shapeFindings(plain)
  if (shape.length > 0) return { ok: false, findings: shape }
  // the shape was checked part by part
  const archive = plain as DayArchive
  const standard = parseStandard(archive.standard)
  const findings = [
    ...leafFindings(archive),
    ...textFindings(archive),
    ...identityFindings(archive),
    ...signatureFindings(archive),
    ...sealFindings(archive),
  ]
  // what is not even what it was is not judged
  if (findings.every(({ place }) => place.startsWith('signOff') || place === 'seal')) {
    findings.push(...(standard.ok ? judgedAgain(archive, standard.value) : standard.findings))
  }
  return findings.length > 0 ? { ok: false, findings } : { ok: true, archive, proof: proofOf(archive, knownKeys) }
}

/** An archive of the first form in today's: nothing stands apart, and no key signed it. */
const fromChained = ({ links: _links, ...first }: ChainedArchive): DayArchive =>
  sealArchive({
    ...first,
    format: ARCHIVE_FORMAT,
    // plain JSON in either form
    verdicts: first.verdicts as unknown as DayArchive['verdicts'],
    identities: [],
    texts: [],
    signOff: first.signOff && { ...first.signOff, publicKey: '', signature: '' },
    amendments: first.amendments.map((amendment) => ({ ...amendment, before: '', signature: '' })),
  })

const proofOf = ({ signOff }: DayArchive, knownKeys: readonly string[]): Proof => {
  if (!signOff) return { kind: 'open' }
  const { publicKey } = signOff
  if (publicKey === '') return { kind: 'noKey' }
  const kind = knownKeys.includes(publicKey) ? 'signed' : 'unknownKey'
  return { kind, publicKey, keyFingerprint: keyFingerprint(publicKey) }
}

const altered = (place: string, expected: string): Finding => ({
  place,
  code: 'altered',
  found: 'something else',
  expected,
})

const leafFindings = (archive: DayArchive): Finding[] => {
  const leaves = dayLeaves(archive)
  const wrong = leaves.filter((leaf, index) => leafHash(leaf) !== archive.leaves[index])
  return [
    ...wrong.map(({ place }) => altered(place, 'what its hash in the tree stands for')),
    ...(archive.leaves.length > leaves.length ? [altered(`leaves[${leaves.length}]`, 'no further leaf')] : []),
  ]
}

/** Every text is the one that was committed to, and belongs to something. */
const textFindings = ({ captures, records, verdicts, amendments, texts }: DayArchive): Finding[] => {
  const known = new Set(commitmentsIn([captures, records, verdicts, amendments]))
  return texts.flatMap(({ commit, salt, text }, index) =>
    known.has(commit) && commitmentTo(text, salt) === commit
      ? []
      : [altered(`texts[${index}]`, 'the text that was committed to')],
  )
}

/** Everybody who is named is who they were, unless they were erased. */
const identityFindings = ({ identities, people, accounts, entries }: DayArchive): Finding[] =>
  identities.flatMap(({ of, id, commit, salt }): Finding[] => {
    const personId = entries.find((entry) => entry.id === id)?.personId
    const index =
      of === 'account' ? accounts.findIndex((one) => one.id === id) : people.findIndex((one) => one.id === personId)
    const who = of === 'account' ? accounts[index] : people[index]
    const place = `${of === 'account' ? 'accounts' : 'people'}[${index}]`
    if (!who) return [altered(`identities.${id}`, 'somebody who is named')]
    if (salt === '' && 'givenName' in who && who.givenName === 'Erased') return []
    return commitmentTo(identityText(who), salt) === commit ? [] : [altered(place, 'who it was when it was signed')]
  })

const signatureFindings = (archive: DayArchive): Finding[] => {
  const { signOff, occasion, amendments } = archive
  if (!signOff) return amendments.length > 0 ? [altered('amendments', 'none without a signature')] : []
  const { head, accountId, atMs, publicKey, signature } = signOff
  // days signed before installations had keys keep the head they were signed with, the end of a chain
  const whole = publicKey === '' ? chainedHead(archive) : merkleRoot(archive.leaves)
  const findings = head === whole ? [] : [altered('signOff.head', 'the hash of what was signed')]
  if (publicKey === '') return findings
  if (!isDaySignature({ occasionId: occasion.id, head, accountId, atMs }, signature, publicKey)) {
    findings.push(altered('signOff.signature', 'a signature over the head by the key beside it'))
  }
  let before = head
  amendments.forEach((amendment, index) => {
    const { signature: signed, before: named, ...stored } = amendment
    const sound =
      named === before &&
      isAmendmentSignature({ occasionId: occasion.id, before, amendment: stored }, signed, publicKey)
    if (!sound) findings.push(altered(`amendments[${index}]`, 'an amendment signed after the one before it'))
    before = amendmentHash(amendment)
  })
  return findings
}

const sealFindings = ({ seal, ...whole }: DayArchive): Finding[] =>
  seal === contentHash(whole) ? [] : [altered('seal', 'the hash of the file')]

/** The verdicts once more, from the captures: a file whose hashes were all made anew after a change does not get through. */
const judgedAgain = ({ verdicts, captures, records, occasion }: DayArchive, standard: Standard): Finding[] => {
  const candidates = verdicts.map(({ inputs }) => inputs.candidate)
  const bounds = occasion.rehearsal
    ? null
    : timeBoundsOf({ ...occasion, rehearsal: null }, standard, records as readonly DayRecordEntry[])
  const again = judgeDay(
    { standard, testDate: occasion.testDate, bounds },
    candidates,
    captures.map((capture) => withTokens(capture) as RecordedCapture),
  )
  return verdicts.flatMap(({ entryId, verdict, standardHash }, index) => {
    const judged = again.get(entryId)
    return [
      ...(standardHash === contentHash(standard)
        ? []
        : [altered(`verdicts[${index}].standardHash`, 'the hash of the standard')]),
      ...(judged && contentHash(inFormOf(verdict, judged)) === contentHash(verdict)
        ? []
        : [altered(`verdicts[${index}].verdict`, 'what the captures give')]),
    ]
  })
}

/** A verdict as it is stored today, or with its sentences as verdicts were stored first. */
const inFormOf = ({ trace }: StoredVerdict, judged: Verdict): object =>
  Array.isArray(trace) && trace.some((step: unknown) => typeof step === 'object' && step !== null && 'sentence' in step)
    ? judged
    : storeVerdict(judged)

/** What of a signed day is not as it was signed, without judging it again. */
export const signedFindings = (archive: DayArchive): Finding[] => [
  ...leafFindings(archive),
  ...textFindings(archive),
  ...identityFindings(archive),
  ...signatureFindings(archive),
]

/** What the signature of an archive proves. @param knownKeys public keys that are vouched for */
export const provenBy = (archive: DayArchive, knownKeys: readonly string[]): Proof => proofOf(archive, knownKeys)

/** Texts of an archive by their commitments. */
export const textsOf = ({ texts }: Pick<DayArchive, 'texts'>): ((commit: string) => string | undefined) => {
  const known = new Map(texts.map(({ commit, text }) => [commit, text]))
  return (commit) => known.get(commit)
}

/** The verdicts of an archive with their sentences. */
export const readVerdicts = (archive: Pick<DayArchive, 'verdicts' | 'texts'>) => {
  const textOf = textsOf(archive)
  return archive.verdicts.map(({ verdict, ...one }) => ({ ...one, verdict: readStoredVerdict(verdict, textOf) }))
}

const HASH = /^[0-9a-f]{64}$/

const LISTS = [
  'accounts',
  'staff',
  'people',
  'entries',
  'captures',
  'records',
  'verdicts',
  'identities',
  'texts',
  'amendments',
  'leaves',
] as const

const shapeFindings = (plain: unknown): Finding[] => {
  if (typeof plain !== 'object' || plain === null) {
    return [{ place: '', code: 'object', found: String(plain), expected: 'a day archive' }]
  }
  const parts = new Map<string, unknown>(Object.entries(plain))
  if (parts.get('format') !== ARCHIVE_FORMAT) {
    return [{ place: 'format', code: 'format', found: String(parts.get('format')), expected: ARCHIVE_FORMAT }]
  }
  const lists = LISTS.filter((name) => !isListOfObjects(parts.get(name), name === 'leaves' ? 'string' : 'object'))
  const objects = ['occasion', 'standard'].filter(
    (name) => typeof parts.get(name) !== 'object' || parts.get(name) === null,
  )
  // what is not there is written as null, so that nothing can be left out unseen
  const absent = ['plan', 'signOff'].filter((name) => typeof parts.get(name) !== 'object')
  const seal = typeof parts.get('seal') === 'string' ? [] : ['seal']
  const missing = [
    ...lists.map((place) => ({ place, code: 'list', found: 'nothing', expected: 'a list' })),
    ...objects.map((place) => ({ place, code: 'object', found: 'nothing', expected: 'an object' })),
    ...absent.map((place) => ({ place, code: 'object', found: 'nothing', expected: 'an object, or null' })),
    ...seal.map((place) => ({ place, code: 'text', found: 'nothing', expected: 'a hash' })),
  ]
  if (missing.length > 0) return missing
  const { entries, verdicts, leaves, signOff } = plain as Pick<
    DayArchive,
    'entries' | 'verdicts' | 'leaves' | 'signOff'
  >
  const noHash = leaves.findIndex((hash) => !HASH.test(hash))
  if (noHash >= 0) return [altered(`leaves[${noHash}]`, 'a hash')]
  if (signOff && signOff.publicKey !== '' && !HASH.test(signOff.publicKey)) {
    return [altered('signOff.publicKey', 'an Ed25519 key')]
  }
  return [
    ...planFindings(parts.get('plan')),
    ...entries.flatMap(({ choices }, index) =>
      typeof choices === 'object' && choices !== null
        ? []
        : [{ place: `entries[${index}].choices`, code: 'object', found: 'nothing', expected: 'an object' }],
    ),
    ...(parts.get('captures') as unknown[]).flatMap(captureFindings),
    ...(parts.get('records') as unknown[]).flatMap(recordFindings),
    ...verdicts.flatMap(verdictFindings),
  ]
}

const isListOfObjects = (value: unknown, type: 'object' | 'string'): boolean =>
  Array.isArray(value) && value.every((item: unknown) => typeof item === type && item !== null)

const planFindings = (plan: unknown): Finding[] => {
  if (plan === null) return []
  const parsed = parseDocument(DayPlan, plan)
  return parsed.ok ? [] : parsed.findings.map((finding) => ({ ...finding, place: `plan.${finding.place}` }))
}

const SERVERS: ReadonlySet<string> = new Set(['seq', 'actorId', 'receivedMs', 'sentBy'])

const captureFindings = (capture: unknown, index: number): Finding[] => {
  // what the server added is no part of what a device sends
  const sent = Object.entries(Object(capture) as object).filter(
    ([name, value]) => !SERVERS.has(name) && !(name === 'entryId' && value === null),
  )
  const parsed = parseDocument(
    CaptureDocument,
    joinTexts(Object.fromEntries(sent) as object, () => ERASED),
  )
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
  const parsed = parseDocument(
    RecordDocument,
    joinTexts({ id, content }, () => ERASED),
  )
  return parsed.ok
    ? []
    : parsed.findings.map((finding) => ({ ...finding, place: `records[${index}].${finding.place}` }))
}
