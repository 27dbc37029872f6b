/**
 * One measure, one mark, and every step that led there, to the letter: each school with what it tells, what is exempt, what ended, what is
 * too near to tell. Whoever judges many people at once comes to the same.
 */
import { expect, test } from 'vitest'
import { standardWith } from '../../testing/index.ts'
import type { Measure } from '../kinds/measure.ts'
import type { Scoring } from '../standard/scoring.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { judgeEvent, judgePlainly } from './judgeEvent.ts'
import { isMarkOver, type Candidate } from './mark.ts'

const TODAY = '2026-11-24'
const WOMAN: Candidate = { entryId: 'e', category: 'female', ageYears: 34, ageCountedOn: TODAY }

type Of = ReturnType<typeof standardWith>

const measured = (value: number, unit: 'count' | 'ms' | 'g' | 'mm' = 'count', change: object = {}): Measure => ({
  kind: 'complete',
  value,
  unit,
  reading: { kind: 'readings', taken: [], steps: [] },
  clockUncertaintyMs: 0,
  notes: [],
  ...change,
})
const markOf = ({ standard, event }: Of, measure: Measure, who: Candidate = WOMAN) =>
  judgeEvent({ standard, testDate: TODAY }, event, who, measure)
const plainOf = ({ standard, event }: Of, measure: Measure, who: Candidate = WOMAN) =>
  judgePlainly({ standard, testDate: TODAY }, event, who, measure)
/** Steps after the reading itself. */
const stepsOf = (of: Of, measure: Measure, who?: Candidate) => markOf(of, measure, who).trace.slice(1)

const OF = { standardName: 'Made for tests', version: 1, inForceFrom: '2026-01-01' }
const AT_LEAST_30: Scoring = { kind: 'singleCut', unit: 'count', atLeast: 30 }

test('a single cut: its standard and version, and by how much', () => {
  const reps = standardWith('repetitionsInTime', AT_LEAST_30)
  const cut = { value: 30, unit: 'count', sense: 'atLeast', band: null }
  expect(stepsOf(reps, measured(32))).toEqual([
    { code: 'cut', cut, ...OF },
    { code: 'met', margin: 2, unit: 'count' },
  ])
  expect(stepsOf(reps, measured(29))).toEqual([
    { code: 'cut', cut, ...OF },
    { code: 'short', margin: -1, unit: 'count', sense: 'atLeast' },
  ])
  expect(plainOf(reps, measured(29))).toEqual({
    eventId: 'event',
    alternateId: undefined,
    kind: 'short',
    margin: -1,
    rounded: 29,
  })
})

test('a row for an age tells the age, the date it is counted on and for whom the row is', () => {
  const rows = [
    { ageFrom: 18, ageTo: 29, atLeast: 30 },
    { ageFrom: 30, category: 'female', role: 'diver', atLeast: 25 },
  ]
  const banded = standardWith(
    'repetitionsInTime',
    { kind: 'cutByBand', unit: 'count', rows },
    {
      roles: [{ id: 'diver', name: 'Police Diver' }],
    },
  )
  const band = { row: 1, ageFrom: 30, ageTo: null, category: 'female', role: 'diver' }
  const cut = { value: 25, unit: 'count', sense: 'atLeast', band }
  expect(stepsOf(banded, measured(25), { ...WOMAN, role: 'diver' })).toEqual([
    { code: 'age', ageYears: 34, countedOn: TODAY, onTestDate: true },
    { code: 'band', band, forWhom: 'female, police diver' },
    { code: 'cut', cut, ...OF },
    { code: 'met', margin: 0, unit: 'count' },
  ])
  const endOfYear = { ...WOMAN, ageYears: 20, ageCountedOn: '2026-12-31' }
  expect(stepsOf(banded, measured(30), endOfYear).slice(0, 2)).toEqual([
    { code: 'age', ageYears: 20, countedOn: '2026-12-31', onTestDate: false },
    {
      code: 'band',
      band: { row: 0, ageFrom: 18, ageTo: 29, category: null, role: null },
      forWhom: 'everybody',
    },
  ])
  // nobody's row: the age is told, and that it is open
  expect(stepsOf(banded, measured(30))).toEqual([
    { code: 'age', ageYears: 34, countedOn: TODAY, onTestDate: true },
    { code: 'open', reason: 'noBand' },
  ])
  expect(plainOf(banded, measured(30))).toMatchObject({ kind: 'open', reason: 'noBand', margin: null, rounded: 30 })
})

test.each([
  // a row for everybody, a row for one category, a row up to an age, a row from an age
  [{ ageFrom: 0 }, []],
  [{ ageFrom: 0, category: 'female' }, ['band']],
  [{ ageFrom: 0, ageTo: 40 }, ['age', 'band']],
  [{ ageFrom: 18 }, ['age', 'band']],
])('a row of %j takes the steps %j', (row, expected) => {
  const banded = standardWith('repetitionsInTime', { kind: 'cutByBand', unit: 'count', rows: [{ ...row, atLeast: 5 }] })
  const codes = stepsOf(banded, measured(5)).map(({ code }) => code)
  expect(codes).toEqual([...expected, 'cut', 'met'])
})

// 45 % of 70 kg is 31.5 kg, less than 34 kg
test('a share of body mass tells the mass, the share and what it is held against', () => {
  const scoring: Scoring = {
    kind: 'relativeCut',
    unit: 'g',
    of: 'lesser',
    shareRounding: { mode: 'truncate', step: 500 },
    rows: [{ ageFrom: 0, constant: 34_000, shareOfBodyMassPermille: 450 }],
  }
  const lift = standardWith('heaviestLift', scoring, { event: { rounding: { mode: 'truncate', step: 500 } } })
  const heavy = { ...WOMAN, bodyMassG: 70_000 }
  const [, ...steps] = stepsOf(lift, measured(31_500, 'g'), heavy)
  expect(steps).toEqual([
    { code: 'relative', bodyMassG: 70_000, permille: 450, shareG: 31_500, constant: 34_000, of: 'lesser' },
    {
      code: 'cut',
      cut: {
        value: 31_500,
        unit: 'g',
        sense: 'atLeast',
        band: { row: 0, ageFrom: 0, ageTo: null, category: null, role: null },
      },
      ...OF,
    },
    { code: 'met', margin: 0, unit: 'g' },
  ])
  expect(markOf(lift, measured(31_500, 'g'))).toMatchObject({ kind: 'open', reason: 'noBodyMass' })
  const alone = standardWith('heaviestLift', { ...scoring, rows: [{ ageFrom: 0, shareOfBodyMassPermille: 450 }] })
  expect(markOf(alone, measured(31_500, 'g'), heavy).trace).toContainEqual(
    expect.objectContaining({ code: 'relative', constant: null }),
  )
})

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

test('points without a minimum: what was earned, of how much, and what earns more', () => {
  const points = standardWith('repetitionsInTime', POINTS)
  const mark = markOf(points, measured(25))
  expect(mark).toMatchObject({
    kind: 'scored',
    cut: null,
    points: { centipoints: 4_000, fullCentipoints: 6_000, minimumCentipoints: null },
    next: { value: 30, unit: 'count', gives: { kind: 'points', centipoints: 6_000 } },
  })
  const earned = { code: 'points', fullCentipoints: 6_000, minimumCentipoints: null, how: 'lowerRow', pointsName: null }
  expect(mark.trace.slice(1)).toEqual([
    { ...earned, centipoints: 4_000 },
    {
      code: 'next',
      sense: 'atLeast',
      next: { value: 30, unit: 'count', gives: { kind: 'points', centipoints: 6_000 } },
    },
  ])
  // whoever has them all is told of nothing more
  expect(stepsOf(points, measured(30))).toEqual([{ ...earned, centipoints: 6_000 }])
  expect(markOf(points, measured(30))).not.toHaveProperty('next')
  expect(plainOf(points, measured(25))).toEqual({
    eventId: 'event',
    alternateId: undefined,
    kind: 'scored',
    margin: null,
    rounded: 25,
    points: { centipoints: 4_000, minimumCentipoints: null },
  })
})

test('points with a minimum are met or short by the value that earns it; points may have another name', () => {
  const named = standardWith('repetitionsInTime', { ...POINTS, pointsName: 'ml/kg/min' } as Scoring, {
    event: { minimumCentipoints: 6_000 },
  })
  const cut = { value: 30, full: 30, unit: 'count', sense: 'atLeast' }
  expect(markOf(named, measured(25))).toMatchObject({ kind: 'short', margin: -5, cut })
  expect(stepsOf(named, measured(25)).slice(0, 3)).toMatchObject([
    { code: 'points', centipoints: 4_000, minimumCentipoints: 6_000, pointsName: 'ml/kg/min' },
    { code: 'cut', cut },
    { code: 'short', margin: -5 },
  ])
  const byRule = standardWith('repetitionsInTime', {
    kind: 'pointsByRule',
    unit: 'count',
    fullCentipoints: 10_000,
    offCentipoints: 100,
    perUnit: 1,
    units: 'started',
    bands: [{ ageFrom: 0, anchor: 40 }],
  })
  expect(stepsOf(byRule, measured(39))).toMatchObject([
    { code: 'points', centipoints: 9_900, fullCentipoints: 10_000, how: 'rule', pointsName: null },
    { code: 'next', next: { value: 40, gives: { kind: 'points', centipoints: 10_000 } } },
  ])
})

test('a norm class: its name, its place among them, and where the next begins', () => {
  const classes = [
    { id: 'low', name: 'Low' },
    { id: 'middle', name: 'Middle' },
    { id: 'high', name: 'High' },
  ]
  const normed = standardWith('repetitionsInTime', {
    kind: 'normClasses',
    unit: 'count',
    classes,
    bands: [{ ageFrom: 0, from: [20, 30] }],
  })
  const next = { value: 30, unit: 'count', gives: { kind: 'class', name: 'High' } }
  expect(markOf(normed, measured(29))).toMatchObject({ kind: 'scored', className: 'Middle', next })
  expect(stepsOf(normed, measured(29))).toEqual([
    { code: 'class', name: 'Middle', place: 1, of: 3 },
    { code: 'next', next, sense: 'atLeast' },
  ])
  expect(markOf(normed, measured(5))).toMatchObject({ className: 'Low', next: { value: 20 } })
  expect(stepsOf(normed, measured(30))).toEqual([{ code: 'class', name: 'High', place: 2, of: 3 }])
  expect(plainOf(normed, measured(29))).toEqual({
    eventId: 'event',
    alternateId: undefined,
    kind: 'scored',
    margin: null,
    rounded: 29,
    className: 'Middle',
  })
})

test('completion with a limit and without one, effort, and the unit that is done or not', () => {
  const free = standardWith('stationCourse', { kind: 'completion', unit: 'ms' })
  const [, ...freely] = stepsOf(free, measured(300_000, 'ms'))
  expect(freely).toEqual([{ code: 'completed', limit: null, unit: 'ms' }])
  const limited = standardWith('stationCourse', { kind: 'completion', unit: 'ms', atMost: 300_000 })
  const [, ...late] = stepsOf(limited, measured(301_000, 'ms'))
  expect(late).toMatchObject([
    { code: 'completed', limit: 300_000, unit: 'ms' },
    { code: 'cut', cut: { value: 300_000, sense: 'atMost' } },
    { code: 'short', margin: -1_000, unit: 'ms', sense: 'atMost' },
  ])
  const effort = standardWith('repetitionsInTime', { kind: 'effort' })
  expect(stepsOf(effort, measured(5))).toEqual([{ code: 'tookPart' }])
  expect(plainOf(effort, measured(5))).toMatchObject({ kind: 'scored', margin: null })
  const task = standardWith('untimedTask', { kind: 'completion', unit: 'done' } as Scoring)
  expect(markOf(task, { ...measured(1), unit: 'done' } as Measure)).toMatchObject({
    kind: 'met',
    cut: { value: 1, unit: 'done', sense: 'atLeast', band: null },
  })
})

test.each([
  // whole by nature, and not; a fraction is told exactly
  [measured(30), 'repetitionsInTime' as const, { mode: 'truncate', step: 1 } as const, []],
  [measured(30), 'repetitionsInTime' as const, { mode: 'truncate', step: 2 } as const, [{ from: 30, to: 30, step: 2 }]],
  [measured(9_999, 'ms'), 'timedDistance' as const, { mode: 'up', step: 1 } as const, [{ from: 9_999, to: 9_999 }]],
  [
    measured(9_999, 'ms'),
    'timedDistance' as const,
    { mode: 'up', step: 1_000 } as const,
    [{ from: 9_999, to: 10_000 }],
  ],
  [
    measured(5, 'count', { exact: { numerator: 16, denominator: 3 } }),
    'repetitionsInTime' as const,
    { mode: 'truncate', step: 1 } as const,
    [{ from: 5, to: 5, exact: { numerator: 16, denominator: 3 } }],
  ],
])('rounding is a step where it can change something', (measure, kind, rounding, expected) => {
  const of = standardWith(kind, { kind: 'effort' }, { event: { rounding } })
  const rounded = markOf(of, measure).trace.filter(({ code }) => code === 'rounded')
  expect(rounded).toHaveLength(expected.length)
  expect(rounded).toMatchObject(expected)
  if (expected.length > 0 && !('exact' in (expected[0] ?? {}))) expect(rounded[0]).not.toHaveProperty('exact')
})

test('what ended, what waits and what runs is told as such, by both judges', () => {
  const reps = standardWith('repetitionsInTime', AT_LEAST_30)
  const note = { code: 'countedAfterEnd', count: 1 } as const
  const waiting: Measure = { kind: 'notStarted', notes: [] } as never
  expect(markOf(reps, waiting)).toMatchObject({ kind: 'waiting', trace: [{ code: 'waiting' }] })
  expect(plainOf(reps, waiting)).toEqual({
    eventId: 'event',
    alternateId: undefined,
    margin: null,
    rounded: null,
    kind: 'waiting',
  })
  const running: Measure = { kind: 'running', soFar: 12, unit: 'count', notes: [note] } as never
  expect(markOf(reps, running)).toMatchObject({
    kind: 'running',
    soFar: 12,
    unit: 'count',
    trace: [
      { code: 'note', note },
      { code: 'running', soFar: 12, of: null, what: 'repetitions' },
    ],
  })
  expect(plainOf(reps, running)).toMatchObject({ kind: 'running', margin: null, rounded: null })
  const ended = (reason: string, words?: string): Measure =>
    ({ kind: 'ended', reason, ...(words ? { note: words } : {}), soFar: 12, unit: 'count', notes: [] }) as never
  expect(markOf(reps, ended('withdrawn', 'cramp'))).toMatchObject({
    kind: 'ended',
    reason: 'withdrawn',
    soFar: 12,
    trace: [{ code: 'ended', reason: 'withdrawn', note: 'cramp' }],
  })
  expect(markOf(reps, ended('withdrawn')).trace).toEqual([{ code: 'ended', reason: 'withdrawn' }])
  expect(plainOf(reps, ended('withdrawn'))).toMatchObject({ kind: 'ended', reason: 'withdrawn' })
  // whoever was stopped for safety is judged by nobody but the officer
  expect(markOf(reps, ended('safety'))).toMatchObject({
    kind: 'open',
    reason: 'stoppedForSafety',
    measured: null,
    rounded: null,
    trace: [
      { code: 'ended', reason: 'safety' },
      { code: 'open', reason: 'stoppedForSafety' },
    ],
  })
  expect(plainOf(reps, ended('safety'))).toMatchObject({ kind: 'open', reason: 'stoppedForSafety' })
  const kinds = ['waiting', 'running', 'met', 'short', 'open', 'ended', 'exempt'] as const
  expect(kinds.filter((kind) => isMarkOver({ kind }))).toEqual(['met', 'short', 'open', 'ended', 'exempt'])
})

test('what has no count of its own to run through is under way', () => {
  const held = standardWith('heldPosition', { kind: 'effort' })
  const running: Measure = { kind: 'running', soFar: 12, unit: 'ms', notes: [] } as never
  expect(markOf(held, running).trace).toEqual([{ code: 'underWay' }])
})

test('an exemption counts where it is named and is for the event: left out, or with its points', () => {
  const removed = { id: 'injury', name: 'Injured on duty', eventIds: ['event'], effect: 'removed' } as const
  const fixed = { ...removed, id: 'fixed', effect: 'fixed', fixedCentipoints: 6_000, total: 'proportional' } as const
  const nothing = { ...removed, id: 'nothing', effect: 'fixed' } as const
  const elsewhere = { ...removed, id: 'elsewhere', eventIds: ['other'] } as const
  const of = standardWith('repetitionsInTime', AT_LEAST_30, {
    exemptions: [removed, fixed, nothing, elsewhere] as never,
  })
  const exempt = (id: string) => ({ ...WOMAN, exemptions: { event: id } })
  expect(markOf(of, measured(5), exempt('injury'))).toMatchObject({
    kind: 'exempt',
    exemptionId: 'injury',
    fixedCentipoints: null,
    total: 'unchanged',
    trace: [{ code: 'exempt', name: 'Injured on duty', fixedCentipoints: null }],
  })
  expect(plainOf(of, measured(5), exempt('injury'))).toEqual({
    eventId: 'event',
    alternateId: undefined,
    margin: null,
    rounded: null,
    kind: 'exempt',
    fixedCentipoints: null,
    total: 'unchanged',
  })
  for (const judged of [markOf, plainOf]) {
    expect(judged(of, measured(5), exempt('fixed'))).toMatchObject({ fixedCentipoints: 6_000, total: 'proportional' })
    expect(judged(of, measured(5), exempt('nothing'))).toMatchObject({ kind: 'exempt', fixedCentipoints: 0 })
    expect(judged(of, measured(5), exempt('elsewhere')).kind).toBe('short')
    expect(judged(of, measured(5), exempt('unheard-of')).kind).toBe('short')
    expect(judged(of, measured(5)).kind).toBe('short')
    expect(judged(of, measured(5), { ...WOMAN, exemptions: { other: 'injury' } }).kind).toBe('short')
  }
  const { exemptions: _, ...none } = of.standard
  expect(markOf({ ...of, standard: none as Standard }, measured(5), exempt('injury')).kind).toBe('short')
})

// read by hand to 200 ms: 10:00.1 may have been 9:59.9
test('too near the cut to tell: flagged or left to the officer, harmless further off, and never by a gate', () => {
  const RUN: Scoring = { kind: 'singleCut', unit: 'ms', atMost: 600_000 }
  const by = (nearTheCut: 'flag' | 'decide', event: Partial<StandardEvent> = {}) =>
    standardWith('timedDistance', RUN, { uncertainty: { handTimingMs: 200, nearTheCut }, event })
  const near = { code: 'nearTheCut', uncertainty: 200, unit: 'ms' }
  expect(markOf(by('flag'), measured(600_100, 'ms'))).toMatchObject({ kind: 'short', nearTheCut: true })
  expect(markOf(by('flag'), measured(600_100, 'ms')).trace.at(-1)).toEqual({ ...near, policy: 'flag' })
  expect(plainOf(by('flag'), measured(600_100, 'ms'))).toMatchObject({ kind: 'short', margin: -100 })
  const decide = markOf(by('decide'), measured(600_100, 'ms'))
  expect(decide).toMatchObject({ kind: 'open', reason: 'nearTheCut', rounded: 600_100 })
  expect(decide.trace.slice(-2)).toEqual([
    { ...near, policy: 'decide' },
    { code: 'open', reason: 'nearTheCut' },
  ])
  expect(plainOf(by('decide'), measured(600_100, 'ms'))).toMatchObject({ kind: 'open', reason: 'nearTheCut' })
  const far = markOf(by('decide'), measured(600_201, 'ms'))
  expect(far).toMatchObject({ kind: 'short', nearTheCut: false })
  expect(far.trace.at(-1)).toEqual({ code: 'uncertaintyHarmless', uncertainty: 200, unit: 'ms' })
  expect(plainOf(by('decide'), measured(600_201, 'ms')).kind).toBe('short')
  // the ends themselves: 600,000 − 200 and + 200
  const open = [599_799, 599_800, 599_801, 600_000, 600_200, 600_201].map(
    (value) => markOf(by('decide'), measured(value, 'ms')).kind,
  )
  expect(open).toEqual(['met', 'met', 'open', 'open', 'open', 'short'])
  // the clocks of two devices, where they differ by more than a hand
  expect(markOf(by('decide'), measured(600_300, 'ms', { clockUncertaintyMs: 300 }))).toMatchObject({ kind: 'open' })
  // an event's own figure comes before the policy's
  expect(markOf(by('decide', { uncertainty: 50 }), measured(600_100, 'ms'))).toMatchObject({ kind: 'short' })
})

test('methods of other units are off by what the policy says of them, or by nothing', () => {
  const policy = { handTimingMs: 200, lengthMm: 10, massG: 500, pulseBpm: 2, nearTheCut: 'decide' } as const
  const jump = standardWith('distanceInTime', { kind: 'singleCut', unit: 'mm', atLeast: 400 }, { uncertainty: policy })
  expect([390, 389].map((value) => markOf(jump, measured(value, 'mm')).kind)).toEqual(['open', 'short'])
  const counted = standardWith('repetitionsInTime', AT_LEAST_30, { uncertainty: policy })
  expect(markOf(counted, measured(29)).kind).toBe('short')
  // clocks are nothing to a length
  const still = standardWith('distanceInTime', { kind: 'singleCut', unit: 'mm', atLeast: 400 })
  expect(markOf(still, measured(399, 'mm', { clockUncertaintyMs: 300 })).kind).toBe('short')
  const lift = standardWith('heaviestLift', { kind: 'singleCut', unit: 'g', atLeast: 60_000 }, { uncertainty: policy })
  expect(markOf(lift, measured(59_900, 'g')).kind).toBe('short')
})

test('points too near to their minimum are open, and carry their points', () => {
  const rows = [
    { value: 600_000, centipoints: 6_000 },
    { value: 540_000, centipoints: 9_000 },
  ]
  const run = standardWith(
    'timedDistance',
    { kind: 'pointsTable', unit: 'ms', between: 'lowerRow', bands: [{ ageFrom: 0, rows }] },
    { uncertainty: { handTimingMs: 200, nearTheCut: 'decide' }, event: { minimumCentipoints: 6_000 } },
  )
  expect(plainOf(run, measured(600_000, 'ms'))).toEqual({
    eventId: 'event',
    alternateId: undefined,
    kind: 'open',
    reason: 'nearTheCut',
    margin: 0,
    rounded: 600_000,
    points: { centipoints: 6_000, minimumCentipoints: 6_000 },
  })
  expect(markOf(run, measured(600_000, 'ms'))).toMatchObject({ kind: 'open', points: { centipoints: 6_000 } })
})

test('a mark of an earlier day stands as it was, and says so once', () => {
  const of = standardWith('repetitionsInTime', AT_LEAST_30)
  const earlier = { ...markOf(of, measured(32)), doubts: [], span: { fromMs: 0, toMs: 1 } }
  const again = (mark: object) =>
    markOf(of, measured(1), { ...WOMAN, carried: { event: { testDate: '2026-10-01', mark } } } as never)
  const carried = again(earlier)
  expect(carried).toMatchObject({ kind: 'met', rounded: 32 })
  expect(carried).not.toHaveProperty('span')
  expect(carried).not.toHaveProperty('doubts')
  expect(carried.trace[0]).toEqual({ code: 'carried', testDate: '2026-10-01' })
  expect(carried.trace.slice(1)).toEqual(earlier.trace)
  expect(again(carried).trace).toEqual(carried.trace)
  expect(again({ ...earlier, trace: [] }).trace).toEqual([{ code: 'carried', testDate: '2026-10-01' }])
})
