/** A small day as an archive of the first form. */
import type { RecordedCapture } from '../src/capture/capture.ts'
import { NO_CHOICES } from '../src/day/entry.ts'
import { CHAINED_FORMAT, linkArchive, chainedHead, type ChainedArchive } from '../src/format/chainedArchive.ts'
import { judgeDay, type DayCandidate } from '../src/judge/judgeDay.ts'
import { contentHash } from '../src/standard/contentHash.ts'
import { standardNamed } from './standards.ts'

const standard = standardNamed('v3')
const ENTRY = '01890000-0000-7000-8000-0000000000aa'
const candidate: DayCandidate = {
  entryId: ENTRY,
  wave: 1,
  category: 'female',
  ageYears: 27,
  ageCountedOn: '2026-11-24',
}
const captures: RecordedCapture[] = ['started', 'counted', 'counted', 'stopped'].map((kind, index) => ({
  id: `01890000-0000-7000-8000-00000000000${index}`,
  eventId: 'press-ups',
  entryId: ENTRY,
  kind,
  payload: kind === 'stopped' ? { reason: 'ended' } : {},
  deviceId: 'tablet',
  deviceMs: index,
  atMs: 1_000_000 + index * 2_000,
  uncertaintyMs: 5,
  seq: index + 1,
  actorId: '01890000-0000-7000-8000-0000000000bb',
  receivedMs: 1_000_000 + index * 2_000,
})) as RecordedCapture[]
const verdict = judgeDay({ standard, testDate: '2026-11-24' }, [candidate], captures).get(ENTRY)
if (!verdict) throw new Error('Nobody was judged.')

/** A signed day with one candidate whose press-ups were too few, under version 3. */
export const chainedArchiveOfOne = (): ChainedArchive => {
  const verdicts = [
    {
      entryId: ENTRY,
      standardHash: contentHash(standard),
      inputs: { candidate, testDate: '2026-11-24', captures: [1, 2, 3, 4] },
      verdict,
    },
  ]
  const records = [
    {
      id: '01890000-0000-7000-8000-0000000000c1',
      seq: 1,
      actorId: candidate.entryId,
      atMs: 5,
      content: { kind: 'briefed' as const, eventIds: [] },
    },
  ]
  const accountId = '01890000-0000-7000-8000-0000000000bb'
  const plain = {
    format: CHAINED_FORMAT as typeof CHAINED_FORMAT,
    occasion: { id: ENTRY, name: 'Test day', venue: 'Track', zone: 'UTC', testDate: '2026-11-24' },
    standard,
    plan: null,
    accounts: [{ id: accountId, displayName: 'Joss Adair-Nakata', role: 'grader' }],
    staff: [{ accountId, duty: 'lane 1' }],
    people: [{ id: ENTRY, number: 'T-1', givenName: 'Tove', familyName: 'Okafor-Lind', birthDate: '1999-05-04' }],
    entries: [
      {
        id: ENTRY,
        personId: ENTRY,
        bib: 1,
        wave: 1,
        category: 'female',
        attendance: 'present' as const,
        note: '',
        bodyMassG: null,
        heightMm: null,
        gear: '',
        identityChecked: true,
        consented: true,
        choices: NO_CHOICES,
        setUp: {},
        revision: 1,
      },
    ],
    captures,
    records,
    verdicts,
    signOff: { accountId, atMs: 9, head: chainedHead({ captures, records, verdicts }) },
    amendments: [],
  }
  return JSON.parse(JSON.stringify(linkArchive(plain))) as ChainedArchive
}
