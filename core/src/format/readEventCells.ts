/** The cells of one event in a results file -> measure. */
import type { EndReason, Measure } from '../capture/measure.ts'
import { measureReadings } from '../capture/measureReadings.ts'
import { slotsOf, type Readings } from '../capture/slots.ts'
import { factsOf } from '../protocol/eventKind.ts'
import { exampleOf, parseField, type FieldForm } from '../quantity/field.ts'
import type { StandardEvent } from '../standard/standard.ts'

export interface WrongCell {
  readonly column: string
  readonly expected: string
}

export type ReadCells =
  { readonly ok: true; readonly measure: Measure } | { readonly ok: false; readonly wrong: readonly WrongCell[] }

/** What a cell may hold in place of a figure. */
export const ENDS: Readonly<Record<string, EndReason>> = {
  'did not finish': 'didNotFinish',
  failed: 'failed',
  'safety breach': 'breach',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
  safety: 'safety',
}

/** The column of a slot: `grip.left-1`. */
export const slotColumn = (eventId: string, slot: string): string => `${eventId}.${slot}`

/**
 * Reads an event's cells: the result as one figure in the column of the event, or each reading in a column of its own.
 * @param eventId of the battery, by which columns are named
 * @param event that was done, an alternate perhaps
 * @param cell the trimmed text of a column, '' when there is none
 */
export const readEventCells = (eventId: string, event: StandardEvent, cell: (column: string) => string): ReadCells => {
  const { protocol } = event
  const text = cell(eventId)
  const slots = slotsOf(protocol)
  const form = resultForm(event)
  if (text !== '') {
    const reason = ENDS[text.toLowerCase()]
    if (reason) return measured({ kind: 'ended', reason, soFar: 0, unit: form.unit, notes: [] })
    const only = slots.length === 1 ? slots[0] : undefined
    const read = parseField(text, only ?? form)
    if (!read.ok) return refusedCell(eventId, only ?? form)
    return only ? measured(measureReadings(protocol, { [only.id]: read.value })) : measured(resultOf(form, read.value))
  }
  const readings: Record<string, number> = {}
  const wrong: WrongCell[] = []
  for (const slot of slots) {
    const column = slotColumn(eventId, slot.id)
    if (cell(column) === '') continue
    const read = parseField(cell(column), slot)
    if (read.ok) readings[slot.id] = read.value
    else wrong.push({ column, expected: exampleOf(slot) })
  }
  return wrong.length > 0 ? { ok: false, wrong } : measured(measureReadings(protocol, readings satisfies Readings))
}

/** How the result of an event is typed when it is one figure. */
export const resultForm = ({ protocol, publishedIn }: StandardEvent): FieldForm => {
  const { unit } = factsOf(protocol)
  const shownIn = publishedIn ?? slotsOf(protocol).find((slot) => slot.unit === unit)?.shownIn
  return shownIn === undefined ? { unit } : { unit, shownIn }
}

const measured = (measure: Measure): ReadCells => ({ ok: true, measure })

const refusedCell = (column: string, form: FieldForm): ReadCells => ({
  ok: false,
  wrong: [{ column, expected: `${exampleOf(form)}, nothing, or one of ${Object.keys(ENDS).join(', ')}` }],
})

/** A result taken over as it is: selection and conversions were done before. */
export const resultOf = (form: FieldForm, value: number): Measure => ({
  kind: 'complete',
  value,
  unit: form.unit,
  reading: { kind: 'readings', taken: [{ slot: 'result', label: 'Result', value, ...form }], steps: [] },
  clockUncertaintyMs: 0,
  notes: [],
})
