import { expect, test } from 'vitest'
import { dateAndTime, shortDate, timeOfDay } from './localTime.ts'

/** 23 November 2026, 22:34:08 UTC. */
const START_MS = 1_795_473_248_000

test('moments are told at the venue, whatever the zone of the device', () => {
  expect(timeOfDay(START_MS, 'Etc/GMT-12')).toBe('10:34:08')
  expect(timeOfDay(START_MS, 'UTC')).toBe('22:34:08')
  expect(dateAndTime(START_MS, 'Etc/GMT-12')).toBe('24 Nov 2026, 10:34')
})

test('a calendar date is the same day everywhere', () => {
  expect(shortDate('2026-11-24')).toBe('Tue 24 Nov 2026')
  expect(shortDate('2024-02-29')).toBe('Thu 29 Feb 2024')
})
