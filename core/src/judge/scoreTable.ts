/**
 * Points tables, prepared for looking up. Inside, values are turned so that a larger one is always better; a value on a
 * step of the event's rounding is then found by its place in one dense list.
 */
import { roundTo, type RoundingRule } from '../quantity/rounding.ts'
import type { PointsBand, PointsTable } from '../standard/scoring.ts'

/** Values better than the best row or worse than the lowest are held at these ends. */
export interface TableLookup {
  /** @param goodness the value, negated where less is better @returns hundredths of a point */
  readonly pointsAt: (goodness: number) => number
  readonly worst: number
  readonly best: number
  readonly floorCentipoints: number
  readonly fullCentipoints: number
}

const MOST_DENSE = 65_536
const WHOLE_CENTIPOINTS: RoundingRule = { mode: 'nearest', step: 1 }

/**
 * Prepares one band's rows.
 * @param direction 1 where more is better, -1 where less is
 * @param step of the event's rounding
 */
export const tableLookup = (
  table: Pick<PointsTable, 'between' | 'pointsRounding' | 'floorCentipoints'>,
  { rows }: Pick<PointsBand, 'rows'>,
  direction: 1 | -1,
  step: number,
): TableLookup => {
  const ordered = rows
    .map(({ value, centipoints }) => ({ goodness: direction * value, centipoints }))
    .sort((a, b) => a.goodness - b.goodness)
  const goodness = Float64Array.from(ordered, (row) => row.goodness)
  const centipoints = Int32Array.from(ordered, (row) => row.centipoints)
  const last = goodness.length - 1
  const [worst = 0, best = 0] = [goodness[0], goodness[last]]
  const floorCentipoints = table.floorCentipoints ?? 0
  const fullCentipoints = centipoints[last] ?? 0
  const pointsRounding = table.pointsRounding ?? WHOLE_CENTIPOINTS

  const search = (value: number): number => {
    if (value < worst) return floorCentipoints
    if (value >= best) return fullCentipoints
    let [low, high] = [0, last]
    while (low + 1 < high) {
      const middle = (low + high) >> 1
      if ((goodness[middle] ?? 0) <= value) low = middle
      else high = middle
    }
    const lower = centipoints[low] ?? 0
    if (table.between === 'lowerRow') return lower
    const from = goodness[low] ?? 0
    return between(lower, centipoints[high] ?? 0, value - from, (goodness[high] ?? 0) - from, pointsRounding)
  }

  const places = (best - worst) / step + 1
  const isDense = Number.isInteger(places) && places <= MOST_DENSE
  const dense = isDense ? Int32Array.from({ length: places }, (_, place) => search(worst + place * step)) : null
  const pointsAt = (value: number): number => {
    if (value < worst) return floorCentipoints
    if (value >= best) return fullCentipoints
    if (dense === null) return search(value)
    const place = (value - worst) / step
    return Number.isInteger(place) ? (dense[place] ?? 0) : search(value)
  }
  return { pointsAt, worst, best, floorCentipoints, fullCentipoints }
}

/** A share of the way from one row's points to the next, rounded from the exact fraction. */
const between = (lower: number, upper: number, way: number, whole: number, rounding: RoundingRule): number =>
  roundTo(lower * whole + (upper - lower) * way, { mode: rounding.mode, step: rounding.step * whole }) / whole
