/** Which moments a day can hold, and what its log says of the server's clock. */
import { Temporal } from 'temporal-polyfill'
import type { TimeBounds, TimeSpan } from '../capture/timeBounds.ts'
import type { Standard } from '../standard/standard.ts'
import type { Occasion } from './occasion.ts'
import { recordsOf, type DayRecordEntry } from './record.ts'

/**
 * The days of an occasion in the zone of its venue, with those an officer opened it on besides.
 * @returns null for a rehearsal, whose time runs as fast as it likes
 */
export const timeBoundsOf = (
  { testDate, zone, rehearsal }: Pick<Occasion, 'testDate' | 'zone' | 'rehearsal'>,
  { occasionDays = 0 }: Pick<Standard, 'occasionDays'>,
  records: readonly Pick<DayRecordEntry, 'content'>[],
): TimeBounds | null => {
  if (rehearsal) return null
  const opened = records.flatMap(({ content }) => (content.kind === 'dayOpened' ? [content.date] : []))
  return [spanOf(testDate, occasionDays, zone), ...opened.map((date) => spanOf(date, 0, zone))]
}

const spanOf = (date: string, further: number, zone: string): TimeSpan => {
  const first = Temporal.PlainDate.from(date)
  const startOf = (day: Temporal.PlainDate): number => day.toZonedDateTime({ timeZone: zone }).epochMilliseconds
  return { fromMs: startOf(first), beforeMs: startOf(first.add({ days: further + 1 })) }
}

/** Steps of the server's wall clock as the day's log keeps them. */
export const clockSteps = (records: readonly DayRecordEntry[]) =>
  recordsOf(records, 'clockStepped').map(({ atMs, content: { byMs } }) => ({ atMs, byMs }))
