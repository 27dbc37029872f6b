/** Which event and which scoring hold for one candidate: an alternate in its place, a variant of it, or the event itself. */
import type { Scoring } from '../standard/scoring.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { isFor } from './bandIndex.ts'
import type { Candidate } from './mark.ts'

export interface ChosenEvent {
  readonly event: StandardEvent
  readonly scoring: Scoring
  /** Id of the event that stands in its place. */
  readonly alternateId?: string
  readonly variantId?: string
}

/**
 * Alternates by band hold for everybody in the band; by choice or medical profile when the entry names them. A variant
 * holds when the entry names it.
 * @param event of the battery
 */
export const chosenEvent = (
  { alternateEvents }: Pick<Standard, 'alternateEvents'>,
  event: StandardEvent,
  candidate: Candidate,
): ChosenEvent => {
  if (!event.alternates && !event.variants) return { event, scoring: event.scoring }
  const alternate = event.alternates?.find(({ eventId, allowedBy, band }) => {
    const inBand = band === undefined || isFor(band, candidate)
    return inBand && (allowedBy === 'band' || candidate.alternates?.[event.id] === eventId)
  })
  const instead = alternate && alternateEvents?.find(({ id }) => id === alternate.eventId)
  const chosen = instead ?? event
  const variant = chosen.variants?.find(({ id }) => id === candidate.variants?.[event.id])
  return {
    event: chosen,
    scoring: variant?.scoring ?? chosen.scoring,
    ...(instead ? { alternateId: instead.id } : {}),
    ...(variant ? { variantId: variant.id } : {}),
  }
}
