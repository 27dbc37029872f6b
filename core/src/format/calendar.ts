/** The day as a calendar file (iCalendar, RFC 5545): muster, and every wave at every event. */
import ical, { ICalCalendarMethod } from 'ical-generator'
import { momentIn } from '../clock/calendarDate.ts'
import { dateAfter } from '../clock/dates.ts'
import type { DayPlan } from '../plan/dayPlan.ts'
import type { Timetable } from '../plan/timetable.ts'

const MUSTER_SHOWN_MS = 30 * 60_000

export interface CalendarDay {
  readonly id: string
  readonly name: string
  readonly venue: string
  readonly zone: string
  /** YYYY-MM-DD */
  readonly testDate: string
  readonly eventName: (eventId: string) => string
}

/** @param stampMs when the file is made @returns the text of an .ics file; moments are in UTC, so that no zone table is needed */
export const printCalendar = (day: CalendarDay, plan: DayPlan, timetable: Timetable, stampMs: number): string => {
  const calendar = ical({ name: day.name, prodId: { company: 'Able Gauge', product: 'test day' } })
  calendar.method(ICalCalendarMethod.PUBLISH)
  const add = (id: string, summary: string, startMs: number, endMs: number): void => {
    calendar.createEvent({
      id: `${id}@${day.id}`,
      summary,
      location: day.venue,
      start: new Date(startMs),
      end: new Date(endMs),
      stamp: new Date(stampMs),
    })
  }
  plan.days.forEach(({ musterAt, startsAt }, index) => {
    add(
      `muster-${index + 1}`,
      `Muster, ${day.name}`,
      momentAt(day, plan, index, musterAt),
      momentAt(day, plan, index, startsAt),
    )
  })
  for (const { eventId, wave, day: index, startMs, endMs } of timetable.sittings) {
    const beginsMs = momentAt(day, plan, index, plan.days[index]?.startsAt ?? '00:00')
    add(`${eventId}-${wave}`, `${day.eventName(eventId)}, wave ${wave}`, beginsMs + startMs, beginsMs + endMs)
  }
  return calendar.toString()
}

/** Tests somebody is entered for, for their own calendar. @param stampMs when the file is made @returns the text of an .ics file */
export const printComingTests = (
  tests: readonly {
    readonly occasionId: string
    readonly name: string
    readonly venue: string
    readonly testDate: string
    /** When people muster; null for a day that is not planned yet. */
    readonly musterMs: number | null
  }[],
  stampMs: number,
): string => {
  const calendar = ical({ name: 'Tests', prodId: { company: 'Able Gauge', product: 'own page' } })
  calendar.method(ICalCalendarMethod.PUBLISH)
  for (const { occasionId, name, venue, testDate, musterMs } of tests) {
    const when =
      musterMs === null
        ? { start: new Date(`${testDate}T00:00:00Z`), allDay: true, timezone: 'UTC' }
        : { start: new Date(musterMs), end: new Date(musterMs + MUSTER_SHOWN_MS) }
    calendar.createEvent({ id: `own@${occasionId}`, summary: name, location: venue, stamp: new Date(stampMs), ...when })
  }
  return calendar.toString()
}

/** Days by which people are due, one entry a day and call. @param stampMs when the file is made @returns the text of an .ics file */
export const printDueDates = (
  due: readonly { readonly call: string; readonly by: string; readonly name: string }[],
  stampMs: number,
): string => {
  const calendar = ical({ name: 'Tests that are due', prodId: { company: 'Able Gauge', product: 'due list' } })
  calendar.method(ICalCalendarMethod.PUBLISH)
  const together = new Map<string, { call: string; by: string; names: string[] }>()
  for (const { call, by, name } of due) {
    const day = together.get(`${by} ${call}`) ?? { call, by, names: [] }
    together.set(`${by} ${call}`, day)
    day.names.push(name)
  }
  for (const { call, by, names } of together.values()) {
    calendar.createEvent({
      id: `${by}-${call.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}@due`,
      summary: `${call}: ${names.length} due`,
      description: names.join('\n'),
      stamp: new Date(stampMs),
      start: new Date(`${by}T00:00:00Z`),
      allDay: true,
      timezone: 'UTC',
    })
  }
  return calendar.toString()
}

/** A time of day of one of the plan's days, as the clocks at the venue show it, in ms since 1970. */
export const momentAt = (
  { zone, testDate }: Pick<CalendarDay, 'zone' | 'testDate'>,
  { days }: Pick<DayPlan, 'days'>,
  index: number,
  time: string,
): number => momentIn(dateAfter(testDate, days[index]?.afterDays ?? 0), time, zone)
