/** Days as the server last told them, kept on this device so that they open without a network. */
import type { OccasionSummary, RecordedCapture } from '@able-gauge/core'
import type { Day } from '../day/day.ts'
import { database, putAll, writing } from './database.ts'

/** What a day kept by an older version of the application lacks. */
const ADDED_SINCE: Pick<Day, 'testedBefore' | 'unitsOf' | 'earlierFigures' | 'bounds'> = {
  testedBefore: {},
  unitsOf: {},
  earlierFigures: {},
  bounds: null,
}

/** A disk that is full or refused must not stop a day that has a network. */
const tolerant = async (work: () => Promise<unknown>): Promise<void> => {
  try {
    await work()
  } catch (error) {
    console.error('The day cannot be kept on the disk of this device.', error)
  }
}

export const keepDay = (day: Day, accountId: string): Promise<void> =>
  tolerant(() => {
    // plain data: what is kept must not be the page's own reactive object
    const plain = JSON.parse(JSON.stringify(day)) as Day
    return putAll('days', [{ occasionId: day.occasion.id, accountId, day: plain, keptMs: Date.now() }])
  })

/** Captures are added as they come; a day that is read from its beginning replaces what was kept of it. */
export const keepRecorded = (
  occasionId: string,
  captures: readonly RecordedCapture[],
  fromTheBeginning: boolean,
): Promise<void> =>
  tolerant(async () => {
    const transaction = await writing('recorded')
    const before = fromTheBeginning ? await transaction.store.index('occasionId').getAllKeys(occasionId) : []
    await Promise.all([
      ...before.map((id) => transaction.store.delete(id)),
      ...captures.map((capture) => transaction.store.put({ id: capture.id, occasionId, capture })),
      transaction.done,
    ])
  })

/** What is kept of a day for an account, or null. */
export const findKeptDay = async (
  occasionId: string,
  accountId: string,
): Promise<{ day: Day; captures: RecordedCapture[]; keptMs: number } | null> => {
  try {
    const db = await database()
    const kept = await db.get('days', occasionId)
    if (kept?.accountId !== accountId) return null
    const recorded = await db.getAllFromIndex('recorded', 'occasionId', occasionId)
    return {
      day: { ...ADDED_SINCE, ...kept.day },
      keptMs: kept.keptMs,
      captures: recorded.map(({ capture }) => capture),
    }
  } catch (error) {
    console.error('What was kept of the day cannot be read.', error)
    return null
  }
}

/** Days this account can open without a network, in the form of the list of days. */
export const listKeptDays = async (accountId: string): Promise<OccasionSummary[]> => {
  const all = await (await database()).getAll('days')
  const kept = all.filter((one) => one.accountId === accountId)
  return kept.map(({ day: { occasion, standard, entries } }) => ({
    ...occasion,
    standardName: standard.name,
    organisation: standard.organisation,
    entries: entries.length,
    present: entries.filter(({ attendance }) => attendance === 'present').length,
    captures: 0,
  }))
}

/** When somebody signs out, what they could see leaves the device; captures that still wait do not. */
export const forgetKeptDays = (): Promise<void> =>
  tolerant(async () => {
    const db = await database()
    await Promise.all([db.clear('days'), db.clear('recorded')])
  })
