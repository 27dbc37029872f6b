/** Cards keyed in twice: what two people read off the same cards, laid side by side. */
import type { CardsKeyed, KeyedFigure } from './record.ts'

export interface KeyedDifference {
  readonly entryId: string
  readonly slot: string
  /** What each keyed; null where one left it out. */
  readonly first: number | null
  readonly second: number | null
}

/** Where two keyings part, in the order of the first, what only the second has at the end. */
export const keyedDifferences = (
  first: Pick<CardsKeyed, 'figures'>,
  second: Pick<CardsKeyed, 'figures'>,
): KeyedDifference[] => {
  const [ones, others] = [byCell(first.figures), byCell(second.figures)]
  return [...new Set([...ones.keys(), ...others.keys()])].flatMap((cell) => {
    const [one, other] = [ones.get(cell), others.get(cell)]
    if (one?.value === other?.value) return []
    const { entryId = '', slot = '' } = one ?? other ?? {}
    return [{ entryId, slot, first: one?.value ?? null, second: other?.value ?? null }]
  })
}

const byCell = (figures: readonly KeyedFigure[]): Map<string, KeyedFigure> =>
  new Map(figures.map((figure) => [`${figure.entryId} ${figure.slot}`, figure]))
