import { expect, test } from 'vitest'
import { plainEvent, plainStandard, soundStandard, KIND_CASES } from '../../testing/index.ts'
import { countingSlots } from './countingSlots.ts'
import type { Readings } from './slot.ts'

const grip = (change: object) => {
  const found = KIND_CASES.find(({ kind }) => kind === 'attempts')
  if (!found) throw new Error('There is no hand-worked case of attempts.')
  const protocol = { startCommands: [], unit: 'g', attemptsAllowed: 2, select: 'best', resolution: 100, ...change }
  const [event] = soundStandard(plainStandard([plainEvent({ ...found, protocol }, { kind: 'effort' })])).events
  return (event as NonNullable<typeof event>).protocol
}
const EACH = { sides: 'each', ofSides: 'lesser' }
const FOUR: Readings = { 'left-1': 41_200, 'left-2': 43_500, 'right-1': 39_000, 'right-2': 38_400 }

test.each([
  ['the better try', { sides: 'dominant' }, { 'try-1': 41_200, 'try-2': 43_500 }, ['try-2']],
  ['of two alike the first', { sides: 'dominant' }, { 'try-1': 43_500, 'try-2': 43_500 }, ['try-1']],
  ['both of a mean', { sides: 'dominant', select: 'mean' }, { 'try-1': 41_200, 'try-2': 43_500 }, ['try-1', 'try-2']],
  ['the last', { sides: 'dominant', select: 'last' }, { 'try-1': 50_000, 'try-2': 40_000 }, ['try-2']],
  ['the better try of the weaker hand', EACH, FOUR, ['right-1']],
  ['both hands of a sum', { ...EACH, ofSides: 'sum' }, FOUR, ['left-2', 'right-1']],
  ['none before it is enough', EACH, { 'left-1': 41_200 }, []],
  ['none of nothing', EACH, {}, []],
] as const)('%s', (_, change, readings, expected) => {
  expect(countingSlots(grip(change), readings)).toEqual(expected)
})
