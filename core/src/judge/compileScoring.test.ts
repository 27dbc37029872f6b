/**
 * Every scoring school asked directly: what a value is worth, which value just earns a score, the most there is, worked by hand. Each
 * with more and with less as the better side, in plain units, shuttles and pounds.
 */
import { expect, test } from 'vitest'
import { standardWith } from '../../testing/index.ts'
import type { EventKind } from '../kinds/kinds.ts'
import type { Scoring } from '../standard/scoring.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { compileScoring, lowestOf } from './compileScoring.ts'
import { NO_BAND, SEVERAL_BANDS } from './bandIndex.ts'

const eventOf = (kind: EventKind, scoring: Scoring, event: Partial<StandardEvent> = {}): StandardEvent =>
  standardWith(kind, scoring, { event }).event
const REPS = 'repetitionsInTime'
const RUN = 'timedDistance'
const LIFT = 'heaviestLift'

test('a single cut: the distance to its good side, whichever that is', () => {
  const reps = compileScoring(eventOf(REPS, { kind: 'singleCut', unit: 'count', atLeast: 31 }))
  expect(reps).toMatchObject({ unit: 'count', sense: 'atLeast', scoreKind: 'margin', needsBodyMass: false })
  expect([30, 31, 32].map((value) => reps.score(0, value, 0))).toEqual([-1, 0, 1])
  expect([0, 2, -1].map((margin) => reps.valueFor(0, margin, 0))).toEqual([31, 33, 30])
  expect(reps.best(0)).toBe(Number.MAX_SAFE_INTEGER)
  expect(reps.share(0, 80_000)).toBe(0)
  expect(reps.distance(7, 4)).toBe(-3)
  const run = compileScoring(eventOf(RUN, { kind: 'singleCut', unit: 'ms', atMost: 600_000 }))
  expect([599_000, 600_000, 601_000].map((value) => run.score(0, value, 0))).toEqual([1_000, 0, -1_000])
  expect([0, 1_000].map((margin) => run.valueFor(0, margin, 0))).toEqual([600_000, 599_000])
})

test('a cut by band: each row its own, a band that is not there asks nothing', () => {
  const { score, valueFor, best } = compileScoring(
    eventOf(REPS, {
      kind: 'cutByBand',
      unit: 'count',
      rows: [
        { ageFrom: 18, ageTo: 29, atLeast: 30 },
        { ageFrom: 30, atLeast: 25 },
      ],
    }),
  )
  expect([score(0, 28, 0), score(1, 28, 0)]).toEqual([-2, 3])
  expect([valueFor(0, 0, 0), valueFor(1, 0, 0)]).toEqual([30, 25])
  expect(best(1)).toBe(Number.MAX_SAFE_INTEGER)
})

test('bands are found by age, category and role; both ends of an age belong to it', () => {
  const atLeast = 30
  const rows = [
    { ageFrom: 18, ageTo: 29, category: 'female', atLeast },
    { ageFrom: 18, ageTo: 29, category: 'male', atLeast },
    { ageFrom: 30, ageTo: 39, atLeast },
    { ageFrom: 35, ageTo: 120, atLeast },
  ]
  const { bandFor } = compileScoring(eventOf(REPS, { kind: 'cutByBand', unit: 'count', rows }))
  const of = (ageYears: number, category = 'female', role?: string) =>
    bandFor({ ageYears, category, ...(role === undefined ? {} : { role }) })
  expect([17, 18, 29, 30, 34].map((age) => of(age))).toEqual([NO_BAND, 0, 0, 2, 2])
  expect([of(29, 'male'), of(29, 'other'), of(35), of(39), of(40), of(120), of(121)]).toEqual([
    1,
    NO_BAND,
    SEVERAL_BANDS,
    SEVERAL_BANDS,
    3,
    3,
    NO_BAND,
  ])
  // a role that no row knows changes nothing
  expect(of(20, 'female', 'dog-handler')).toBe(0)
  const byRole = compileScoring(
    eventOf(REPS, {
      kind: 'cutByBand',
      unit: 'count',
      rows: [
        { ageFrom: 0, role: 'diver', atLeast },
        { ageFrom: 0, role: 'rider', atLeast },
        { ageFrom: 60, atLeast },
      ],
    }),
  ).bandFor
  const female = { category: 'female' }
  expect([
    byRole({ ...female, ageYears: 30, role: 'diver' }),
    byRole({ ...female, ageYears: 30, role: 'rider' }),
    byRole({ ...female, ageYears: 30 }),
    byRole({ ...female, ageYears: 60 }),
    byRole({ ...female, ageYears: 60, role: 'rider' }),
  ]).toEqual([0, 1, NO_BAND, 2, SEVERAL_BANDS])
  const divers = compileScoring(
    eventOf(REPS, { kind: 'cutByBand', unit: 'count', rows: [{ ageFrom: 0, role: 'diver', atLeast }] }),
  ).bandFor
  expect([divers({ ...female, ageYears: 30 }), divers({ ...female, ageYears: 30, role: 'diver' })]).toEqual([
    NO_BAND,
    0,
  ])
  expect(compileScoring(eventOf(REPS, { kind: 'effort' })).bandFor({ ageYears: 5, category: 'x' })).toBe(0)
})

// 45 % of 70.1 kg is 31.545 kg, cut to halves of a kilogram 31.5 kg
test('a share of body mass: the lesser or the greater of it and a constant, or it alone', () => {
  const relative = (of: 'lesser' | 'greater', constant?: number): Scoring => ({
    kind: 'relativeCut',
    unit: 'g',
    of,
    shareRounding: { mode: 'truncate', step: 500 },
    rows: [{ ageFrom: 0, shareOfBodyMassPermille: 450, ...(constant === undefined ? {} : { constant }) }],
  })
  const lesser = compileScoring(eventOf(LIFT, relative('lesser', 34_000)))
  expect(lesser).toMatchObject({ needsBodyMass: true, scoreKind: 'margin' })
  expect([lesser.share(0, 70_100), lesser.share(0, 90_000)]).toEqual([31_500, 40_500])
  expect([lesser.score(0, 31_500, 70_100), lesser.score(0, 34_000, 90_000)]).toEqual([0, 0])
  expect([lesser.valueFor(0, 0, 70_100), lesser.valueFor(0, 500, 90_000)]).toEqual([31_500, 34_500])
  expect(lesser.best(0)).toBe(Number.MAX_SAFE_INTEGER)
  const greater = compileScoring(eventOf(LIFT, relative('greater', 34_000)))
  expect([greater.valueFor(0, 0, 70_100), greater.valueFor(0, 0, 90_000)]).toEqual([34_000, 40_500])
  const alone = compileScoring(eventOf(LIFT, relative('lesser')))
  expect([alone.valueFor(0, 0, 70_100), alone.valueFor(0, 0, 90_000)]).toEqual([31_500, 40_500])
  expect(() => alone.score(1, 0, 70_000)).toThrow('Row 1 was asked for, but the scoring has 1 rows.')
})

const table = (
  between: 'lowerRow' | 'interpolate',
  rows: readonly (readonly [number, number])[],
  more: object = {},
): Scoring => ({
  kind: 'pointsTable',
  unit: 'count',
  between,
  bands: [{ ageFrom: 0, rows: rows.map(([value, centipoints]) => ({ value, centipoints })) }],
  ...more,
})

test('a points table, more is better: rows from either end, a floor below, the best row above', () => {
  const rows = [
    [20, 4_000],
    [30, 6_000],
    [40, 9_000],
  ] as const
  for (const ordered of [rows, rows.toReversed()]) {
    const found = compileScoring(eventOf(REPS, table('lowerRow', ordered, { floorCentipoints: 500 })))
    expect(found.scoreKind).toBe('centipoints')
    expect([0, 19, 20, 29, 30, 39, 40, 41, 500].map((value) => found.score(0, value, 0))).toEqual([
      500, 500, 4_000, 4_000, 6_000, 6_000, 9_000, 9_000, 9_000,
    ])
    expect(found.best(0)).toBe(9_000)
    expect([500, 501, 4_000, 4_001, 6_000, 9_000, 9_001].map((points) => found.valueFor(0, points, 0))).toEqual([
      null,
      20,
      20,
      30,
      30,
      40,
      null,
    ])
  }
  const half = compileScoring(eventOf(REPS, table('interpolate', rows)))
  // 25 lies half way from 40 to 60 points, 33 three tenths of the way from 60 to 90
  expect([19, 25, 33, 40].map((value) => half.score(0, value, 0))).toEqual([0, 5_000, 6_900, 9_000])
  // 51 points are 11 twentieths of the way to 30: 25.5, so that 26 is the first that earns them
  expect([5_000, 5_100, 6_900].map((points) => half.valueFor(0, points, 0))).toEqual([25, 26, 33])
  expect(() => half.best(1)).toThrow('Band 1 was asked for, but the table has 1.')
})

test('a points table, less is better, on steps of the rounding and between them', () => {
  const rows = [
    [600_000, 6_000],
    [540_000, 10_000],
  ] as const
  const run = { rounding: { mode: 'up', step: 1_000 } as const }
  const found = compileScoring(eventOf(RUN, { ...table('interpolate', rows), unit: 'ms' } as Scoring, run))
  expect([530_000, 540_000, 570_000, 600_000, 601_000].map((value) => found.score(0, value, 0))).toEqual([
    10_000, 10_000, 8_000, 6_000, 0,
  ])
  // a second is worth 66.67 hundredths: 80 points at 570 s, 80.01 a second sooner
  expect([8_000, 8_001, 10_000, 6_000, 5_999].map((points) => found.valueFor(0, points, 0))).toEqual([
    570_000, 569_000, 540_000, 600_000, 600_000,
  ])
  // a row that lies on no step of the rounding is looked up all the same
  const off = compileScoring(
    eventOf(RUN, { ...table('lowerRow', [...rows, [570_500, 8_000]]), unit: 'ms' } as Scoring, run),
  )
  expect([570_000, 571_000, 600_000, 601_000].map((value) => off.score(0, value, 0))).toEqual([8_000, 6_000, 6_000, 0])
  expect(off.valueFor(0, 8_000, 0)).toBe(570_000)
})

test('several bands of a table stand side by side, each with its own ends', () => {
  const { score, best } = compileScoring(
    eventOf(REPS, {
      kind: 'pointsTable',
      unit: 'count',
      between: 'lowerRow',
      bands: [
        {
          ageFrom: 18,
          ageTo: 29,
          rows: [
            { value: 10, centipoints: 1_000 },
            { value: 12, centipoints: 2_000 },
          ],
        },
        {
          ageFrom: 30,
          rows: [
            { value: 5, centipoints: 3_000 },
            { value: 6, centipoints: 4_000 },
          ],
        },
      ],
    }),
  )
  expect([9, 10, 11, 12, 13].map((value) => score(0, value, 0))).toEqual([0, 1_000, 1_000, 2_000, 2_000])
  expect([4, 5, 6, 7].map((value) => score(1, value, 0))).toEqual([0, 3_000, 4_000, 4_000])
  expect([best(0), best(1)]).toEqual([2_000, 4_000])
})

test('a table that is very long is looked up without being laid out, and comes to the same', () => {
  const rows = [
    [0, 1_000],
    [65_535, 2_000],
    [65_536, 3_000],
    [70_000, 4_000],
  ] as const
  const long = compileScoring(eventOf(REPS, table('lowerRow', rows)))
  expect([-1, 0, 65_534, 65_535, 65_536, 69_999, 70_000, 80_000].map((value) => long.score(0, value, 0))).toEqual([
    0, 1_000, 1_000, 2_000, 3_000, 3_000, 4_000, 4_000,
  ])
})

// 100 points at 30, five off for each two fewer, never below 20 points
test('points by rule: the anchor earns all, the floor is everybody’s, and in between each unit costs', () => {
  const rule = (units: 'started' | 'whole', more: object = {}): Scoring => ({
    kind: 'pointsByRule',
    unit: 'count',
    fullCentipoints: 10_000,
    offCentipoints: 500,
    perUnit: 2,
    units,
    bands: [{ ageFrom: 0, anchor: 30 }],
    ...more,
  })
  const begun = compileScoring(eventOf(REPS, rule('started', { floorCentipoints: 2_000 })))
  expect([31, 30, 29, 28, 27, 0].map((value) => begun.score(0, value, 0))).toEqual([
    10_000, 10_000, 9_500, 9_500, 9_000, 2_500,
  ])
  expect([10_001, 10_000, 9_500, 2_001, 2_000].map((points) => begun.valueFor(0, points, 0))).toEqual([
    null,
    30,
    28,
    0,
    null,
  ])
  expect(begun.best(0)).toBe(10_000)
  const whole = compileScoring(eventOf(REPS, rule('whole')))
  expect([30, 29, 28, 27, 26].map((value) => whole.score(0, value, 0))).toEqual([10_000, 10_000, 9_500, 9_500, 9_000])
  expect([10_000, 9_500].map((points) => whole.valueFor(0, points, 0))).toEqual([29, 27])
  // 30 s at an anchor of 10 s: nobody runs in less than no time
  const run = compileScoring(
    eventOf(
      RUN,
      { ...rule('started'), unit: 'ms', perUnit: 10_000, bands: [{ ageFrom: 0, anchor: 30_000 }] } as Scoring,
      {
        rounding: { mode: 'up', step: 1_000 },
      },
    ),
  )
  expect([30_000, 30_001, 40_000, 40_001].map((value) => run.score(0, value, 0))).toEqual([10_000, 9_500, 9_500, 9_000])
  expect([10_000, 9_500, 500].map((points) => run.valueFor(0, points, 0))).toEqual([30_000, 40_000, 220_000])
  expect([lowestOf('mm') < 0, lowestOf('ms'), lowestOf('count')]).toEqual([true, 0, 0])
})

test('norm classes: the class a value reaches, and the value a class begins at', () => {
  const classes = [
    { id: 'low', name: 'Low' },
    { id: 'middle', name: 'Middle' },
    { id: 'high', name: 'High' },
  ]
  const reps = compileScoring(
    eventOf(REPS, { kind: 'normClasses', unit: 'count', classes, bands: [{ ageFrom: 0, from: [20, 30] }] }),
  )
  expect(reps.scoreKind).toBe('class')
  expect([0, 19, 20, 29, 30, 31].map((value) => reps.score(0, value, 0))).toEqual([0, 0, 1, 1, 2, 2])
  expect([-1, 0, 1, 2, 3].map((place) => reps.valueFor(0, place, 0))).toEqual([null, null, 20, 30, null])
  expect(reps.best(0)).toBe(2)
  expect([reps.score(1, 50, 0), reps.valueFor(1, 1, 0)]).toEqual([0, null])
  const run = compileScoring(
    eventOf(RUN, { kind: 'normClasses', unit: 'ms', classes, bands: [{ ageFrom: 0, from: [600_000, 540_000] }] }),
  )
  expect([601_000, 600_000, 541_000, 540_000].map((value) => run.score(0, value, 0))).toEqual([0, 1, 1, 2])
})

test('completion and effort: a limit or none, and nothing that is judged', () => {
  const limited = compileScoring(eventOf('stationCourse', { kind: 'completion', unit: 'ms', atMost: 300_000 }))
  expect(limited.scoreKind).toBe('margin')
  expect([299_000, 300_000, 301_000].map((value) => limited.score(0, value, 0))).toEqual([1_000, 0, -1_000])
  expect([limited.valueFor(0, 0, 0), limited.best(0)]).toEqual([300_000, Number.MAX_SAFE_INTEGER])
  const free = compileScoring(eventOf('stationCourse', { kind: 'completion', unit: 'ms' }))
  expect([free.score(0, 999_000, 0), free.valueFor(0, 0, 0)]).toEqual([0, null])
  const effort = compileScoring(eventOf(REPS, { kind: 'effort' }))
  expect([effort.scoreKind, effort.score(0, 5, 0), effort.valueFor(0, 0, 0), effort.best(0)]).toEqual([
    'nothing',
    0,
    null,
    0,
  ])
})

// levels of 8, 8, 8, 9 … shuttles: 7/10 is the 62nd, 8/1 the 63rd; 7/1 the 53rd and 7/4 the 56th
test('level and shuttle: a distance is shuttles run, in every school', () => {
  const SHUTTLE = 'progressiveShuttle'
  const cut = compileScoring(eventOf(SHUTTLE, { kind: 'singleCut', unit: 'levelShuttle', atLeast: 801 }))
  expect([710, 801, 802].map((value) => cut.score(0, value, 0))).toEqual([-1, 0, 1])
  expect([cut.valueFor(0, 0, 0), cut.valueFor(0, -1, 0)]).toEqual([801, 710])
  expect(cut.distance(801, 710)).toBe(-1)
  const rows = compileScoring(
    eventOf(SHUTTLE, {
      ...table('interpolate', [
        [701, 5_000],
        [704, 8_000],
      ]),
      unit: 'levelShuttle',
    } as Scoring),
  )
  expect([700, 701, 702, 704].map((value) => rows.score(0, value, 0))).toEqual([0, 5_000, 6_000, 8_000])
  expect(rows.valueFor(0, 9_000, 0)).toBeNull()
  const byBand = compileScoring(
    eventOf(SHUTTLE, { kind: 'cutByBand', unit: 'levelShuttle', rows: [{ ageFrom: 0, atLeast: 801 }] }),
  )
  expect(byBand.score(0, 710, 0)).toBe(-1)
  const classes = [
    { id: 'low', name: 'Low' },
    { id: 'high', name: 'High' },
  ]
  const normed = compileScoring(
    eventOf(SHUTTLE, { kind: 'normClasses', unit: 'levelShuttle', classes, bands: [{ ageFrom: 0, from: [801] }] }),
  )
  expect([normed.score(0, 710, 0), normed.score(0, 801, 0), normed.valueFor(0, 1, 0)]).toEqual([0, 1, 801])
})

// 75 lb is 34.019 kg and half of 150 lb (68.039 kg), though half of 68.039 kg is 34.0195 kg
test('pounds are compared as pounds: shares, constants and margins', () => {
  const inPounds = (scoring: Scoring) =>
    compileScoring(eventOf(LIFT, scoring, { publishedIn: 'lb', rounding: { mode: 'truncate', step: 454 } }))
  const half = (of: 'lesser' | 'greater', constant?: number) =>
    inPounds({
      kind: 'relativeCut',
      unit: 'g',
      of,
      shareRounding: { mode: 'nearest', step: 454 },
      rows: [{ ageFrom: 0, shareOfBodyMassPermille: 500, ...(constant === undefined ? {} : { constant }) }],
    })
  const alone = half('lesser')
  expect(alone.share(0, 68_039)).toBe(34_019)
  expect(alone.score(0, 34_019, 68_039)).toBe(0)
  expect(alone.valueFor(0, 0, 68_039)).toBe(34_019)
  // the lesser of 70 lb and the half
  const lesser = half('lesser', 31_751)
  expect([lesser.valueFor(0, 0, 68_039), lesser.valueFor(0, 0, 45_359)]).toEqual([31_751, 22_680])
  expect(half('greater', 31_751).valueFor(0, 0, 45_359)).toBe(31_751)
  const cut = inPounds({ kind: 'singleCut', unit: 'g', atLeast: 45_359 })
  expect([cut.score(0, 45_359, 0), cut.score(0, 44_906, 0) < 0, cut.valueFor(0, 0, 0)]).toEqual([0, true, 45_359])
})
