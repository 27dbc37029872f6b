import { printQuantity, resultFormOf, type AmendmentAnswer } from '@able-gauge/core'
import { eventFor, type Day } from './day.ts'

/** What a mark was amended to: a word, or the measure it is judged from. */
export const sayRuled = (day: Day, { entryId, eventId, as, value }: AmendmentAnswer): string => {
  if (value === undefined) return as ?? ''
  const event = day.standard.events.find(({ id }) => id === eventId)
  const entry = day.entries.find(({ id }) => id === entryId)
  if (!event || !entry) return ''
  const done = eventFor(day, event, entry)
  return printQuantity(value, resultFormOf(done).unit, done.publishedIn)
}
