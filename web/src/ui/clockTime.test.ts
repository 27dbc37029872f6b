import { expect, test } from 'vitest'
import { lastMomentAt } from './clockTime.ts'

/** 24 November 2026, 10:45:30.250 in UTC: 05:45:30 in Lima, 11:45:30 in Berlin. */
const NOW_MS = Date.UTC(2026, 10, 24, 10, 45, 30, 250)

test.each([
  ['10:42:07', 'Etc/UTC', Date.UTC(2026, 10, 24, 10, 42, 7)],
  ['10:42', 'Etc/UTC', Date.UTC(2026, 10, 24, 10, 42)],
  ['10.42.07', 'Etc/UTC', Date.UTC(2026, 10, 24, 10, 42, 7)],
  ['10:45:30.2', 'Etc/UTC', NOW_MS - 50],
  ['11:45:00', 'Europe/Berlin', Date.UTC(2026, 10, 24, 10, 45)],
  ['5:40:00', 'America/Lima', Date.UTC(2026, 10, 24, 10, 40)],
  // what is still to come today was yesterday
  ['10:45:31', 'Etc/UTC', Date.UTC(2026, 10, 23, 10, 45, 31)],
  ['23:59:59', 'Etc/UTC', Date.UTC(2026, 10, 23, 23, 59, 59)],
])('%s in %s', (text, zone, expected) => {
  expect(lastMomentAt(text, NOW_MS, zone)).toBe(expected)
})

test.each(['', '25:00', '10:60', '10:42:60', 'ten', '9:40:1'])('"%s" is no time of day', (text) => {
  expect(lastMomentAt(text, NOW_MS, 'Etc/UTC')).toBeNull()
})
