/** The data behind a report, as a table anybody can reckon with. */
import Papa from 'papaparse'
import type { InsightEvent } from '@able-gauge/core'
import type { ResultLine } from '../store/insight/behindStore.ts'

/**
 * A line for each result; of each event how it came out, its figure and its distance to the cut, in the unit named in the heading.
 * What was done in another form, or in place of an event, is named in `forms`; a figure in another unit than the event's is left out.
 */
export const printLines = (events: readonly InsightEvent[], lines: readonly ResultLine[]): string =>
  Papa.unparse(
    {
      fields: [
        ...['test_date', 'venue', 'unit', 'version', 'category', 'age', 'outcome', 'points', 'class', 'forms'],
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
        line.events.flatMap(({ eventId, form }) => (form === null ? [] : `${eventId}: ${form}`)).join(', '),
        ...events.flatMap(({ eventId, unit }) => {
          const event = line.events.find((one) => one.eventId === eventId)
          const isInUnit = event?.unit === unit
          return [event?.kind ?? '', isInUnit ? event.value : '', isInUnit ? event.margin : '']
        }),
      ]),
    },
    // a name that a spreadsheet would take for a formula stays a name
    { escapeFormulae: true },
  )
