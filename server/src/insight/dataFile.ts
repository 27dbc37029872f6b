/** The data behind a report, as a table anybody can reckon with. */
import Papa from 'papaparse'
import type { InsightEvent } from '@able-gauge/core'
import type { ResultLine } from '../store/insight/behindStore.ts'

/** A line for each result; of each event how it came out, its figure and its distance to the cut, in the unit named in the heading. */
export const printLines = (events: readonly InsightEvent[], lines: readonly ResultLine[]): string =>
  Papa.unparse(
    {
      fields: [
        ...['test_date', 'venue', 'unit', 'version', 'category', 'age', 'outcome', 'points', 'class'],
        ...events.flatMap(({ eventId, unit }) => [eventId, `${eventId}_${unit}`, `${eventId}_margin`]),
      ],
      data: lines.map((line) => [
        line.testDate,
        line.venue,
        line.unit,
        line.version,
        line.category,
        line.ageYears,
        line.outcome,
        line.centipoints === null ? '' : line.centipoints / 100,
        line.className ?? '',
        ...events.flatMap(({ eventId }) => {
          const event = line.events.find((one) => one.eventId === eventId)
          return [event?.kind ?? '', event?.value ?? '', event?.margin ?? '']
        }),
      ]),
    },
    // a name that a spreadsheet would take for a formula stays a name
    { escapeFormulae: true },
  )
