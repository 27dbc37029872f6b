import { flushPromises, mount } from '@vue/test-utils'
import type { Capture } from '@able-gauge/core'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { entry, openDay } from '../../testing/openDay.ts'
import { planners } from '../day/useForecast.ts'
import DayPace from './DayPace.vue'

const MINUTE = 60_000
/** 24 November 2026, 09:00 at the venue. */
const MORNING_MS = 1_795_467_600_000
let middleMs = 0
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date'], now: MORNING_MS + 30 * MINUTE })
  const played = {
    forecast: () =>
      Promise.resolve({ simulated: { endsMs: [], middleMs, likelyMs: middleMs + 5 * MINUTE, events: [] }, help: [] }),
  }
  vi.spyOn(planners, 'open').mockReturnValue(played as unknown as ReturnType<typeof planners.open>)
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

const capture = (kind: 'started' | 'ended', atMs: number): Capture =>
  ({
    id: `00000000-0000-7000-8000-${String(atMs % 1e12).padStart(12, '0')}`,
    eventId: 'press-ups',
    entryId: entry(1).id,
    deviceId: 'tablet',
    deviceMs: 0,
    atMs,
    uncertaintyMs: 0,
    kind,
    payload: kind === 'ended' ? { reason: 'complete' } : {},
  }) as Capture
const said = async (captures: readonly Capture[]): Promise<string> => {
  const { day } = await openDay({
    entries: [entry(1), entry(2)],
    role: 'viewer',
    testDate: '2026-11-24',
    captures,
  })
  const page = mount(DayPace, { props: { day } })
  // the worker is asked a moment after the last change
  await new Promise((resolve) => setTimeout(resolve, 400))
  await flushPromises()
  const text = page.text().replace(/\s+/g, ' ')
  page.unmount()
  return text
}

test('before anybody began nothing is said', async () => {
  expect(await said([])).toBe('')
})

test('how far behind the day is, and by when it ends', async () => {
  middleMs = 4 * 60 * MINUTE
  const begun = capture('started', MORNING_MS + 20 * MINUTE)
  expect(await said([begun])).toMatch(/^\d+ minutes behind the plan\. Done about 13:00, by 13:05 in 8 of 10 days/)
})

test('a day on which nothing happens for long is told to be at a break', async () => {
  // the clock of the event ran out a minute later
  const begun = capture('started', MORNING_MS - 100 * MINUTE)
  expect(await said([begun])).toMatch(/^Nothing was begun or ended since 07:21/)
})
