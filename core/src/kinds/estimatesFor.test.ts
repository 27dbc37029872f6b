/** Which published formulas are used for an event and a person: near the figures they were made for, and for whom. */
import { expect, test } from 'vitest'
import { protocolWith } from '../../testing/rulePairs.ts'
import { estimatesFor } from './estimatesFor.ts'
import { kindOf, type Protocol } from './kinds.ts'

const AT_30 = { ageYears: 30, category: 'female', bodyMassG: 70_000 }
const ASKED = { kind: 'readings', taken: [], steps: [] } as const
const formulas = (protocol: Protocol, value: number, person: typeof AT_30 = AT_30) =>
  estimatesFor(protocol, value, ASKED, person).map(({ source }) => source)

test.each([
  [393, 88, 180_000, 2],
  [392, 88, 180_000, 1],
  [413, 88, 180_000, 2],
  [433, 88, 180_000, 2],
  [434, 88, 180_000, 1],
  [413, 96, 180_000, 1],
  [413, 88, 180_001, 1],
])(
  'a step of %i mm at %i beats for %i ms has %i formulas for a woman',
  (heightMm, beatsPerMinute, durationMs, count) => {
    const step = protocolWith('stepTest', {
      heightMm,
      heights: undefined,
      beatsPerMinute,
      beatsPerCycle: 4,
      durationMs,
    })
    expect(formulas(step, 140)).toHaveLength(count)
    for (const category of ['women', 'woman'])
      expect(formulas(step, 140, { ...AT_30, category })).toEqual(formulas(step, 140))
  },
)
test('a formula made for one sex is not printed for the other; where the category tells nothing both are', () => {
  const step = protocolWith('stepTest', {
    heightMm: 413,
    heights: undefined,
    beatsPerMinute: 96,
    beatsPerCycle: 4,
    durationMs: 180_000,
  })
  const [women, men, either] = ['female', 'male', 'other'].map((category) =>
    formulas(step, 140, { ...AT_30, category }),
  )
  expect([women?.length, men?.length, either?.length]).toEqual([1, 2, 3])
  for (const category of ['men', 'man']) expect(formulas(step, 140, { ...AT_30, category })).toEqual(men)
})

// a mile and a half is 2,414.016 m
test.each([
  [2_394_016, 1],
  [2_394_015, 0],
  [2_434_016, 1],
  [2_434_017, 0],
])('a run of %i mm has %i formulas', (distanceMm, count) => {
  const run = (by: string) => protocolWith('timedDistance', { distanceMm, lapLengthMm: distanceMm, by })
  expect(formulas(run('run'), 700_000)).toHaveLength(count)
  expect(formulas(run('swim'), 700_000)).toHaveLength(0)
})

test('power is told of a jump by whoever was weighed, and an instrument only in the unit of the event', () => {
  const jump = protocolWith('attempts', { unit: 'mm', lessStandingReach: true })
  expect(formulas(jump, 400)).toHaveLength(1)
  const { bodyMassG: _, ...unweighed } = AT_30
  expect(formulas(jump, 400, unweighed as typeof AT_30)).toHaveLength(0)
  expect(formulas(protocolWith('attempts', { unit: 'mm' }), 400)).toHaveLength(0)
  const sensed = (quantity: 'height' | 'force') =>
    kindOf(jump).sensed?.(jump, { instrument: 'one', quantity, value: 350, resolution: 10 } as never)
  expect([sensed('height'), sensed('force')]).toEqual([{ unit: 'mm', value: 350 }, null])
})
