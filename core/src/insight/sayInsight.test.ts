import { expect, test } from 'vitest'
import { sayInsight, type InsightFacts } from './sayInsight.ts'

const NOTHING: InsightFacts = {
  standardName: 'Entry',
  outcomes: [],
  near: 0,
  combinations: [],
  groups: [],
  eventGroups: [],
  venues: [],
  graders: [],
  eventNamed: (id) => ({ run: 'Run', hold: 'Trunk hold' })[id] ?? id,
  unitOfEvent: () => 'ms',
  unitNamed: (id) => ({ north: 'North', small: 'Harbour desk' })[id] ?? id,
}
const said = (facts: Partial<InsightFacts>): string[] =>
  sayInsight({ ...NOTHING, ...facts }).map(({ text, advice }) => (advice === undefined ? text : `${text} ${advice}`))

test('of nothing nothing is said', () => {
  expect(said({})).toEqual([])
})

test('who met it, with what chance allows, and whoever is in no rate', () => {
  const outcomes = [
    { outcome: 'met', results: 8 },
    { outcome: 'short', results: 2 },
    { outcome: 'withdrawn', results: 1 },
  ]
  expect(said({ outcomes })).toEqual([
    '8 of 10 met Entry: 80 %, between 49 % and 94 % with what chance allows. Besides, and in no rate: 1 withdrawn.',
  ])
})

test('the event that decides most is the one most fell short in alone', () => {
  const combinations = [
    { eventIds: ['run', 'hold'], results: 9 },
    { eventIds: ['run'], results: 5 },
    { eventIds: ['hold'], results: 2 },
  ]
  expect(said({ combinations })).toEqual([
    'Run decides most: of 16 who fell short 5 did in it alone; next Trunk hold, alone in 2.',
  ])
})

const version = (key: string, met: number, of: number, eventId = 'hold') => ({ eventId, by: 'version', key, met, of })
test.each([
  [
    'harder',
    [version('2', 99, 100), version('3', 80, 100)],
    ['Trunk hold has become harder: 80 % met it under version 3, 99 % under version 2.'],
  ],
  [
    'easier',
    [version('3', 99, 100), version('2', 80, 100)],
    ['Trunk hold has become easier: 99 % met it under version 3, 80 % under version 2.'],
  ],
  ['by chance perhaps', [version('2', 90, 100), version('3', 84, 100)], []],
  ['too few to say', [version('2', 19, 19), version('3', 1, 19)], []],
  ['one version', [version('3', 80, 100)], []],
])('an event that became %s', (_, eventGroups, expected) => {
  expect(said({ eventGroups })).toEqual(expected)
})

test('a venue whose ground seems short is to be measured again', () => {
  const venue = { eventId: 'run', venue: 'Square', people: 140, ratio: 0.989, interval: { low: 0.98, high: 0.995 } }
  expect(said({ venues: [{ ...venue, reading: 'differs' }] })).toEqual([
    "Run at Square comes out 1.1 % quicker than the same 140 people's elsewhere; measure the ground there again.",
  ])
  expect(said({ venues: [{ ...venue, reading: 'alike' }] })).toEqual([])
  const other = { ...venue, venue: 'Track', ratio: 1.011, reading: 'differs' as const }
  expect(said({ venues: [other, { ...venue, reading: 'differs' }] })).toEqual([
    'Run comes out 1.1 % quicker at Square than at Track, of the same 140 people; measure both grounds again.',
  ])
})

test('a strict grader is told without a name', () => {
  const grader = { id: 'g', candidates: 90, share: 0.18, ratio: 3.04, interval: { low: 2.5, high: 3.6 }, chance: 0 }
  expect(said({ graders: [{ ...grader, reading: 'stricter' }] })).toEqual([
    'One grader refuses 3.0 times as many repetitions as the others, and chance would rarely do that; let two grade side by side.',
  ])
})

test('a unit that improved is told by the halves of the years; a small one is too small', () => {
  const year = (unit: string, of: string, met: number, all: number) => ({
    by: 'unitYear',
    key: `${unit} ${of}`,
    met,
    of: all,
  })
  const groups = [
    ...['2022', '2023'].map((of) => year('north', of, 8, 20)),
    ...['2024', '2025'].map((of) => year('north', of, 16, 20)),
    ...['2022', '2023', '2024', '2025'].map((of) => year('small', of, 2, 2)),
    { by: 'unit', key: 'small', met: 8, of: 8 },
  ]
  expect(said({ groups })).toEqual([
    'North improved: 80 % met it from 2024 on, 40 % before.',
    'Harbour desk has 8 results: too few to say.',
  ])
})

test('who came nearer to a cut than can be told', () => {
  expect(said({ near: 3, outcomes: [{ outcome: 'open', results: 40 }] })).toContain(
    '3 of 40 came so near a cut that the method cannot tell the sides apart.',
  )
})
