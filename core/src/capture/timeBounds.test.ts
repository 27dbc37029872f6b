import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { DayRecordContent } from '../day/record.ts'
import type { Capture, RecordedCapture } from './capture.ts'
import { settleCaptures } from './settleCaptures.ts'
import { timeBoundsOf } from '../day/dayBounds.ts'
import { byArrival, isTimely } from './timeBounds.ts'

/** 24 November 2026 at the venue runs from 12:00 UTC of the 23rd. */
const FROM_MS = Date.UTC(2026, 10, 23, 12)
const DAY_MS = 86_400_000
const day = { testDate: '2026-11-24', zone: 'Etc/GMT-12', rehearsal: null }
const bounds = timeBoundsOf(day, {}, []) ?? []

const capture = (atMs: number, receivedMs: number | null, change: Partial<Capture> = {}): Capture =>
  // the change is of the envelope and a payload that belongs to the kind
  ({
    id: `01890000-0000-7000-8000-${String(Math.abs(atMs) % 1e12).padStart(12, '0')}`,
    eventId: 'run',
    entryId: 'a',
    kind: 'crossed',
    payload: {},
    deviceId: 'd',
    deviceMs: 0,
    atMs,
    uncertaintyMs: 0,
    ...(receivedMs === null ? {} : { receivedMs, seq: 1, actorId: 'x' }),
    ...change,
  }) as Capture

test.each([
  ['before the day by what the clock may be off', FROM_MS - 200, true],
  ['before it by more', FROM_MS - 201, false],
  ['after the day by less than the clock may be off', FROM_MS + DAY_MS + 199, true],
  ['after it by as much', FROM_MS + DAY_MS + 200, false],
])('a clock good to 200 ms, %s', (_, atMs, timely) => {
  expect(isTimely(capture(atMs, atMs, { uncertaintyMs: 200 }), bounds)).toBe(timely)
})

test.each([
  ['the first moment of the day', FROM_MS, true],
  ['just before it', FROM_MS - 1, false],
  ['the last moment', FROM_MS + DAY_MS - 1, true],
  ['just after it', FROM_MS + DAY_MS, false],
])('%s', (_, atMs, timely) => {
  expect(isTimely(capture(atMs, atMs), bounds)).toBe(timely)
})

test.each([
  ['exactly as much ahead of its arrival as its clock can be off', 7, 7, true],
  ['one more', 8, 7, false],
  ['on arrival', 0, 0, true],
])('%s', (_, aheadMs, uncertaintyMs, timely) => {
  expect(isTimely(capture(FROM_MS + 100 + aheadMs, FROM_MS + 100, { uncertaintyMs }), bounds)).toBe(timely)
})

test('what has not arrived yet keeps its own time, wherever it lies', () => {
  const own = capture(5, null)
  expect(byArrival(own, bounds)).toBe(own)
})

test('a day opened on another date, an occasion of several days and a rehearsal hold what they hold', () => {
  const late = capture(FROM_MS + 3 * DAY_MS + 5, FROM_MS + 3 * DAY_MS + 5)
  const opened = { content: { kind: 'dayOpened', date: '2026-11-27', reason: 'rain' } as DayRecordContent }
  expect(isTimely(late, bounds)).toBe(false)
  expect(isTimely(late, timeBoundsOf(day, {}, [opened]) ?? [])).toBe(true)
  expect(isTimely(late, timeBoundsOf(day, { occasionDays: 3 }, []) ?? [])).toBe(true)
  expect(timeBoundsOf({ ...day, rehearsal: { fromMs: 0, speed: 2, ownEventId: null } }, {}, [])).toBeNull()
})

test('the order of arrival changes nothing, and no time beyond its arrival comes into the order', () => {
  const moment = fc.integer({ min: FROM_MS - DAY_MS, max: FROM_MS + 3 * DAY_MS })
  const some = fc.uniqueArray(fc.tuple(moment, moment), { minLength: 1, maxLength: 20, selector: ([atMs]) => atMs })
  fc.assert(
    fc.property(some, (times) => {
      const captures = times.map(([atMs, receivedMs]) => capture(atMs, receivedMs))
      const settled = settleCaptures(captures, bounds)
      expect(settleCaptures([...captures].reverse(), bounds)).toEqual(settled)
      for (const one of settled) expect(one.atMs).toBeLessThanOrEqual((one as RecordedCapture).receivedMs)
    }),
  )
})
