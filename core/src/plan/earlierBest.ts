/** The best somebody did in an event before, on signed days of the same standard. */
import { factsOf } from '../kinds/facts.ts'
import type { Unit } from '../quantity/unit.ts'
import type { StandardEvent } from '../standard/standard.ts'

/** A figure of an earlier day, done as the event itself asks, and measured then. */
export interface EarlierFigure {
  readonly eventId: string
  /** In the base unit. */
  readonly value: number
  readonly unit: string
  /** A calendar date. */
  readonly testDate: string
}

/**
 * The best of them by the event's own sense; of two that are alike the later. Figures in another unit are of an earlier form of
 * the event and say nothing of this one.
 * @returns null where there is none
 */
export const earlierBest = (
  figures: readonly EarlierFigure[],
  { id, protocol }: Pick<StandardEvent, 'id' | 'protocol'>,
): (EarlierFigure & { readonly unit: Unit }) | null => {
  const { sense, unit } = factsOf(protocol)
  const worth = ({ value }: EarlierFigure): number => (sense === 'atLeast' ? value : -value)
  const [best] = figures
    .filter((figure) => figure.eventId === id && figure.unit === unit)
    .sort((a, b) => worth(b) - worth(a) || (a.testDate < b.testDate ? 1 : -1))
  return best ? { ...best, unit } : null
}
