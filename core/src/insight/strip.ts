/** The strip that people stand on, one square each, with the cut through them. */

/** How many columns of squares stand side by side. */
export const STRIP_COLUMNS = 72

/** What is known of a set of figures before it is laid out. */
export interface StripFigures {
  readonly least: number
  readonly most: number
  readonly mean: number
  readonly deviation: number
}

export interface StripScale {
  readonly from: number
  readonly to: number
}

/** Nearly everybody stands within so many deviations; who does not stands at the end. */
const DEVIATIONS = 3.2

/**
 * From where to where a strip goes: as wide as the figures, without the few that would press all others together, and with the cut
 * well inside.
 * @param cut where it stands among the figures; null where there is none
 */
export const stripScale = ({ least, most, mean, deviation }: StripFigures, cut: number | null): StripScale => {
  const reach = DEVIATIONS * deviation
  const [from, to] = [Math.max(least, mean - reach), Math.min(most, mean + reach)]
  const [low, high] = cut === null ? [from, to] : [Math.min(from, cut), Math.max(to, cut)]
  const margin = Math.max(1, (high - low) * 0.04)
  return { from: Math.floor(low - margin), to: Math.ceil(high + margin) }
}

/** One column: how many in it met it, and how many fell short or had nothing to meet. */
export interface StripColumn {
  /** From 0 for the leftmost. */
  readonly at: number
  readonly met: number
  readonly short: number
  readonly scored: number
}

/** How many people one square stands for, so that the highest column is no higher than `most` squares. @returns 1, 2, 5, 10, … */
export const perSquare = (columns: readonly StripColumn[], most: number): number => {
  const highest = Math.max(1, ...columns.map(({ met, short, scored }) => met + short + scored))
  for (let step = 1; ; step *= 10) {
    for (const times of [1, 2, 5]) if (highest / (step * times) <= most) return step * times
  }
}

/** Between which figures a column lies: from the first up to, not including, the second. */
export const columnRange = ({ from, to }: StripScale, at: number): readonly [number, number] => {
  const width = (to - from) / STRIP_COLUMNS
  return [from + at * width, from + (at + 1) * width]
}
