/** The least points asked of an event, and the most a battery can earn somebody. */
import { expect, test } from 'vitest'
import { standardWith } from '../../testing/index.ts'
import type { Scoring } from '../standard/scoring.ts'
import type { Standard } from '../standard/standard.ts'
import { batteryFor, minimumOf } from './basis.ts'
import type { Candidate } from './mark.ts'

const TODAY = '2026-11-24'
const WOMAN: Candidate = { entryId: 'e', category: 'female', ageYears: 34, ageCountedOn: TODAY }
const POINTS: Scoring = {
  kind: 'pointsTable',
  unit: 'count',
  between: 'lowerRow',
  bands: [
    {
      ageFrom: 0,
      rows: [
        { value: 20, centipoints: 4_000 },
        { value: 30, centipoints: 6_000 },
      ],
    },
  ],
}

test('the minimum of an event is its own, or the one asked of every event where points are added', () => {
  const { standard, event } = standardWith('repetitionsInTime', POINTS)
  const added = { kind: 'pointsTotal', minimumEachCentipoints: 3_000 } as unknown as Standard['combination']
  expect(minimumOf(standard, event)).toBeNull()
  expect(minimumOf(standard, { ...event, minimumCentipoints: 6_000 })).toBe(6_000)
  expect(minimumOf({ combination: added }, event)).toBe(3_000)
  expect(minimumOf({ combination: added }, { ...event, minimumCentipoints: 6_000 })).toBe(6_000)
  expect(minimumOf({ combination: { kind: 'pointsTotal' } as unknown as Standard['combination'] }, event)).toBeNull()
  // a rule of another combination asks nothing of points
  const other = { ...added, kind: 'everyEventMet' } as unknown as Standard['combination']
  expect(minimumOf({ combination: other }, event)).toBeNull()
})

test('what points there are in the battery is looked up once a band, and by what somebody chose', () => {
  const { standard, event } = standardWith('repetitionsInTime', {
    ...POINTS,
    bands: [
      { ...(POINTS as Extract<Scoring, { kind: 'pointsTable' }>).bands[0], ageTo: 39 },
      { ageFrom: 40, rows: [{ value: 10, centipoints: 5_000 }] },
    ],
  } as Scoring)
  const variant = {
    id: 'knees',
    name: 'From the knees',
    scoring: { ...POINTS, bands: [{ ageFrom: 0, rows: [{ value: 10, centipoints: 7_000 }] }] },
  }
  const other = {
    ...variant,
    id: 'wall',
    scoring: { ...POINTS, bands: [{ ageFrom: 0, rows: [{ value: 10, centipoints: 2_000 }] }] },
  }
  const added = { kind: 'pointsTotal', minimumCentipoints: 1 } as unknown as Standard['combination']
  const effort = { ...event, id: 'walk', scoring: { kind: 'effort' } as Scoring }
  const terms = {
    testDate: TODAY,
    standard: { ...standard, combination: added, events: [{ ...event, variants: [variant, other] as never }, effort] },
  }
  const older = { ...WOMAN, ageYears: 45 }
  for (let again = 0; again < 2; again++) {
    expect(batteryFor(terms, WOMAN)).toMatchObject({ fullCentipoints: [6_000, 0], mostCentipoints: [7_000, 0] })
    expect(batteryFor(terms, older)).toMatchObject({ fullCentipoints: [5_000, 0], mostCentipoints: [7_000, 0] })
    expect(batteryFor(terms, { ...WOMAN, variants: { event: 'knees' } })).toMatchObject({
      fullCentipoints: [7_000, 0],
    })
    expect(batteryFor(terms, { ...WOMAN, variants: { event: 'wall' } })).toMatchObject({
      fullCentipoints: [2_000, 0],
    })
  }
  const once = { testDate: TODAY, standard: { ...standard, events: [event] } }
  expect(batteryFor(once, WOMAN)).toMatchObject({ fullCentipoints: [], mostCentipoints: [] })
})
