import fc from 'fast-check'
import { expect, test } from 'vitest'
import { columnRange, columnWidth, perSquare, stripScale } from './strip.ts'

test('a strip is as wide as the figures, with the cut inside and the far few left to the ends', () => {
  // 3.2 deviations either way, and a column more at each end
  const scale = stripScale({ least: 0, most: 1_000, mean: 100, deviation: 10 }, 90, 1)
  expect(scale).toEqual({ from: 67, to: 134, bins: 67 })
  // the cut lies beyond everybody
  expect(stripScale({ least: 95, most: 105, mean: 100, deviation: 3 }, 200, 1).to).toBeGreaterThan(200)
})

test('columns are whole steps that begin at the cut, lie side by side and are no more than can be told apart', () => {
  const figures = fc.record({
    mean: fc.integer({ min: -1_000_000, max: 1_000_000 }),
    deviation: fc.integer({ min: 1, max: 100_000 }),
    cut: fc.integer({ min: -1_000_000, max: 1_000_000 }),
    step: fc.constantFrom(1, 10, 500, 1_000),
  })
  fc.assert(
    fc.property(figures, ({ mean, deviation, cut, step }) => {
      const [least, most] = [mean - 5 * deviation, mean + 5 * deviation]
      const scale = stripScale({ least, most, mean, deviation }, cut, step)
      expect(columnWidth(scale) % step).toBe(0)
      expect(Math.abs((cut - scale.from) % columnWidth(scale))).toBe(0)
      expect(scale.bins).toBeLessThanOrEqual(72)
      expect(columnRange(scale, scale.bins - 1)[1]).toBe(scale.to)
      expect(scale.from < cut && cut < scale.to).toBe(true)
    }),
  )
})

test.each([
  [10, 1],
  [17, 2],
  [100, 10],
  [101, 20],
  [4_000, 500],
])('%i people in a column of at most ten squares: one square for %i', (people, each) => {
  expect(perSquare([{ at: 0, met: people, short: 0, scored: 0 }], 10)).toBe(each)
})
