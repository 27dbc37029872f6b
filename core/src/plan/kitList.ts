/** What has to be brought, from the events, the stations and how many are tested. */
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { DayPlan, EventPlan } from './dayPlan.ts'

export interface KitItem {
  readonly item: string
  readonly count: number
  /** Names of the events it is for; empty for the whole day. */
  readonly events: readonly string[]
}

/** @param heads how many are tested */
export const kitList = (standard: Pick<Standard, 'events'>, plan: DayPlan, heads: number): KitItem[] => {
  const items = new Map<string, { count: number; events: string[] }>()
  for (const event of standard.events) {
    const planned = plan.events.find(({ eventId }) => eventId === event.id)
    for (const [item, count] of planned ? kitOf(event, planned) : []) {
      const known = items.get(item) ?? { count: 0, events: [] }
      // what one event needs is there for the next on another day or hour; what runs side by side is not, so it is added up
      items.set(item, { count: known.count + count, events: [...known.events, event.name] })
    }
  }
  const stations = plan.events.reduce((sum, one) => sum + one.stations, 0)
  return [
    ...[...items].map(([item, { count, events }]) => ({ item, count, events })),
    ...wholeDay(heads, stations).map(([item, count]) => ({ item, count, events: [] })),
  ]
}

/** Bibs and score cards go by heads, not by stations, so they are counted for the whole day. */
const BY_HEADS = /^(bibs?|(spare )?score cards?)$/i

const kitOf = ({ kit = [] }: StandardEvent, { stations }: EventPlan): [string, number][] =>
  kit.filter((item) => !BY_HEADS.test(item)).map((item) => [item, stations])

/** A tenth more of what gets lost or wet, as experience asks. */
const wholeDay = (heads: number, stations: number): [string, number][] => [
  ['Bib', heads + Math.ceil(heads / 10)],
  ['Paper score card, in case the devices fail', heads + Math.ceil(heads / 10)],
  ['Station card', stations],
  ['Clipboard and pencil', stations],
  ['First aid kit', 1],
  ['Defibrillator', 1],
  ['Water, litres', heads],
]
