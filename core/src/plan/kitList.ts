/** What has to be brought, from the events, the stations and how many are tested. */
import { FIRST_KIT, type KitPer, type KitRule } from '../day/stock.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { DayPlan, EventPlan } from './dayPlan.ts'

export interface KitItem {
  readonly item: string
  readonly count: number
  /** Names of the events it is for; empty for the whole day. */
  readonly events: readonly string[]
}

/**
 * @param heads how many are tested
 * @param house what the organisation brings to every day
 */
export const kitList = (
  standard: Pick<Standard, 'events'>,
  plan: DayPlan,
  heads: number,
  house: readonly KitRule[] = FIRST_KIT,
): KitItem[] => {
  const items = new Map<string, { item: string; count: number; events: string[] }>()
  for (const event of standard.events) {
    const planned = plan.events.find(({ eventId }) => eventId === event.id)
    for (const [item, count] of planned ? kitOf(event, planned) : []) {
      const known = items.get(nameOf(item)) ?? { item, count: 0, events: [] }
      // what one event needs is there for the next on another day or hour; what runs side by side is not, so it is added up
      const events = [...new Set([...known.events, event.name])]
      items.set(nameOf(item), { item: known.item, count: known.count + count, events })
    }
  }
  const stations = plan.events.reduce((sum, one) => sum + one.stations, 0)
  const times: Readonly<Record<KitPer, number>> = { day: 1, station: stations, head: heads }
  return [
    ...items.values(),
    ...house.map(({ item, per, count, sparePercent }) => {
      const needed = count * times[per]
      return { item, count: needed + Math.ceil((needed * sparePercent) / 100), events: [] }
    }),
  ]
}

/** Bibs and score cards go by heads, not by stations, so they are counted for the whole day. */
const BY_HEADS = /^(bibs?|(spare )?score cards?)$/i

const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
const COUNTED = new RegExp(
  `^(\\d{1,3}|${NUMBERS.join('|')}) (?!kg\\b|g\\b|m\\b|cm\\b|mm\\b|l\\b|lb\\b|ft\\b|in\\b)(.+)$`,
  'i',
)

/** "Two stopwatches" is two of them at each station; "70 kg dummy" is one dummy. */
const kitOf = ({ kit = [] }: StandardEvent, { stations }: EventPlan): [string, number][] =>
  kit
    .filter((item) => !BY_HEADS.test(item))
    .map((item) => {
      const [, number = '', what = ''] = COUNTED.exec(item) ?? []
      if (what === '') return [item, stations]
      const each = Number(number) || NUMBERS.indexOf(number.toLowerCase()) + 1
      return [what.charAt(0).toUpperCase() + what.slice(1), each * stations]
    })

/** One thing in its singular and plural is one line of the list. */
const nameOf = (item: string): string =>
  item
    .toLowerCase()
    .replace(/(ch|sh|ss|x)es$/, '$1')
    .replace(/([^s])s$/, '$1')
