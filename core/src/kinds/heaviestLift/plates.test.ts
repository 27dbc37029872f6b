import fc from 'fast-check'
import { expect, test } from 'vitest'
import { BARS_G, PLATES_G, platesFor } from './plates.ts'

test.each([
  [62_500, 20_000, [20_000, 1_250], 0],
  [20_000, 20_000, [], 0],
  [100_000, 20_000, [25_000, 15_000], 0],
  // 170 kg on 20 kg: 75 a side
  [170_000, 20_000, [25_000, 25_000, 25_000], 0],
  // 200 g are less than the lightest pair
  [40_200, 20_000, [10_000], 200],
  [15_000, 20_000, [], -5_000],
])('%i g on a bar of %i g', (loadG, barG, eachSideG, restG) => {
  expect(platesFor(loadG, barG)).toEqual({ eachSideG, restG })
})
test('bar, plates and what is left are the load, the heaviest plates inside, and what is left is less than a pair', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 500_000 }), fc.constantFrom(...BARS_G), (loadG, barG) => {
      const { eachSideG, restG } = platesFor(loadG, barG)
      expect(barG + 2 * eachSideG.reduce((sum, one) => sum + one, 0) + restG).toBe(loadG)
      expect(eachSideG).toEqual([...eachSideG].sort((a, b) => b - a))
      expect(restG).toBeLessThan(2 * Math.min(...PLATES_G))
    }),
  )
})
