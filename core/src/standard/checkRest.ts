import type { Remark } from '../document/remark.ts'
import type { Standard } from './standard.ts'

export const checkRest = ({ events }: Standard): Remark[] =>
  events.flatMap((event, index) => {
    const next = events[index + 1]
    if (!next || event.restAfterMs !== undefined) return []
    return [
      {
        place: `events[${index}].restAfterMs`,
        code: 'restMissing',
        severity: 'warning',
        what: `No rest is stated between ${event.name} and ${next.name}.`,
        example: `Somebody may be called to ${next.name} straight after ${event.name}.`,
        mend: 'State the least rest, 0 if there is to be none.',
      },
    ]
  })
