/**
 * Archives of the first form, under a hash chain and without keys. They are read and proven as far as they can be, and no
 * longer written.
 */
import type { RecordedCapture } from '../capture/capture.ts'
import { timeBoundsOf } from '../day/dayBounds.ts'
import { brokenLinks, chainOf, headOf, withPlaces, type ChainItem } from '../day/chain.ts'
import type { DayRecordEntry } from '../day/record.ts'
import type { Finding } from '../document/finding.ts'
import { judgeDay } from '../judge/judgeDay.ts'
import type { Verdict } from '../judge/mark.ts'
import type { DayPlan } from '../plan/dayPlan.ts'
import { contentHash } from '../standard/contentHash.ts'
import { parseStandard } from '../standard/parseStandard.ts'
import type { Standard } from '../standard/standard.ts'
import { altered, formFindings, type ArchiveForm } from './archiveForm.ts'
import type {
  ArchivedAccount,
  ArchivedAmendment,
  ArchivedEntry,
  ArchivedOccasion,
  ArchivedPerson,
  VerdictInputs,
} from './archiveParts.ts'

export const CHAINED_FORMAT = 'able-gauge/day-archive/1'

const FORM: ArchiveForm = { format: CHAINED_FORMAT, lists: [], hashes: 'links', asSent: (part) => part }

interface ChainedVerdict {
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
const archiveItems = (archive: Unlinked): ChainItem[] => [
  { place: 'format', item: archive.format },
  { place: 'occasion', item: archive.occasion },
  { place: 'standard', item: archive.standard },
  { place: 'plan', item: archive.plan },
  ...withPlaces('accounts', archive.accounts),
  ...withPlaces('staff', archive.staff),
  ...withPlaces('people', archive.people),
  ...withPlaces('entries', archive.entries),
  ...signedItems(archive),
  { place: 'signOff', item: archive.signOff },
  ...withPlaces('amendments', archive.amendments),
]

/** What a head of the first form is made of, in whatever form it is read now. */
export interface ChainedParts {
  readonly captures: readonly object[]
  readonly records: readonly object[]
  readonly verdicts: readonly object[]
}

/** What the signature stands for: captures, the log up to the signature, and the verdicts. */
const signedItems = ({ captures, records, verdicts }: ChainedParts): ChainItem[] => [
  ...withPlaces('captures', captures),
  ...withPlaces('records', records),
  ...withPlaces('verdicts', verdicts),
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
  const form = formFindings(plain, FORM)
  if (form.length > 0) return { ok: false, findings: form }
  // the form was checked part by part
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
