import { recordsOf, type DayRecordEntry } from './record.ts'

/** Steps of the server's wall clock as the day's log keeps them. */
export const clockSteps = (records: readonly DayRecordEntry[]) =>
  recordsOf(records, 'clockStepped').map(({ atMs, content: { byMs } }) => ({ atMs, byMs }))
