import fc from 'fast-check'
import { expect, test } from 'vitest'
import { columnRange, columnWidth, layOut, perSquare, spreadOf, stripScale, type FigureTally } from './strip.ts'

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

test('the spread of figures is that of people, not of figures', () => {
  // by hand: 10, 10, 10, 20: mean 12.5, squares 3 · 6.25 + 56.25 = 75, variance 18.75
  const spread = spreadOf([
    [10, 3],
    [20, 1],
  ])
  expect(spread).toMatchObject({ least: 10, most: 20, mean: 12.5 })
  expect(spread?.deviation).toBeCloseTo(Math.sqrt(18.75), 12)
  expect(spreadOf([])).toBeNull()
})

const tally = (kind: string, value: number | null, cut: number | null, people = 1): FigureTally => ({
  kind,
  value,
  cut,
  margin: value === null || cut === null ? null : value - cut,
  people,
})

test('with one cut for all people stand by their figure, with several by the distance to their own', () => {
  const one = layOut(
    [tally('met', 30, 24, 5), tally('short', 20, 24), tally('open', 22, 24), tally('ended', null, 24)],
    1,
  )
  expect(one).toMatchObject({ by: 'value', cut: 24 })
  const several = layOut([tally('met', 30, 24), tally('met', 25, 20)], 1)
  expect(several).toMatchObject({ by: 'margin', cut: 0 })
  expect(layOut([tally('scored', 30, null), tally('scored', 40, null)], 1)).toMatchObject({ by: 'value', cut: null })
})

test.each([
  ['nothing', []],
  ['one figure', [tally('met', 30, 24, 9)]],
  ['only what is in no strip', [tally('open', 30, 24), tally('ended', null, 24)]],
])('of %s there is no strip', (_, tallies) => {
  expect(layOut(tallies, 1)).toBeNull()
})

test('everybody with a figure stands on the strip once, on their side of the cut', () => {
  const people = fc.array(
    fc.record({ value: fc.integer({ min: 0, max: 100 }), people: fc.integer({ min: 1, max: 9 }) }),
    { minLength: 2 },
  )
  fc.assert(
    fc.property(people, fc.integer({ min: 1, max: 99 }), (figures, cut) => {
      const strip = layOut(
        figures.map(({ value, people: count }) => tally(value >= cut ? 'met' : 'short', value, cut, count)),
        1,
      )
      if (!strip) return
      const onIt = strip.columns.reduce((all, { met, short }) => all + met + short, 0)
      expect(onIt).toBe(figures.reduce((all, one) => all + one.people, 0))
      for (const { at, met, short } of strip.columns) {
        const [from, to] = columnRange(strip, at)
        if (met > 0) expect(from).toBeGreaterThanOrEqual(cut)
        if (short > 0) expect(to).toBeLessThanOrEqual(cut)
      }
    }),
  )
})
