/** Where in a draft something is, as somebody would say it. */
import { labelOf, printAges } from '@able-gauge/core'
import type { Plain } from './plain.ts'

/** Parts everything in an event belongs to, which say nothing of where it is. */
const UNSAID: ReadonlySet<string> = new Set(['events', 'alternateEvents', 'protocol', 'scoring'])

/** A list of rows that are named by the people they are for is not named itself. */
const isNamedByAges = (draft: Plain, list: unknown, at: string | undefined): boolean =>
  Array.isArray(list) && at !== undefined && bandInWords(draft, list[Number(at)]) !== ''

/** Ages and category of a row: "Men 30 to 39"; empty for what is no row of people. */
const bandInWords = (draft: Plain, node: unknown): string => {
  const { ageFrom, ageTo, category, role } = Object(node) as Plain
  if (typeof ageFrom !== 'number') return ''
  const called = (list: string, id: unknown): string => {
    const named = (Array.isArray(draft[list]) ? (draft[list] as Plain[]) : []).find((one) => one['id'] === id) // told by the check otherwise
    return typeof id === 'string' ? String(named?.['name'] ?? id) : ''
  }
  const ages = printAges(ageFrom, typeof ageTo === 'number' ? ageTo : null)
  return [called('categories', category), called('roles', role), ages].filter((word) => word !== '').join(' ')
}

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
      const band = bandInWords(draft, node)
      if (band !== '') return [band]
      return [isEvent ? `Event ${Number(step) + 1}` : String(Number(step) + 1)]
    }
    return UNSAID.has(step) || isNamedByAges(draft, node, steps[index + 1]) ? [] : [labelOf(step).toLowerCase()]
  })
  const [first = 'the document', ...others] = words
  return [first.charAt(0).toUpperCase() + first.slice(1), ...others].join(', ').replace(/, (\d+)\b/g, ' $1')
}
