/** How short a day can be at best. Nothing is planned here; it says what no timetable can beat. */
import type { TimetableEvent, TimetableTask } from './timetable.ts'

/**
 * A lower bound for the length of one day of the plan, for any timetable with these waves, stations, slots, rests and staff.
 *
 * The work of an event takes its stations so long, whatever the order. Before the first of it can start, as many people as its
 * smallest start holds must have come through everything before; after its last start has ended, as many must go through
 * everything that follows. What one member of the staff works cannot overlap either. The greatest of these sums is the bound.
 * @returns ms from the beginning of the day's events
 */
export const timetableBound = (task: TimetableTask, day: number): number => {
  const events = task.events.filter((event) => event.day === day)
  const sizes = task.waves.map(({ entryIds }) => entryIds.length)
  if (events.length === 0 || sizes.length === 0) return 0
  const stages = events.map((event) => stageOf(event, sizes))
  const heads = stages.map((_, index) => waitBefore(stages, index))
  const backwards = [...stages].reverse()
  const tails = stages.map((_, index) => waitBefore(backwards, stages.length - 1 - index, true))
  const perEvent = stages.map(({ workMs }, index) => (heads[index] ?? 0) + workMs + (tails[index] ?? 0))
  const staff = [...new Set(events.flatMap((event) => event.staff))]
  const perStaff = staff.map((id) => {
    const own = stages.flatMap(({ event }, index) => (event.staff.includes(id) ? [index] : []))
    const work = own.reduce((sum, index) => sum + (stages[index]?.workMs ?? 0), 0)
    const least = (values: readonly number[]): number => Math.min(...own.map((index) => values[index] ?? 0))
    return least(heads) + work + least(tails)
  })
  return Math.max(...perEvent, ...perStaff)
}

interface Stage {
  readonly event: TimetableEvent
  /** How long its stations are busy at least. */
  readonly workMs: number
  /** People in its smallest start. */
  readonly smallest: number
}

const stageOf = (event: TimetableEvent, sizes: readonly number[]): Stage => {
  const starts = sizes.reduce((sum, size) => sum + Math.ceil(size / event.together), 0)
  const smallest = Math.min(...sizes.map((size) => size % event.together || Math.min(size, event.together)))
  return { event, workMs: Math.ceil(starts / event.stations) * event.slotMs, smallest }
}

/** From the beginning until the first start of a stage can be, people coming through the stages before it. */
const waitBefore = (stages: readonly Stage[], index: number, backwards = false): number => {
  const stage = stages[index]
  if (!stage) return 0
  const waits = stages.slice(0, index).map((before, place) => {
    const { event } = before
    const slots = Math.ceil(stage.smallest / (event.together * event.stations))
    const between = stages.slice(place + 1, index).reduce((sum, { event: { slotMs } }) => sum + slotMs, 0)
    return (
      waitBefore(stages, place, backwards) +
      slots * event.slotMs +
      between +
      restsBetween(stages, place, index, backwards)
    )
  })
  return Math.max(0, ...waits)
}

/** The rest stands after an event; read backwards it stands after the later one in time, which is the next in the list. */
const restsBetween = (stages: readonly Stage[], from: number, to: number, backwards: boolean): number =>
  stages
    .slice(backwards ? from + 1 : from, backwards ? to + 1 : to)
    .reduce((sum, { event }) => sum + event.restAfterMs, 0)
