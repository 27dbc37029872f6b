import fc from 'fast-check'
import { expect, test } from 'vitest'
import { gaugeScale, positionOn } from './gaugeScale.ts'

test('a limit of 9:40 stands on a scale from 6:20 to 11:20', () => {
  expect(gaugeScale({ value: 580_000, unit: 'ms', sense: 'atMost' })).toEqual({
    from: 375_000,
    to: 675_000,
    graduation: 15_000,
  })
})

test('24 repetitions stand in the middle of 0 to 48', () => {
  expect(gaugeScale({ value: 24, unit: 'count', sense: 'atLeast' })).toEqual({ from: 0, to: 48, graduation: 2 })
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
