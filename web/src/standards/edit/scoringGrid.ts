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
import type { Named } from './draftContext.ts'
import { textOf, valueFrom, type NumberForm } from './typedValue.ts'
import type { Plain } from './plain.ts'

export interface GridColumn {
  readonly key: string
  readonly label: string
  readonly form: NumberForm | 'text'
  /** What its cells name, kept in the document by short names. */
  readonly names?: readonly Named[]
}

export type GridLine = readonly string[]

/** The people a line is for. */
export const bandColumns = (categories: readonly Named[], roles: readonly Named[]): readonly GridColumn[] => [
  { key: 'ageFrom', label: 'Age from', form: 'whole' },
  { key: 'ageTo', label: 'to', form: 'whole' },
  { key: 'category', label: 'Category', form: 'text', names: categories },
  ...(roles.length > 0 ? [{ key: 'role', label: 'Role', form: 'text' as const, names: roles }] : []),
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
  rows.map((row) => columns.map((column) => cellText(valueAt(row, column.key), column)))

/** Rows from lines; lines without any text are no rows. */
export const rowsFrom = (lines: readonly GridLine[], columns: readonly GridColumn[]): Plain[] =>
  lines.filter(isFilled).map((line) => {
    const row: Plain = {}
    for (const [index, column] of columns.entries()) {
      const { key } = column
      const value = cellValue(line[index] ?? '', column)
      const inList = /^from (\d+)$/.exec(key)
      if (inList) row['from'] = [...((row['from'] as unknown[] | undefined) ?? []), value ?? ''] // made here, line by line
      else if (value !== undefined) row[key] = value
    }
    return row
  })

/** Where in the list of rows a line stands, or null for an empty one. */
export const rowIndexOf = (lines: readonly GridLine[], at: number): number | null => {
  const line = lines[at]
  return line && isFilled(line) ? lines.slice(0, at).filter(isFilled).length : null
}

/** What the lines of a points table are named by: its points, or the values where many of them earn the same. */
export type PointLinesBy = 'points' | 'value'

/** By values where one number of points stands beside several of them in a band. */
export const linesBy = (bands: readonly Plain[]): PointLinesBy =>
  bands.some((band) => {
    const points = listIn(band, 'rows').flatMap((row) => row['centipoints'] ?? [])
    return new Set(points).size < points.length
  })
    ? 'value'
    : 'points'

const PROPERTIES = { points: ['centipoints', 'value'], value: ['value', 'centipoints'] } as const

/** A points table as lines: what they are named by first, then what stands there for each band. */
export const pointLinesOf = (bands: readonly Plain[], form: FieldForm, by: PointLinesBy = 'points'): string[][] => {
  const [named, inside] = PROPERTIES[by]
  const [headForm, cellForm] = by === 'points' ? (['points', form] as const) : ([form, 'points'] as const)
  const heads: unknown[] = []
  for (const band of bands) {
    for (const row of listIn(band, 'rows')) if (!heads.includes(row[named])) heads.push(row[named])
  }
  if (heads.every((one) => typeof one === 'number')) heads.sort((a, b) => Number(a) - Number(b))
  return heads.map((head) => [
    textOf(head, headForm),
    ...bands.map((band) => textOf(listIn(band, 'rows').find((row) => row[named] === head)?.[inside], cellForm)),
  ])
}

/** The rows of one band; a line without a figure for the band is no row of it. */
export const pointRowsFrom = (
  lines: readonly GridLine[],
  band: number,
  form: FieldForm,
  by: PointLinesBy = 'points',
): Plain[] =>
  lines
    .filter((line) => (line[band + 1] ?? '').trim() !== '')
    .map((line) => {
      const [value, points] = by === 'points' ? [line[band + 1], line[0]] : [line[0], line[band + 1]]
      return { value: valueFrom(value ?? '', form) ?? '', centipoints: valueFrom(points ?? '', 'points') ?? '' }
    })

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

/** A block with its rows as columns. */
export const turned = (block: readonly GridLine[]): string[][] =>
  Array.from({ length: Math.max(0, ...block.map((line) => line.length)) }, (_, across) =>
    block.map((line) => line[across] ?? ''),
  )

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
      const said = readCell(text, target, columns[column + out.length + 1])
      // a capital letter less is not worth a word
      if (said.join().toLowerCase() !== text.trim().toLowerCase())
        notes.add(`${text.trim()} is read as ${said.filter((part) => part !== '').join(' to ')}.`)
      out.push(...said)
    }
    return out
  })
  return { block: read, notes: [...notes] }
}

const readCell = (text: string, target: GridColumn | undefined, next: GridColumn | undefined): string[] => {
  const typed = text.trim()
  if (target?.key === 'ageFrom' && next?.key === 'ageTo') {
    const ages = readAges(typed)
    return ages ? [String(ages.from), ages.to === null ? '' : String(ages.to)] : [typed]
  }
  if (target?.names) {
    const id = categoryCalled(typed, target.names)
    return [target.names.find((one) => one.id === id)?.name ?? typed]
  }
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

const cellText = (value: unknown, { form, names = [] }: GridColumn): string => {
  if (form !== 'text') return textOf(value, form)
  return value === undefined ? '' : (names.find(({ id }) => id === value)?.name ?? String(value))
}

const cellValue = (text: string, { form, names = [] }: GridColumn): unknown => {
  if (form !== 'text') return valueFrom(text, form)
  const typed = text.trim()
  return typed === '' ? undefined : (categoryCalled(typed, names) ?? typed)
}
