/** The strip that people stand on, one square each, with the cut through them. */

/** At most so many columns of squares stand side by side. */
const MOST_COLUMNS = 72

/** How many people came to one figure of an event, in one way. */
export interface FigureTally {
  readonly kind: string
  readonly value: number | null
  readonly cut: number | null
  readonly margin: number | null
  readonly people: number
}

/** What is known of a set of figures before it is laid out. */
export interface StripFigures {
  readonly least: number
  readonly most: number
  readonly mean: number
  readonly deviation: number
}

/** @returns null for no figure at all */
export const spreadOf = (figures: readonly (readonly [figure: number, people: number])[]): StripFigures | null => {
  let [count, sum, least, most] = [0, 0, Infinity, -Infinity]
  for (const [figure, people] of figures) {
    count += people
    sum += figure * people
    least = Math.min(least, figure)
    most = Math.max(most, figure)
  }
  if (count === 0) return null
  const mean = sum / count
  const squares = figures.reduce((all, [figure, people]) => all + people * (figure - mean) ** 2, 0)
  return { least, most, mean, deviation: Math.sqrt(squares / count) }
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

/** What a strip is laid out by: the figure, or the distance to one's own cut where the cut is not one for all. */
export interface Strip extends StripScale {
  readonly by: 'value' | 'margin'
  /** Where the cut stands; null where there is none. */
  readonly cut: number | null
  readonly columns: readonly StripColumn[]
}

const IN_STRIP = ['met', 'short', 'scored'] as const

/**
 * Lays the figures of an event out, everybody once; whoever lies beyond an end stands in the last column there.
 * @param step of the figures
 * @returns null where fewer than two figures differ
 */
export const layOut = (tallies: readonly FigureTally[], step: number): Strip | null => {
  const figures = tallies.filter(({ kind }) => IN_STRIP.some((one) => one === kind))
  const cuts = new Set(figures.flatMap(({ cut }) => cut ?? []))
  const by = cuts.size > 1 ? 'margin' : 'value'
  const cut = by === 'margin' ? 0 : ([...cuts][0] ?? null)
  const placed = figures.flatMap(({ kind, people, ...figure }) => {
    const at = figure[by]
    return at === null ? [] : [{ kind, people, at }]
  })
  const spread = spreadOf(placed.map(({ at, people }) => [at, people]))
  if (!spread || spread.least === spread.most) return null
  const scale = stripScale(spread, cut, step)
  const width = columnWidth(scale)
  const columns = new Map<number, { at: number; met: number; short: number; scored: number }>()
  for (const { kind, people, at: figure } of placed) {
    const at = Math.min(scale.bins - 1, Math.max(0, Math.floor((figure - scale.from) / width)))
    const column = columns.get(at) ?? { at, met: 0, short: 0, scored: 0 }
    columns.set(at, column)
    column[kind as (typeof IN_STRIP)[number]] += people
  }
  return { ...scale, by, cut, columns: [...columns.values()].sort((a, b) => a.at - b.at) }
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
