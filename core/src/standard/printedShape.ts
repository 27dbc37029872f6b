/** Where a printed table has its headings and its figures, whichever way round it is printed. */
import { isPlainHeading, readLabel, type Named, type PrintedLabel } from './printedLabel.ts'

export type Block = readonly (readonly string[])[]

/** One row of headings on top, or one column of them on the left. */
export interface HeadingLine {
  readonly at: number
  /** By place across it; merged cells say the same for all they span. */
  readonly labels: readonly (PrintedLabel | null)[]
  /** Words that are no known people: a class, or a category the standard has not got yet. */
  readonly words: readonly (string | null)[]
}

export interface TableShape {
  /** Of the figures. */
  readonly firstRow: number
  readonly firstColumn: number
  readonly top: readonly HeadingLine[]
  readonly left: readonly HeadingLine[]
  /** Words that stand over the headings on the left, or over the figures, and say what they are. */
  readonly captions: readonly string[]
}

export interface Names {
  readonly categories: readonly Named[]
  readonly roles: readonly Named[]
}

const MOST_HEADINGS = 4

/** The headings of a block; what is left is figures. */
export const shapeOf = (block: Block, names: Names): TableShape => {
  const labelAt = (text: string): PrintedLabel | null => readLabel(text, names.categories, names.roles)
  let firstRow = 0
  const most = Math.min(MOST_HEADINGS, block.length - 1)
  while (firstRow < most && isHeadingRow(block[firstRow] ?? [], block[firstRow + 1] ?? [], labelAt)) firstRow++
  const body = block.slice(firstRow)
  const firstColumn = headingColumns(body, labelAt, labelsIn(block.slice(0, firstRow).flat(), labelAt))
  const top = block
    .slice(0, firstRow)
    .map((row, at) => headingLine(row.slice(firstColumn), at, labelAt))
    .filter(({ labels, words }) => [...labels, ...words].some((one) => one !== null))
  const left = Array.from({ length: firstColumn }, (_, at) =>
    headingLine(
      body.map((row) => row[at] ?? ''),
      at,
      labelAt,
    ),
  )
  const captions = block.slice(0, firstRow).flatMap((row) => row.slice(0, firstColumn + 1))
  return { firstRow, firstColumn, top, left, captions: captions.filter((text) => text.trim() !== '') }
}

type LabelAt = (text: string) => PrintedLabel | null

const isBlank = (text: string): boolean => text.trim() === ''
const isFigure = (text: string, labelAt: LabelAt): boolean => /\d/.test(text) && labelAt(text) === null

/** Words and labels alone, and not one that begins with the people it is for, as the rows under the headings do. */
const isHeadingRow = (row: readonly string[], next: readonly string[], labelAt: LabelAt): boolean => {
  const filled = row.filter((text) => !isBlank(text))
  if (filled.length === 0) return true
  if (filled.some((text) => isFigure(text, labelAt))) return false
  const [first = ''] = row
  return labelAt(first)?.ages === undefined || isRowOfAges(filled, next, labelAt)
}

/** Nothing but ages, over a row that begins with a figure: the corner was not copied. */
const isRowOfAges = (filled: readonly string[], next: readonly string[], labelAt: LabelAt): boolean =>
  filled.every((text) => labelAt(text)?.ages) && isFigure(next[0] ?? '', labelAt)

const labelsIn = (texts: readonly string[], labelAt: LabelAt): ReadonlySet<string> =>
  new Set(texts.flatMap((text) => Object.keys(labelAt(text) ?? {})))

/** Columns from the left that name people or classes, each saying something no other heading says. */
const headingColumns = (body: Block, labelAt: LabelAt, said: ReadonlySet<string>): number => {
  const width = Math.max(...body.map((row) => row.length), 0)
  const taken = new Set(said)
  let columns = 0
  while (columns < width - 1) {
    const texts = body.map((row) => row[columns] ?? '').filter((text) => !isBlank(text))
    if (texts.length === 0 || texts.some((text) => isFigure(text, labelAt))) break
    const parts = labelsIn(texts, labelAt)
    if ([...parts].some((part) => taken.has(part))) break
    // a column of words that are no people: classes, or categories that are not known yet
    if (parts.size === 0 && columns > 1) break
    for (const part of parts) taken.add(part)
    columns++
  }
  return columns
}

const headingLine = (texts: readonly string[], at: number, labelAt: LabelAt): HeadingLine => {
  const labels: (PrintedLabel | null)[] = []
  const words: (string | null)[] = []
  for (const text of texts) {
    const label = labelAt(text)
    if (isBlank(text)) {
      // a merged cell stands over all that follow it
      labels.push(labels.at(-1) ?? null)
      words.push(words.at(-1) ?? null)
    } else {
      labels.push(label)
      words.push(label === null && !isPlainHeading(text) ? text.trim() : null)
    }
  }
  return { at, labels, words }
}
