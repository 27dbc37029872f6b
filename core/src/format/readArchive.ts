/** Reads an archive of any form and proves it. docs/formats/archive.md says what is looked at. */
import type { RecordedCapture } from '../capture/capture.ts'
import { timeBoundsOf } from '../day/dayBounds.ts'
import { commitmentsIn, commitmentTo, ERASED, joinTexts } from '../day/commitment.ts'
import { leafHash, merkleRoot } from '../day/merkle.ts'
import type { DayRecordEntry } from '../day/record.ts'
import { isAmendmentSignature, isDaySignature, keyFingerprint } from '../day/signature.ts'
import type { Finding } from '../document/finding.ts'
import { judgeDay } from '../judge/judgeDay.ts'
import { judgedOtherwise, type JudgedOtherwise } from '../judge/judgedOtherwise.ts'
import { JUDGE_VERSION } from '../judge/judgeVersion.ts'
import type { Verdict } from '../judge/mark.ts'
import { storeVerdict, withTokens, type StoredVerdict } from '../judge/storedVerdict.ts'
import { contentHash } from '../standard/contentHash.ts'
import { parseStandard } from '../standard/parseStandard.ts'
import type { Standard } from '../standard/standard.ts'
import { verdictInWords } from '../words/verdictInWords.ts'
import { amendmentHash, ARCHIVE_FORMAT, dayLeaves, identityText, sealArchive, type DayArchive } from './archive.ts'
import { altered, formFindings, type ArchiveForm } from './archiveForm.ts'
import { CHAINED_FORMAT, chainedHead, readChainedArchive, type ChainedArchive } from './chainedArchive.ts'

/**
 * What the signature proves. `signed`: by the key, which is known. `unknownKey`: by a key nobody vouches for. `noKey`: signed
 * before installations had keys. `open`: not signed at all.
 */
export type Proof =
  | { readonly kind: 'signed' | 'unknownKey'; readonly keyFingerprint: string; readonly publicKey: string }
  | { readonly kind: 'noKey' }
  | { readonly kind: 'open' }

export type ReadArchive =
  | {
      readonly ok: true
      readonly archive: DayArchive
      readonly proof: Proof
      /** Verdicts signed under an older version of the judge that today's would give otherwise. They stand as they were signed. */
      readonly differences: readonly JudgedOtherwise[]
    }
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
    return { ok: true, archive, proof: provenBy(archive, knownKeys), differences: [] }
  }
  const form = formFindings(plain, FORM)
  if (form.length === 0) form.push(...signableFindings(plain as DayArchive))
  if (form.length > 0) return { ok: false, findings: form }
  // the form was checked part by part
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
  const isAsItWas = findings.every(({ place }) => place.startsWith('signOff') || place === 'seal')
  const again = isAsItWas && standard.ok ? judgedAgain(archive, standard.value) : NOT_JUDGED
  if (isAsItWas) findings.push(...(standard.ok ? again.findings : standard.findings))
  return findings.length > 0
    ? { ok: false, findings }
    : { ok: true, archive, proof: provenBy(archive, knownKeys), differences: again.differences }
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

/** What the signature of an archive proves. @param knownKeys public keys that are vouched for */
export const provenBy = ({ signOff }: DayArchive, knownKeys: readonly string[]): Proof => {
  if (!signOff) return { kind: 'open' }
  const { publicKey } = signOff
  if (publicKey === '') return { kind: 'noKey' }
  const kind = knownKeys.includes(publicKey) ? 'signed' : 'unknownKey'
  return { kind, publicKey, keyFingerprint: keyFingerprint(publicKey) }
}

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

interface JudgedAgain {
  readonly findings: readonly Finding[]
  readonly differences: readonly JudgedOtherwise[]
}

const NOT_JUDGED: JudgedAgain = { findings: [], differences: [] }

/**
 * The verdicts once more, from the captures: a file whose hashes were all made anew after a change does not get through. Where an
 * older judge gave a verdict and a key signed it, it is told and stands.
 */
const judgedAgain = (
  { verdicts, captures, records, occasion, signOff }: DayArchive,
  standard: Standard,
): JudgedAgain => {
  const candidates = verdicts.map(({ inputs }) => inputs.candidate)
  const bounds = occasion.rehearsal
    ? null
    : timeBoundsOf({ ...occasion, rehearsal: null }, standard, records as readonly DayRecordEntry[])
  const again = judgeDay(
    { standard, testDate: occasion.testDate, bounds, asOfMs: occasion.rehearsal ? null : (signOff?.atMs ?? null) },
    candidates,
    captures.map((capture) => withTokens(capture) as RecordedCapture),
  )
  const findings: Finding[] = []
  const differences: JudgedOtherwise[] = []
  for (const [index, { entryId, verdict, standardHash, inputs }] of verdicts.entries()) {
    const place = `verdicts[${index}].verdict`
    if (standardHash !== contentHash(standard)) {
      findings.push(altered(`verdicts[${index}].standardHash`, 'the hash of the standard'))
    }
    const judged = again.get(entryId)
    if (judged && contentHash(inFormOf(verdict, judged)) === contentHash(verdict)) continue
    const isOlder = signOff !== null && signOff.publicKey !== '' && (inputs.judge ?? 1) < JUDGE_VERSION
    const differs = judged && isOlder ? judgedOtherwise(entryId, verdict, judged) : null
    if (differs) differences.push(differs)
    if (judged && isOlder) continue
    findings.push(altered(place, 'what the captures give'))
  }
  return { findings, differences }
}

/** A verdict as it is stored today, or with its sentences as verdicts were stored first. */
const inFormOf = ({ trace }: StoredVerdict, judged: Verdict): object =>
  Array.isArray(trace) && trace.some((step: unknown) => typeof step === 'object' && step !== null && 'sentence' in step)
    ? verdictInWords(judged)
    : storeVerdict(judged)

/** What of a signed day is not as it was signed, without judging it again. */
/** Verdicts of a signed day that today's judge would give otherwise; none where today's judge signed it. */
export const differencesFromToday = (archive: DayArchive): readonly JudgedOtherwise[] => {
  const isOlder = archive.verdicts.some(({ inputs }) => (inputs.judge ?? 1) < JUDGE_VERSION)
  const standard = isOlder ? parseStandard(archive.standard) : null
  return standard?.ok ? judgedAgain(archive, standard.value).differences : []
}

export const signedFindings = (archive: DayArchive): Finding[] => [
  ...leafFindings(archive),
  ...textFindings(archive),
  ...identityFindings(archive),
  ...signatureFindings(archive),
]

const HASH = /^[0-9a-f]{64}$/

const FORM: ArchiveForm = {
  format: ARCHIVE_FORMAT,
  lists: ['identities', 'texts'],
  hashes: 'leaves',
  asSent: (part) => joinTexts(part, () => ERASED),
}

/** Whether what is hashed and signed can be at all. */
const signableFindings = ({ seal, leaves, signOff, entries }: DayArchive): Finding[] => {
  if (typeof seal !== 'string') return [{ place: 'seal', code: 'text', found: 'nothing', expected: 'a hash' }]
  const noHash = leaves.findIndex((hash) => !HASH.test(hash))
  if (noHash >= 0) return [altered(`leaves[${noHash}]`, 'a hash')]
  if (signOff && signOff.publicKey !== '' && !HASH.test(signOff.publicKey)) {
    return [altered('signOff.publicKey', 'an Ed25519 key')]
  }
  return entries.flatMap(({ choices }: { readonly choices: unknown }, index) =>
    typeof choices === 'object' && choices !== null
      ? []
      : [{ place: `entries[${index}].choices`, code: 'object', found: 'nothing', expected: 'an object' }],
  )
}
