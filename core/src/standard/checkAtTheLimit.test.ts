/** What the check says of a standard exactly at each of its limits, one unit before and one after. */
import { expect, test } from 'vitest'
import { standardWith, type StandardChange } from '../../testing/index.ts'
import type { EventKind } from '../kinds/kinds.ts'
import { checkStandard, isPublishable } from './check.ts'
import type { Scoring } from './scoring.ts'

/** Told of nearly all of them, and looked at elsewhere. */
const BESIDE = new Set(['nothingJudged', 'roundingTooFine'])
const remarks = (kind: EventKind, scoring: object, change: object = {}) =>
  checkStandard(standardWith(kind, scoring as Scoring, change as StandardChange).standard).filter(
    ({ code }) => !BESIDE.has(code),
  )
const codes = (...of: Parameters<typeof remarks>): string[] => remarks(...of).map(({ code }) => code)

const table = (rows: readonly (readonly [number, number])[], more: object = {}) => ({
  kind: 'pointsTable',
  unit: 'count',
  between: 'lowerRow',
  bands: [{ ageFrom: 0, rows: rows.map(([value, centipoints]) => ({ value, centipoints })) }],
  ...more,
})
const rule = (more: object = {}) => ({
  kind: 'pointsByRule',
  unit: 'count',
  fullCentipoints: 10_000,
  offCentipoints: 500,
  perUnit: 1,
  units: 'started',
  bands: [{ ageFrom: 0, anchor: 30 }],
  ...more,
})
const total = (totalCentipoints: number, more: object = {}) => ({
  combination: { kind: 'pointsTotal', totalCentipoints, ...more },
})

test.each<[string, object, object, string[]]>([
  [
    'two rows earn the same',
    table([
      [20, 4_000],
      [30, 4_000],
    ]),
    {},
    [],
  ],
  [
    'the worse earns more',
    table([
      [20, 4_001],
      [30, 4_000],
    ]),
    {},
    ['worseEarnsMore'],
  ],
  [
    'rows from the top',
    table([
      [30, 6_000],
      [20, 4_000],
    ]),
    {},
    [],
  ],
  [
    'one row out of place',
    table([
      [20, 4_000],
      [40, 8_000],
      [30, 6_000],
    ]),
    {},
    ['rowsOutOfOrder'],
  ],
  [
    'a row twice',
    table([
      [20, 4_000],
      [20, 4_000],
    ]),
    {},
    ['rowRepeated'],
  ],
  ['a floor below the full points', rule({ floorCentipoints: 9_999 }), {}, []],
  ['a floor at the full points', rule({ floorCentipoints: 10_000 }), {}, ['pointsUnreachable']],
  ['a unit that costs everything', rule({ offCentipoints: 10_000 }), {}, []],
  ['a unit that costs more', rule({ offCentipoints: 10_001 }), {}, ['pointsUnreachable']],
  ['a minimum above the floor', rule({ floorCentipoints: 4_999 }), { event: { minimumCentipoints: 5_000 } }, []],
  [
    'at the floor',
    rule({ floorCentipoints: 5_000 }),
    { event: { minimumCentipoints: 5_000 } },
    ['minimumAlwaysReached'],
  ],
  ['of nothing', rule(), { event: { minimumCentipoints: 0 } }, []],
  ['at the full points', rule(), { event: { minimumCentipoints: 10_000 } }, []],
  ['beyond the full points', rule(), { event: { minimumCentipoints: 10_001 } }, ['minimumUnreachable']],
  ['at the table’s best', table([[20, 4_000]]), { event: { minimumCentipoints: 4_000 } }, []],
  ['beyond the table’s best', table([[20, 4_000]]), { event: { minimumCentipoints: 4_001 } }, ['minimumUnreachable']],
  // nothing at all is 30 units off an anchor of 30: 100 less 30 × 2.5 is 25 points
  ['just above what nothing earns', rule({ offCentipoints: 250 }), { event: { minimumCentipoints: 2_501 } }, []],
  [
    'what nothing earns',
    rule({ offCentipoints: 250 }),
    { event: { minimumCentipoints: 2_500 } },
    ['minimumAlwaysReached'],
  ],
])('points: %s', (_, scoring, change, expected) => {
  expect(codes('repetitionsInTime', scoring, change)).toEqual(expected)
})
test('the place of a rule that gives nothing is the one that is wrong', () => {
  const place = (more: object) => remarks('repetitionsInTime', rule(more))[0]?.place
  expect(place({ floorCentipoints: 10_000 })).toBe('events[0].scoring.floorCentipoints')
  expect(place({ offCentipoints: 10_001 })).toBe('events[0].scoring.offCentipoints')
})

test.each<[string, object, string[]]>([
  ['a total of all there is', total(10_000), []],
  ['more than there is', total(10_001), ['totalUnreachable']],
  ['nothing asked', total(0), []],
  ['above the least', total(4_501, { minimumEachCentipoints: 4_500 }), []],
  ['at the least', total(4_500, { minimumEachCentipoints: 4_500 }), ['totalAlwaysReached']],
])('a total: %s', (_, change, expected) => {
  expect(codes('repetitionsInTime', rule({ offCentipoints: 1_000 }), change)).toEqual(expected)
})

const classes = (...from: readonly number[]) =>
  total(6_000, { classes: from.map((fromCentipoints, at) => ({ id: `c${at}`, name: `Class ${at}`, fromCentipoints })) })
test.each<[string, object, string[]]>([
  ['one above the other', classes(6_000, 8_000), []],
  ['one where the other begins', classes(6_000, 6_000), ['classesOutOfOrder']],
  ['one beginning at everything', classes(6_000, 10_000), []],
  ['one beyond everything', classes(6_000, 10_001), ['classUnreachable']],
  ['one that ends just above the total', classes(5_000, 6_001), []],
  ['one that ends at the total', classes(5_000, 6_000), ['classUnreachable']],
])('classes of a total: %s', (_, change, expected) => {
  expect(codes('repetitionsInTime', rule({ offCentipoints: 1_000 }), change)).toEqual(expected)
})
test('a class beyond everything is an error, one that nobody can be in who meets it a warning', () => {
  const severity = (...from: readonly number[]) =>
    remarks('repetitionsInTime', rule({ offCentipoints: 1_000 }), classes(...from)).map((one) => one.severity)
  expect([severity(6_000, 10_001), severity(5_000, 6_000)]).toEqual([['error'], ['warning']])
  expect(isPublishable(remarks('repetitionsInTime', rule({ offCentipoints: 1_000 }), classes(5_000, 6_000)))).toBe(true)
  expect(isPublishable(remarks('repetitionsInTime', rule({ offCentipoints: 1_000 }), classes(6_000, 10_001)))).toBe(
    false,
  )
})

const cut = (atLeast: number) => ({ kind: 'singleCut', unit: 'count', atLeast })
const runCut = (atMost: number) => ({ kind: 'singleCut', unit: 'ms', atMost })
test.each<[EventKind, object, object, string[]]>([
  // in a minute nobody does more than 120, nor is less than one a cut
  ['repetitionsInTime', cut(1), {}, []],
  ['repetitionsInTime', cut(0), {}, ['cutOutOfRange']],
  ['repetitionsInTime', cut(120), {}, []],
  ['repetitionsInTime', cut(121), {}, ['cutOutOfRange']],
  // 2,000 m take 190 s to 4,800 s: 190 is seconds, 189 is nothing
  ['timedDistance', runCut(190_000), {}, []],
  ['timedDistance', runCut(4_800_000), {}, []],
  ['timedDistance', runCut(189_999), {}, ['cutOutOfRange']],
  ['timedDistance', runCut(4_800_001), {}, ['cutOutOfRange']],
  ['timedDistance', runCut(190), {}, ['unitLooksWrong']],
  ['timedDistance', runCut(189), {}, ['cutOutOfRange']],
  ['timedDistance', runCut(4_800), {}, ['unitLooksWrong']],
  ['timedDistance', runCut(4_801), {}, ['cutOutOfRange']],
  ['timedDistance', runCut(-5), {}, ['cutOutOfRange']],
  ['timedDistance', runCut(600_000), { event: { rounding: { mode: 'up', step: 1_000 } } }, []],
  ['timedDistance', runCut(600_500), { event: { rounding: { mode: 'up', step: 1_000 } } }, ['cutOffStep']],
])('%s with the cut %j and %j: %j', (kind, scoring, change, expected) => {
  expect(codes(kind, scoring, change)).toEqual(expected)
})
test('a slipped unit names the value that is meant, and a time below zero is told in figures', () => {
  expect(remarks('timedDistance', runCut(600))[0]).toMatchObject({
    mend: 'If 10:00 is meant, write 600000.',
    remedy: { edits: [{ place: 'events[0].scoring.atMost', value: 600_000 }] },
  })
  expect(remarks('timedDistance', runCut(-5))[0]?.what).toContain('-5 ms')
  expect(remarks('timedDistance', runCut(0))[0]?.what).toContain('0:00')
})

const bands = (...rows: readonly object[]) => ({ kind: 'cutByBand', unit: 'count', rows })
const row = (ageFrom: number, ageTo: number | null, atLeast = 20) => ({
  ageFrom,
  ...(ageTo === null ? {} : { ageTo }),
  atLeast,
})
test.each<[string, object, string[]]>([
  ['one after the other', bands(row(18, 29), row(30, null)), []],
  ['a year between them', bands(row(18, 28), row(30, null)), ['ageWithoutBand', 'ageWithoutBand']],
  ['a year in both', bands(row(18, 30), row(30, null)), ['bandsOverlap', 'bandsOverlap']],
  ['the oldest without an end', bands(row(18, 29), row(30, 120)), []],
  ['the oldest with an end', bands(row(18, 29), row(30, 119)), ['ageWithoutBand', 'ageWithoutBand']],
  ['the older asked the same', bands(row(18, 29, 20), row(30, null, 20)), []],
  ['the older asked less', bands(row(18, 29, 20), row(30, null, 19)), []],
  ['the older asked more', bands(row(18, 29, 20), row(30, null, 21)), ['harderWithAge', 'harderWithAge']],
  ['listed from the oldest', bands(row(30, null), row(18, 29)), []],
  ['both beginning at once', bands(row(18, 29), row(18, null)), ['bandsOverlap', 'bandsOverlap']],
])('bands: %s', (_, scoring, expected) => {
  // told for each of the two categories
  expect(codes('repetitionsInTime', scoring)).toEqual(expected)
})
test('a hole closes by the last band that reaches furthest, an overlap by the one that begins sooner', () => {
  const remedies = (...rows: readonly object[]) =>
    remarks('repetitionsInTime', bands(...rows)).map(({ remedy }) => remedy?.label)
  expect(remedies(row(18, 28), row(30, null))[0]).toBe('Let 18 to 28 last until 29')
  expect(remedies(row(18, 40), row(20, 30), row(50, null)).filter((label) => label?.includes('last'))[0]).toBe(
    'Let 18 to 40 last until 49',
  )
  expect(remedies(row(18, 29), row(30, 60))[0]).toBe('Let 30 to 60 have no end')
  expect(remedies(row(18, 30), row(30, null))[0]).toBe('End 18 to 30 at 29')
  expect(remedies(row(18, 29), row(18, null))[0]).toBeUndefined()
})
test('a time that is asked of the older may be longer, not shorter', () => {
  const timed = (older: number) => ({
    kind: 'cutByBand',
    unit: 'ms',
    rows: [
      { ageFrom: 18, ageTo: 29, atMost: 600_000 },
      { ageFrom: 30, atMost: older },
    ],
  })
  expect(codes('timedDistance', timed(600_000))).toEqual([])
  expect(codes('timedDistance', timed(600_001))).toEqual([])
  expect(codes('timedDistance', timed(599_999))).toEqual(['harderWithAge', 'harderWithAge'])
})

test.each([
  [[20, 30], []],
  [[20, 20], ['classRepeated']],
  [[30, 20], ['classesOutOfOrder']],
])('norm classes that begin at %j', (from, expected) => {
  const classes = ['low', 'middle', 'high'].map((id) => ({ id, name: id }))
  const normed = { kind: 'normClasses', unit: 'count', classes, bands: [{ ageFrom: 0, from }] }
  const found = codes('repetitionsInTime', normed)
  expect(found).toHaveLength(expected.length)
})

test('a shuttle that its level has not got is told with how many it has', () => {
  const shuttle = (atLeast: number) =>
    remarks('progressiveShuttle', { kind: 'singleCut', unit: 'levelShuttle', atLeast }).filter(
      ({ code }) => code === 'offSchedule',
    )
  expect(shuttle(708)).toHaveLength(0)
  expect(shuttle(710)).toHaveLength(0)
  expect(shuttle(711)[0]?.what).toBe('level 7, shuttle 11 is not in the schedule: that level has 10 shuttles.')
  expect(shuttle(2_601)[0]?.what).toBe('level 26, shuttle 1 is not in the schedule: it has 25 levels.')
})

test('the first event of a battery that only asks who took part is told of its cut too', () => {
  const tookPart = { combination: { kind: 'tookPart' } }
  expect(remarks('repetitionsInTime', cut(30), tookPart)).toMatchObject([
    { place: 'events[0].scoring', code: 'judgedForNothing' },
  ])
  expect(codes('repetitionsInTime', { kind: 'effort' }, tookPart)).toEqual([])
})

test('the minimum asked of every event is looked at where points are added, and nowhere else', () => {
  const each = (kind: string) => ({
    combination: { kind, totalCentipoints: 10_000, minimumEachCentipoints: 10_001 },
  })
  expect(remarks('repetitionsInTime', rule(), each('pointsTotal'))).toContainEqual(
    expect.objectContaining({ place: 'combination.minimumEachCentipoints', code: 'minimumUnreachable' }),
  )
  expect(codes('repetitionsInTime', rule(), each('everyEventMet'))).toEqual([])
})
