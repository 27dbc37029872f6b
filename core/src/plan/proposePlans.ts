/** Plans to choose from: how people are put into waves, who works where, and what one more station or another order of events would save. */
import { kindOf } from '../kinds/kinds.ts'
import type { Standard } from '../standard/standard.ts'
import { assignStaff, freeStaff } from './assignStaff.ts'
import type { DayPlan, PlannedDay } from './dayPlan.ts'
import { earlier, lateEnds } from './latestEnd.ts'
import { bestWaves, LARGEST_WAVE, roundsFor, type WavePerson } from './bestWaves.ts'
import { improveTimetable, type ImprovedTimetable } from './improveTimetable.ts'
import type { PlannedStaff } from './planFindings.ts'
import {
  lengthOf,
  makeTimetable,
  timetableTask,
  type Timetable,
  type TimetableTask,
  type TimetableWave,
} from './timetable.ts'
import { boundForAnyWaves } from './timetableBound.ts'

export interface ProposalTask {
  readonly standard: Pick<Standard, 'events' | 'order'>
  readonly plan: DayPlan
  /** In the order they are put into waves; those of one group stand together. */
  readonly people: readonly WavePerson[]
  readonly staff: readonly PlannedStaff[]
}

export type ProposalChange =
  /** Worked by somebody who is free; by nobody of the staff as it is where all have their work. */
  | { readonly code: 'oneMoreStation'; readonly eventId: string; readonly accountId: string | null }
  /** The events of groups that may be done in any order are taken in turn. */
  | { readonly code: 'rotated'; readonly eventIds: readonly string[] }
  /** Everybody comes sooner, so that the day ends when it is wanted. */
  | { readonly code: 'startsEarlier'; readonly day: number; readonly startsAt: string }

export interface Proposal {
  readonly waves: readonly TimetableWave[]
  readonly plan: DayPlan
  readonly timetable: Timetable
  /** Length of all days together, ms. */
  readonly lengthMs: number
  /** What no plan of these stations and this staff can beat, in whatever waves. */
  readonly boundMs: number
  /** What it needs that the plan as it stands does not have. */
  readonly changes: readonly ProposalChange[]
}

/**
 * The best plan found with what there is, then the best with one more station where it saves most, and the best with events in
 * another order, where the standard leaves it free; each only if it ends sooner. Where all that ends later than is wanted, as many
 * stations as it takes, and an earlier beginning.
 * @param seed the same seed proposes the same
 * @returns none while nobody is entered
 */
export const proposePlans = (task: ProposalTask, seed: number): Proposal[] => {
  if (task.people.length === 0) return []
  const { pins: _pins, orders: _orders, turns: _turns, ...plan } = task.plan
  const bare: DayPlan = { ...plan, pins: [] }
  const own = best(task, assignStaff(task.standard, bare, task.staff, task.people.length), [], seed)
  const more = mostSaving(task, own, seed)
  const rotated = freeGroups(task).length > 0 ? rotate(task, own, seed) : null
  const sooner = [more, rotated].filter((one) => one !== null).filter(({ lengthMs }) => lengthMs < own.lengthMs)
  return [own, ...sooner, ...inTime(task, own, sooner, seed)]
}

const isInTime = ({ plan, timetable }: Proposal): boolean => lateEnds(plan, timetable).length === 0

/** What it takes to end in time, where nothing else does. */
const inTime = (task: ProposalTask, own: Proposal, sooner: readonly Proposal[], seed: number): Proposal[] => {
  if ([own, ...sooner].some(isInTime)) return []
  return [withMoreStations(task, own, seed), startingEarlier(own)].filter((one) => one !== null)
}

/** Nobody has more to spare than this. */
const MOST_MORE = 4

/** One station after the other where it saves most, until the day ends in time; null where it never does. */
const withMoreStations = (task: ProposalTask, own: Proposal, seed: number): Proposal | null => {
  let [found, changes]: [Proposal, readonly ProposalChange[]] = [own, []]
  for (let more = 0; more < MOST_MORE; more++) {
    const next = mostSaving(task, found, seed)
    if (!next || next.lengthMs >= found.lengthMs) return null
    changes = [...changes, ...next.changes]
    found = { ...next, changes }
    if (isInTime(found)) return found
  }
  return null
}

/** The same plan, begun so much sooner; null where that is before anybody would come. */
const startingEarlier = (own: Proposal): Proposal | null => {
  let days: readonly PlannedDay[] | null = own.plan.days
  const changes = lateEnds(own.plan, own.timetable).flatMap(({ day, lateMs }): ProposalChange[] => {
    const planned: PlannedDay | undefined = days?.[day]
    const moved = planned ? earlier(planned, lateMs) : null
    days = moved && days ? days.map((one, at) => (at === day ? moved : one)) : null
    return moved ? [{ code: 'startsEarlier', day, startsAt: moved.startsAt }] : []
  })
  return days === null
    ? null
    : { ...own, plan: { ...own.plan, days: [...days] }, changes: [...own.changes, ...changes] }
}

/** Everybody of a wave starts at once where people start together, so that no wave is larger than such a start. */
const largestStart = ({ standard }: ProposalTask, plan: DayPlan): number =>
  Math.min(
    LARGEST_WAVE,
    ...plan.events.flatMap(({ eventId, together }) => {
      const event = standard.events.find(({ id }) => id === eventId)
      return event && kindOf(event.protocol).startsTogether ? [together] : []
    }),
  )

/** In the listed order: a proposal that rotates says so. */
const inListedOrder = ({ groups: _groups, ...task }: TimetableTask): TimetableTask => task

const best = (
  task: ProposalTask,
  plan: DayPlan,
  changes: readonly ProposalChange[],
  seed: number,
  closer?: number,
): Proposal => {
  const taskOf = (waves: readonly TimetableWave[]) => inListedOrder(timetableTask(plan, task.standard, waves))
  return proposalOf(plan, bestWaves(task.people, largestStart(task, plan), taskOf, seed, closer), changes)
}

const proposalOf = (
  plan: DayPlan,
  { task, timetable, lengthMs }: ImprovedTimetable,
  changes: readonly ProposalChange[],
): Proposal => {
  const orders = task.waves.flatMap(({ wave, order }) => (order ? [{ wave, eventIds: [...order] }] : []))
  return {
    waves: task.waves.map(({ wave, entryIds }) => ({ wave, entryIds })),
    plan: {
      ...plan,
      ...(task.turns ? { turns: [...task.turns] } : {}),
      ...(orders.length > 0 ? { orders } : {}),
    },
    timetable,
    lengthMs,
    boundMs: plan.days.reduce((sum, _, day) => sum + boundForAnyWaves(task, day), 0),
    changes,
  }
}

/** One more station where it ends the day soonest; everybody else stays where they are. */
const mostSaving = (task: ProposalTask, own: Proposal, seed: number): Proposal | null => {
  const { turns: _turns, ...plan } = own.plan
  const accountId = freeStaff(plan, task.staff)[0]?.accountId ?? null
  const tried = plan.events
    .map(({ eventId }) => {
      const events = plan.events.map((one) =>
        one.eventId === eventId
          ? { ...one, stations: one.stations + 1, staff: [...one.staff, ...(accountId === null ? [] : [accountId])] }
          : one,
      )
      const changed = { ...plan, events }
      const laid = makeTimetable(inListedOrder(timetableTask(changed, task.standard, own.waves)))
      return { eventId, plan: changed, lengthMs: lengthOf(laid) }
    })
    .sort((a, b) => a.lengthMs - b.lengthMs)
  const [first] = tried
  if (!first) return null
  return best(task, first.plan, [{ code: 'oneMoreStation', eventId: first.eventId, accountId }], seed, 1)
}

const freeGroups = ({ standard: { order, events } }: ProposalTask): readonly (readonly string[])[] =>
  order?.kind === 'free'
    ? [events.map(({ id }) => id)]
    : (order?.groups ?? []).map(({ eventIds }) => eventIds).filter((ids) => ids.length > 1)

/** Each wave begins a free group with another of its events. */
const rotate = (task: ProposalTask, { plan: { turns: _turns, ...plan }, waves }: Proposal, seed: number): Proposal => {
  const groups = freeGroups(task)
  const rotated = waves.map((wave, index) => {
    const order = task.standard.events.map(({ id }) => {
      const group = groups.find((ids) => ids.includes(id))
      return group ? (group[(group.indexOf(id) + index) % group.length] ?? id) : id
    })
    return { ...wave, order }
  })
  const laid = timetableTask(plan, task.standard, rotated)
  const found = improveTimetable(laid, roundsFor(laid), seed)
  return proposalOf(plan, found, [{ code: 'rotated', eventIds: groups.flat() }])
}
