import fc from 'fast-check'
import { expect, test } from 'vitest'
import { shuttleScale } from '../kinds/progressiveShuttle/shuttleScale.ts'
import { endsOf, gaugeScale, positionOn } from './gaugeScale.ts'

test('a limit of 9:40 stands on a scale from 6:20 to 11:20', () => {
  expect(gaugeScale({ value: 580_000, unit: 'ms', sense: 'atMost' })).toEqual({
    from: 375_000,
    to: 675_000,
    graduation: 15_000,
    steps: null,
  })
})

test('24 repetitions stand in the middle of 0 to 48', () => {
  expect(gaugeScale({ value: 24, unit: 'count', sense: 'atLeast' })).toEqual({
    from: 0,
    to: 48,
    graduation: 2,
    steps: null,
  })
})

test('the cut always stands inside, and values beyond the ends stand at the end', () => {
  const cut = fc.record({
    value: fc.integer({ min: 1, max: 5_000_000 }),
    unit: fc.constantFrom('count', 'ms', 'mm', 'g'),
    sense: fc.constantFrom('atLeast', 'atMost'),
  })
  fc.assert(
    fc.property(cut, (of) => {
      const scale = gaugeScale(of)
      expect(positionOn(scale, of.value)).toBeGreaterThan(0)
      expect(positionOn(scale, of.value)).toBeLessThan(1)
      expect(positionOn(scale, scale.to * 9)).toBe(1)
      expect(positionOn(scale, -1)).toBe(0)
    }),
  )
})

test('shuttles stand evenly apart, across the ends of levels too', () => {
  const levels = [7, 8, 8, 9].map((shuttles) => ({ shuttles, metresPerHour: 9_000 }))
  const { shuttlesAt, reachedAfter } = shuttleScale({ lineDistanceMm: 20_000, levels })
  const scale = gaugeScale(
    { value: 301, unit: 'levelShuttle', sense: 'atLeast' },
    { to: shuttlesAt, from: reachedAfter },
  )
  // 16 shuttles are asked, so the strip reaches from none to 32: level 4, shuttle 9
  expect(scale).toMatchObject({ from: 0, to: 32, graduation: 2 })
  expect(endsOf(scale)).toEqual([0, 409])
  const apart = (one: number, other: number): number => (positionOn(scale, other) - positionOn(scale, one)) * 32
  expect([apart(206, 207), apart(208, 301), apart(301, 302)].map((share) => Math.round(share * 1e9) / 1e9)).toEqual([
    1, 1, 1,
  ])
})

test('a limit beyond the cut stands inside as well, with a little beyond it', () => {
  const cut = { value: 580_000, unit: 'ms', sense: 'atMost' } as const
  const scale = gaugeScale({ ...cut, limit: 900_000 })
  // 15:00 and a twentieth of the cut, 29 s, up to the next half minute
  expect(scale.to).toBe(930_000)
  expect(positionOn(scale, 900_000)).toBeLessThan(1)
  // one that stands on the scale already changes nothing
  expect(gaugeScale({ ...cut, limit: 600_000 })).toEqual(gaugeScale(cut))
})

// a fifth of a metre either way stands in where a cut at the foot line has no share of itself
test.each([
  [
    { value: 0, unit: 'mm', sense: 'atLeast' },
    { from: -200, to: 200, graduation: 20 },
  ],
  [
    { value: -50, unit: 'mm', sense: 'atLeast' },
    { from: -260, to: 160, graduation: 20 },
  ],
  // full points beyond the cut stand on the scale, and a little more: 60 and a twentieth of 20
  [
    { value: 20, unit: 'count', sense: 'atLeast', full: 60 },
    { from: 0, to: 65, graduation: 5 },
  ],
  [
    { value: 20, unit: 'count', sense: 'atLeast', full: 30 },
    { from: 0, to: 40, graduation: 2 },
  ],
  // 100 s less a third is 67, full points at 40 s less a twentieth is 35; 116 above
  [
    { value: 100_000, unit: 'ms', sense: 'atMost', full: 40_000 },
    { from: 35_000, to: 120_000, graduation: 5_000 },
  ],
  [
    { value: 100_000, unit: 'ms', sense: 'atMost' },
    { from: 66_000, to: 116_000, graduation: 5_000 },
  ],
  // everybody is stopped at 140 s, and a twentieth of the cut lies beyond it
  [
    { value: 100_000, unit: 'ms', sense: 'atMost', limit: 140_000 },
    { from: 65_000, to: 145_000, graduation: 5_000 },
  ],
  // beyond the largest graduation there is, in twentieths
  [
    { value: 20_000, unit: 'count', sense: 'atLeast' },
    { from: 0, to: 40_000, graduation: 2_000 },
  ],
] as const)('%j stands on %j', (cut, { from, to, graduation }) => {
  const scale = gaugeScale(cut)
  expect(scale.graduation).toBe(graduation)
  expect(scale.from).toBeLessThanOrEqual(from)
  expect(scale.from).toBeGreaterThan(from - graduation)
  expect(scale.to).toBeGreaterThanOrEqual(to)
  expect(scale.to).toBeLessThan(to + graduation)
})

test('a value stands at its share of the way, and where there is no way at its beginning', () => {
  const scale = { from: 10, to: 30, graduation: 2, steps: null }
  expect([10, 15, 30, 31, 9].map((value) => positionOn(scale, value))).toEqual([0, 0.25, 1, 1, 0])
  expect(positionOn({ ...scale, to: 10 }, 10)).toBe(0)
})
