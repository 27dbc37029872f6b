/** The best somebody did in an event before, on signed days of the same standard. */
import { chosenEvent } from '../judge/chosenEvent.ts'
import type { Candidate } from '../judge/mark.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'

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
 * @param event of the battery
 * @returns null where there is none, and for whoever does an alternate or a variant: what is done in another form is no measure of it
 */
export const earlierBest = (
  standard: Standard,
  event: StandardEvent,
  candidate: Candidate,
  figures: readonly EarlierFigure[],
): (EarlierFigure & { readonly unit: Unit }) | null => {
  const { alternateId, variantId } = chosenEvent(standard, event, candidate)
  if (alternateId || variantId) return null
  const { sense, unit } = factsOf(event.protocol)
  const worth = ({ value }: EarlierFigure): number => (sense === 'atLeast' ? value : -value)
  const [best] = figures
    .filter((figure) => figure.eventId === event.id && figure.unit === unit)
    .sort((a, b) => worth(b) - worth(a) || (a.testDate < b.testDate ? 1 : -1))
  return best ? { ...best, unit } : null
}
