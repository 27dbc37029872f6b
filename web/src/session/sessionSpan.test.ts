import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { LASTS_MS, makeSessionSpan, UNDER_WAY_MS, type SessionSpan } from './sessionSpan.ts'

let ended: number
let span: SessionSpan

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance', 'Date'] })
  localStorage.clear()
  ended = 0
  span = makeSessionSpan(() => (ended += 1))
})
afterEach(() => {
  span.clear()
  vi.useRealTimers()
})

test('a session ends with its time, once, and not before', () => {
  span.begin(60_000)
  vi.advanceTimersByTime(59_000)
  expect(ended).toBe(0)
  vi.advanceTimersByTime(31_000)
  expect(ended).toBe(1)
  vi.advanceTimersByTime(LASTS_MS)
  expect(ended).toBe(1)
})

test('setting the wall clock neither ends nor prolongs it', () => {
  span.begin(60_000)
  vi.setSystemTime(Date.now() + 10 * LASTS_MS)
  vi.advanceTimersByTime(30_000)
  expect(ended).toBe(0)
  vi.setSystemTime(0)
  vi.advanceTimersByTime(60_000)
  expect(ended).toBe(1)
})

test('capturing counts as use', () => {
  span.begin(60_000)
  vi.advanceTimersByTime(50_000)
  span.captured()
  vi.advanceTimersByTime(LASTS_MS - 30_000)
  expect(ended).toBe(0)
  vi.advanceTimersByTime(60_000)
  expect(ended).toBe(1)
})

test('what capturing put off is found by a reload, though nothing is written at a press', () => {
  const kept = (): readonly (string | null)[] => Object.keys(localStorage).map((key) => localStorage.getItem(key))
  span.begin(60_000)
  const before = kept()
  vi.advanceTimersByTime(1_000)
  span.captured()
  expect(kept()).toEqual(before)
  vi.advanceTimersByTime(29_000)
  vi.setSystemTime(Date.now() + 10 * 60_000)
  expect(makeSessionSpan(() => undefined).resume()).toBe(true)
})

test('an attempt under way is not cut off when the server says the session ended; what follows it is', () => {
  span.begin(null)
  span.captured()
  span.endSoon()
  vi.advanceTimersByTime(UNDER_WAY_MS - 30_000)
  expect(ended).toBe(0)
  vi.advanceTimersByTime(60_000)
  expect(ended).toBe(1)
})

test('with nothing under way it ends at once', () => {
  span.begin(null)
  span.endSoon()
  expect(ended).toBe(1)
})

test.each([
  ['within its time', LASTS_MS - 1, true],
  ['after its time', LASTS_MS + 1, false],
])('a reload without a network %s goes on: %s ms later is %s', (_, laterMs, goesOn) => {
  span.begin(null)
  vi.setSystemTime(Date.now() + laterMs)
  expect(makeSessionSpan(() => undefined).resume()).toBe(goesOn)
})

test('without a session that was kept there is none to resume', () => {
  expect(span.resume()).toBe(false)
  span.begin(null)
  span.clear()
  expect(span.resume()).toBe(false)
})
