/**
 * A table as it was printed, cell by cell: whom its headings name, what its figures are. Bands may run across or down, the best row may
 * stand on top or below, the points or the results may be what the rows are named by. What is not certain is told in its cell.
 */
import type { Sense } from '../kinds/kind.ts'
import type { FieldForm } from '../quantity/field.ts'
import type { PrintedLabel } from './printedLabel.ts'
import { categoryCalled, COMMON_CATEGORIES } from './printedCell.ts'
import { withRanges } from './printedRanges.ts'
import { axisOf, guessInside } from './printedAxis.ts'
import { wordsOf } from './printedWords.ts'
import { shapeOf, type Block, type Names, type TableShape } from './printedShape.ts'
import {
  readPrintedPoints,
  readPrintedValue,
  type PrintedValue,
  type ThreeDigits,
  type ValueColumn,
} from './printedValue.ts'
import type { ScoringKind } from './scoring.ts'

/** The schools that are printed as a table. */
export type TableSchool = Extract<
  ScoringKind,
  'cutByBand' | 'relativeCut' | 'pointsTable' | 'pointsByRule' | 'normClasses'
>

export interface TableContext extends Names {
  readonly school: TableSchool
  /** How values of the event are written. */
  readonly form: FieldForm
  readonly sense: Sense
}

/** What a table does not say of itself. */
export interface TableChoices {
  /** What the figures inside a points table are; what its rows are named by is the other. */
  readonly inside?: 'values' | 'points'
  readonly threeDigits?: ThreeDigits
}

/** What was made of one cell. */
type CellReading =
  | PrintedValue
  | { readonly as: 'heading'; readonly said: string }
  | { readonly as: 'points'; readonly text: string; readonly value: number }

/** One figure of the table with all its headings say. */
export interface TableFigure {
  readonly people: PrintedLabel
  /** A class, or a category the standard does not know. */
  readonly words: readonly string[]
  /** What a points table names its rows by. */
  readonly axis: PrintedValue | null
  /** As that was printed; empty where nothing names the row. */
  readonly axisText: string
  readonly figure: PrintedValue
  readonly row: number
  readonly column: number
  /** As it was printed. */
  readonly text: string
}

export interface TableReading {
  readonly inside: 'values' | 'points'
  /** The table as it was read: ages that were printed in two columns stand in one. */
  readonly block: Block
  /** By row and column of it. */
  readonly cells: readonly (readonly CellReading[])[]
  readonly figures: readonly TableFigure[]
  /** Categories the headings name that the standard does not know. */
  readonly newCategories: readonly string[]
  /** Classes the headings name, from the lowest to the highest. */
  readonly classes: readonly string[]
  readonly captions: readonly string[]
  readonly understood: number
  readonly unread: number
  readonly asked: number
}

/** @param printed cells as they were copied, row by row */
export const readPrintedTable = (printed: Block, context: TableContext, choices: TableChoices = {}): TableReading => {
  const block = withRanges(rectangular(printed))
  const isKnown = ({ id }: { readonly id: string }): boolean => categoryCalled(id, context.categories) !== null
  const common = COMMON_CATEGORIES.filter((one) => !isKnown(one))
  const shape = shapeOf(block, { roles: context.roles, categories: [...context.categories, ...common] })
  const isPoints = context.school === 'pointsTable'
  const axis = isPoints ? axisOf(shape) : null
  const inside = choices.inside ?? (axis ? guessInside(block, shape, axis, context.form) : 'values')
  const values: ValueColumn = {
    form: context.form,
    sense: context.sense,
    ...(choices.threeDigits === undefined ? {} : { threeDigits: choices.threeDigits }),
  }
  const read = (text: string, what: 'values' | 'points'): PrintedValue =>
    what === 'points' ? readPrintedPoints(text) : readPrintedValue(text, values)
  const named = inside === 'points' ? 'values' : 'points'
  const [firstRow, firstColumn] = [axis?.firstRow ?? shape.firstRow, axis?.firstColumn ?? shape.firstColumn]
  const hasNames = context.school === 'normClasses' || context.school === 'relativeCut'
  const spoken = wordsOf(shape, hasNames, axis !== null && !axis.isRow)

  const cells: CellReading[][] = block.map((row) => row.map((text) => ({ as: 'heading', said: text.trim() })))
  const figures: TableFigure[] = []
  for (const [row, texts] of block.entries()) {
    for (const [column, text] of texts.entries()) {
      const isAxis =
        axis !== null && (axis.isRow ? row === axis.at && column >= firstColumn : column === axis.at && row >= firstRow)
      if (isAxis) put(cells, row, column, asRead(read(text, named), named))
      if (row < firstRow || column < firstColumn) continue
      const words = [
        ...shape.top.map((line) => line.words[column - shape.firstColumn]),
        ...shape.left.map((line) => line.words[row - shape.firstRow]),
      ].filter((word): word is string => typeof word === 'string' && !spoken.captions.has(word))
      const isShare = context.school === 'relativeCut' && (words.some(namesShare) || text.includes('%'))
      const figure = isShare ? readPrintedValue(text, SHARE) : read(text, inside)
      put(cells, row, column, asRead(figure, inside))
      if (figure.as === 'empty') continue
      const axisText = (axis === null ? '' : axis.isRow ? block[axis.at]?.[column] : texts[axis.at]) ?? ''
      figures.push({
        people: peopleAt(shape, row, column),
        words,
        axis: axis === null ? null : read(axisText, named),
        axisText: axisText.trim(),
        figure,
        row,
        column,
        text: text.trim(),
      })
    }
  }
  const [lowest] = context.school === 'normClasses' ? lowestFirst(spoken.classes, figures, context.sense) : []
  const isLeftOut = (one: TableFigure): boolean =>
    (inside === 'values' && isNothing(one)) || (lowest !== undefined && one.words.includes(lowest))
  for (const one of figures) if (isLeftOut(one)) put(cells, one.row, one.column, { as: 'empty' })
  const kept = figures.filter((one) => !isLeftOut(one))
  const all = cells.flat()
  const countOf = (as: CellReading['as']): number => all.filter((cell) => cell.as === as).length
  return {
    inside,
    block,
    cells,
    figures: kept,
    newCategories: [
      ...common.filter(({ id }) => kept.some(({ people }) => people.category === id)).map(({ name }) => name),
      ...spoken.newCategories,
    ],
    classes: context.school === 'normClasses' ? lowestFirst(spoken.classes, figures, context.sense) : spoken.classes,
    captions: [...shape.captions, ...spoken.captions],
    understood: kept.filter(({ figure }) => figure.as === 'value').length,
    unread: countOf('unread'),
    asked: countOf('asked'),
  }
}

/** Rows end where their last text stands; merged headings reach further. */
const rectangular = (block: Block): Block => {
  const width = Math.max(...block.map((row) => row.length), 0)
  return block.map((row) => [...row, ...Array.from({ length: width - row.length }, () => '')])
}

const put = (cells: CellReading[][], row: number, column: number, cell: CellReading): void => {
  const line = cells[row]
  if (line) line[column] = cell
}

const asRead = (read: PrintedValue, what: 'values' | 'points'): CellReading =>
  what === 'points' && read.as === 'value' ? { as: 'points', text: read.text, value: read.value } : read

const SHARE: ValueColumn = { form: { unit: 'permille' }, sense: 'atLeast' }
export const namesShare = (word: string): boolean => /share|%|body|percent/i.test(word)

/** "Over 15:00: 0 points" is what every value without a row gets. */
const isNothing = ({ axis, figure }: TableFigure): boolean =>
  axis?.as === 'value' && axis.value === 0 && figure.as === 'unread' && figure.isBeyond === true

const peopleAt = (shape: TableShape, row: number, column: number): PrintedLabel =>
  Object.assign(
    {},
    ...shape.top.map(({ labels }) => labels[column - shape.firstColumn] ?? {}),
    ...shape.left.map(({ labels }) => labels[row - shape.firstRow] ?? {}),
  ) as PrintedLabel // parts of one

/** Classes are listed from the lowest; a table may begin with the best. Whoever reaches no other is in the lowest, whatever stands in its cell. */
const lowestFirst = (classes: readonly string[], figures: readonly TableFigure[], sense: Sense): readonly string[] => {
  const read = figures.flatMap(({ words, figure }) =>
    figure.as === 'value' ? [{ at: classes.findIndex((name) => words.includes(name)), value: figure.value }] : [],
  )
  const [one] = read
  const other = read.find(({ at, value }) => at !== one?.at && value !== one?.value)
  if (!one || !other) return classes
  const rises = other.at > one.at === other.value > one.value
  return rises === (sense === 'atLeast') ? classes : [...classes].reverse()
}
