/** Whether what was chosen for a person is something the standard offers. */
import type { Finding } from '../document/finding.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { EntryChoices } from './entry.ts'

/** @param place of the choices in whatever holds them */
export const checkChoices = (standard: Standard, choices: EntryChoices, place = 'choices'): Finding[] => {
  const { variants, alternates, exemptions, role, reason, wholeBattery = false } = choices
  const chosen = wholeBattery || [variants, alternates, exemptions].some((record) => Object.keys(record).length > 0)
  return [
    ...namesWrong(`${place}.variants`, variants, standard, (event) => offeredVariants(standard, event, alternates)),
    ...namesWrong(`${place}.alternates`, alternates, standard, (event) =>
      (event.alternates ?? []).filter(({ allowedBy }) => allowedBy !== 'band').map(({ eventId }) => eventId),
    ),
    ...namesWrong(`${place}.exemptions`, exemptions, standard, (event) =>
      (standard.exemptions ?? []).filter(({ eventIds }) => eventIds.includes(event.id)).map(({ id }) => id),
    ),
    ...(role === undefined
      ? []
      : oneOf(
          `${place}.role`,
          role,
          (standard.roles ?? []).map(({ id }) => id),
        )),
    ...(chosen && reason === undefined
      ? [{ place: `${place}.reason`, code: 'reason', found: 'nothing', expected: 'a reason for what is chosen' }]
      : []),
  ]
}

/** Variants belong to the event that is really done. */
const offeredVariants = (
  { alternateEvents = [] }: Standard,
  event: StandardEvent,
  alternates: Readonly<Record<string, string>>,
): string[] => {
  const done = alternateEvents.find(({ id }) => id === alternates[event.id]) ?? event
  return (done.variants ?? []).map(({ id }) => id)
}

const namesWrong = (
  place: string,
  record: Readonly<Record<string, string>>,
  { events }: Standard,
  offered: (event: StandardEvent) => readonly string[],
): Finding[] =>
  Object.entries(record).flatMap(([eventId, name]) => {
    const event = events.find(({ id }) => id === eventId)
    return event
      ? oneOf(`${place}.${eventId}`, name, offered(event))
      : oneOf(
          place,
          eventId,
          events.map(({ id }) => id),
        )
  })

const oneOf = (place: string, found: string, offered: readonly string[]): Finding[] =>
  offered.includes(found)
    ? []
    : [
        {
          place,
          code: 'notOffered',
          found,
          expected: offered.length > 0 ? `one of ${offered.join(', ')}` : 'nothing here',
        },
      ]
