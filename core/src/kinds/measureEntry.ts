/** Captures -> measure: hands the captures of one candidate to the reducer of the event's kind. */
import type { Capture } from '../capture/capture.ts'
import { kindOf } from './kinds.ts'
import type { Measure } from './measure.ts'
import { reduceReadings } from './reduceReadings.ts'
import type { PublishedProtocol } from './slots.ts'
import { startOf, waveStarts } from './waveStart.ts'

/** What measuring has to know of an event. */
export type MeasuredEvent = Pick<PublishedProtocol, 'protocol'>

/** The candidate as the reducers need to know them. */
export interface EntryInEvent {
  readonly entryId: string
  readonly wave: number
}

/**
 * Measures one candidate in one event.
 * @param settled the event's settled captures, of everybody
 */
export const measureEntry = (event: MeasuredEvent, entry: EntryInEvent, settled: readonly Capture[]): Measure => {
  const own = settled.filter(({ entryId }) => entryId === entry.entryId)
  const { protocol } = event
  const start = startOf(entry, waveStarts(settled), own)
  return kindOf(protocol).measureCaptures?.(protocol, own, start) ?? reduceReadings(protocol, own, start)
}

/**
 * Measures everybody in one event, going through the captures once.
 * @param eventFor the event itself, or the alternate a candidate does in its place
 */
export const measureEvent = <Entry extends EntryInEvent>(
  eventFor: (entry: Entry) => MeasuredEvent,
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
