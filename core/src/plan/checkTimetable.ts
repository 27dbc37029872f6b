/** Proves that a timetable keeps every rule, or names each that it breaks. It shares nothing with what made the timetable. */
import type { Sitting, Start, Timetable, TimetableEvent, TimetableTask } from './timetable.ts'

export type TimetableConflict =
  | {
      readonly code: 'rest'
      readonly entryId: string
      readonly wave: number
      readonly afterEventId: string
      readonly eventId: string
      /** How much of the rest is missing, or how long before its end the next one starts. */
      readonly missingMs: number
    }
  | { readonly code: 'notSeated'; readonly entryId: string; readonly wave: number; readonly eventId: string }
  | { readonly code: 'seatedTwice'; readonly entryId: string; readonly wave: number; readonly eventId: string }
  | {
      readonly code: 'tooMany'
      readonly wave: number
      readonly eventId: string
      readonly people: number
      readonly together: number
    }
  | {
      readonly code: 'stationTaken'
      readonly eventId: string
      readonly wave: number
      readonly otherWave: number
      readonly station: number
    }
  | { readonly code: 'noStation'; readonly eventId: string; readonly wave: number; readonly station: number }
  | {
      readonly code: 'staffTwice'
      readonly staffId: string
      readonly eventId: string
      readonly wave: number
      readonly otherEventId: string
      readonly otherWave: number
    }
  | { readonly code: 'ownWave'; readonly staffId: string; readonly eventId: string; readonly wave: number }
  | { readonly code: 'shortSlot'; readonly eventId: string; readonly wave: number }

/** @param entryOfStaff the entry of each member of the staff who is tested on this day, by account */
export const checkTimetable = (
  task: TimetableTask,
  { sittings }: Pick<Timetable, 'sittings'>,
  entryOfStaff: ReadonlyMap<string, string> = new Map(),
): TimetableConflict[] => [
  ...task.events.flatMap((event) => stationConflicts(event, sittings)),
  ...task.waves.flatMap(({ wave, entryIds }) => entryIds.flatMap((id) => personConflicts(task, sittings, wave, id))),
  ...staffConflicts(task, sittings),
  ...ownWaves(task, entryOfStaff),
]

interface Placed {
  readonly sitting: Sitting
  readonly start: Start
}

const placedIn = (sittings: readonly Sitting[], eventId: string): Placed[] =>
  sittings
    .filter((sitting) => sitting.eventId === eventId)
    .flatMap((sitting) => sitting.starts.map((start) => ({ sitting, start })))

const stationConflicts = (event: TimetableEvent, sittings: readonly Sitting[]): TimetableConflict[] => {
  const { eventId, together, stations, slotMs } = event
  const placed = placedIn(sittings, eventId).sort((a, b) => a.start.startMs - b.start.startMs)
  const single = placed.flatMap(({ sitting: { wave }, start }): TimetableConflict[] => [
    ...(start.entryIds.length > together
      ? [{ code: 'tooMany' as const, wave, eventId, people: start.entryIds.length, together }]
      : []),
    ...(start.station > stations || start.station < 1
      ? [{ code: 'noStation' as const, eventId, wave, station: start.station }]
      : []),
    ...(start.endMs - start.startMs < slotMs ? [{ code: 'shortSlot' as const, eventId, wave }] : []),
  ])
  const twice = pairsThatOverlap(placed, ({ start }) => start).flatMap(([one, other]): TimetableConflict[] =>
    one.start.station === other.start.station
      ? [
          {
            code: 'stationTaken',
            eventId,
            wave: other.sitting.wave,
            otherWave: one.sitting.wave,
            station: one.start.station,
          },
        ]
      : [],
  )
  return [...single, ...twice]
}

const personConflicts = (
  { events, groups = events.map(({ eventId }) => [eventId]), dayStartsMs }: TimetableTask,
  sittings: readonly Sitting[],
  wave: number,
  entryId: string,
): TimetableConflict[] => {
  const conflicts: TimetableConflict[] = []
  const own = sittings.filter((sitting) => sitting.wave === wave)
  const turns: { eventId: string; restMs: number; startMs: number; endMs: number }[] = []
  for (const { eventId, restAfterMs } of events) {
    const placed = placedIn(own, eventId).filter(({ start }) => start.entryIds.includes(entryId))
    const [first] = placed
    if (!first) {
      conflicts.push({ code: 'notSeated', entryId, wave, eventId })
      continue
    }
    if (placed.length > 1) conflicts.push({ code: 'seatedTwice', entryId, wave, eventId })
    const dayMs = dayStartsMs[first.sitting.day] ?? 0
    turns.push({
      eventId,
      restMs: restAfterMs,
      startMs: dayMs + first.start.startMs,
      endMs: dayMs + first.start.endMs,
    })
  }
  const groupOf = ({ eventId }: { eventId: string }): number => groups.findIndex((group) => group.includes(eventId))
  // within a group in whichever order they stand in time, group after group
  turns.sort((a, b) => groupOf(a) - groupOf(b) || a.startMs - b.startMs)
  for (const [index, { eventId, startMs }] of turns.entries()) {
    const before = turns[index - 1]
    const missingMs = before ? before.endMs + before.restMs - startMs : 0
    if (before && missingMs > 0)
      conflicts.push({ code: 'rest', entryId, wave, afterEventId: before.eventId, eventId, missingMs })
  }
  return conflicts
}

const staffConflicts = ({ events }: TimetableTask, sittings: readonly Sitting[]): TimetableConflict[] => {
  const staffOf = new Map(events.map(({ eventId, staff }) => [eventId, staff]))
  const ids = new Set(events.flatMap(({ staff }) => staff))
  return [...ids].flatMap((staffId) => {
    const own = sittings
      .filter(({ eventId }) => staffOf.get(eventId)?.includes(staffId))
      .sort((a, b) => a.day - b.day || a.startMs - b.startMs)
    return pairsThatOverlap(own, (sitting) => sitting).flatMap(([one, other]): TimetableConflict[] =>
      one.day === other.day && one.eventId !== other.eventId
        ? [
            {
              code: 'staffTwice',
              staffId,
              eventId: other.eventId,
              wave: other.wave,
              otherEventId: one.eventId,
              otherWave: one.wave,
            },
          ]
        : [],
    )
  })
}

/** Nobody works the wave they are in themselves. */
const ownWaves = ({ events, waves }: TimetableTask, entryOfStaff: ReadonlyMap<string, string>): TimetableConflict[] =>
  events.flatMap(({ eventId, staff }) =>
    staff.flatMap((staffId): TimetableConflict[] => {
      const entryId = entryOfStaff.get(staffId)
      const wave = waves.find(({ entryIds }) => entryId !== undefined && entryIds.includes(entryId))
      // where several work an event, another can take that wave
      return wave && staff.length === 1 ? [{ code: 'ownWave', staffId, eventId, wave: wave.wave }] : []
    }),
  )

/** @param items in the order they start */
const pairsThatOverlap = <Item>(
  items: readonly Item[],
  spanOf: (item: Item) => { readonly startMs: number; readonly endMs: number },
): [Item, Item][] =>
  items.flatMap((one, index) => {
    const pairs: [Item, Item][] = []
    for (const other of items.slice(index + 1)) {
      if (spanOf(other).startMs >= spanOf(one).endMs) break
      pairs.push([one, other])
    }
    return pairs
  })
