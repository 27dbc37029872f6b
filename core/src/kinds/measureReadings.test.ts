import { expect, test } from 'vitest'
import { combineWatches } from '../clock/combineWatches.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import { protocolTemplate } from './protocolTemplates.ts'
import { scheduleOf } from './progressiveShuttle/shuttleSchedule.ts'
import { measureReadings } from './measureReadings.ts'
import type { Readings } from './slot.ts'
import { slotsOf } from './slots.ts'

const protocol = (kind: EventKind, change: object = {}): Protocol => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  return parsed.value
}
const value = (one: Protocol, readings: Readings) => {
  const measure = measureReadings(one, readings)
  return measure.kind === 'complete' ? measure.value : measure.kind === 'ended' ? measure.reason : measure.kind
}

test('three watches: the middle one, two: the slower, unless the standard says otherwise', () => {
  const elapsed = (
    times: number[],
    ofTwo: 'slower' | 'mean' = 'slower',
    ofThree: 'middle' | 'slower' | 'mean' = 'middle',
  ) => combineWatches(times, { ofTwo, ofThree }).elapsedMs
  expect(elapsed([29_100])).toBe(29_100)
  expect(elapsed([29_100, 29_300])).toBe(29_300)
  expect(elapsed([29_100, 29_300], 'mean')).toBe(29_200)
  expect(elapsed([29_400, 29_100, 29_200])).toBe(29_200)
  // two that agree are the middle, whichever way the third is off
  expect(elapsed([29_200, 29_900, 29_200])).toBe(29_200)
  expect(elapsed([29_400, 29_100, 29_200], 'slower', 'slower')).toBe(29_400)
  expect(elapsed([29_400, 29_100, 29_200], 'slower', 'mean')).toEqual({ numerator: 87_700, denominator: 3 })
  expect(combineWatches([29_100, 29_300], undefined)).toEqual({ elapsedMs: 29_300, by: 'slower' })
  expect(() => combineWatches([], undefined)).toThrow(/No watch/)
})

const JUMP = { unit: 'mm', attemptsAllowed: 3, resolution: 10 }
test.each([
  ['best', 2_600 - 2_150],
  ['last', 2_540 - 2_150],
  ['mean', 2_570 - 2_150],
  ['sum', 2_570 + 2_600 + 2_540 - 3 * 2_150],
] as const)('a jump is its reach less the standing reach: %s of three', (select, expected) => {
  const jump = protocol('attempts', { ...JUMP, select, lessStandingReach: true })
  expect(value(jump, { standing: 2_150, 'try-1': 2_570, 'try-2': 2_600, 'try-3': 2_540 })).toBe(expected)
})

test('a ruler read before its foot line gives a value below zero', () => {
  expect(value(protocol('attempts', { ...JUMP, zero: 200 }), { 'try-1': 160 })).toBe(-40)
})

test.each([
  ['lesser', 41_000],
  ['greater', 45_000],
  ['mean', 43_000],
  ['sum', 86_000],
] as const)('of two hands the %s counts', (ofSides, expected) => {
  const grip = protocol('attempts', { unit: 'g', attemptsAllowed: 2, sides: 'each', ofSides, resolution: 500 })
  expect(value(grip, { 'left-1': 41_000, 'right-1': 44_000, 'right-2': 45_000 })).toBe(expected)
})

test('a best of several makes do with one try, a mean needs them all', () => {
  expect(value(protocol('attempts', JUMP), { 'try-1': 450 })).toBe(450)
  expect(value(protocol('attempts', { ...JUMP, select: 'mean' }), { 'try-1': 450, 'try-2': 460 })).toBe('running')
})

test('a hand correction is added to a time by hand only', () => {
  const dash = protocol('sprint', { timing: 'either', handCorrectionMs: 240 })
  expect(value(dash, { 'try-1': 14_000 })).toBe(14_240)
  expect(value(dash, { 'try-1': 14_000, electronic: 1 })).toBe(14_000)
  expect(value(protocol('sprint'), { 'try-1': 14_000 })).toBe(14_000)
})

test('several watches on each try are combined before the best is taken', () => {
  const dash = protocol('sprint', { attemptsAllowed: 2, watchRule: { watches: 3, ofTwo: 'slower', ofThree: 'middle' } })
  // first try: middle of 14.0, 14.4, 14.2; second: slower of 14.1 and 14.3
  const readings = {
    'try-1': 14_000,
    'try-1-watch-2': 14_400,
    'try-1-watch-3': 14_200,
    'try-2': 14_100,
    'try-2-watch-2': 14_300,
  }
  expect(value(dash, readings)).toBe(14_200)
})

test.each([
  [15_000, 30, 120],
  [30_000, 61, 122],
  [60_000, 118, 118],
] as const)('a pulse counted for %i ms: %i beats are %i a minute', (pulseWindowMs, pulse, expected) => {
  expect(value(protocol('stepTest', { pulseWindowMs }), { pulse })).toBe(expected)
})

test('whoever stops the step test early has no pulse to judge', () => {
  expect(value(protocol('stepTest'), { stopped: 100_000 })).toBe('didNotFinish')
})

// 20 m at 8.5 km/h: 8.47 s a shuttle, so 8 last longer than a minute; at 9.0 km/h 8.0 s each, so 8
test('a level has the smallest number of shuttles that lasts longer than a minute', () => {
  const [first, second, third] = scheduleOf({
    lineDistanceMm: 20_000,
    speeds: { firstMetresPerHour: 8_500, secondMetresPerHour: 9_000, stepMetresPerHour: 500 },
  })
  expect(first).toEqual({ level: 1, metresPerHour: 8_500, shuttles: 8, shuttleMs: 8_471 })
  expect(second).toEqual({ level: 2, metresPerHour: 9_000, shuttles: 8, shuttleMs: 8_000 })
  expect(third).toEqual({ level: 3, metresPerHour: 9_500, shuttles: 8, shuttleMs: 7_579 })
  // ten shuttles of six seconds last a minute exactly, which is not longer
  expect(scheduleOf({ lineDistanceMm: 20_000, levels: [{ metresPerHour: 12_000, shuttles: 10 }] })[0]?.shuttles).toBe(
    10,
  )
  const atTwelve = scheduleOf({
    lineDistanceMm: 20_000,
    speeds: { firstMetresPerHour: 12_000, secondMetresPerHour: 13_000, stepMetresPerHour: 500 },
  })
  expect(atTwelve[0]?.shuttles).toBe(11)
})

test('the last completed level is the one before, until its last shuttle is run', () => {
  const byLevel = protocol('progressiveShuttle', { counts: 'lastCompletedLevel' })
  expect([301, 307, 308].map((reached) => value(byLevel, { reached }))).toEqual([2, 2, 3])
  expect(value(byLevel, { reached: 105 })).toBe(0)
})

test('a load for one repetition comes from the published formula, inside its range', () => {
  const lift = (estimate: string) => protocol('heaviestLift', { estimate })
  expect(value(lift('brzycki'), { load: 100_000, repetitions: 10 })).toBe(133_333)
  expect(value(lift('brzycki'), { load: 100_000, repetitions: 11 })).toBe('didNotFinish')
  expect(value(lift('epley'), { load: 100_000, repetitions: 1 })).toBe(100_000)
  expect(value(protocol('heaviestLift'), { load: 85_000 })).toBe(85_000)
})

test('body measures are all recorded, whether one is judged or none', () => {
  expect(value(protocol('bodyMeasures'), { mass: 71_500 })).toBe('running')
  expect(value(protocol('bodyMeasures'), { mass: 71_500, height: 1_800 })).toBe(1)
})

test('slots have different ids, and nothing read is nothing begun', () => {
  for (const kind of Object.keys(PROTOCOLS) as EventKind[]) {
    const ids = slotsOf(protocol(kind)).map(({ id }) => id)
    expect(new Set(ids).size, kind).toBe(ids.length)
    expect(value(protocol(kind), {}), kind).toBe('notStarted')
    expect(value(protocol(kind), { 'no-such-slot': 3 }), kind).toBe('notStarted')
  }
})

test.each([
  // a mean is exact until the event rounds: 19.5 of 19 and 20, 16/3 of 4, 6 and 6
  [{ 'try-1': 19, 'try-2': 20 }, 2, { value: 20, exact: { numerator: 39, denominator: 2 } }],
  [{ 'try-1': 4, 'try-2': 6, 'try-3': 6 }, 3, { value: 5, exact: { numerator: 16, denominator: 3 } }],
  [{ 'try-1': 4, 'try-2': 6 }, 2, { value: 5 }],
] as const)('a mean of %j is exact', (readings, attemptsAllowed, expected) => {
  const measure = measureReadings(protocol('attempts', { unit: 'count', attemptsAllowed, select: 'mean' }), readings)
  const { value, exact } = measure as Extract<typeof measure, { kind: 'complete' }>
  expect({ value, ...(exact ? { exact } : {}) }).toEqual(expected)
})

test('both sides and all watches stay exact on the way: the mean of two means, the sum of two thirds', () => {
  const exactly = (one: Protocol, readings: Readings) => {
    const measure = measureReadings(one, readings)
    return measure.kind === 'complete' ? (measure.exact ?? measure.value) : measure.kind
  }
  const grip = (ofSides: string) =>
    protocol('attempts', { unit: 'g', attemptsAllowed: 3, select: 'mean', sides: 'each', ofSides, resolution: 500 })
  const left = { 'left-1': 40_000, 'left-2': 41_000, 'left-3': 41_000 }
  const right = { 'right-1': 42_000, 'right-2': 42_000, 'right-3': 43_000 }
  // left 122,000/3, right 127,000/3
  expect(exactly(grip('lesser'), { ...left, ...right })).toEqual({ numerator: 122_000, denominator: 3 })
  expect(exactly(grip('greater'), { ...left, ...right })).toEqual({ numerator: 127_000, denominator: 3 })
  expect(exactly(grip('mean'), { ...left, ...right })).toBe(41_500)
  expect(exactly(grip('sum'), { ...left, ...right })).toBe(83_000)
  const sprint = protocol('sprint', {
    attemptsAllowed: 2,
    select: 'mean',
    handCorrectionMs: 240,
    watchRule: { watches: 2, ofTwo: 'mean', ofThree: 'middle' },
  })
  // 14.0005 and 14.2 have a mean of 14.10025; the correction makes it 14.34025
  const times = { 'try-1': 14_000, 'try-1-watch-2': 14_001, 'try-2': 14_200 }
  expect(exactly(sprint, times)).toEqual({ numerator: 57_361, denominator: 4 })
})
