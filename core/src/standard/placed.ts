/** Walks a standard with the place of each part, for checks that name places. */
import type { Scoring } from './scoring.ts'
import type { Standard, StandardEvent } from './standard.ts'

export interface PlacedEvent {
  readonly event: StandardEvent
  readonly place: string
}

export interface PlacedScoring extends PlacedEvent {
  readonly scoring: Scoring
  readonly scoringPlace: string
  /** The categories it is for; left out, all of them. */
  readonly categories?: readonly string[]
}

/** Events of the battery, then those that only stand in place of another. */
export const placedEvents = ({ events, alternateEvents = [] }: Standard): PlacedEvent[] => [
  ...events.map((event, index) => ({ event, place: `events[${index}]` })),
  ...alternateEvents.map((event, index) => ({ event, place: `alternateEvents[${index}]` })),
]

/** The scoring of each event and of each of its variants. */
export const placedScorings = (standard: Standard): PlacedScoring[] =>
  placedEvents(standard).flatMap(({ event, place }) => {
    const { variants = [] } = event
    const tied = new Set(variants.flatMap(({ category }) => category ?? []))
    const others = standard.categories.map(({ id }) => id).filter((id) => !tied.has(id))
    return [
      // whoever has a form of their own is not judged by the event's own table
      {
        event,
        place,
        scoring: event.scoring,
        scoringPlace: `${place}.scoring`,
        ...(tied.size > 0 ? { categories: others } : {}),
      },
      ...variants.map(({ scoring, category }, index) => ({
        event,
        place,
        scoring,
        scoringPlace: `${place}.variants[${index}].scoring`,
        ...(category === undefined ? {} : { categories: [category] }),
      })),
    ]
  })
