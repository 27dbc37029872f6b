/**
 * Points tables, prepared for looking up. Inside, values are turned so that a larger one is always better; a value on a
 * step of the event's rounding is found by its place in one dense list, others by halving.
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
 */
export const tableLookup = (
  table: Pick<PointsTable, 'between' | 'pointsRounding' | 'floorCentipoints'>,
  { rows }: Pick<PointsBand, 'rows'>,
  direction: 1 | -1,
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

  return { pointsAt: search, worst, best, floorCentipoints, fullCentipoints }
}

/**
 * One list for all bands, in which the points of a rounded value stand at its place; null where a table is too long or
 * its rows are not on steps of the rounding.
 * @param tables of the bands, in order
 */
export const denseLookup = (
  tables: readonly TableLookup[],
  direction: 1 | -1,
  step: number,
): ((band: number, rounded: number) => number) | null => {
  const places = tables.map(({ worst, best }) => (best - worst) / step + 1)
  if (!places.every((count) => Number.isInteger(count) && count <= MOST_DENSE)) return null
  // the first place of each band is for whatever is worse than its lowest row
  const starts = new Int32Array(tables.length)
  const worsts = new Int32Array(tables.length)
  const lasts = new Int32Array(tables.length)
  const points: number[] = []
  for (const [band, { worst, pointsAt, floorCentipoints }] of tables.entries()) {
    starts[band] = points.length + 1
    worsts[band] = worst
    lasts[band] = (places[band] ?? 1) - 1
    points.push(floorCentipoints)
    for (let place = 0; place < (places[band] ?? 0); place++) points.push(pointsAt(worst + place * step))
  }
  const dense = Int32Array.from(points)
  return (band, rounded) => {
    const place = (direction * rounded - (worsts[band] ?? 0)) / step
    const last = lasts[band] ?? 0
    return dense[(starts[band] ?? 0) + (place < 0 ? -1 : place > last ? last : Math.floor(place))] ?? 0
  }
}

/** A share of the way from one row's points to the next, rounded from the exact fraction. */
const between = (lower: number, upper: number, way: number, whole: number, rounding: RoundingRule): number =>
  roundTo(lower * whole + (upper - lower) * way, { mode: rounding.mode, step: rounding.step * whole }) / whole
