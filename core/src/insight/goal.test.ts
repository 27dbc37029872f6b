import fc from 'fast-check'
import { expect, test } from 'vitest'
import { daysBetween } from '../clock/dates.ts'
import { printAmount } from '../quantity/unit.ts'
import { goalPace } from './goal.ts'

test('ten more in three weeks are three and a third a week', () => {
  const pace = goalPace(30, 'atLeast', { value: 40, byDate: '2026-12-15' }, '2026-11-24')
  expect(pace).toEqual({ missing: 10, days: 21, perWeek: { numerator: 10, denominator: 3 } })
  expect(pace.perWeek === null ? '' : printAmount(pace.perWeek, 'count')).toBe('3.33')
})

test('a time comes down: half a minute in ten weeks is three seconds a week', () => {
  const pace = goalPace(610_000, 'atMost', { value: 580_000, byDate: '2027-02-02' }, '2026-11-24')
  expect(pace).toEqual({ missing: 30_000, days: 70, perWeek: 3_000 })
  expect(printAmount(3_000, 'ms')).toBe('3 s')
  expect(printAmount({ numerator: 14_000, denominator: 3 }, 'ms')).toBe('4.7 s')
})

test.each([
  [40, '2026-12-15', 0],
  [43, '2026-12-15', -3],
  [30, '2026-11-24', 10],
  [30, '2026-11-01', 10],
])('with %i by %s nothing is asked a week', (last, byDate, missing) => {
  const pace = goalPace(last, 'atLeast', { value: 40, byDate }, '2026-11-24')
  expect(pace).toMatchObject({ missing, perWeek: null })
  expect(pace.days).toBeGreaterThanOrEqual(0)
})

test('week by week the pace leads to the goal', () => {
  fc.assert(
    fc.property(fc.nat(500), fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 900 }), (last, more, days) => {
      const byDate = new Date(Date.UTC(2026, 10, 24) + days * 86_400_000).toISOString().slice(0, 10)
      const { perWeek } = goalPace(last, 'atLeast', { value: last + more, byDate }, '2026-11-24')
      const a = perWeek === null ? 0 : typeof perWeek === 'number' ? perWeek : perWeek.numerator / perWeek.denominator
      expect((a * daysBetween('2026-11-24', byDate)) / 7).toBeCloseTo(more, 6)
    }),
  )
})
