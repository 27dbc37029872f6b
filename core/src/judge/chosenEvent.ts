/** Which event and which scoring hold for one candidate: an alternate in its place, a variant of it, or the event itself. */
import type { Scoring } from '../standard/scoring.ts'
import type { Alternate, Standard, StandardEvent, Variant } from '../standard/standard.ts'
import { isFor, type BandPerson } from './bandIndex.ts'
import type { Candidate } from './mark.ts'

export interface ChosenEvent {
  readonly event: StandardEvent
  readonly scoring: Scoring
  /** Id of the event that stands in its place. */
  readonly alternateId?: string
  readonly variantId?: string
  /** What the entry names and the standard does not offer to this person; the event itself stands in, and a person has to look. */
  readonly notOffered?: 'alternate' | 'variant'
}

/** The alternates of an event that are for somebody of this age, category and role. */
export const alternatesFor = ({ alternates = [] }: StandardEvent, person: BandPerson): readonly Alternate[] =>
  alternates.filter(({ band }) => band === undefined || isFor(band, person))

/** The variants of an event that somebody of this category may do, or does. */
export const variantsFor = (
  { variants = [] }: Pick<StandardEvent, 'variants'>,
  { category: own }: Pick<BandPerson, 'category'>,
): readonly Variant[] => variants.filter(({ category }) => category === undefined || category === own)

/**
 * Alternates by band hold for everybody in the band; by choice or medical profile when the entry names them. A variant
 * holds when the entry names it; one of a category for everybody in it, unless the entry names another.
 * @param event of the battery
 */
export const chosenEvent = (
  { alternateEvents }: Pick<Standard, 'alternateEvents'>,
  event: StandardEvent,
  candidate: Candidate,
): ChosenEvent => {
  const named = { alternate: candidate.alternates?.[event.id], variant: candidate.variants?.[event.id] }
  if (!event.alternates && !event.variants && !named.alternate && !named.variant)
    return { event, scoring: event.scoring }
  const alternate = alternatesFor(event, candidate).find(
    ({ eventId, allowedBy }) => allowedBy === 'band' || named.alternate === eventId,
  )
  const instead = alternate && alternateEvents?.find(({ id }) => id === alternate.eventId)
  const chosen = instead ?? event
  const offered = variantsFor(chosen, candidate)
  const byName = offered.find(({ id }) => id === named.variant)
  const variant = byName ?? offered.find(({ category }) => category !== undefined)
  const isOther = named.alternate !== undefined && named.alternate !== instead?.id
  const notOffered = isOther ? 'alternate' : named.variant !== undefined && !byName ? 'variant' : null
  return {
    event: chosen,
    scoring: variant?.scoring ?? chosen.scoring,
    ...(instead ? { alternateId: instead.id } : {}),
    ...(variant ? { variantId: variant.id } : {}),
    ...(notOffered ? { notOffered } : {}),
  }
}
