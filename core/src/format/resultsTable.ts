/** The table of a results file: its heading, and each row as cells by column. Nothing in it is passed over in silence. */
import { slotsOf } from '../kinds/slots.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { RowFinding } from './rowFinding.ts'
import { slotColumn } from './readEventCells.ts'
import { missingColumns, RESULT_COLUMNS, type ResultRow } from './resultRow.ts'

/** Columns a file may have beside those of the events; names are not read. */
const FURTHER_COLUMNS = ['role', 'body_mass', 'given_name', 'family_name'] as const

export type ReadTableRow =
  | { readonly ok: true; readonly row: ResultRow }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

interface ResultsTable {
  /** @param line in the file, for findings @param cells as they stand, in the order of the heading */
  readonly rowOf: (cells: readonly string[], line: number) => ReadTableRow
}

export type OpenedTable =
  | { readonly ok: true; readonly table: ResultsTable }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/**
 * Opens a table by its heading.
 * @param standard whose columns the file has to have
 * @param others versions whose columns it may have besides
 */
export const openResultsTable = (
  standard: Standard,
  heading: readonly string[],
  others: readonly Standard[] = [],
): OpenedTable => {
  const columns = heading.map((name) => name.replace(/^\uFEFF/, '').trim())
  const known = new Set<string>([
    ...RESULT_COLUMNS,
    ...FURTHER_COLUMNS,
    ...[standard, ...others].flatMap((one) => one.events.flatMap((event) => columnsOf(one, event))),
  ])
  const wrong = (column: string, found: string, expected: string): RowFinding => ({ line: 1, column, found, expected })
  const findings = [
    ...missingColumns(standard, columns).map((column) => wrong(column, 'no such column', `a column "${column}"`)),
    ...columns.flatMap((column, at) => {
      if (column === '') return [wrong(`number ${at + 1}`, 'no name', 'a name above every column')]
      if (columns.indexOf(column) < at) return [wrong(column, 'the column twice', 'each column once')]
      return known.has(column) ? [] : [wrong(column, 'an unknown column', nearest(column, known))]
    }),
  ]
  return findings.length > 0 ? { ok: false, findings } : { ok: true, table: tableWith(columns) }
}

const tableWith = (columns: readonly string[]): ResultsTable => {
  const linesOf = new Map<string, number>()
  return {
    rowOf: (cells, line) => {
      const beyond = cells.slice(columns.length).find((cell) => cell.trim() !== '')
      if (beyond !== undefined) {
        const found = `${cells.length} cells, "${beyond.trim()}" beyond the last column`
        return refused(line, columns.at(-1) ?? '', found, `${columns.length} cells, as in the heading`)
      }
      if (cells.length < columns.length) {
        return refused(
          line,
          columns[cells.length] ?? '',
          'the end of the row',
          `${columns.length} cells, as in the heading`,
        )
      }
      const row: Record<string, string> = {}
      for (const [at, column] of columns.entries()) row[column] = cells[at] ?? ''
      const test = `${(row['number'] ?? '').trim()} ${(row['test_date'] ?? '').trim()}`
      const before = linesOf.get(test)
      if (before !== undefined) {
        return refused(line, 'number', `${test}, on line ${before} too`, 'each number once for a test date')
      }
      linesOf.set(test, line)
      return { ok: true, row }
    },
  }
}

const refused = (line: number, column: string, found: string, expected: string): ReadTableRow => ({
  ok: false,
  findings: [{ line, column, found, expected }],
})

/** All columns of an event, with those of what may stand in its place. */
const columnsOf = ({ alternateEvents = [] }: Standard, event: StandardEvent): string[] => {
  const instead = alternateEvents.filter(({ id }) => event.alternates?.some(({ eventId }) => eventId === id))
  const slots = [event, ...instead].flatMap(({ protocol }) => slotsOf(protocol).map(({ id }) => id))
  const levels = slots.includes('reached') ? ['level', 'shuttle'] : []
  return [
    event.id,
    ...[...slots, ...levels, 'variant', 'alternate', 'exemption'].map((name) => slotColumn(event.id, name)),
  ]
}

/** The known column that is most like an unknown one, where one is. */
const nearest = (column: string, known: ReadonlySet<string>): string => {
  const [best] = [...known]
    .map((name) => ({ name, apart: editsBetween(column, name) }))
    .sort((a, b) => a.apart - b.apart)
  return best && best.apart <= 3 ? `perhaps "${best.name}"` : 'a column of the standard'
}

/** Letters to change, add or leave out to make one word of the other (Levenshtein 1965). */
const editsBetween = (a: string, b: string): number => {
  let row = Array.from({ length: b.length + 1 }, (_, at) => at)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++) {
      const swapped = (row[j - 1] ?? 0) + (a[i - 1] === b[j - 1] ? 0 : 1)
      next.push(Math.min(swapped, (row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1))
    }
    row = next
  }
  return row[b.length] ?? 0
}
