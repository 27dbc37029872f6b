/** How people change in an event, and how large a change has to be to be one. */
import type { EventQuery, NoiseAnswer, ProgressAnswer } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { listChanges, listYears } from '../store/insight/behindStore.ts'
import { measuredIn, type Asked } from './chosenIn.ts'
import { smallestChangeIn } from './repeats.ts'

/** An event year by year, and each person in it; of the first event where none is named. */
export const progressOf = async (
  db: Database,
  { chosen, standard, query }: Asked<EventQuery>,
): Promise<ProgressAnswer> => {
  const events = standard ? measuredIn(standard) : []
  const event = events.find(({ eventId }) => eventId === query.event) ?? events[0] ?? null
  if (!chosen || !event) return { events, event: null, people: 0, changes: [], years: [] }
  const [changed, years] = await Promise.all([
    listChanges(db, chosen, event.eventId),
    listYears(db, chosen, event.eventId),
  ])
  return { events, event, ...changed, years }
}

/** Of everybody, whoever asks: how far a figure wanders is no secret of a unit. */
export const noiseOf = async (db: Database, { chosen, standard, query }: Asked<EventQuery>): Promise<NoiseAnswer> => {
  if (!chosen || !standard) return { noise: [] }
  const events = measuredIn(standard).filter(({ eventId }) => query.event === undefined || query.event === eventId)
  const noise = await Promise.all(
    events.map(async ({ eventId }) => ({
      eventId,
      smallestRealChange: await smallestChangeIn(db, { ...chosen, unitIds: null }, eventId),
    })),
  )
  return { noise }
}
