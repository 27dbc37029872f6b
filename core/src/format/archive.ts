/**
 * A whole day as one open file: the standard it was judged by, who was there, every capture and entry of the log, verdicts,
 * signature and amendments. What is signed is the root of a tree with a leaf for each entry; texts and identities stand
 * beside it and can be erased. docs/formats/archive.md describes it.
 */
import type { RecordedCapture } from '../capture/capture.ts'
import type { CommittedText } from '../day/commitment.ts'
import { leafHash, merkleRoot, type Leaf } from '../day/merkle.ts'
import type { DayRecordEntry } from '../day/record.ts'
import { readStoredVerdict, type StoredVerdict } from '../judge/storedVerdict.ts'
import type { DayPlan } from '../plan/dayPlan.ts'
import { canonicalJson, contentHash } from '../standard/contentHash.ts'
import type { Standard } from '../standard/standard.ts'
import type {
  ArchivedAccount,
  ArchivedAmendment,
  ArchivedEntry,
  ArchivedOccasion,
  ArchivedPerson,
  VerdictInputs,
} from './archiveParts.ts'

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
  for (const item of items) {
    const group = groups.get(keyOf(item))
    if (group) group.push(item)
    else groups.set(keyOf(item), [item])
  }
  return groups
}

const leafHashes = (signed: Signed): string[] => dayLeaves(signed).map(leafHash)

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

/** Texts of an archive by their commitments. */
const textsOf = ({ texts }: Pick<DayArchive, 'texts'>): ((commit: string) => string | undefined) => {
  const known = new Map(texts.map(({ commit, text }) => [commit, text]))
  return (commit) => known.get(commit)
}

/** The verdicts of an archive with their texts. */
export const readVerdicts = (archive: Pick<DayArchive, 'verdicts' | 'texts'>) => {
  const textOf = textsOf(archive)
  return archive.verdicts.map(({ verdict, ...one }) => ({ ...one, verdict: readStoredVerdict(verdict, textOf) }))
}
