/** The strip that people stand on, one square each, with the cut through them. */

/** At most so many columns of squares stand side by side. */
const MOST_COLUMNS = 72

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
  /** How many columns of equal width lie between them. */
  readonly bins: number
}

/** Nearly everybody stands within so many deviations; who does not stands at the end. */
const DEVIATIONS = 3.2

/**
 * From where to where a strip goes: as wide as the figures, without the few that would press all others together, and with the cut
 * well inside. Columns are whole steps of the figures, so that none stays empty for want of a figure between two steps.
 * @param cut where it stands among the figures; null where there is none
 * @param step of the figures
 */
export const stripScale = (
  { least, most, mean, deviation }: StripFigures,
  cut: number | null,
  step: number,
): StripScale => {
  const reach = DEVIATIONS * deviation
  const [from, to] = [Math.max(least, mean - reach), Math.min(most, mean + reach)]
  const [low, high] = cut === null ? [from, to] : [Math.min(from, cut), Math.max(to, cut)]
  const width = Math.max(1, Math.ceil((high - low) / (MOST_COLUMNS - 4) / step)) * step
  // a column begins at the cut
  const base = cut ?? 0
  const first = base + (Math.floor((low - base) / width) - 1) * width
  const bins = Math.floor((high - first) / width) + 2
  return { from: first, to: first + bins * width, bins }
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

/** How wide one column is. */
export const columnWidth = ({ from, to, bins }: StripScale): number => (to - from) / bins

/** Between which figures a column lies: from the first up to, not including, the second. */
export const columnRange = (scale: StripScale, at: number): readonly [number, number] => {
  const width = columnWidth(scale)
  return [scale.from + at * width, scale.from + (at + 1) * width]
}
