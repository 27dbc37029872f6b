/** Who works which event: those whose duty names it first, then whoever has least to do. */
import { kindOf } from '../kinds/kinds.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { DayPlan, EventPlan } from './dayPlan.ts'
import { isMedicalCover, LANES_A_GRADER, type PlannedStaff } from './planFindings.ts'

/** Whoever is in charge or checks people in works an event only where nobody else is left. */
const hasOtherWork = ({ role }: PlannedStaff): boolean => role === 'officer' || role === 'clerk'

/** So many people an event asks for, at the stations and lanes it is planned with. */
export const staffNeeded = (
  { protocol }: Pick<StandardEvent, 'protocol'>,
  { stations, together }: Pick<EventPlan, 'stations' | 'together'>,
): number => stations * (kindOf(protocol).startsTogether ? 1 : Math.ceil(together / LANES_A_GRADER))

/** Whoever works nowhere yet and may work an event, graders and timers first. */
export const freeStaff = (plan: Pick<DayPlan, 'events'>, staff: readonly PlannedStaff[]): PlannedStaff[] =>
  mayWork(staff)
    .filter(({ accountId }) => !plan.events.some((event) => event.staff.includes(accountId)))
    .sort((a, b) => Number(hasOtherWork(a)) - Number(hasOtherWork(b)))

const mayWork = (staff: readonly PlannedStaff[]): PlannedStaff[] =>
  staff.filter((one) => !isMedicalCover(one) && one.entryId === undefined)

/**
 * Puts the staff to the events nobody is assigned to. Medical cover stays free, and so does whoever is tested on the day.
 * @param heads how many are tested: who works long gets less beside it
 * @returns the plan with everybody it could find
 */
export const assignStaff = (
  { events }: Pick<Standard, 'events'>,
  plan: DayPlan,
  staff: readonly PlannedStaff[],
  heads: number,
): DayPlan => {
  const free = mayWork(staff)
  const loadMs = new Map(free.map(({ accountId }) => [accountId, 0]))
  const work = (accountId: string, ms: number): void => {
    loadMs.set(accountId, (loadMs.get(accountId) ?? 0) + ms)
  }
  const workOf = ({ stations, together, slotMs }: EventPlan): number => (heads / (stations * together)) * slotMs
  for (const one of plan.events) for (const id of one.staff) work(id, workOf(one))
  const assigned = plan.events.map((planned) => {
    const event = events.find(({ id }) => id === planned.eventId)
    if (!event || planned.staff.length > 0) return planned
    const names = (duty: string): boolean => duty.toLowerCase().includes(event.name.split(' ')[0]?.toLowerCase() ?? '')
    const chosen = [...free]
      .sort(
        (a, b) =>
          Number(names(b.duty)) - Number(names(a.duty)) ||
          Number(hasOtherWork(a)) - Number(hasOtherWork(b)) ||
          (loadMs.get(a.accountId) ?? 0) - (loadMs.get(b.accountId) ?? 0),
      )
      .slice(0, staffNeeded(event, planned))
      .map(({ accountId }) => accountId)
    for (const id of chosen) work(id, workOf(planned))
    return { ...planned, staff: chosen }
  })
  return { ...plan, events: assigned }
}
