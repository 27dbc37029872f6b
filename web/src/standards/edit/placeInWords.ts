/** Where in a draft something is, as somebody would say it. */
import { labelOf } from '@able-gauge/core'
import type { Plain } from './useDraft.ts'

/** Parts everything in an event belongs to, which say nothing of where it is. */
const UNSAID: ReadonlySet<string> = new Set(['events', 'alternateEvents', 'protocol', 'scoring'])

/**
 * @param place such as `events[0].scoring.rows[2].ageFrom`
 * @returns such as "Press-ups, rows 3, age from"; "The document" for the whole of it
 */
export const placeInWords = (draft: Plain, place: string): string => {
  const steps = place.split(/[.[\]]+/).filter((step) => step !== '')
  let node: unknown = draft
  const words = steps.flatMap((step, index): string[] => {
    node = Object(node)[step] as unknown
    const list = steps[index - 1] ?? ''
    const isEvent = list === 'events' || list === 'alternateEvents'
    if (/^\d+$/.test(step)) {
      const { name, label } = Object(node) as Plain
      const own = typeof name === 'string' && name !== '' ? name : label
      if (typeof own === 'string' && own !== '') return [own]
      if (hasAges(node)) return [`${list === 'rows' ? '' : ''}${bandInWords(draft, node)}`]
      return [isEvent ? `Event ${Number(step) + 1}` : String(Number(step) + 1)]
    }
    return UNSAID.has(step) ? [] : [labelOf(step).toLowerCase()]
  })
  const [first = 'the document', ...others] = words
  return [first.charAt(0).toUpperCase() + first.slice(1), ...others].join(', ').replace(/, (\d+)\b/g, ' $1')
}
