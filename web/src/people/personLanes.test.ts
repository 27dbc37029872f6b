import { NO_CHOICES, type PersonTest, type Verdict } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { changeOf, lanesOf } from './personLanes.ts'
import type { LinePoint, PersonLine } from './personLines.ts'

const ran = (date: string, value: number, asked: number, own = false): LinePoint => ({
  date,
  value,
  cut: { value: asked, sense: 'atMost', unit: 'ms', band: null },
  state: value <= asked ? 'good' : 'short',
  own,
  about: 'version 3',
  className: '',
})
const runs = (...points: LinePoint[]): PersonLine => ({
  standardId: 'entry',
  eventId: 'run',
  name: 'Run',
  unit: 'ms',
  points,
})
const noise = new Map([['entry run', 8_000]])

test('each figure stands as high as it is on the good side of the cut of its day', () => {
  const [lane] = lanesOf([runs(ran('2024-05-21', 590_000, 600_000), ran('2026-11-24', 585_000, 580_000))], [], noise)
  expect(lane?.points.map(({ height }) => height)).toEqual([10_000, -5_000])
  expect(lane).toMatchObject({ hasCut: true, asked: 580_000, real: 8_000, last: { value: 585_000 } })
})

test.each([
  ['within noise', 585_000, '0:05 better, may be noise'],
  ['beyond it', 581_999, '0:08.001 better, more than noise'],
  ['the other way', 600_000, '0:10 worse, more than noise'],
  ['the same', 590_000, 'as before'],
])('a change %s', (_, value, expected) => {
  const [lane] = lanesOf([runs(ran('2024-05-21', 590_000, 600_000), ran('2026-11-24', value, 600_000))], [], noise)
  expect(lane && changeOf(lane)).toBe(expected)
})

test('a self-test is no change of the official figure, and without knowing of noise nothing is said', () => {
  const line = runs(ran('2024-05-21', 590_000, 600_000), ran('2026-11-24', 570_000, 600_000, true))
  const [lane] = lanesOf([line], [], noise)
  expect(lane && changeOf(lane)).toBe('')
  const [unknown] = lanesOf(
    [runs(ran('2024-05-21', 590_000, 600_000), ran('2026-11-24', 570_000, 600_000))],
    [],
    new Map(),
  )
  expect(unknown && changeOf(unknown)).toBe('')
})

test('points in total have a lane of their own, with the classes they reach', () => {
  const tested = (testDate: string, centipoints: number, className: string | null): PersonTest => ({
    occasionId: testDate,
    name: 'Service test',
    testDate,
    standardId: 'guard',
    standardVersion: 4,
    standardName: 'Guard',
    entryId: testDate,
    choices: NO_CHOICES,
    setUp: {},
    events: [],
    earliestAfterDays: 14,
    conditions: null,
    estimates: [],
    classes: [
      { name: 'Harbour', fromCentipoints: 16_500 },
      { name: 'Ridge', fromCentipoints: 21_000 },
    ],
    verdict: {
      outcome: 'met',
      marks: [],
      points: { centipoints, asked: 16_500, full: 30_000, className, nextClass: null },
    } as unknown as Verdict,
  })
  const [lane] = lanesOf([], [tested('2025-04-12', 18_000, 'Harbour'), tested('2026-04-12', 22_000, 'Ridge')], noise)
  expect(lane).toMatchObject({
    name: 'Points in total',
    unit: null,
    levels: [
      { name: 'Harbour', at: 16_500 },
      { name: 'Ridge', at: 21_000 },
    ],
    last: { value: 22_000, className: 'Ridge' },
  })
})
