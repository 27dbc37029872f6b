/** How a day is planned: when it begins, and where, how and by whom each event is worked. */
import {
  Choice,
  FreeText,
  Matching,
  Nested,
  NestedList,
  Optional,
  Slug,
  SlugList,
  UuidList,
  Whole,
  WholeList,
} from '../document/rules.ts'
import { MeasuredGround } from '../day/measuredGround.ts'
import { SitePlan } from '../day/sitePlan.ts'
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import { orderGroups } from '../standard/order.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'

export const PLAN_FORMAT = 'able-gauge/plan/1'

/** How one event is worked on the day. */
export class EventPlan {
  @Slug() eventId!: string
  /** Where on the ground. */
  @FreeText(80) place!: string
  /** Stations side by side, each with a grader of its own. */
  @Whole(1, 50) stations!: number
  /** How many start together at one station. */
  @Whole(1, 500) together!: number
  /** How long one start keeps its station, with change-over. */
  @Whole(10_000, 86_400_000) slotMs!: number
  /** Accounts of those who work it. */
  @UuidList(40) staff!: string[]
  /** Index in the days of the plan. */
  @Whole(0, 20) day!: number
  @Optional() @Nested(() => MeasuredGround) ground?: MeasuredGround
}

/** Somebody has put a wave's turn at an event to a time of their own. */
export class Pin {
  @Slug() eventId!: string
  @Whole(1, 999) wave!: number
  /** From the beginning of the events on that day. */
  @Whole(0, 86_400_000) startMs!: number
}

/** A wave that goes through the battery in an order of its own, where the standard leaves it free. */
export class WaveOrder {
  @Whole(1, 999) wave!: number
  /** Every event of the battery. */
  @SlugList(1, 40) eventIds!: string[]
}

/** One of the days a test is spread over. */
export class PlannedDay {
  /** Days after the test date. */
  @Whole(0, 60) afterDays!: number
  /** Time at the venue, HH:MM. */
  @Matching(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as 09:00') musterAt!: string
  @Matching(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as 09:00') startsAt!: string
  /** The latest end wanted; left out, the day ends when it ends. */
  @Optional() @Matching(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as 12:30') endsBy?: string
}

export class DayPlan {
  @Choice([PLAN_FORMAT]) format!: typeof PLAN_FORMAT
  @NestedList(() => PlannedDay, 1, 21) days!: PlannedDay[]
  /** One for each event of the battery, in its order. */
  @NestedList(() => EventPlan, 1, 40) events!: EventPlan[]
  @NestedList(() => Pin, 0, 1_000) pins!: Pin[]
  /** Waves that rotate; every other goes through the battery as it is listed. */
  @Optional() @NestedList(() => WaveOrder, 1, 999) orders?: WaveOrder[]
  /** Waves in the order their turns are laid: each time one is named, its next event. Left out, whoever can start first is next. */
  @Optional() @WholeList(1, 1, 40_000) turns?: number[]
  @Optional() @Nested(() => SitePlan) site?: SitePlan
}

/**
 * A plan to begin with: one station for each event, slots as the protocol's notes say, everything on the test date.
 * @param standard whose battery is worked
 */
export const firstPlan = ({ events }: Pick<Standard, 'events'>): DayPlan => ({
  format: PLAN_FORMAT,
  days: [{ afterDays: 0, musterAt: '08:00', startsAt: '09:00' }],
  events: events.map(firstEventPlan),
  pins: [],
})

const firstEventPlan = ({ id, protocol }: StandardEvent): EventPlan => {
  const { peopleAtOnce = 1, secondsEach = 180 } = protocol.notes ?? {}
  const slotSeconds = kindOf(protocol).startsTogether ? peopleAtOnce * secondsEach : secondsEach
  const ground = firstGround(protocol)
  return {
    eventId: id,
    place: '',
    stations: 1,
    together: peopleAtOnce,
    slotMs: slotSeconds * 1000,
    staff: [],
    day: 0,
    ...(ground ? { ground } : {}),
  }
}

/** The ground the protocol asks for, to be corrected once it is measured; null where nothing is laid out. */
const firstGround = (protocol: Protocol): MeasuredGround | null => {
  const asked = kindOf(protocol).ground?.(protocol)
  return asked ? { shape: asked.shape, lengthMm: asked.lengthMm, surface: '' } : null
}

/** Whether somebody may go through the battery in this order. */
export const keepsOrder = (standard: Pick<Standard, 'events' | 'order'>, eventIds: readonly string[]): boolean => {
  let from = 0
  for (const group of orderGroups(standard)) {
    const next = eventIds.slice(from, from + group.length)
    if (!group.every((id) => next.includes(id))) return false
    from += group.length
  }
  return from === eventIds.length
}

/**
 * A plan brought in line with the battery it is for: events that are missing are added, unknown ones left out, and orders that it does
 * not allow.
 */
export const planFor = (standard: Pick<Standard, 'events' | 'order'>, plan: DayPlan | null): DayPlan => {
  const first = firstPlan(standard)
  if (!plan) return first
  const { orders, site, ...others } = plan
  const kept = orders?.filter(({ eventIds }) => keepsOrder(standard, eventIds)) ?? []
  return {
    ...others,
    ...(kept.length > 0 ? { orders: kept } : {}),
    ...(site ? { site: siteFor(standard, site) } : {}),
    events: first.events.map((one) => plan.events.find(({ eventId }) => eventId === one.eventId) ?? one),
  }
}

/** Without the events the battery has not got, and the ways to them. */
const siteFor = ({ events }: Pick<Standard, 'events'>, { marks, ways, ...size }: SitePlan): SitePlan => {
  const kept = marks.filter(({ eventId }) => eventId === undefined || events.some(({ id }) => id === eventId))
  const isThere = (id: string): boolean => kept.some((mark) => mark.id === id)
  return { ...size, marks: kept, ways: ways.filter(({ from, to }) => isThere(from) && isThere(to)) }
}
