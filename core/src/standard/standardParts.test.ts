/** What differs between two parts in words, dates that overlap, points by a rule, and which forms an event has. */
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/standards.ts'
import { checkDates } from './checkDates.ts'
import { differences } from './differences.ts'
import { placedEvents, placedScorings } from './placed.ts'
import { centipointsBeyond } from './pointsByRule.ts'
import type { PointsByRule } from './scoring.ts'
import type { Standard } from './standard.ts'
import { withAlternates } from './withAlternates.ts'

test.each<[object, object, string[]]>([
  [{ walkingAllowed: false }, { walkingAllowed: true }, ['Run: walking allowed yes, before: no.']],
  [{ limitMs: 600_000 }, { limitMs: 540_000 }, ['Run: limit 9:00, before: 10:00.']],
  [{ offsetMs: -5 }, { offsetMs: 0 }, ['Run: offset 0:00, before: -5.']],
  [{ zoneMm: 500 }, { zoneMm: 2_000 }, ['Run: zone 2 m, before: 50 cm.']],
  [{ loadG: 500 }, { loadG: 40_000 }, ['Run: load 40 kg, before: 0.5 kg.']],
  [{ G: 5 }, { G: 6 }, ['Run:  6, before: 5.']],
  [{ minimumCentipoints: 4_500 }, { minimumCentipoints: 4_550 }, ['Run: minimum 45.5, before: 45.']],
  [{ centipoints: 100 }, { centipoints: 250 }, ['Run: centipoints 2.5, before: 1.']],
  [{ cautionsAllowed: 1 }, { cautionsAllowed: 2 }, ['Run: cautions allowed 2, before: 1.']],
  [{}, { by: 'swim' }, ['Run: by "swim", before: not stated.']],
  [{ by: 'swim' }, {}, ['Run: by not stated, before: "swim".']],
  [{ gear: [] }, { gear: ['Vest', 'Helmet'] }, ['Run: gear Vest; Helmet, before: none.']],
  [{ speeds: { first: 1 } }, { speeds: { first: 2 } }, ['Run: speeds changed.']],
  [{ stations: [{ id: 'a' }] }, {}, ['Run: stations changed.']],
  [{ note: null }, { note: 'x' }, ['Run: note "x", before: "null".']],
  [{ a: 1, b: 2 }, { b: 2, a: 1 }, []],
  [{ gear: ['Vest'] }, { gear: ['Vest'] }, []],
])('%j becomes %j: %j', (before, after, said) => {
  expect(differences('Run', before, after)).toEqual(said)
})

const inForce = (version: number, inForceFrom: string, inForceTo?: string, id = 'entry'): Standard =>
  ({ id, version, inForceFrom, ...(inForceTo ? { inForceTo } : {}) }) as Standard
const CURRENT = inForce(2, '2026-03-01', '2026-06-30')

test.each<[Standard, boolean]>([
  [inForce(1, '2026-01-01', '2026-02-28'), false],
  [inForce(1, '2026-01-01', '2026-03-01'), true],
  [inForce(1, '2026-01-01'), true],
  [inForce(3, '2026-06-30'), true],
  [inForce(3, '2026-07-01'), false],
  [inForce(3, '2026-04-01', '2026-05-01'), true],
  [inForce(2, '2026-01-01'), false],
  [inForce(1, '2026-01-01', undefined, 'another'), false],
])('version %j overlaps March to June: %s', (other, overlaps) => {
  expect(checkDates(CURRENT, [other])).toHaveLength(overlaps ? 1 : 0)
})
test('the first day both are in force is named, whichever begins later', () => {
  expect(checkDates(CURRENT, [inForce(1, '2026-01-01'), inForce(3, '2026-06-15')])).toEqual([
    {
      place: 'inForceFrom',
      code: 'datesOverlap',
      severity: 'error',
      what: 'Versions 2 and 1 are both in force from 1 March 2026.',
      example: 'A test on 1 March 2026 could be judged by either.',
      mend: 'Give the earlier version a last day in force before the later one begins.',
    },
    expect.objectContaining({ what: 'Versions 2 and 3 are both in force from 15 June 2026.' }),
  ])
  expect(checkDates(inForce(2, '2026-03-01'), [inForce(1, '2030-01-01')])).toHaveLength(1)
})

// 100 points, five off for each 8 s
test.each([
  [-1, 10_000, 10_000],
  [0, 10_000, 10_000],
  [1, 9_500, 10_000],
  [7_999, 9_500, 10_000],
  [8_000, 9_500, 9_500],
  [8_001, 9_000, 9_500],
  [120_000, 2_500, 2_500],
  [128_000, 2_000, 2_000],
  [999_000, 2_000, 2_000],
])('%i ms beyond the anchor is %i when begun units count, %i when whole ones do', (beyond, begun, whole) => {
  const rule = { fullCentipoints: 10_000, offCentipoints: 500, perUnit: 8_000, floorCentipoints: 2_000 }
  const at = (units: 'started' | 'whole', more: object = {}) =>
    centipointsBeyond({ ...rule, units, ...more } as PointsByRule, beyond)
  expect([at('started'), at('whole')]).toEqual([begun, whole])
  if (beyond === 999_000) expect(at('whole', { floorCentipoints: undefined })).toBe(0)
})

const V3 = standardNamed('v3')
const [first] = V3.events
if (!first) throw new Error('The standard of the tests has no events.')

test('events are placed in the battery, then those in place of another; forms tied to a category keep others out', () => {
  const scoring = { kind: 'effort' } as const
  const tied = { id: 'knees', name: 'Knees', category: 'female', scoring }
  const free = { id: 'wall', name: 'Wall', scoring }
  const event = { ...first, variants: [tied, free] as never }
  const standard = { ...V3, events: [first, event], alternateEvents: [{ ...first, id: 'row' }] }
  expect(placedEvents(standard).map(({ place, event: { id } }) => [place, id])).toEqual([
    ['events[0]', first.id],
    ['events[1]', first.id],
    ['alternateEvents[0]', 'row'],
  ])
  expect(placedScorings(standard).map(({ scoringPlace, categories }) => [scoringPlace, categories])).toEqual([
    ['events[0].scoring', undefined],
    ['events[1].scoring', V3.categories.map(({ id }) => id).filter((id) => id !== 'female')],
    ['events[1].variants[0].scoring', ['female']],
    ['events[1].variants[1].scoring', undefined],
    ['alternateEvents[0].scoring', undefined],
  ])
  const { alternateEvents: _, ...none } = standard
  expect(placedEvents(none as Standard)).toHaveLength(2)
})

test('an event stands with what may be done in its place, and with nothing else', () => {
  const row = { ...first, id: 'row' }
  const bike = { ...first, id: 'bike' }
  const standard = { ...V3, alternateEvents: [row, bike] }
  const event = { ...first, alternates: [{ eventId: 'bike', allowedBy: 'choice' }] as never }
  expect(withAlternates(standard, event)).toEqual([event, bike])
  expect(withAlternates(standard, first)).toEqual([first])
  expect(withAlternates(V3, event)).toEqual([event])
})
