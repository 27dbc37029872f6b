/** What changed between two states of a plan, in words, and how changes of two people are laid on top of each other. */
import { canonicalJson } from '../standard/contentHash.ts'
import { numbered } from '../quantity/numbered.ts'
import { printTime } from '../quantity/time.ts'
import type { Standard } from '../standard/standard.ts'
import type { DayPlan, EventPlan, Pin } from './dayPlan.ts'

export interface PlanChange {
  /** Names the part of the plan, such as `events.run.stations`. */
  readonly place: string
  readonly sentence: string
}

interface Named {
  readonly standard: Pick<Standard, 'events'>
  /** Name of a member of the staff. */
  readonly staffName: (accountId: string) => string
}

/** The parts two people can change without touching each other's, by place. */
type Parts = ReadonlyMap<string, unknown>

const EVENT_FIELDS = ['place', 'stations', 'together', 'slotMs', 'staff', 'day', 'ground'] as const

const partsOf = ({ days, events, pins, orders = [], turns = [], site }: DayPlan): Parts =>
  new Map<string, unknown>([
    ['days', days],
    ['orders', orders],
    ['turns', turns],
    ['site', site ?? null],
    ...events.flatMap((event) =>
      EVENT_FIELDS.map((field): [string, unknown] => [`events.${event.eventId}.${field}`, event[field]]),
    ),
    ...pins.map((pin): [string, unknown] => [`pins.${pin.eventId}.${pin.wave}`, pin]),
  ])

const placesThatDiffer = (before: Parts, after: Parts): string[] =>
  [...new Set([...before.keys(), ...after.keys()])].filter(
    (place) => canonicalJson(before.get(place) ?? null) !== canonicalJson(after.get(place) ?? null),
  )

/** What is different in `after`. */
export const planChanges = (before: DayPlan, after: DayPlan, named: Named): PlanChange[] => {
  const parts = partsOf(after)
  return placesThatDiffer(partsOf(before), parts).map((place) => ({
    place,
    sentence: sayPart(place, parts, named, after),
  }))
}

export interface MergedPlan {
  readonly plan: DayPlan
  /** Places both have changed, to different ends: mine stands in the merged plan. */
  readonly clashes: readonly string[]
}

/**
 * Lays my changes on top of theirs.
 * @param base what both began with
 */
export const mergePlans = (base: DayPlan, mine: DayPlan, theirs: DayPlan): MergedPlan => {
  const [baseParts, myParts, theirParts] = [partsOf(base), partsOf(mine), partsOf(theirs)]
  const changedByMe = new Set(placesThatDiffer(baseParts, myParts))
  const changedByThem = new Set(placesThatDiffer(baseParts, theirParts))
  const differs = new Set(placesThatDiffer(myParts, theirParts))
  const pick = <Value>(place: string, my: Value, their: Value): Value => (changedByMe.has(place) ? my : their)
  const events = theirs.events.map((their): EventPlan => {
    const my = mine.events.find(({ eventId }) => eventId === their.eventId) ?? their
    const ground = pick(`events.${their.eventId}.ground`, my.ground, their.ground)
    const at = (field: (typeof EVENT_FIELDS)[number]) => `events.${their.eventId}.${field}`
    return {
      eventId: their.eventId,
      place: pick(at('place'), my.place, their.place),
      stations: pick(at('stations'), my.stations, their.stations),
      together: pick(at('together'), my.together, their.together),
      slotMs: pick(at('slotMs'), my.slotMs, their.slotMs),
      staff: pick(at('staff'), my.staff, their.staff),
      day: pick(at('day'), my.day, their.day),
      ...(ground ? { ground } : {}),
    }
  })
  const pinPlaces = [...new Set([...myParts.keys(), ...theirParts.keys()])].filter((place) => place.startsWith('pins.'))
  // a place is a pin's place only where partsOf put a pin
  const pins = pinPlaces.flatMap(
    (place) => (pick(place, myParts.get(place), theirParts.get(place)) as Pin | undefined) ?? [],
  )
  const orders = pick('orders', mine.orders, theirs.orders)
  const turns = pick('turns', mine.turns, theirs.turns)
  const site = pick('site', mine.site, theirs.site)
  return {
    plan: {
      format: theirs.format,
      days: pick('days', mine.days, theirs.days),
      events,
      pins,
      ...(orders ? { orders } : {}),
      ...(turns ? { turns } : {}),
      ...(site ? { site } : {}),
    },
    clashes: [...changedByMe].filter((place) => changedByThem.has(place) && differs.has(place)),
  }
}

const sayPart = (place: string, parts: Parts, { standard, staffName }: Named, plan: DayPlan): string => {
  const [section, eventId = '', field = ''] = place.split('.')
  if (section === 'days') {
    const [first] = plan.days
    const days = plan.days.length === 1 ? '' : `, ${plan.days.length} days`
    const by = first?.endsBy === undefined ? '' : `, done by ${first.endsBy}`
    return `Muster at ${first?.musterAt ?? ''}, events from ${first?.startsAt ?? ''}${by}${days}`
  }
  if (section === 'site') return plan.site ? 'The site plan was drawn' : 'The site plan was taken away'
  if (section === 'orders') return (plan.orders ?? []).length === 0 ? 'No wave rotates' : 'Waves rotate'
  if (section === 'turns')
    return plan.turns ? 'Turns are laid in an order that was searched for' : 'Turns are laid as early as they can be'
  const name = standard.events.find(({ id }) => id === eventId)?.name ?? eventId
  if (section === 'pins') {
    return parts.has(place)
      ? `${name}, wave ${field}: put to a time of its own`
      : `${name}, wave ${field}: no longer put to a time`
  }
  const event = plan.events.find((one) => one.eventId === eventId)
  return event ? `${name}: ${sayField(field, event, staffName)}` : `${name}: left out`
}

const sayField = (field: string, event: EventPlan, staffName: (id: string) => string): string => {
  switch (field) {
    case 'place':
      return event.place === '' ? 'no place' : `at ${event.place}`
    case 'stations':
      return numbered(event.stations, 'station')
    case 'together':
      return `${event.together} together`
    case 'slotMs':
      return `${printTime(event.slotMs)} for each start`
    case 'staff':
      return event.staff.length === 0 ? 'nobody works it' : event.staff.map(staffName).join(', ')
    case 'day':
      return `on day ${event.day + 1}`
    default:
      return 'the ground was measured'
  }
}
