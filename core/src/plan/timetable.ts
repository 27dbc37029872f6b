/**
 * When each wave is at each event. Everybody goes through the battery in its order, or in that of their wave where the order is free; a wave
 * fills the stations of an event slot by slot, nobody starts before the published rest is over, and nobody on the staff is at two events at once.
 */
import { orderGroups, type BatteryOrder } from '../standard/order.ts'
import type { DayPlan, EventPlan, Pin } from './dayPlan.ts'

export interface TimetableEvent extends Pick<EventPlan, 'stations' | 'together' | 'slotMs' | 'staff' | 'day'> {
  readonly eventId: string
  /** At least this long until the next event. */
  readonly restAfterMs: number
}

export interface TimetableWave {
  readonly wave: number
  readonly entryIds: readonly string[]
  /** Every event, in the order this wave does them; left out, as the task lists them. */
  readonly order?: readonly string[]
}

/** What a timetable is made from. Times are ms from the beginning of the events of their day. */
export interface TimetableTask {
  /** In the order they are done. */
  readonly events: readonly TimetableEvent[]
  /** Ids of events that may be done in any order among themselves, group after group; left out, each follows the one before. */
  readonly groups?: readonly (readonly string[])[]
  readonly waves: readonly TimetableWave[]
  readonly pins: readonly Pin[]
  /** Waves in the order their turns are laid: each time one is named, its next event. What is not named follows. */
  readonly turns?: readonly number[]
  /** Which day after the first each day of the plan is, and when its events begin: ms from the first day's midnight. */
  readonly dayStartsMs: readonly number[]
}

/** One start at one station. */
export interface Start {
  /** From 1. */
  readonly station: number
  readonly entryIds: readonly string[]
  readonly startMs: number
  readonly endMs: number
}

/** A wave at an event, from its first start to its last end. */
export interface Sitting {
  readonly eventId: string
  readonly wave: number
  readonly day: number
  readonly startMs: number
  readonly endMs: number
  readonly starts: readonly Start[]
  readonly pinned: boolean
}

export interface Timetable {
  readonly sittings: readonly Sitting[]
  /** When the last sitting of each day ends. */
  readonly endMs: readonly number[]
}

/** Length of all its days together, ms. */
export const lengthOf = ({ endMs }: Pick<Timetable, 'endMs'>): number => endMs.reduce((sum, one) => sum + one, 0)

/** Puts a plan, the battery's rests and the waves together. */
export const timetableTask = (
  plan: DayPlan,
  standard: {
    readonly events: readonly { readonly id: string; readonly restAfterMs?: number }[]
    readonly order?: BatteryOrder
  },
  waves: readonly TimetableWave[],
): TimetableTask => ({
  groups: orderGroups(standard),
  events: standard.events.flatMap(({ id, restAfterMs = 0 }) => {
    const planned = plan.events.find(({ eventId }) => eventId === id)
    return planned ? [{ ...planned, restAfterMs }] : []
  }),
  waves: waves
    .filter(({ entryIds }) => entryIds.length > 0)
    .map((one) => {
      const order = plan.orders?.find(({ wave }) => wave === one.wave)?.eventIds
      return order ? { ...one, order } : one
    }),
  pins: plan.pins,
  ...(plan.turns ? { turns: plan.turns } : {}),
  dayStartsMs: plan.days.map(({ afterDays, startsAt }) => afterDays * DAY_MS + timeOfDayMs(startsAt)),
})

const DAY_MS = 86_400_000

/** @param text HH:MM */
export const timeOfDayMs = (text: string): number => {
  const [hours = '0', minutes = '0'] = text.split(':')
  return (Number(hours) * 60 + Number(minutes)) * 60_000
}

interface Booked {
  readonly fromMs: number
  readonly toMs: number
}

/** What is taken while a timetable grows. */
interface Bookings {
  /** By event, then station. */
  readonly stations: ReadonlyMap<string, Booked[][]>
  readonly staff: Map<string, (Booked & { readonly eventId: string })[]>
  /** When each person may start next, from the midnight of the first day. */
  readonly readyMs: Map<string, number>
}

/**
 * Makes the timetable that starts every turn as early as it can: of the turns that could be next, one for each wave, the
 * one that can start first is put down, the earlier wave where two can. Where the task says whose turns are laid in which order, that order
 * is kept. Turns with a pin stand where they were put, rests or not.
 */
export const makeTimetable = (task: TimetableTask): Timetable => {
  const orders = task.waves.map((wave) => orderOf(task, wave))
  const bookings: Bookings = {
    stations: new Map(task.events.map(({ eventId, stations }) => [eventId, emptyStations(stations)])),
    staff: new Map(),
    readyMs: new Map(),
  }
  const pinned = new Map(task.pins.map((pin) => [keyOf(pin.eventId, pin.wave), pin.startMs]))
  // whatever somebody put in its place is taken before the rest is laid around it
  for (const event of task.events) {
    for (const wave of task.waves) {
      const startMs = pinned.get(keyOf(event.eventId, wave.wave))
      if (startMs !== undefined) book(event, sit(task, event, wave, bookings, startMs), bookings)
    }
  }
  const next = task.waves.map(() => 0)
  const laidNext = [...(task.turns ?? [])].map((wave) => task.waves.findIndex((one) => one.wave === wave))
  const sittings: Sitting[] = []
  for (let left = task.events.length * task.waves.length; left > 0; left--) {
    const eventOf = (index: number): TimetableEvent | undefined => orders[index]?.[next[index] ?? 0]
    // a wave that is no longer there, or has had all its turns, is passed over
    let asked = laidNext.shift()
    while (asked !== undefined && !eventOf(asked)) asked = laidNext.shift()
    const candidates = asked === undefined ? task.waves.map((_, index) => index) : [asked]
    const turns = candidates.flatMap((index) => {
      const [wave, event] = [task.waves[index], eventOf(index)]
      return wave && event ? [{ index, event, ...turnOf(task, event, wave, bookings, pinned) }] : []
    })
    const first = turns.reduce((best, turn) => (turn.startsAtMs < best.startsAtMs ? turn : best))
    if (!first.sitting.pinned) book(first.event, first.sitting, bookings)
    const dayMs = task.dayStartsMs[first.event.day] ?? 0
    for (const { entryIds, endMs } of first.sitting.starts) {
      for (const entryId of entryIds) bookings.readyMs.set(entryId, dayMs + endMs + first.event.restAfterMs)
    }
    next[first.index] = (next[first.index] ?? 0) + 1
    sittings.push(first.sitting)
  }
  return { sittings, endMs: task.dayStartsMs.map((_, day) => lastEnd(sittings.filter((one) => one.day === day))) }
}

/** The events in the order a wave does them. */
const orderOf = ({ events }: Pick<TimetableTask, 'events'>, { order }: TimetableWave): TimetableEvent[] =>
  order ? order.flatMap((id) => events.find(({ eventId }) => eventId === id) ?? []) : [...events]

const keyOf = (eventId: string, wave: number): string => `${wave} ${eventId}`
const emptyStations = (count: number): Booked[][] => Array.from({ length: count }, () => [])
const lastEnd = (sittings: readonly Sitting[]): number => Math.max(0, ...sittings.map(({ endMs }) => endMs))

const turnOf = (
  task: TimetableTask,
  event: TimetableEvent,
  wave: TimetableWave,
  bookings: Bookings,
  pinned: ReadonlyMap<string, number>,
): { readonly sitting: Sitting; readonly startsAtMs: number } => {
  const at = pinned.get(keyOf(event.eventId, wave.wave))
  const sitting = at === undefined ? earliest(task, event, wave, bookings) : sit(task, event, wave, bookings, at)
  return { sitting, startsAtMs: (task.dayStartsMs[event.day] ?? 0) + sitting.startMs }
}

/** Later and later, until nobody on the staff is wanted elsewhere meanwhile. */
const earliest = (task: TimetableTask, event: TimetableEvent, wave: TimetableWave, bookings: Bookings): Sitting => {
  let notBeforeMs = 0
  for (;;) {
    const sitting = sit(task, event, wave, bookings, null, notBeforeMs)
    const clash = event.staff
      .flatMap((id) => bookings.staff.get(`${event.day} ${id}`) ?? [])
      .find(
        ({ eventId, fromMs, toMs }) => eventId !== event.eventId && fromMs < sitting.endMs && toMs > sitting.startMs,
      )
    if (!clash) return sitting
    notBeforeMs = clash.toMs
  }
}

/** Fills the stations, whoever stands first in the wave starting first. @param at a pin: rests and bookings are not asked */
const sit = (
  task: TimetableTask,
  event: TimetableEvent,
  { wave, entryIds }: TimetableWave,
  { stations, readyMs }: Bookings,
  at: number | null,
  notBeforeMs = 0,
): Sitting => {
  const dayMs = task.dayStartsMs[event.day] ?? 0
  const taken = (stations.get(event.eventId) ?? emptyStations(event.stations)).map((booked) =>
    at === null ? [...booked] : [],
  )
  // whoever has rested longest goes first, so that a wave keeps its order through the day
  const order = entryIds
    .map((entryId) => ({ entryId, freeMs: at ?? Math.max(notBeforeMs, (readyMs.get(entryId) ?? 0) - dayMs, 0) }))
    .sort((a, b) => a.freeMs - b.freeMs)
  const starts: Start[] = []
  for (let from = 0; from < order.length; from += event.together) {
    const group = order.slice(from, from + event.together)
    const freeMs = Math.max(...group.map((one) => one.freeMs))
    const offers = taken.map((booked, index) => ({ index, startMs: firstGap(booked, freeMs, event.slotMs) }))
    const best = offers.reduce((a, b) => (b.startMs < a.startMs ? b : a))
    const [startMs, endMs] = [best.startMs, best.startMs + event.slotMs]
    insert(taken[best.index] ?? [], { fromMs: startMs, toMs: endMs })
    starts.push({ station: best.index + 1, entryIds: group.map(({ entryId }) => entryId), startMs, endMs })
  }
  const startMs = Math.min(...starts.map((start) => start.startMs))
  const endMs = Math.max(...starts.map((start) => start.endMs))
  return { eventId: event.eventId, wave, day: event.day, startMs, endMs, starts, pinned: at !== null }
}

/** The first moment from which something is free for long enough. @param booked in order */
const firstGap = (booked: readonly Booked[], fromMs: number, lengthMs: number): number => {
  let startMs = fromMs
  for (const { fromMs: takenMs, toMs } of booked) {
    if (takenMs >= startMs + lengthMs) break
    startMs = Math.max(startMs, toMs)
  }
  return startMs
}

const insert = (booked: Booked[], one: Booked): void => {
  const at = booked.findIndex(({ fromMs }) => fromMs > one.fromMs)
  booked.splice(at < 0 ? booked.length : at, 0, one)
}

const book = (event: TimetableEvent, sitting: Sitting, { stations, staff }: Bookings): void => {
  for (const { station, startMs, endMs } of sitting.starts) {
    insert(stations.get(event.eventId)?.[station - 1] ?? [], { fromMs: startMs, toMs: endMs })
  }
  for (const id of event.staff) {
    const key = `${event.day} ${id}`
    const busy = { eventId: event.eventId, fromMs: sitting.startMs, toMs: sitting.endMs }
    staff.set(key, [...(staff.get(key) ?? []), busy])
  }
}
