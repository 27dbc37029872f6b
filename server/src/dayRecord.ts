/** A day as the judge sees it: its standard, its candidates, its captures. */
import {
  ageOn,
  ageReferenceDate,
  chosenFor,
  judgeDay,
  markEvent,
  restBoard,
  settle,
  timeBoundsOf,
  type DayCandidate,
  type JudgedOn,
  type Occasion,
  type RecordedCapture,
  type RestState,
  type Standard,
  type Verdict,
} from '@able-gauge/core'
import type { Database } from './database.ts'
import { findAllCaptures } from './store/captureStore.ts'
import { listEntries, type Entry } from './store/entryStore.ts'
import { listRecords } from './store/recordStore.ts'
import type { VerdictSnapshot } from './store/signOffStore.ts'
import { getStandard, type PublishedStandard } from './store/standardStore.ts'

export interface DayRecord {
  readonly occasion: Occasion
  readonly published: PublishedStandard
  readonly entries: readonly Entry[]
}

export const readDay = async (db: Database, occasion: Occasion): Promise<DayRecord> => {
  const [published, entries] = [
    await getStandard(db, occasion.standardId, occasion.standardVersion),
    await listEntries(db, occasion.id),
  ]
  return { occasion, published, entries }
}

/** The candidate of an entry, with the age counted by the standard's own rule. */
export const candidateOf = ({ ageRule }: Standard, testDate: string, entry: Entry): DayCandidate => {
  const ageCountedOn = ageReferenceDate(ageRule, testDate)
  const ageYears = ageOn(entry.person.birthDate, ageCountedOn, ageRule.leapDayBirthday)
  const { id, wave, category } = entry
  return { entryId: id, wave, category, ageYears, ageCountedOn, ...chosenFor(entry) }
}

/** What the marks of a day are judged by. */
export const groundOf = async (db: Database, occasion: Occasion, standard: Standard): Promise<JudgedOn> => ({
  standard,
  testDate: occasion.testDate,
  bounds: timeBoundsOf(occasion, standard, await listRecords(db, occasion.id)),
})

/** Where everybody is between events, as a screen that has the whole day works it out. */
export const restsOf = async (db: Database, day: DayRecord, nowMs: number): Promise<Record<string, RestState>> => {
  const { occasion, published, entries } = day
  const on = await groundOf(db, occasion, published.standard)
  const { candidates, captures, verdicts } = await judgeRecord(db, day)
  const events = published.standard.events.map((event) => {
    const settled = settle(
      captures.filter(({ eventId }) => eventId === event.id),
      on.bounds,
    )
    return { event, settled, marks: markEvent(on, event, candidates, settled) }
  })
  const here = entries.filter(({ attendance }) => attendance === 'present').map(({ id }) => id)
  const out = new Set(here.filter((id) => ['withdrawn', 'disqualified'].includes(verdicts.get(id)?.outcome ?? '')))
  return Object.fromEntries(restBoard(events, here, out, nowMs))
}

export interface JudgedDay {
  readonly candidates: readonly DayCandidate[]
  readonly captures: readonly RecordedCapture[]
  readonly verdicts: ReadonlyMap<string, Verdict>
}

/** Judges a day from its captures as they are on record now. */
export const judgeRecord = async (db: Database, { occasion, published, entries }: DayRecord): Promise<JudgedDay> => {
  const on = await groundOf(db, occasion, published.standard)
  const candidates = entries.map((entry) => candidateOf(published.standard, occasion.testDate, entry))
  const captures = await findAllCaptures(db, occasion.id)
  return { candidates, captures, verdicts: judgeDay(on, candidates, captures) }
}

/** What is kept of each verdict: the standard's hash, all it was judged from, and the verdict with its trace. */
export const snapshotsOf = (
  { published, occasion }: DayRecord,
  { candidates, captures, verdicts }: JudgedDay,
): VerdictSnapshot[] =>
  candidates.flatMap((candidate) => {
    const verdict = verdicts.get(candidate.entryId)
    const seqs = captures
      .filter(({ entryId }) => entryId === null || entryId === candidate.entryId)
      .map(({ seq }) => seq)
    const inputs = { candidate, testDate: occasion.testDate, captures: seqs }
    return verdict ? [{ entryId: candidate.entryId, standardHash: published.contentHash, inputs, verdict }] : []
  })
