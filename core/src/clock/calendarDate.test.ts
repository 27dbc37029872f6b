import fc from 'fast-check'
import { Temporal } from 'temporal-polyfill'
import { expect, test } from 'vitest'
import { dateLater, momentIn, startOfDayMs } from './calendarDate.ts'
import { dateAfter, daysBetween } from './dates.ts'

test.each([
  ['2026-12-31', 1, '2027-01-01'],
  ['2024-02-28', 1, '2024-02-29'],
  ['2026-02-28', 1, '2026-03-01'],
  ['2026-11-24', 0, '2026-11-24'],
  ['2026-03-01', -1, '2026-02-28'],
])('%s and %i days is %s', (date, days, expected) => {
  expect(dateAfter(date, days)).toBe(expected)
})

test('any date agrees with the calendar, and any day begins when its zone says', () => {
  const dates = fc.date({ min: new Date('1970-01-01'), max: new Date('2100-01-01'), noInvalidDate: true })
  const zones = fc.constantFrom('Etc/UTC', 'Europe/Berlin', 'America/Sao_Paulo', 'Asia/Kathmandu', 'Etc/GMT-12')
  fc.assert(
    fc.property(dates, fc.integer({ min: -2_000, max: 2_000 }), zones, (moment, days, zone) => {
      const date = moment.toISOString().slice(0, 10)
      const known = Temporal.PlainDate.from(date)
      expect(dateAfter(date, days)).toBe(known.add({ days }).toString())
      expect(daysBetween(date, dateAfter(date, days))).toBe(days)
      expect(dateLater(date, days, 'months')).toBe(known.add({ months: days }).toString())
      expect(startOfDayMs(date, zone)).toBe(known.toZonedDateTime(zone).epochMilliseconds)
      expect(momentIn(date, '13:45', zone)).toBe(
        known.toZonedDateTime({ timeZone: zone, plainTime: '13:45' }).epochMilliseconds,
      )
    }),
  )
})
