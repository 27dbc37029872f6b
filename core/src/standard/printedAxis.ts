/** What a printed points table names its rows by, and whether that is the points or the results. */
import type { FieldForm } from '../quantity/field.ts'
import type { Block, TableShape } from './printedShape.ts'

export interface Axis {
  readonly isRow: boolean
  readonly at: number
  /** Of the figures beside or below it. */
  readonly firstRow: number
  readonly firstColumn: number
}

/** What a points table names its rows by: the first column of figures, or the first row where the bands run down. */
export const axisOf = (shape: TableShape): Axis => {
  const { firstRow, firstColumn } = shape
  const hasBandsLeft = shape.left.some(({ labels }) => labels.some(Boolean))
  const isHead = hasBandsLeft && (shape.left[0]?.labels[0] ?? null) === null
  return isHead
    ? { isRow: true, at: firstRow, firstRow: firstRow + 1, firstColumn }
    : { isRow: false, at: firstColumn, firstRow, firstColumn: firstColumn + 1 }
}

const POINTS = /points?|pts|scores?|marks?/i
const VALUES = /pulse|beats|reps?\b|repetitions|times?\b|min|level|distance|metres|kg|\bcm\b|result|height|reach/i

/** The points are whole tens and fives more often than not; a heading or a colon says it better. */
export const guessInside = (block: Block, shape: TableShape, axis: Axis, form: FieldForm): 'values' | 'points' => {
  const named = axis.isRow
    ? (block[axis.at] ?? []).slice(axis.firstColumn)
    : block.slice(axis.firstRow).map((row) => row[axis.at] ?? '')
  const heading = axis.isRow
    ? [...(block[axis.at] ?? []).slice(0, axis.firstColumn)].join(' ')
    : block
        .slice(0, axis.firstRow)
        .map((row) => row[axis.at] ?? '')
        .join(' ')
  if (POINTS.test(heading)) return 'values'
  if (VALUES.test(heading)) return 'points'
  const inside = block.slice(axis.firstRow).flatMap((row) => row.slice(axis.firstColumn))
  if (form.unit === 'ms' && named.some((text) => /[:'′]/.test(text))) return 'points'
  if (form.unit === 'ms' && inside.some((text) => /[:'′]/.test(text))) return 'values'
  if (form.unit === 'bpm' && named.every((text) => Number(text) > 30)) return 'points'
  return shape.captions.some((text) => VALUES.test(text) && !POINTS.test(text)) ? 'points' : 'values'
}
