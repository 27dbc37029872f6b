import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { firstPlan } from '../plan/dayPlan.ts'
import { makeTimetable, timetableTask } from '../plan/timetable.ts'
import { momentAt, printCalendar, printComingTests, printDueDates } from './calendar.ts'

const standard = demoStandard('constabulary-entry-v3')
const plan = firstPlan(standard)
const day = {
  id: 'day-1',
  name: 'Entry test, group C',
  venue: 'Fallow Point track',
  zone: 'Etc/GMT-12',
  testDate: '2026-11-24',
  eventName: (id: string) => standard.events.find((event) => event.id === id)?.name ?? id,
}

test('times of the plan are those of the clocks at the venue', () => {
  // twelve hours ahead: nine in the morning there is nine in the evening before in UTC
  expect(new Date(momentAt(day, plan, 0, '09:00')).toISOString()).toBe('2026-11-23T21:00:00.000Z')
})
test('the calendar holds the muster and each wave at each event', () => {
  const timetable = makeTimetable(timetableTask(plan, standard, [{ wave: 1, entryIds: ['a'] }]))
  const text = printCalendar(day, plan, timetable, 0)
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(6)
  expect(text).toContain('SUMMARY:Muster\\, Entry test\\, group C')
  expect(text).toContain('DTSTART:20261123T200000Z')
  // press-ups of one person: from nine, 150 seconds
  expect(text).toMatch(
    /SUMMARY:Press-ups.*\r\nDTSTART:20261123T210000Z\r\nDTEND:20261123T210230Z|DTSTART:20261123T210000Z\r\nDTEND:20261123T210230Z/,
  )
  expect(text).toContain('LOCATION:Fallow Point track')
})

test('tests to come stand in somebody’s own calendar: muster where it is planned, else the whole day', () => {
  const text = printComingTests(
    [
      {
        occasionId: 'a',
        name: 'Entry test',
        venue: 'Marram Yard',
        testDate: '2026-12-12',
        musterMs: Date.UTC(2026, 11, 11, 19, 30),
      },
      { occasionId: 'b', name: 'Retest', venue: 'Gull Hall', testDate: '2027-01-05', musterMs: null },
    ],
    Date.UTC(2026, 10, 24),
  )
  expect(text).toContain('DTSTART:20261211T193000Z')
  expect(text).toContain('DTEND:20261211T200000Z')
  expect(text).toContain('DTSTART;VALUE=DATE:20270105')
  expect(text).toContain('LOCATION:Gull Hall')
  expect(text.match(/UID:own@/g)).toHaveLength(2)
})

test('days by which people are due are one entry a day and call, with the names in it', () => {
  const text = printDueDates(
    [
      { call: 'Yearly', by: '2027-01-18', name: 'Ada Holm' },
      { call: 'Yearly', by: '2027-01-18', name: 'Runa Pell' },
      { call: 'Course', by: '2027-01-18', name: 'Ada Holm' },
    ],
    Date.UTC(2026, 10, 27),
  )
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
  expect(text).toContain('SUMMARY:Yearly: 2 due')
  expect(text).toContain('DTSTART;VALUE=DATE:20270118')
  expect(text).toContain('Ada Holm\\nRuna Pell')
})
