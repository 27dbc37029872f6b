/** What does not fit in a plan besides its timetable: nobody assigned, too few for the lanes, slots shorter than what is done in them, no medical cover. */
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import { printTime } from '../quantity/time.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { DayPlan, EventPlan } from './dayPlan.ts'

/** So many lanes one grader watches at once. */
export const LANES_A_GRADER = 4

/** Somebody on the staff of the day. */
export interface PlannedStaff {
  readonly accountId: string
  readonly displayName: string
  /** In the organisation's own words, such as "medical cover". */
  readonly duty: string
  /** What their account is for; whoever grades or times is put to events first. */
  readonly role?: string
  /** Their own entry, for somebody who is tested on this day as well. */
  readonly entryId?: string
}

export type PlanFinding =
  | { readonly code: 'nobodyAssigned'; readonly eventId: string }
  /** Fewer people than there are stations, or than the lanes at them take. */
  | { readonly code: 'tooFewStaff'; readonly eventId: string; readonly staff: number; readonly needed: number }
  /** What is made for many is done one after the other. */
  | { readonly code: 'oneAtATime'; readonly eventId: string; readonly atOnce: number }
  | { readonly code: 'moreThanAtOnce'; readonly eventId: string; readonly together: number; readonly atOnce: number }
  | { readonly code: 'slotTooShort'; readonly eventId: string; readonly slotMs: number; readonly leastMs: number }
  | { readonly code: 'leftTheStaff'; readonly eventId: string }
  | { readonly code: 'noMedicalCover' }
  | { readonly code: 'medicalCoverBusy'; readonly eventId: string; readonly accountId: string }
  | { readonly code: 'tested'; readonly eventId: string; readonly accountId: string }

const MEDICAL = /medic|first aid|doctor|nurse/i
export const isMedicalCover = ({ duty }: Pick<PlannedStaff, 'duty'>): boolean => MEDICAL.test(duty)

/**
 * @param entered how many people are entered on the day
 * @returns in the order of the events, what holds for the whole day first
 */
export const planFindings = (
  { events }: Pick<Standard, 'events'>,
  plan: Pick<DayPlan, 'events'>,
  staff: readonly PlannedStaff[],
  entered: number,
): PlanFinding[] => {
  const medical = staff.filter(isMedicalCover)
  return [
    ...(medical.length === 0 ? [{ code: 'noMedicalCover' as const }] : []),
    ...events.flatMap((event) => {
      const planned = plan.events.find(({ eventId }) => eventId === event.id)
      return planned ? [...staffFindings(event, planned, staff, medical), ...slotFindings(event, planned, entered)] : []
    }),
  ]
}

const staffFindings = (
  { id: eventId, protocol }: StandardEvent,
  { staff: assigned, stations, together }: EventPlan,
  staff: readonly PlannedStaff[],
  medical: readonly PlannedStaff[],
): PlanFinding[] => {
  const known = assigned.flatMap((id) => staff.find(({ accountId }) => accountId === id) ?? [])
  const needed = stations * (kindOf(protocol).startsTogether ? 1 : Math.ceil(together / LANES_A_GRADER))
  return [
    ...(known.length === 0 ? [{ code: 'nobodyAssigned' as const, eventId }] : []),
    ...(known.length > 0 && known.length < needed
      ? [{ code: 'tooFewStaff' as const, eventId, staff: known.length, needed }]
      : []),
    ...(known.length < assigned.length ? [{ code: 'leftTheStaff' as const, eventId }] : []),
    ...known.flatMap(({ accountId, entryId }): PlanFinding[] => [
      ...(medical.length === 1 && medical[0]?.accountId === accountId
        ? [{ code: 'medicalCoverBusy' as const, eventId, accountId }]
        : []),
      ...(entryId === undefined ? [] : [{ code: 'tested' as const, eventId, accountId }]),
    ]),
  ]
}

const slotFindings = (
  { id: eventId, protocol }: StandardEvent,
  { together, slotMs }: EventPlan,
  entered: number,
): PlanFinding[] => {
  const atOnce = protocol.notes?.peopleAtOnce ?? null
  const leastMs = leastSlotMs(protocol)
  return [
    ...(kindOf(protocol).startsTogether && together === 1 && entered > 1 && atOnce !== 1
      ? [{ code: 'oneAtATime' as const, eventId, atOnce: atOnce ?? entered }]
      : []),
    ...(atOnce !== null && together > atOnce ? [{ code: 'moreThanAtOnce' as const, eventId, together, atOnce }] : []),
    ...(slotMs < leastMs ? [{ code: 'slotTooShort' as const, eventId, slotMs, leastMs }] : []),
  ]
}

/** No start is over sooner than its own clock. */
const leastSlotMs = (protocol: Protocol): number =>
  'durationMs' in protocol && typeof protocol.durationMs === 'number' ? protocol.durationMs : 0

/** A finding in a sentence. @param eventName by id @param staffName by account */
export const sayPlanFinding = (
  finding: PlanFinding,
  eventName: (id: string) => string,
  staffName: (accountId: string) => string,
): string => {
  switch (finding.code) {
    case 'noMedicalCover':
      return 'Nobody on the staff is medical cover. Put somebody on it, with that duty.'
    case 'nobodyAssigned':
      return `${eventName(finding.eventId)}: nobody is assigned.`
    case 'tooFewStaff':
      return `${eventName(finding.eventId)}: ${finding.staff} assigned, ${finding.needed} are needed for its stations and lanes, ${LANES_A_GRADER} lanes a grader.`
    case 'leftTheStaff':
      return `${eventName(finding.eventId)}: somebody assigned is no longer on the staff.`
    case 'oneAtATime':
      return `${eventName(finding.eventId)}: people start one at a time; ${finding.atOnce} can start together.`
    case 'moreThanAtOnce':
      return `${eventName(finding.eventId)}: ${finding.together} would start together, the standard speaks of ${finding.atOnce} at once.`
    case 'slotTooShort':
      return `${eventName(finding.eventId)}: one start is given ${printTime(finding.slotMs)}, the event alone takes ${printTime(finding.leastMs)}.`
    case 'medicalCoverBusy':
      return `${eventName(finding.eventId)}: ${staffName(finding.accountId)} is the only medical cover and cannot work an event.`
    case 'tested':
      return `${eventName(finding.eventId)}: ${staffName(finding.accountId)} is tested on this day as well; somebody else has to work that wave.`
  }
}
