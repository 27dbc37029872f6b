/** The parts of a draft: which is open, and events that come, go and move. */
import { eventTemplate, withoutFigures, type EventKind } from '@able-gauge/core'
import { computed, ref } from 'vue'
import { listIn } from './scoringGrid.ts'
import type { Plain } from './plain.ts'

export type EventList = 'events' | 'alternateEvents'
export type Part = 'about' | 'judging' | 'file' | { readonly list: EventList; readonly at: number }

const OF_JUDGING = [
  'combination',
  'order',
  'occasionDays',
  'exemptions',
  'retest',
  'uncertainty',
  'outcomeWords',
] as const

export const useParts = (draft: Plain) => {
  const part = ref<Part>('about')
  const shownEvent = computed(() => {
    const chosen = part.value
    if (typeof chosen !== 'object') return null
    const siblings = listIn(draft, chosen.list)
    const event = siblings[chosen.at]
    return event ? { event, siblings, place: `${chosen.list}[${chosen.at}]`, ...chosen } : null
  })

  const add = (list: EventList, event: Plain): void => {
    draft[list] = [...listIn(draft, list), event]
    part.value = { list, at: listIn(draft, list).length - 1 }
  }
  const takenIds = (): ReadonlySet<unknown> =>
    new Set([...listIn(draft, 'events'), ...listIn(draft, 'alternateEvents')].map(({ id }) => id))
  const addNew = (list: EventList, kind: EventKind): void => {
    const taken = takenIds()
    let number = taken.size + 1
    while (taken.has(`event-${number}`)) number++
    add(list, withoutFigures(eventTemplate(kind, `event-${number}`)) as Plain) // an event, property by property
  }
  const remove = (): void => {
    const shown = shownEvent.value
    if (!shown) return
    const rest = shown.siblings.filter((_, index) => index !== shown.at)
    if (rest.length === 0 && shown.list === 'alternateEvents') Reflect.deleteProperty(draft, shown.list)
    else draft[shown.list] = rest
    part.value = 'about'
  }
  const move = (by: -1 | 1): void => {
    const shown = shownEvent.value
    if (!shown) return
    const list = [...shown.siblings]
    const [event] = list.splice(shown.at, 1)
    if (event) list.splice(shown.at + by, 0, event)
    draft[shown.list] = list
    part.value = { list: shown.list, at: shown.at + by }
  }
  /** Opens the part a place of the document is in. */
  const openAt = (place: string): void => {
    const inEvent = /^(events|alternateEvents)\[(\d+)\]/.exec(place)
    if (inEvent) part.value = { list: inEvent[1] as EventList, at: Number(inEvent[2]) } // the expression allows these two
    else part.value = OF_JUDGING.some((start) => place.startsWith(start)) ? 'judging' : 'about'
  }
  return { part, shownEvent, add, addNew, remove, move, openAt }
}
