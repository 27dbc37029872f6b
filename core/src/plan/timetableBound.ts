/** How short a day can be at best. Nothing is planned here; it says what no timetable can beat. */
import type { TimetableEvent, TimetableTask } from './timetable.ts'

/**
 * A lower bound for the length of one day of the plan, for any timetable with these waves, stations, slots, rests and staff.
 *
 * The work of an event takes its stations so long, whatever the order. Before the first of it can start, as many people as its
 * smallest start holds must have come through everything that has to be done before; after its last start has ended, as many must go
 * through everything that follows. What one member of the staff works cannot overlap either. One person alone takes the slots and rests
 * of all of it. The greatest of these sums is the bound.
 * @returns ms from the beginning of the day's events
 */
export const timetableBound = (task: TimetableTask, day: number): number =>
  boundOf(task, day, ({ together }) => {
    const sizes = task.waves.map(({ entryIds }) => entryIds.length)
    return {
      starts: sizes.reduce((sum, size) => sum + Math.ceil(size / together), 0),
      smallest: Math.min(...sizes.map((size) => size % together || Math.min(size, together))),
    }
  })

/**
 * The same for the same people in any waves: the starts are as full as can be, and one of them may hold a single person.
 * @returns ms from the beginning of the day's events
 */
export const boundForAnyWaves = (task: TimetableTask, day: number): number => {
  const heads = task.waves.reduce((sum, { entryIds }) => sum + entryIds.length, 0)
  return boundOf(task, day, ({ together }) => ({ starts: Math.ceil(heads / together), smallest: 1 }))
}

interface Load {
  readonly starts: number
  /** People in the smallest start. */
  readonly smallest: number
}

interface Stage extends Load {
  readonly event: TimetableEvent
  /** How long its stations are busy at least. */
  readonly workMs: number
}

/** Stages whose order among themselves is free. */
type Layer = readonly Stage[]

const boundOf = (task: TimetableTask, day: number, loadOf: (event: TimetableEvent) => Load): number => {
  if (task.waves.length === 0) return 0
  const groups = task.groups ?? task.events.map(({ eventId }) => [eventId])
  const layers = groups
    .map((group) =>
      task.events
        .filter((event) => event.day === day && group.includes(event.eventId))
        .map((event): Stage => {
          const load = loadOf(event)
          return { ...load, event, workMs: Math.ceil(load.starts / event.stations) * event.slotMs }
        }),
    )
    .filter((layer) => layer.length > 0)
  const stages = layers.flatMap((layer, depth) => layer.map((stage) => ({ stage, depth })))
  if (stages.length === 0) return 0
  const heads = stages.map(({ stage, depth }) => headOf(layers, stage, depth))
  const tails = stages.map(({ stage, depth }) => tailOf(layers, stage, depth))
  const perEvent = stages.map(({ stage: { workMs } }, index) => (heads[index] ?? 0) + workMs + (tails[index] ?? 0))
  const staff = [...new Set(stages.flatMap(({ stage: { event } }) => event.staff))]
  const perStaff = staff.map((id) => {
    const own = stages.flatMap(({ stage: { event } }, index) => (event.staff.includes(id) ? [index] : []))
    const work = own.reduce((sum, index) => sum + (stages[index]?.stage.workMs ?? 0), 0)
    const least = (values: readonly number[]): number => Math.min(...own.map((index) => values[index] ?? 0))
    return least(heads) + work + least(tails)
  })
  return Math.max(...perEvent, ...perStaff, onePerson(layers))
}

/** Every slot, and the rest after each event but the last: of the last layer the longest may be the one nobody waits for. */
const onePerson = (layers: readonly Layer[]): number => through(layers) - looseRest(layers)

const through = (layers: readonly Layer[]): number =>
  layers.flat().reduce((sum, { event }) => sum + event.slotMs + event.restAfterMs, 0)
const looseRest = (layers: readonly Layer[]): number =>
  Math.max(0, ...(layers.at(-1) ?? []).map(({ event }) => event.restAfterMs))

/** So long so many people take at an event, when they have its stations to themselves. */
const roundsMs = ({ together, stations, slotMs }: TimetableEvent, people: number): number =>
  Math.ceil(people / (together * stations)) * slotMs

/** From the beginning until a stage's first start can be, its people coming through the layers before it. */
const headOf = (layers: readonly Layer[], { smallest }: Stage, depth: number): number => {
  const waits = layers.slice(0, depth).flatMap((layer, place) => {
    const between = through(layers.slice(place + 1, depth))
    return layer.map(
      // whoever is last at one of them may have done the others of its layer before
      (before) => headOf(layers, before, place) + roundsMs(before.event, smallest) + before.event.restAfterMs + between,
    )
  })
  return Math.max(through(layers.slice(0, depth)), ...waits)
}

/** From a stage's last end to the end of the day, its people going through the layers after it. */
const tailOf = (layers: readonly Layer[], { event: { restAfterMs }, smallest }: Stage, depth: number): number => {
  const later = layers.slice(depth + 1)
  if (later.length === 0) return 0
  const waits = later.flatMap((layer, place) => {
    const between = through(later.slice(0, place))
    return layer.map((after) => between + roundsMs(after.event, smallest) + tailOf(layers, after, depth + 1 + place))
  })
  return restAfterMs + Math.max(through(later) - looseRest(later), ...waits)
}
