/**
 * Three days of this autumn beside the Constabulary's, each half done: the Fire Service's course, the Guard's test, and an effort week of
 * the staff check. They are made up from a seed, and what happens on them on purpose is written down with each.
 */
import { dateAfter, type Standard } from '@able-gauge/core'
import type { DemoPerson } from './demoHouse.ts'
import { COURSE_ID, courseDay } from './halfDays/courseDay.ts'
import { EFFORT_ID, effortWeek } from './halfDays/effortWeek.ts'
import { GUARD_ID, guardDay } from './halfDays/guardDay.ts'
import { DEMO_ZONE, type HalfDay } from './halfDays/halfDay.ts'

/** Where they are opened on a later date. */
export const OTHER_DAYS = [COURSE_ID, GUARD_ID, EFFORT_ID].map((id) => ({ id, zone: DEMO_ZONE }))

/** @param date on which they are half done */
export const otherDays = (
  people: readonly DemoPerson[],
  standardOf: (id: string, version: number) => Standard,
  date: string,
): HalfDay[] => [
  courseDay(people, standardOf('drill-yard-course', 1), date),
  guardDay(people, standardOf('guard-service', 4), date),
  effortWeek(people, standardOf('active-staff-check', 1), dateAfter(date, -1)),
]
