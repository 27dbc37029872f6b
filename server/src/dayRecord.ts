/** A day as the judge sees it: its standard, its candidates, its captures. */
import {
  ageOn,
  ageReferenceDate,
  chosenFor,
  timeBoundsOf,
  type DayCandidate,
  type Terms,
  type Occasion,
  type Standard,
} from '@able-gauge/core'
import type { Database } from './database.ts'
import { listEntries, type Entry } from './store/entryStore.ts'
import { listRecords } from './store/recordStore.ts'
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
export const termsOf = async (db: Database, occasion: Occasion, standard: Standard): Promise<Terms> => ({
  standard,
  testDate: occasion.testDate,
  bounds: timeBoundsOf(occasion, standard, await listRecords(db, occasion.id)),
})
