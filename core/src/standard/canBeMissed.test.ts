import { expect, test } from 'vitest'
import type { Combination } from './combination.ts'
import { canBeMissed } from './canBeMissed.ts'
import type { StandardEvent } from './standard.ts'

const BEST: Combination = { kind: 'bestOf', eventsToMeet: 2 }
const TOTAL: Combination = { kind: 'pointsTotal', totalCentipoints: 16_500, minimumEachCentipoints: 4_500 }
const event = (scoring: object, minimumCentipoints?: number) =>
  ({ scoring, ...(minimumCentipoints === undefined ? {} : { minimumCentipoints }) }) as Pick<
    StandardEvent,
    'scoring' | 'minimumCentipoints'
  >
const points = { kind: 'pointsByRule', unit: 'ms', fullCentipoints: 10_000, offCentipoints: 100, perUnit: 1_000 }

test.each(['singleCut', 'cutByBand', 'relativeCut', 'completion'])('%s can be missed', (kind) => {
  expect(canBeMissed(event({ kind }), BEST)).toBe(true)
})
test.each(['effort', 'normClasses'])('%s cannot be missed', (kind) => {
  expect(canBeMissed(event({ kind }), BEST)).toBe(false)
})
test('points can be missed only where more is asked than even the worst value gets', () => {
  expect(canBeMissed(event(points), BEST)).toBe(false)
  expect(canBeMissed(event(points, 0), BEST)).toBe(false)
  expect(canBeMissed(event(points, 1), BEST)).toBe(true)
  expect(canBeMissed(event({ ...points, floorCentipoints: 4_500 }, 4_500), BEST)).toBe(false)
  expect(canBeMissed(event({ ...points, floorCentipoints: 4_499 }, 4_500), BEST)).toBe(true)
  expect(canBeMissed(event(points), TOTAL)).toBe(true)
  expect(canBeMissed(event(points, 0), TOTAL)).toBe(false)
})
