/** What was measured on signed-off days under one version: for comparing it with another. */
import { exactOf, measuredAs, measureEvent, settleCaptures, type PastMeasure, type PastResult } from '@able-gauge/core'
import type { Database } from './database.ts'
import { termsOf, readDay } from './dayRecord.ts'
import { findAllCaptures } from './store/captureStore.ts'
import { listSignedDays } from './store/occasionStore.ts'

/** Every person of every signed-off day under the version, without names. */
export const pastResultsUnder = async (db: Database, standardId: string, version: number): Promise<PastResult[]> => {
  const results: PastResult[] = []
  for (const occasion of await listSignedDays(db, standardId, version)) {
    const { published, entries } = await readDay(db, occasion)
    const { bounds } = await termsOf(db, occasion, published.standard)
    const captures = await findAllCaptures(db, occasion.id)
    const people = entries.map(({ id, wave, category }) => ({ entryId: id, wave, category }))
    const measures = published.standard.events.map((event) => ({
      event,
      byEntry: measureEvent(
        event,
        people,
        settleCaptures(
          captures.filter(({ eventId }) => eventId === event.id),
          bounds,
        ),
        // as it was signed
        occasion.signedOff?.atMs ?? null,
      ),
    }))
    for (const { id, person, category, bodyMassG } of entries) {
      const own: Record<string, PastMeasure> = {}
      for (const { event, byEntry } of measures) {
        const measure = byEntry.get(id)
        if (measure?.kind === 'complete') own[event.id] = measuredAs(exactOf(measure))
        else if (measure?.kind === 'ended') own[event.id] = { ended: measure.reason }
      }
      results.push({
        key: `${person.number}, ${occasion.testDate}`,
        birthDate: person.birthDate,
        testDate: occasion.testDate,
        category,
        ...(bodyMassG === null ? {} : { bodyMassG }),
        measures: own,
      })
    }
  }
  return results
}
