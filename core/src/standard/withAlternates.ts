import type { Standard, StandardEvent } from './standard.ts'

/** An event of the battery and what may stand in its place. */
export const withAlternates = ({ alternateEvents = [] }: Standard, event: StandardEvent): readonly StandardEvent[] => [
  event,
  ...alternateEvents.filter(({ id }) => event.alternates?.some(({ eventId }) => eventId === id)),
]
