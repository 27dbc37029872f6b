/** Captures -> measure: hands the captures of one candidate to the reducer of the event's kind. */
import type { StandardEvent } from '../standard/standard.ts'
import type { Capture } from './capture.ts'
import type { Measure } from './measure.ts'
import { readingsIn, reduceReadings } from './reduceReadings.ts'
import { reduceRepetitions } from './reduceRepetitions.ts'
import { reduceTimedDistance, startOf, waveStarts, withEnteredTimes } from './reduceTimedDistance.ts'

/** The candidate as the reducers need to know them. */
export interface EntryInEvent {
  readonly entryId: string
  readonly wave: number
}

/**
 * Measures one candidate in one event.
 * @param settled the event's settled captures, of everybody
 */
export const measureEntry = (event: StandardEvent, entry: EntryInEvent, settled: readonly Capture[]): Measure => {
  const own = settled.filter(({ entryId }) => entryId === entry.entryId)
  switch (event.protocol.kind) {
    case 'repetitionsInTime':
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return hasFigures(own) ? reduceReadings(event.protocol, own) : reduceRepetitions(event.protocol, own)
    case 'timedDistance': {
      const start = startOf(entry, waveStarts(settled), own)
      if (!hasFigures(own)) return reduceTimedDistance(event.protocol, start, own)
      return withEnteredTimes(event.protocol, start, own, readingsIn(own)) ?? reduceReadings(event.protocol, own)
    }
    default:
      return reduceReadings(event.protocol, own, startOf(entry, waveStarts(settled), own))
  }
}

/** A figure from a card takes the place of what was counted or stamped in its slot. */
const hasFigures = (own: readonly Capture[]): boolean => own.some(({ kind }) => kind === 'read')

/**
 * Measures everybody in one event, going through the captures once.
 * @param eventFor the event itself, or the alternate a candidate does in its place
 */
export const measureEvent = <Entry extends EntryInEvent>(
  eventFor: (entry: Entry) => StandardEvent,
  entries: readonly Entry[],
  settled: readonly Capture[],
): Map<string, Measure> => {
  const byEntry = new Map<string, Capture[]>()
  for (const capture of settled) {
    if (capture.entryId === null) continue
    const own = byEntry.get(capture.entryId)
    if (own) own.push(capture)
    else byEntry.set(capture.entryId, [capture])
  }
  const common = settled.filter(({ entryId }) => entryId === null)
  return new Map(
    entries.map((entry) => [
      entry.entryId,
      measureEntry(eventFor(entry), entry, [...common, ...(byEntry.get(entry.entryId) ?? [])]),
    ]),
  )
}
