import fc from 'fast-check'
import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard, standardNamed } from '../../testing/index.ts'
import { evenSplits } from '../kinds/timedDistance/evenSplits.ts'
import { planChain } from '../kinds/workChain/planChain.ts'
import { whatToReach } from './whatToReach.ts'

const TRACK = { distanceMm: 2_000_000, lapLengthMm: 400_000 }

// 9:40 over five laps is 1:56 a lap
test('even laps meet the limit exactly', () => {
  expect(evenSplits(TRACK, 580_000).map(({ atMs }) => atMs)).toEqual([116_000, 232_000, 348_000, 464_000, 580_000])
  // 2,500 m: the part lap of 100 m first
  expect(evenSplits({ distanceMm: 2_500_000, lapLengthMm: 400_000 }, 600_000)[0]).toEqual({
    lap: 1,
    distanceMm: 100_000,
    atMs: 24_000,
    splitMs: 24_000,
  })
})

test('keeping the passing times never leads past the limit', () => {
  const course = fc.record({
    distanceMm: fc.integer({ min: 1_000, max: 20_000_000 }),
    lapLengthMm: fc.integer({ min: 200_000, max: 1_000_000 }),
  })
  fc.assert(
    fc.property(course, fc.integer({ min: 60_000, max: 7_200_000 }), (one, limitMs) => {
      const splits = evenSplits(one, limitMs)
      expect(splits.at(-1)?.atMs).toBe(limitMs)
      expect(splits.reduce((sum, { splitMs }) => sum + splitMs, 0)).toBe(limitMs)
      for (const { atMs, distanceMm } of splits)
        expect(atMs).toBeLessThanOrEqual((limitMs * distanceMm) / one.distanceMm)
    }),
  )
})

const CHAIN = {
  segments: [
    { id: 'out', name: 'Run out', distanceMm: 800_000 },
    { id: 'squats', name: 'Squats', repetitions: 50, setsAllowed: true },
    { id: 'pulls', name: 'Pulls', repetitions: 5 },
    { id: 'back', name: 'Run back', distanceMm: 800_000 },
  ],
}
const PACE = { msPer100M: 24_000, msPerRepetition: 2_000, mostInASet: 15 }

// runs 2 × 192 s, 55 repetitions 110 s: 494 s of work; four sets leave three pauses: (600 − 494) / 3 = 35.3, cut to 35 s
test('a chain is divided into even sets with the pauses that are left', () => {
  expect(planChain(CHAIN, 600_000, PACE)).toEqual({
    ok: true,
    doneAtMs: 599_000,
    segments: [
      { segmentId: 'out', name: 'Run out', sets: [], pauseMs: 0, doneAtMs: 192_000 },
      { segmentId: 'squats', name: 'Squats', sets: [13, 13, 12, 12], pauseMs: 35_000, doneAtMs: 397_000 },
      { segmentId: 'pulls', name: 'Pulls', sets: [5], pauseMs: 0, doneAtMs: 407_000 },
      { segmentId: 'back', name: 'Run back', sets: [], pauseMs: 0, doneAtMs: 599_000 },
    ],
  })
  expect(planChain(CHAIN, 494_000, PACE)).toMatchObject({ ok: true, doneAtMs: 494_000 })
  expect(planChain(CHAIN, 493_000, PACE)).toEqual({ ok: false, overMs: 1_000 })
})

const PERSON = { entryId: 'e', ageYears: 33, ageCountedOn: '2026-11-24', category: 'male' }

// version 2 of the demo standard: men of 30 to 39 need 27 press-ups and 9:40
test('what a person has to reach is the cut of their band, with even laps for a run', () => {
  const [pressUps, run] = whatToReach(standardNamed('v2'), PERSON)
  expect(pressUps).toMatchObject({ cut: { value: 27 }, splits: [], missing: null })
  expect(run).toMatchObject({ cut: { value: 580_000 }, missing: null })
  expect(run?.splits).toHaveLength(5)
  expect(whatToReach(standardNamed('v2'), { ...PERSON, ageYears: 17 })[0]).toMatchObject({
    cut: null,
    missing: 'noBand',
  })
})

test('steps beyond the cut go by tens of points, or by classes', () => {
  const [reps] = KIND_CASES
  if (!reps) throw new Error('The table of cases is empty.')
  const rows = [
    { value: 10, centipoints: 4_000 },
    { value: 30, centipoints: 6_000 },
  ]
  const table = { kind: 'pointsTable', unit: 'count', between: 'interpolate', bands: [{ ageFrom: 0, rows }] }
  const combination = { kind: 'pointsTotal', totalCentipoints: 4_500, minimumEachCentipoints: 4_500 }
  const [points] = whatToReach(soundStandard(plainStandard([plainEvent(reps, table)], { combination })), PERSON)
  // 45 points are a quarter of the way from 10 to 30; 50 half of it
  expect(points).toMatchObject({
    cut: { value: 15, full: 30 },
    steps: [
      { label: '50', value: 20 },
      { label: '60', value: 30 },
    ],
  })
  const classes = ['low', 'fair', 'good'].map((id) => ({ id, name: id }))
  const norms = { kind: 'normClasses', unit: 'count', classes, bands: [{ ageFrom: 0, from: [12, 25] }] }
  const [normed] = whatToReach(soundStandard(plainStandard([plainEvent(reps, norms)])), PERSON)
  expect(normed).toMatchObject({
    cut: null,
    missing: null,
    steps: [
      { label: 'fair', value: 12 },
      { label: 'good', value: 25 },
    ],
  })
})
