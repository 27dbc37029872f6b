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
