import type { Remark } from '../document/remark.ts'
import type { Standard } from './standard.ts'

/** Alternates that point nowhere, and events nothing points to. */
export const checkAlternates = ({ events, alternateEvents = [] }: Standard): Remark[] => {
  const named = new Set(events.flatMap(({ alternates = [] }) => alternates.map(({ eventId }) => eventId)))
  return [
    ...events.flatMap(({ name, alternates = [] }, at) =>
      alternates.flatMap(({ eventId }, index): Remark[] =>
        alternateEvents.some(({ id }) => id === eventId)
          ? []
          : [
              {
                place: `events[${at}].alternates[${index}].eventId`,
                code: 'alternateNowhere',
                severity: 'error',
                what: `${name} may be replaced by "${eventId}", which this standard does not describe.`,
                example: `Somebody entered for "${eventId}" could not be judged.`,
                mend: 'Describe the event in alternateEvents, or correct its name.',
              },
            ],
      ),
    ),
    ...alternateEvents.flatMap(({ id, name }, index): Remark[] =>
      named.has(id)
        ? []
        : [
            {
              place: `alternateEvents[${index}]`,
              code: 'alternateUnused',
              severity: 'warning',
              what: `${name} is described as an alternate, but no event names it.`,
              example: 'Nobody could be entered for it.',
              mend: 'Name it among the alternates of an event, or take it away.',
              remedy: {
                label: `Take ${name} away`,
                edits: [{ place: alternateEvents.length === 1 ? 'alternateEvents' : `alternateEvents[${index}]` }],
              },
            },
          ],
    ),
  ]
}
