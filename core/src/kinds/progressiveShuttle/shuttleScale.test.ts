import { expect, test } from 'vitest'
import { protocolWith } from '../../../testing/rulePairs.ts'
import type { ProgressiveShuttle } from './protocol.ts'
import { shuttleScale } from './shuttleScale.ts'

test('shuttles are counted over levels, beyond the last by it, and back', () => {
  const levels = [
    { metresPerHour: 7_200, shuttles: 2 },
    { metresPerHour: 9_000, shuttles: 3 },
  ]
  const { shuttlesAt, reachedAfter } = shuttleScale(
    protocolWith('progressiveShuttle', { speeds: undefined, levels }) as ProgressiveShuttle,
  )
  const reached = [0, 99, 100, 101, 102, 103, 200, 201, 203, 204, 300, 301, 303, 304, 400, 401, 503]
  expect(reached.map(shuttlesAt)).toEqual([0, 0, 0, 1, 2, 2, 2, 3, 5, 5, 5, 6, 8, 8, 8, 9, 14])
  expect([-1, 0, 1, 2, 3, 5, 6, 8, 9, 14].map(reachedAfter)).toEqual([0, 0, 101, 102, 201, 203, 301, 303, 401, 503])
})
