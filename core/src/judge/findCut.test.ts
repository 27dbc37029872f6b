import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { findCut } from './findCut.ts'

const [pressUps, run] = standardNamed('v2').events
const [, sameForAll] = standardNamed('v3').events
if (!pressUps || !run || !sameForAll) throw new Error('The demo standard changed.')

const cutOf = (ageYears: number, category: string, event = run) => {
  const found = findCut(event, { ageYears, category })
  return found.ok ? found.cut?.value : found.reason
}

// version 2 of the demo standard, annex A: 2,000 m
test.each([
  [17, 'male', 'noBand'],
  [18, 'male', 555_000],
  [29, 'male', 555_000],
  [30, 'male', 580_000],
  [39, 'male', 580_000],
  [40, 'male', 605_000],
  [99, 'male', 605_000],
  [18, 'female', 620_000],
  [30, 'female', 645_000],
  [40, 'female', 670_000],
  [25, 'open', 'noBand'],
] as const)('at %i, %s, the cut is %s', (ageYears, category, expected) => {
  expect(cutOf(ageYears, category)).toBe(expected)
})

test('a single cut asks nobody for an age', () => {
  expect(cutOf(12, 'anything', sameForAll)).toBe(580_000)
})

test('the row that was used is named', () => {
  const found = findCut(pressUps, { ageYears: 33, category: 'male' })
  expect(found).toMatchObject({
    ok: true,
    cut: { value: 27, sense: 'atLeast', band: { row: 4, ageFrom: 30, ageTo: 39, category: 'male' } },
  })
})

test('two rows that fit are never chosen between', () => {
  if (run.scoring.kind !== 'cutByBand') throw new Error('The demo standard changed.')
  const [first] = run.scoring.rows
  if (!first) throw new Error('The demo standard changed.')
  const doubled = { ...run, scoring: { ...run.scoring, rows: [...run.scoring.rows, first] } }
  expect(findCut(doubled, { ageYears: 20, category: 'female' })).toEqual({ ok: false, reason: 'severalBands' })
})
