/** Which moments a day can hold. */
import { startOfDayMs } from '../clock/calendarDate.ts'
import { dateAfter } from '../clock/dates.ts'
import type { TimeBounds, TimeSpan } from '../capture/timeBounds.ts'
import type { Standard } from '../standard/standard.ts'
import type { Occasion } from './occasion.ts'
import type { DayRecordEntry } from './record.ts'

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

const spanOf = (date: string, further: number, zone: string): TimeSpan => ({
  fromMs: startOfDayMs(date, zone),
  beforeMs: startOfDayMs(dateAfter(date, further + 1), zone),
})
