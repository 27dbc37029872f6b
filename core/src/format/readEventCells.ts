/** The cells of one event in a results file -> measure. */
import type { Measure } from '../kinds/measure.ts'
import type { EndReason } from '../referee/ends.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { isTry, type Readings, type Slot } from '../kinds/slot.ts'
import { mainSlotOf, slotsOf, slotsOfEvent } from '../kinds/slots.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Protocol } from '../kinds/kinds.ts'
import { exampleOf, parseField, type FieldForm } from '../quantity/field.ts'
import { refused, type Parsed } from '../quantity/parsed.ts'
import { sensibleRange } from '../kinds/sensibleRange.ts'
import type { StandardEvent } from '../standard/standard.ts'

interface WrongCell {
  readonly column: string
  readonly expected: string
}

export type ReadCells =
  | { readonly ok: true; readonly measure: Measure }
  | { readonly ok: false; readonly wrong: readonly WrongCell[] }

/** What a cell may hold in place of a figure. */
const ENDS: Readonly<Record<string, EndReason>> = {
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
 * Reads an event's cells. The column of the event holds one raw reading as it was read, in the unit the event is published in;
 * each reading can stand in a column of its own, in its place or beside it. Zero, correction and selection are done here.
 * @param eventId of the battery, by which columns are named
 * @param event that was done, an alternate perhaps
 * @param cell the trimmed text of a column, '' when there is none
 */
export const readEventCells = (eventId: string, event: StandardEvent, cell: (column: string) => string): ReadCells => {
  const columns = columnsOf(eventId, event)
  const text = cell(eventId)
  if (!columns.besides.every((column) => cell(column) === '')) return readAnew(eventId, event, columns, text, cell)
  // the plain cell alone says all, and the same figures come again and again in a file of many people
  const known = columns.plain.get(text)
  if (known) return known
  const read = readAnew(eventId, event, columns, text, cell)
  if (columns.plain.size < MOST_REMEMBERED) columns.plain.set(text, read)
  return read
}

const MOST_REMEMBERED = 20_000

const readAnew = (
  eventId: string,
  event: StandardEvent,
  { slots, main, longestMs }: EventColumns,
  text: string,
  cell: (column: string) => string,
): ReadCells => {
  const { protocol } = event
  const reason = ENDS[text.toLowerCase()]
  if (reason) return measured({ kind: 'ended', reason, soFar: 0, unit: factsOf(protocol).unit, notes: [] })
  const readings: Record<string, number> = {}
  const wrong: WrongCell[] = []
  for (const { slot, column } of slots) {
    const read = parseCell(cell(column), slot, longestMs) ?? parseLevelColumns(eventId, slot, cell)
    if (read?.ok) readings[slot.id] = read.value
    else if (read) wrong.push({ column, expected: exampleOf(slot) })
  }
  if (text !== '') {
    // where nothing is read, that it was done is all there is to say
    const form = main ?? { unit: factsOf(protocol).unit }
    const read = parseCell(text, form, longestMs)
    if (!read?.ok)
      wrong.push({
        column: eventId,
        expected: `${exampleOf(form)}, nothing, or one of ${Object.keys(ENDS).join(', ')}`,
      })
    else if (!main) return wrong.length > 0 ? { ok: false, wrong } : measured(resultOf(form, read.value))
    else if (readings[main.id] !== undefined)
      wrong.push({ column: eventId, expected: `nothing beside ${slotColumn(eventId, main.id)}` })
    else readings[main.id] = read.value
    wrong.push(...(wrong.length > 0 ? [] : missingBesideMain(eventId, protocol, readings)))
  }
  if (wrong.length > 0) return { ok: false, wrong }
  return measured(measureReadings(protocol, readings, { oneIsEnough: text !== '' }))
}

interface EventColumns {
  readonly slots: readonly { readonly slot: Slot; readonly column: string }[]
  /** Columns that say something of the event beside its plain one. */
  readonly besides: readonly string[]
  readonly main: Slot | undefined
  /** What plain cells were read as. */
  readonly plain: Map<string, ReadCells>
  /** The longest an event can last, for times; else 0. */
  readonly longestMs: number
}

/** Laid out once for an event, not for every row. */
const columnsOf = (eventId: string, event: StandardEvent): EventColumns => {
  const known = laidOut.get(event)?.get(eventId)
  if (known) return known
  const slots = slotsOfEvent(event).map((slot) => ({ slot, column: slotColumn(eventId, slot.id) }))
  const levels = slots.some(({ slot }) => slot.id === 'reached') ? ['level', 'shuttle'] : []
  const made: EventColumns = {
    slots,
    besides: [...slots.map(({ column }) => column), ...levels.map((name) => slotColumn(eventId, name))],
    main: mainSlotOf(event),
    plain: new Map(),
    longestMs: factsOf(event.protocol).unit === 'ms' ? sensibleRange(event.protocol).most : 0,
  }
  laidOut.set(event, (laidOut.get(event) ?? new Map<string, EventColumns>()).set(eventId, made))
  return made
}

const laidOut = new WeakMap<StandardEvent, Map<string, EventColumns>>()

/** Figures without which one raw reading is no result: the standing reach of a jump, the repetitions of an estimate. */
const missingBesideMain = (eventId: string, protocol: Protocol, readings: Readings): WrongCell[] =>
  slotsOf(protocol)
    .filter((slot) => !slot.optional && !isTry(slot) && readings[slot.id] === undefined)
    .map((slot) => ({ column: slotColumn(eventId, slot.id), expected: `${exampleOf(slot)}, beside the reading` }))

/** @returns null for an empty cell */
const parseCell = (text: string, form: FieldForm, longestMs: number): Parsed<number, string> | null => {
  if (text === '') return null
  // a spreadsheet saves 7.10 as 7.1
  if (form.unit === 'levelShuttle' && /^\d+\.\d+$/.test(text)) {
    return refused('field.form', `"${text}" could be two shuttles.`)
  }
  const read = parseField(text, form)
  // a spreadsheet turns 9:40 into 9:40:00; hours stand where the event can last hours
  return read.ok && form.unit === 'ms' && /^\d+:\d+:\d/.test(text) && (read.value > longestMs || longestMs <= HOUR_MS)
    ? refused('field.form', `"${text}" would be hours, minutes and seconds.`)
    : read
}

const HOUR_MS = 3_600_000

/** Level and shuttle of the last shuttle, each in a column of its own. */
const parseLevelColumns = (
  eventId: string,
  slot: Slot,
  cell: (column: string) => string,
): Parsed<number, string> | null => {
  if (slot.id !== 'reached') return null
  const [level, shuttle] = [cell(slotColumn(eventId, 'level')), cell(slotColumn(eventId, 'shuttle'))]
  return level === '' && shuttle === '' ? null : parseField(`${level}/${shuttle}`, slot)
}

const measured = (measure: Measure): ReadCells => ({ ok: true, measure })

/** What was done, where it is only said that it was. */
const resultOf = (form: FieldForm, value: number): Measure => ({
  kind: 'complete',
  value,
  unit: form.unit,
  reading: { kind: 'readings', taken: [{ slot: 'result', label: 'Result', value, ...form }], steps: [] },
  clockUncertaintyMs: 0,
  notes: [],
})
