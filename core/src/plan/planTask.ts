/** A day to be planned, as a file brings it: people, stations, staff, rests and turns put by hand, without server or standard. */
import {
  Choice,
  Matching,
  Nested,
  NestedList,
  Optional,
  Slug,
  SlugList,
  Text,
  TextList,
  Whole,
} from '../document/rules.ts'
import type { Finding } from '../document/finding.ts'
import { parseDocument, type ParsedDocument } from '../document/parseDocument.ts'
import { BatteryOrder, orderGroups } from '../standard/order.ts'
import { bestWaves, LARGEST_WAVE } from './bestWaves.ts'
import { checkTimetable, type TimetableConflict } from './checkTimetable.ts'
import { Pin } from './dayPlan.ts'
import { ASSUMED_HABITS, Habits } from './habits.ts'
import { improveTimetable } from './improveTimetable.ts'
import { simulateDays } from './simulateDays.ts'
import { lateEnds } from './latestEnd.ts'
import { timeOfDayMs, type Sitting, type Timetable, type TimetableTask, type TimetableWave } from './timetable.ts'
import { boundForAnyWaves } from './timetableBound.ts'
import { whatWouldHelp, type Help } from './whatWouldHelp.ts'

export const PLAN_TASK_FORMAT = 'able-gauge/plan-task/1'

export class PlanTaskEvent {
  @Slug() id!: string
  /** Stations side by side. */
  @Whole(1, 50) stations!: number
  /** How many start together at one station. */
  @Whole(1, 500) together!: number
  /** How long one start keeps its station, with change-over. */
  @Whole(1_000, 86_400_000) slotMs!: number
  /** At least this long until the next event. */
  @Optional() @Whole(0, 604_800_000) restAfterMs?: number
  /** Who works it, by any name; nobody is at two events at once. */
  @Optional() @TextList(40, 80) staff?: string[]
}

export class PlanTaskPerson {
  @Text(80) id!: string
  /** Those of one group are put into the same waves. */
  @Optional() @Text(80) group?: string
}

export class PlanTaskWave {
  @Whole(1, 999) wave!: number
  @TextList(500, 80) people!: string[]
  /** Every event, in the order of this wave. */
  @Optional() @SlugList(1, 40) order?: string[]
}

export class PlanTask {
  @Choice([PLAN_TASK_FORMAT]) format!: typeof PLAN_TASK_FORMAT
  /** Time of day the events begin. */
  @Matching(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as 09:00') startsAt!: string
  /** The latest end wanted. */
  @Optional() @Matching(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as 12:30') endsBy?: string
  /** In the order they are done. */
  @NestedList(() => PlanTaskEvent, 1, 40) events!: PlanTaskEvent[]
  @Optional() @Nested(() => BatteryOrder) order?: BatteryOrder
  @NestedList(() => PlanTaskPerson, 1, 5_000) people!: PlanTaskPerson[]
  /** Left out, the waves are worked out. */
  @Optional() @NestedList(() => PlanTaskWave, 1, 999) waves?: PlanTaskWave[]
  /** The most people in a wave that is worked out; 24 when left out. */
  @Optional() @Whole(1, 500) largestWave?: number
  @Optional() @NestedList(() => Pin, 0, 1_000) pins?: Pin[]
  @Optional() @Nested(() => Habits) habits?: Habits
  /** Simulated days; 500 when left out. */
  @Optional() @Whole(1, 10_000) days?: number
  /** The same seed gives the same answer; 1 when left out. */
  @Optional() @Whole(0, 1_000_000) seed?: number
}

export interface PlannedTask {
  readonly waves: readonly TimetableWave[]
  readonly sittings: readonly Sitting[]
  /** From the first start to the last end. */
  readonly lengthMs: number
  /** What no plan of these stations and this staff can beat, in whatever waves. */
  readonly boundMs: number
  /** How much later it ends than wanted; left out where nobody said, or where it ends in time. */
  readonly lateMs?: number
  /** Rules that turns put by hand break. */
  readonly conflicts: readonly TimetableConflict[]
  readonly simulation: {
    readonly days: number
    readonly middleMs: number
    /** By then 8 of 10 days have ended. */
    readonly likelyMs: number
    readonly events: readonly { readonly eventId: string; readonly most: number; readonly waitMs: number }[]
  }
  readonly help: readonly Help[]
}

/** @returns the task, or findings that each name their place */
export const parsePlanTask = (plain: unknown): ParsedDocument<PlanTask> => {
  const parsed = parseDocument(PlanTask, plain)
  if (!parsed.ok) return parsed
  const findings = contradictionsIn(parsed.value)
  return findings.length > 0 ? { ok: false, findings } : parsed
}

const contradictionsIn = ({ events, order, people, waves = [], pins = [] }: PlanTask): Finding[] => {
  const ids = events.map(({ id }) => id)
  const known = new Set(people.map(({ id }) => id))
  const finding = (place: string, code: string, found: string, expected: string): Finding => ({
    place,
    code,
    found,
    expected,
  })
  const grouped = orderGroups({ events, ...(order ? { order } : {}) }).flat()
  const seated = waves.flatMap((wave) => wave.people)
  const seats = new Set(seated)
  return [
    ...ids.flatMap((id, index) =>
      ids.indexOf(id) === index ? [] : [finding(`events[${index}].id`, 'repeated', id, 'an id of its own')],
    ),
    ...people.flatMap(({ id }, index) =>
      people.findIndex((one) => one.id === id) === index
        ? []
        : [finding(`people[${index}].id`, 'repeated', id, 'an id of its own')],
    ),
    ...(grouped.join(' ') === ids.join(' ')
      ? []
      : [finding('order.groups', 'orderGroups', grouped.join(', '), 'every event once, as they are listed')]),
    ...waves.flatMap(({ people: own, order: ownOrder }, index) => [
      ...own
        .filter((id) => !known.has(id))
        .map((id) => finding(`waves[${index}].people`, 'unknown', id, 'the id of somebody in people')),
      ...(ownOrder && [...ownOrder].sort().join(' ') !== [...ids].sort().join(' ')
        ? [finding(`waves[${index}].order`, 'order', ownOrder.join(', '), 'every event once')]
        : []),
    ]),
    ...(waves.length > 0 && (seats.size !== seated.length || people.some(({ id }) => !seats.has(id)))
      ? [finding('waves', 'waves', `${seated.length} places`, 'everybody of people in one wave, once')]
      : []),
    ...pins.flatMap(({ eventId }, index) =>
      ids.includes(eventId) ? [] : [finding(`pins[${index}].eventId`, 'unknown', eventId, `one of ${ids.join(', ')}`)],
    ),
  ]
}

const DAYS = 500
const DAYS_OF_HELP = 120

/** Works it out: the waves where none are given, the timetable, what no plan can beat, and what will happen. */
export const planByTask = (given: PlanTask): PlannedTask => {
  const { events, people, order, pins = [], habits = ASSUMED_HABITS, days = DAYS, seed = 1 } = given
  const taskOf = (waves: readonly TimetableWave[]): TimetableTask => ({
    events: events.map(({ id, restAfterMs = 0, staff = [], ...event }) => ({
      ...event,
      eventId: id,
      restAfterMs,
      staff,
      day: 0,
    })),
    groups: orderGroups({ events, ...(order ? { order } : {}) }),
    waves,
    pins,
    dayStartsMs: [timeOfDayMs(given.startsAt)],
  })
  const fixed = given.waves?.map(({ wave, people: entryIds, order: own }) => ({
    wave,
    entryIds,
    ...(own ? { order: own } : {}),
  }))
  const persons = people.map(({ id, group }) => ({ entryId: id, ...(group === undefined ? {} : { group }) }))
  const { task, timetable, lengthMs } = fixed
    ? improveTimetable(taskOf(fixed), ROUNDS, seed)
    : bestWaves(persons, given.largestWave ?? LARGEST_WAVE, taskOf, seed)
  const options = { day: 0, days, seed }
  const simulated = simulateDays(task, timetable, habits, options)
  return {
    waves: task.waves,
    sittings: timetable.sittings,
    lengthMs,
    boundMs: boundForAnyWaves(task, 0),
    ...lateBy(given, timetable),
    conflicts: checkTimetable(task, timetable),
    simulation: {
      days,
      middleMs: Math.round(simulated.middleMs),
      likelyMs: Math.round(simulated.likelyMs),
      events: simulated.events.map(({ eventId, most, waitMs }) => ({ eventId, most, waitMs: Math.round(waitMs) })),
    },
    help: whatWouldHelp(task, simulated, habits, { ...options, days: Math.min(days, DAYS_OF_HELP) }).map((one) => ({
      ...one,
      savesMs: Math.round(one.savesMs),
    })),
  }
}
const ROUNDS = 200

const lateBy = ({ startsAt, endsBy }: PlanTask, timetable: Timetable): { lateMs?: number } => {
  const [late] = lateEnds(
    { days: [{ afterDays: 0, musterAt: startsAt, startsAt, ...(endsBy ? { endsBy } : {}) }] },
    timetable,
  )
  return late ? { lateMs: late.lateMs } : {}
}
