import fc from 'fast-check'
import { expect, test } from 'vitest'
import { compareExact, meanOf, nearestWhole, plus, ratio, roundExact, type Exact } from './fraction.ts'
import { ROUNDING_MODES, roundTo } from './rounding.ts'

const whole = fc.integer({ min: -1_000_000, max: 1_000_000 })
const exact: fc.Arbitrary<Exact> = fc
  .tuple(whole, fc.integer({ min: 1, max: 60 }))
  .map(([numerator, denominator]) => ratio(numerator, denominator))

test('a quotient is in lowest terms, and a whole one is a plain number', () => {
  expect(ratio(39, 2)).toEqual({ numerator: 39, denominator: 2 })
  expect(ratio(16, 6)).toEqual({ numerator: 8, denominator: 3 })
  expect(ratio(-9, 6)).toEqual({ numerator: -3, denominator: 2 })
  expect(ratio(40, 2)).toBe(20)
  expect(ratio(0, 7)).toBe(0)
  expect(() => ratio(1.5, 2)).toThrow(/whole numbers/)
  expect(() => ratio(1, 0)).toThrow(/1 or more/)
})

test.each([
  // 19 and 20 have a mean of 19.5; 4, 6 and 6 of 5.33
  [meanOf([19, 20]), 'truncate', 1, 19],
  [meanOf([19, 20]), 'nearest', 1, 20],
  [meanOf([19, 20]), 'up', 1, 20],
  [meanOf([4, 6, 6]), 'truncate', 1, 5],
  [meanOf([4, 6, 6]), 'nearest', 1, 5],
  [meanOf([4, 6, 6]), 'up', 1, 6],
  // 29.233… s to tenths
  [meanOf([29_400, 29_100, 29_200]), 'truncate', 100, 29_200],
  [meanOf([29_400, 29_100, 29_200]), 'up', 100, 29_300],
  // a hair beyond a step, either way
  [ratio(60_001, 6), 'up', 1_000, 11_000],
  [ratio(59_999, 6), 'truncate', 1_000, 9_000],
  [ratio(-39, 2), 'truncate', 1, -19],
  [ratio(-39, 2), 'up', 1, -19],
  [ratio(-39, 2), 'nearest', 1, -20],
] as const)('%j by %s to %i is %i', (value, mode, step, expected) => {
  expect(roundExact(value, { mode, step })).toBe(expected)
})

test('sums and order are those of the fractions', () => {
  expect(plus(ratio(1, 3), ratio(2, 3))).toBe(1)
  expect(plus(ratio(1, 2), 3)).toEqual({ numerator: 7, denominator: 2 })
  expect(compareExact(ratio(1, 3), ratio(2, 6))).toBe(0)
  expect(compareExact(ratio(1, 3), ratio(1, 2))).toBeLessThan(0)
  expect([nearestWhole(ratio(39, 2)), nearestWhole(ratio(-39, 2)), nearestWhole(ratio(16, 3))]).toEqual([20, -20, 5])
})

test('rounding a fraction lies on a step, on the side its rule says, and is that of whole numbers', () => {
  fc.assert(
    fc.property(exact, fc.constantFrom(...ROUNDING_MODES), fc.integer({ min: 1, max: 1_000 }), (value, mode, step) => {
      const rounded = roundExact(value, { mode, step })
      expect(Math.abs(rounded % step)).toBe(0)
      const off = compareExact(plus(value, -rounded), 0)
      if (mode === 'up') expect(off).toBeLessThanOrEqual(0)
      if (mode === 'truncate') expect(compareExact(value, 0) >= 0 ? off >= 0 : off <= 0).toBe(true)
      expect(compareExact(plus(value, -rounded), step)).toBeLessThan(0)
      expect(compareExact(plus(value, -rounded), -step)).toBeGreaterThan(0)
      if (typeof value === 'number') expect(rounded).toBe(roundTo(value, { mode, step }))
    }),
  )
})

test('the mean of equal values is that value, and adding is the same in any order', () => {
  fc.assert(
    fc.property(exact, fc.integer({ min: 1, max: 9 }), exact, (value, times, other) => {
      expect(meanOf(Array.from({ length: times }, () => value))).toEqual(value)
      expect(plus(value, other)).toEqual(plus(other, value))
    }),
  )
})
