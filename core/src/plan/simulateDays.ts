/**
 * What will really happen: a timetable worked many times from a seed, with people who come late, do not come or stop, and with starts that
 * take now less, now longer. Starts keep the order of the timetable; each begins once its station, its staff and its people are there.
 */
import { seededRandom, type Random } from '../random/random.ts'
import { ASSUMED_SPREAD_PERCENT, holdsFor, type Habits } from './habits.ts'
import type { Start, Timetable, TimetableEvent, TimetableTask } from './timetable.ts'

/** What is known of a day under way. */
export interface SoFar {
  /** From the beginning of the events of the day that is worked. */
  readonly nowMs: number
  /** From when to when people were at an event, by `entryId eventId`; to null while they still are. */
  readonly done: ReadonlyMap<string, { readonly fromMs: number; readonly toMs: number | null }>
  /** Whoever goes on no more, or is not here. */
  readonly out: ReadonlySet<string>
}

/** People waiting at one moment, over the simulated days. */
interface Queue {
  readonly atMs: number
  readonly low: number
  readonly middle: number
  readonly high: number
}

interface SimulatedEvent {
  readonly eventId: string
  readonly queue: readonly Queue[]
  /** The most that wait at once, in the middle of the days. */
  readonly most: number
  /** How long one person waits there on average. */
  readonly waitMs: number
}

export interface SimulatedDay {
  /** When each simulated day ended, the soonest first. */
  readonly endsMs: readonly number[]
  /** By then 8 of 10 days have ended. */
  readonly likelyMs: number
  readonly middleMs: number
  readonly events: readonly SimulatedEvent[]
}

export interface SimulationOptions {
  /** Index in the days of the plan. */
  readonly day: number
  readonly days: number
  readonly seed: number
  readonly soFar?: SoFar
}

const LIKELY = 0.8
/** 8 of 10 days lie between. */
const [LOW, HIGH] = [0.1, 0.9]
const STEPS = 60

/** @returns the same for the same seed */
export const simulateDays = (
  task: TimetableTask,
  { sittings }: Timetable,
  habits: Habits,
  { day, days, seed, soFar }: SimulationOptions,
): SimulatedDay => {
  const events = task.events.filter((event) => event.day === day)
  const starts = sittings
    .filter((sitting) => sitting.day === day)
    .flatMap(({ eventId, starts: own, startMs: calledMs }) =>
      own.flatMap((start): PlannedStart[] => {
        const event = events.find((one) => one.eventId === eventId)
        return event ? [{ event, start, calledMs }] : []
      }),
    )
    .sort((a, b) => a.start.startMs - b.start.startMs)
  const runs = Array.from({ length: days }, (_, index) =>
    workDay(starts, habits, seededRandom(seed * 100_003 + index), soFar),
  )
  const endsMs = runs.map(({ endMs }) => endMs).sort((a, b) => a - b)
  const stepMs = Math.max(60_000, (endsMs.at(-1) ?? 0) / STEPS)
  return {
    endsMs,
    likelyMs: at(endsMs, LIKELY),
    middleMs: at(endsMs, 0.5),
    events: events.map(({ eventId }) => simulatedEvent(eventId, runs, stepMs)),
  }
}

interface PlannedStart {
  readonly event: TimetableEvent
  readonly start: Start
  /** When its wave is called to the event. */
  readonly calledMs: number
}

interface Wait {
  readonly fromMs: number
  readonly toMs: number
}

interface Worked {
  readonly endMs: number
  readonly waits: ReadonlyMap<string, readonly Wait[]>
}

const workDay = (starts: readonly PlannedStart[], habits: Habits, random: Random, soFar: SoFar | undefined): Worked => {
  const slots = new Map(habits.slots.map((slot) => [slot.eventId, slot]))
  const readyMs = new Map<string, number>()
  const gone = new Set(soFar?.out)
  const stationsMs = new Map<string, number[]>()
  /** By member of the staff: the event they are at, and until when. */
  const staffMs = new Map<string, { eventId: string; untilMs: number }[]>()
  const waits = new Map<string, Wait[]>()
  let endMs = 0
  // drawn once a person, whatever else is drawn, so that two plans are compared on the same days
  const arrivals = arrivalsOf(starts, habits, random)
  for (const { event, start, calledMs } of starts) {
    const drawn = normal(random)
    const stops = start.entryIds.map(() => random.next() < habits.stoppedPercent / 100)
    const known = start.entryIds.flatMap((id) => soFar?.done.get(`${id} ${event.eventId}`) ?? [])
    const present = start.entryIds.filter((id) => {
      const arrival = soFar?.done.has(`${id} ${event.eventId}`) ? 0 : arrivals.get(id)
      return !gone.has(id) && arrival !== null
    })
    if (present.length === 0) continue
    const learnt = slots.get(event.eventId)
    const habit = learnt && holdsFor(learnt, start.entryIds.length) ? learnt : undefined
    const spread = (habit?.spreadPercent ?? ASSUMED_SPREAD_PERCENT) / 100
    const longer = Math.exp(spread * drawn)
    const takesMs = (habit?.usualMs ?? event.slotMs) * longer
    const ownMs = (habit?.ownMs ?? event.slotMs) * longer
    const stations = stationsMs.get(event.eventId) ?? Array.from({ length: event.stations }, () => 0)
    stationsMs.set(event.eventId, stations)
    const station = stations.indexOf(Math.min(...stations))
    const ready = present.map((id) => readyMs.get(id) ?? Math.max(calledMs, arrivals.get(id) ?? 0))
    const staffFreeMs = event.staff.flatMap((id) =>
      (staffMs.get(id) ?? []).flatMap(({ eventId, untilMs }) => (eventId === event.eventId ? [] : [untilMs])),
    )
    const beganMs = known.length > 0 ? Math.min(...known.map(({ fromMs }) => fromMs)) : null
    const startMs = beganMs ?? Math.max(stations[station] ?? 0, soFar?.nowMs ?? 0, ...ready, ...staffFreeMs)
    const ended = known.flatMap(({ toMs }) => toMs ?? [])
    const endedMs =
      beganMs !== null && ended.length === known.length && known.length > 0
        ? Math.max(...ended)
        : Math.max(startMs + takesMs, soFar?.nowMs ?? 0)
    stations[station] = endedMs
    for (const id of event.staff) {
      const others = (staffMs.get(id) ?? []).filter(({ eventId }) => eventId !== event.eventId)
      staffMs.set(id, [...others, { eventId: event.eventId, untilMs: endedMs }])
    }
    const queue = waits.get(event.eventId) ?? []
    waits.set(event.eventId, queue)
    for (const [index, id] of present.entries()) {
      // at the first event nobody minds their own place in the list
      const fromMs = readyMs.has(id) ? ready[index] : Math.max(start.startMs, ready[index] ?? 0)
      queue.push({ fromMs: Math.min(fromMs ?? startMs, startMs), toMs: startMs })
      readyMs.set(id, (known.length > 0 ? endedMs : startMs + ownMs) + event.restAfterMs)
      if (stops[start.entryIds.indexOf(id)] && known.length === 0) gone.add(id)
    }
    endMs = Math.max(endMs, endedMs)
  }
  return { endMs, waits }
}

/** When each person is there; null for whoever does not come. */
const arrivalsOf = (starts: readonly PlannedStart[], habits: Habits, random: Random): Map<string, number | null> => {
  const ids = [...new Set(starts.flatMap(({ start }) => start.entryIds))].sort()
  return new Map(
    ids.map((id) => {
      const [isAbsent, isLate, howLate] = [
        random.next() < habits.absentPercent / 100,
        random.next() < habits.latePercent / 100,
        random.next() * habits.latestMs,
      ]
      return [id, isAbsent ? null : isLate ? howLate : 0]
    }),
  )
}

const simulatedEvent = (eventId: string, runs: readonly Worked[], stepMs: number): SimulatedEvent => {
  const counts = runs.map(({ waits }) => {
    const changes = Array.from({ length: STEPS + 2 }, () => 0)
    for (const { fromMs, toMs } of waits.get(eventId) ?? []) {
      const [from, to] = [Math.ceil(fromMs / stepMs), Math.ceil(toMs / stepMs)]
      changes[from] = (changes[from] ?? 0) + 1
      changes[to] = (changes[to] ?? 0) - 1
    }
    let waiting = 0
    return changes.slice(0, STEPS + 1).map((change) => (waiting += change))
  })
  const queue = Array.from({ length: STEPS + 1 }, (_, step) => {
    const sorted = counts.map((own) => own[step] ?? 0).sort((a, b) => a - b)
    return { atMs: step * stepMs, low: at(sorted, LOW), middle: at(sorted, 0.5), high: at(sorted, HIGH) }
  })
  const all = runs.flatMap(({ waits }) => waits.get(eventId) ?? [])
  const waited = all.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
  return {
    eventId,
    queue,
    most: Math.max(...queue.map(({ middle }) => middle)),
    waitMs: all.length === 0 ? 0 : waited / all.length,
  }
}

/** @param sorted the smallest first */
const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0

/** About a standard normal value (Box and Muller 1958). */
const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
