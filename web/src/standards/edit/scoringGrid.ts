/** A banded scoring as lines of text, and back. The lines are what is typed; the document follows from them. */
import {
  categoryCalled,
  factsOf,
  formOf,
  readAges,
  readPrintedTime,
  type FieldForm,
  type Protocol,
  type PublishedUnit,
} from '@able-gauge/core'
import { textOf, valueFrom, type NumberForm } from './typedValue.ts'
import type { Plain } from './useDraft.ts'

export interface GridColumn {
  readonly key: string
  readonly label: string
  readonly form: NumberForm | 'text'
}

export type GridLine = readonly string[]

/** The people a line is for. */
export const bandColumns = (hasRoles: boolean): readonly GridColumn[] => [
  { key: 'ageFrom', label: 'Age from', form: 'whole' },
  { key: 'ageTo', label: 'to', form: 'whole' },
  { key: 'category', label: 'Category', form: 'text' },
  ...(hasRoles ? [{ key: 'role', label: 'Role', form: 'text' as const }] : []),
]

/** How a value of the event is typed into its tables. */
export const valueForm = (protocol: Protocol, publishedIn?: PublishedUnit): FieldForm => {
  const form = formOf(protocol)
  return publishedIn ? { ...form, shownIn: publishedIn } : form
}

/** The columns a school has beside the band; none where its values do not stand one to a line. */
export const schoolColumns = (scoring: Plain, protocol: Protocol, form: FieldForm): readonly GridColumn[] => {
  const { sense } = factsOf(protocol)
  switch (scoring['kind']) {
    case 'cutByBand':
      return [{ key: sense, label: sense === 'atLeast' ? 'At least' : 'At most', form }]
    case 'relativeCut':
      return [
        { key: 'constant', label: 'Constant', form },
        { key: 'shareOfBodyMassPermille', label: 'Share of body mass, %', form: { unit: 'permille' } },
      ]
    case 'pointsByRule':
      return [{ key: 'anchor', label: 'Full points at', form }]
    case 'normClasses':
      return listIn(scoring, 'classes')
        .slice(1)
        .map((one, index) => ({ key: `from ${index}`, label: String(one['name'] ?? ''), form }))
    default:
      return []
  }
}

export const listIn = (owner: Plain, name: string): readonly Plain[] => {
  const list = owner[name]
  return Array.isArray(list) ? list.filter((item): item is Plain => typeof item === 'object' && item !== null) : []
}

/** Lines for rows that hold one value in each column. */
export const linesOf = (rows: readonly Plain[], columns: readonly GridColumn[]): string[][] =>
  rows.map((row) => columns.map(({ key, form }) => cellText(valueAt(row, key), form)))

/** Rows from lines; lines without any text are no rows. */
export const rowsFrom = (lines: readonly GridLine[], columns: readonly GridColumn[]): Plain[] =>
  lines.filter(isFilled).map((line) => {
    const row: Plain = {}
    for (const [index, { key, form }] of columns.entries()) {
      const value = cellValue(line[index] ?? '', form)
      const inList = /^from (\d+)$/.exec(key)
      if (inList)
        row['from'] = [...((row['from'] as unknown[] | undefined) ?? []), value ?? ''] // made here, line by line
      else if (value !== undefined) row[key] = value
    }
    return row
  })

/** Where in the list of rows a line stands, or null for an empty one. */
export const rowIndexOf = (lines: readonly GridLine[], at: number): number | null => {
  const line = lines[at]
  return line && isFilled(line) ? lines.slice(0, at).filter(isFilled).length : null
}

/** A points table as lines: the points first, then the value of each band. */
export const pointLinesOf = (bands: readonly Plain[], form: FieldForm): string[][] => {
  const points: unknown[] = []
  for (const band of bands) {
    for (const row of listIn(band, 'rows')) if (!points.includes(row['centipoints'])) points.push(row['centipoints'])
  }
  if (points.every((one) => typeof one === 'number')) points.sort((a, b) => Number(a) - Number(b))
  return points.map((centipoints) => [
    textOf(centipoints, 'points'),
    ...bands.map((band) =>
      textOf(listIn(band, 'rows').find((row) => row['centipoints'] === centipoints)?.['value'], form),
    ),
  ])
}

/** The rows of one band; a line without a value for the band is no row of it. */
export const pointRowsFrom = (lines: readonly GridLine[], band: number, form: FieldForm): Plain[] =>
  lines
    .filter((line) => (line[band + 1] ?? '').trim() !== '')
    .map((line) => ({
      value: valueFrom(line[band + 1] ?? '', form),
      centipoints: valueFrom(line[0] ?? '', 'points') ?? '',
    }))

/** Puts a pasted block into lines, with as many new lines as it needs; what is beyond the last column is left out. */
export const pasteInto = (
  lines: readonly GridLine[],
  at: { readonly line: number; readonly column: number },
  block: readonly GridLine[],
  columns: number,
): string[][] => {
  const pasted = lines.map((line) => [...line])
  for (const [down, cells] of block.entries()) {
    const line = (pasted[at.line + down] ??= Array.from({ length: columns }, () => ''))
    for (const [across, text] of cells.entries()) {
      if (at.column + across < columns) line[at.column + across] = text.trim()
    }
  }
  return pasted
}

/** A block as spreadsheets put it on the clipboard: tabs between cells, a line break after each row. */
export const blockFrom = (text: string): string[][] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t'))

export interface Understood {
  readonly block: readonly GridLine[]
  /** What was read otherwise than it stood, each once, in words. */
  readonly notes: readonly string[]
}

/**
 * A block copied from a printed table, cell by cell as the columns under it take it: a heading row is left out, ages in a range
 * fill two columns, times with a dot or with minute marks and categories by name are written in our form. What is not certain
 * stays as it was.
 * @param column where the block begins
 */
export const understandBlock = (
  block: readonly GridLine[],
  column: number,
  columns: readonly GridColumn[],
  categories: readonly { readonly id: string; readonly name: string }[],
): Understood => {
  const notes = new Set<string>()
  const isFigure = (text: string): boolean => /\d/.test(text)
  const [first, ...rest] = block
  const hasHeading = first !== undefined && rest.length > 0 && !first.some(isFigure) && rest[0]?.some(isFigure) === true
  if (hasHeading) notes.add(`The heading row "${first.join(' | ').trim()}" is left out.`)
  const read = (hasHeading ? rest : block).map((line) => {
    const out: string[] = []
    for (const text of line) {
      const target = columns[column + out.length]
      const said = readCell(text, target, columns[column + out.length + 1], categories)
      // a capital letter less is not worth a word
      if (said.join().toLowerCase() !== text.trim().toLowerCase())
        notes.add(`${text.trim()} is read as ${said.filter((part) => part !== '').join(' to ')}.`)
      out.push(...said)
    }
    return out
  })
  return { block: read, notes: [...notes] }
}

const readCell = (
  text: string,
  target: GridColumn | undefined,
  next: GridColumn | undefined,
  categories: Parameters<typeof categoryCalled>[1],
): string[] => {
  const typed = text.trim()
  if (target?.key === 'ageFrom' && next?.key === 'ageTo') {
    const ages = readAges(typed)
    return ages ? [String(ages.from), ages.to === null ? '' : String(ages.to)] : [typed]
  }
  if (target?.key === 'category') return [categoryCalled(typed, categories) ?? typed]
  const form = typeof target?.form === 'object' ? target.form : null
  return [(form?.unit === 'ms' ? readPrintedTime(typed, form) : null) ?? typed]
}

const isFilled = (line: GridLine): boolean => line.some((text) => text.trim() !== '')

const valueAt = (row: Plain, key: string): unknown => {
  const inList = /^from (\d+)$/.exec(key)
  if (!inList) return row[key]
  const list = row['from']
  return Array.isArray(list) ? (list[Number(inList[1])] as unknown) : undefined
}

const cellText = (value: unknown, form: GridColumn['form']): string =>
  form === 'text' ? (value === undefined ? '' : String(value)) : textOf(value, form)

const cellValue = (text: string, form: GridColumn['form']): unknown =>
  form === 'text' ? text.trim() || undefined : valueFrom(text, form)
