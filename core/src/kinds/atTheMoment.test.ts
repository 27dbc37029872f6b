/** Each limit of the kinds at its very moment, and one millisecond or millimetre before it and after: what is doubted, what counts. */
import { expect, test } from 'vitest'
import type { BrokenSeen } from '../../testing/brokenRules.ts'
import { annasCaptures, protocolWith } from '../../testing/rulePairs.ts'
import { START_MS } from '../../testing/stamped.ts'
import type { EventKind, Protocol } from './kinds.ts'
import { measureEntry } from './measureEntry.ts'
import { isHeldElsewhere, rulingFor } from './rulingFor.ts'
import type { Ruling } from '../referee/ruling.ts'
import type { StepTest } from './stepTest/protocol.ts'
import { followSteps } from './stepTest/referee.ts'
import type { WorkChain } from './workChain/protocol.ts'
import { followChain } from './workChain/referee.ts'

const ANNA = { entryId: 'anna', wave: 1, category: 'male' }
const START: BrokenSeen = [0, 'started']
const WAVE: BrokenSeen = [0, 'waveStarted', { wave: 1, entryIds: ['anna'] }]
const counted = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'counted'])
const crossed = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'crossed'])
const passed = (ms: number, part: string): BrokenSeen => [ms, 'passed', { part }]

/** @param offMs how far the clock of the last capture can be off */
const measured = (protocol: Protocol, seen: readonly BrokenSeen[], offMs = 0, atMs = (seen.at(-1)?.[0] ?? 0) + 1) => {
  const captures = annasCaptures(seen)
  const last = captures.at(-1)
  return measureEntry(
    { protocol },
    ANNA,
    captures.map((capture) =>
      capture === last && offMs > 0 ? { ...capture, uncertaintyMs: offMs, clockRun: 'another' } : capture,
    ),
    START_MS + atMs,
  )
}
const figuresOf = (protocol: Protocol, seen: readonly BrokenSeen[], offMs: number, atMs: number): string => {
  const {
    notes: _,
    doubts: _doubts,
    changesAtMs: _changes,
    span: _span,
    ...figures
  } = measured(protocol, seen, offMs, atMs)
  return JSON.stringify([figures, ruled(protocol, seen, 500_000).figures])
}
/** What is doubted of the last capture, or that it did not count. */
const doubted = (kind: EventKind, change: object, seen: readonly BrokenSeen[], offMs = 0): readonly string[] => {
  const protocol = protocolWith(kind, change)
  const codes = measured(protocol, seen, offMs).doubts?.map(({ code }) => code) ?? []
  const atMs = (seen.at(-1)?.[0] ?? 0) + 1
  const counts = figuresOf(protocol, seen, offMs, atMs) !== figuresOf(protocol, seen.slice(0, -1), 0, atMs)
  return codes.length > 0 || counts ? codes : ['not counted']
}
const ruled = (protocol: Protocol, seen: readonly BrokenSeen[], nowMs: number) => {
  const captures = annasCaptures(seen)
  const own = captures.filter(({ entryId }) => entryId !== null)
  return rulingFor(
    { protocol },
    ANNA,
    own,
    START_MS + nowMs,
    captures.find(({ kind }) => kind === 'waveStarted'),
  )
}

const MINUTE = { durationMs: 60_000 }
const TWO_LAPS = { distanceMm: 800_000, lapLengthMm: 400_000, limitMs: 240_000 }
const COURSE = {
  stations: [
    { id: 'one', name: 'One', task: 'Do it.' },
    { id: 'two', name: 'Two', task: 'Do it.' },
  ],
  limitMs: 120_000,
}
const CHAIN = {
  segments: [
    { id: 'out', name: 'Out', distanceMm: 100_000 },
    { id: 'squats', name: 'Squats', repetitions: 3, setsAllowed: false },
    { id: 'back', name: 'Back', distanceMm: 1_000 },
  ],
  limitMs: 120_000,
}
const OUT = [START, passed(20_000, 'out')]
const SQUATS = [...OUT, ...counted(22_000, 23_000, 24_000)]

test.each<[string, EventKind, object, readonly BrokenSeen[], number, readonly string[]]>([
  ['300 ms part two repetitions', 'repetitionsInTime', MINUTE, [START, ...counted(10_000, 10_300)], 0, []],
  ['less does not', 'repetitionsInTime', MINUTE, [START, ...counted(10_000, 10_299)], 0, ['soonerThanAnybody']],
  ['at the time it counts', 'repetitionsInTime', MINUTE, [START, ...counted(60_000)], 0, []],
  ['after it not', 'repetitionsInTime', MINUTE, [START, ...counted(60_001)], 0, ['countedAfterEnd']],
  ['but where clocks may differ so far', 'repetitionsInTime', MINUTE, [START, ...counted(60_100)], 100, ['atTheLine']],
  ['and no further', 'repetitionsInTime', MINUTE, [START, ...counted(60_101)], 100, ['countedAfterEnd']],
  ['a lap of 400 m takes 38 s', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(38_000)], 0, []],
  ['nobody runs it in less', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(37_999)], 0, ['soonerThanAnybody']],
  ['nor crosses as it starts', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(0)], 0, ['crossedBeforeStart']],
  ['at the limit it is finished', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(100_000, 240_000)], 0, []],
  ['after it not', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(100_000, 240_001)], 0, ['crossedAfterEnd']],
  ['unless clocks differ', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(100_000, 240_100)], 100, ['atTheLine']],
  ['so far', 'timedDistance', TWO_LAPS, [WAVE, ...crossed(100_000, 240_101)], 100, ['crossedAfterEnd']],
  ['100 m take 9.5 s', 'sprint', { distanceMm: 100_000, legs: 1 }, [START, ...crossed(9_500)], 0, []],
  ['no less', 'sprint', { distanceMm: 100_000, legs: 1 }, [START, ...crossed(9_499)], 0, ['soonerThanAnybody']],
  ['a breath parts two stations', 'stationCourse', COURSE, [START, passed(9_000, 'one'), passed(10_000, 'two')], 0, []],
  [
    'less is the same press',
    'stationCourse',
    COURSE,
    [START, passed(9_000, 'one'), passed(9_999, 'two')],
    0,
    ['not counted'],
  ],
  ['the first station needs none', 'stationCourse', COURSE, [START, passed(500, 'one')], 0, []],
  ['at the limit it is passed', 'stationCourse', COURSE, [START, passed(120_000, 'one')], 0, []],
  ['after it not', 'stationCourse', COURSE, [START, passed(120_001, 'one')], 0, ['not counted']],
  ['unless clocks differ', 'stationCourse', COURSE, [START, passed(120_100, 'one')], 100, ['atTheLine']],
  ['so far', 'stationCourse', COURSE, [START, passed(120_101, 'one')], 100, ['not counted']],
  ['300 ms part two in a chain', 'workChain', CHAIN, [...OUT, ...counted(22_000, 22_300)], 0, []],
  ['less does not', 'workChain', CHAIN, [...OUT, ...counted(22_000, 22_299)], 0, ['soonerThanAnybody']],
  ['4 s are one set', 'workChain', CHAIN, [...OUT, ...counted(22_000, 26_000)], 0, []],
  ['more are two', 'workChain', CHAIN, [...OUT, ...counted(22_000, 26_001)], 0, ['brokenIntoSets']],
  ['a breath parts two segments', 'workChain', CHAIN, [...SQUATS, passed(25_000, 'back')], 0, []],
  ['less is the same press', 'workChain', CHAIN, [...SQUATS, passed(24_999, 'back')], 0, ['not counted']],
  ['100 m of a chain take 9.5 s', 'workChain', CHAIN, [START, passed(9_500, 'out')], 0, []],
  ['no less', 'workChain', CHAIN, [START, passed(9_499, 'out')], 0, ['soonerThanAnybody']],
  ['at the limit it is run out', 'workChain', CHAIN, [START, passed(120_000, 'out')], 0, []],
  ['after it not', 'workChain', CHAIN, [START, passed(120_001, 'out')], 0, ['not counted']],
  ['unless clocks differ', 'workChain', CHAIN, [START, passed(120_100, 'out')], 100, ['atTheLine']],
  ['so far', 'workChain', CHAIN, [START, passed(120_101, 'out')], 100, ['not counted']],
  ['a repetition likewise', 'workChain', CHAIN, [...OUT, ...counted(120_100)], 100, ['atTheLine']],
  ['at the limit itself it counts', 'workChain', CHAIN, [...OUT, ...counted(120_000)], 0, []],
])('%s: %s', (_, kind, change, seen, offMs, expected) => {
  expect(doubted(kind, change, seen, offMs)).toEqual(expected)
})

test('where the time and the longest pause end at once, it ended by the time', () => {
  const endOf = (longestPauseMs: number) =>
    ruled(
      protocolWith('repetitionsInTime', { ...MINUTE, longestPauseMs }),
      [START, ...counted(15_000, 30_000, 40_000)],
      70_000,
    ).end
  expect(endOf(20_000)).toEqual({ by: 'time', atMs: START_MS + 60_000 })
  expect(endOf(19_999)).toEqual({ by: 'pause', atMs: START_MS + 59_999 })
})

test('where the last station and the limit end at once, the station is passed', () => {
  const beat = (durationMs: number) => ({
    ...COURSE,
    stations: [{ id: 'stairs', name: 'Stairs', task: 'Up.', rate: { stepsPerMinute: 54, durationMs } }],
  })
  const came = (durationMs: number) =>
    measureEntry(
      { protocol: protocolWith('stationCourse', beat(durationMs)) },
      ANNA,
      annasCaptures([START]),
      START_MS + 500_000,
    )
  expect(came(120_000)).toMatchObject({ kind: 'complete', value: 120_000 })
  expect(came(120_001)).toMatchObject({ kind: 'ended', reason: 'didNotFinish' })
})

test('sets of a chain begin anew beyond their gap', () => {
  const sets = (between: number) =>
    followChain(
      protocolWith('workChain', CHAIN) as WorkChain,
      annasCaptures([...OUT, ...counted(22_000, 22_000 + between)]),
    ).parts[1]?.sets
  expect([sets(4_000), sets(4_001)]).toEqual([[2], [1, 1]])
})

test('a hold is stopped at its cap or before it, and each watch is kept by its number', () => {
  const cap = protocolWith('heldPosition', { capMs: 60_000 })
  const held = (afterMs: number) => measured(cap, [START, [afterMs, 'stopped', { reason: 'ended' }]])
  expect([held(59_999), held(60_000), held(60_001)]).toMatchObject([
    { kind: 'complete', value: 59_999 },
    { kind: 'complete', value: 60_000 },
    { kind: 'complete', value: 60_000 },
  ])
  const watched = protocolWith('heldPosition', { watchRule: { watches: 3, ofTwo: 'slower', ofThree: 'middle' } })
  const watch = (ms: number, number: number): BrokenSeen => [ms, 'crossed', { watch: number }]
  const both = measured(watched, [START, watch(50_000, 2), watch(51_000, 3), [52_000, 'stopped', { reason: 'ended' }]])
  expect(both).toMatchObject({ kind: 'complete', value: 51_000 })
})

test.each([
  [399, ['outsideSense']],
  [400, []],
  [2_000, []],
  [2_001, ['outsideSense']],
])('a waist of %i mm', (value, expected) => {
  const change = { measures: [{ id: 'waist' }], judged: { id: 'waist', moreIsBetter: false } }
  expect(doubted('bodyMeasures', change, [[1_000, 'read', { slot: 'waist', value }]])).toEqual(expected)
})

test.each<[EventKind, object, number, readonly string[]]>([
  ['repetitionsToFailure', { capRepetitions: 20 }, 0, []],
  ['repetitionsToFailure', { capRepetitions: 20 }, 21, []],
  ['repetitionsInTime', { durationMs: 60_000 }, 0, []],
  ['repetitionsInTime', { durationMs: 60_000 }, 120, []],
  ['repetitionsInTime', { durationMs: 60_000 }, 121, ['outsideSense']],
])('a count read in %s with %j: %i', (kind, change, value, expected) => {
  expect(doubted(kind, change, [[1_000, 'read', { slot: 'count', value }]])).toEqual(expected)
})

test('a figure beyond sense that was read anew, or entered by a second press, is no doubt; one read after it is', () => {
  const change = { measures: [{ id: 'waist' }], judged: { id: 'waist', moreIsBetter: false } }
  const waist = (afterMs: number, value: number): BrokenSeen => [afterMs, 'read', { slot: 'waist', value }]
  expect(doubted('bodyMeasures', change, [waist(1_000, 8_500), waist(2_000, 850)])).toEqual([])
  expect(doubted('bodyMeasures', change, [waist(1_000, 850), waist(2_000, 8_500)])).toEqual(['outsideSense'])
})

test.each<[EventKind, number, readonly number[]]>([
  ['timedDistance', 400_000, [100_000]],
  ['timedDistance', 400_001, [200_000]],
  ['timedDistance', 800_000, [200_000]],
  ['timedDistance', 800_001, []],
  ['distanceInTime', 800_000, [200_000]],
  ['distanceInTime', 800_001, []],
])('%s announces at the first line beyond %i mm', (kind, atMm, expected) => {
  const change = {
    ...(kind === 'timedDistance' ? { distanceMm: 1_200_000 } : { durationMs: 720_000 }),
    lapLengthMm: 400_000,
    announcements: [{ atMm, say: 'There' }],
  }
  const { calls } = ruled(protocolWith(kind, change), [WAVE, ...crossed(100_000, 200_000)], 200_000)
  expect(calls.filter(({ code }) => code === 'announcement').map(({ atMs }) => atMs - START_MS)).toEqual(expected)
})
test('laps to go are called at each line, down to none', () => {
  const run = protocolWith('timedDistance', { ...TWO_LAPS, lapsCalledBy: 'The caller' })
  const { calls } = ruled(run, [WAVE, ...crossed(100_000, 200_000)], 200_000)
  expect(calls.map(({ figures }) => figures?.['laps'])).toEqual([1, 0])
})

test('a count is held elsewhere while it runs or rests, by another device alone', () => {
  const held = (phase: Ruling['phase'], holder: string | null) => isHeldElsewhere({ phase, holder } as Ruling, 'mine')
  expect([held('running', 'other'), held('paused', 'other')]).toEqual([true, true])
  expect([held('running', 'mine'), held('running', null), held('before', 'other'), held('over', 'other')]).toEqual([
    false,
    false,
    false,
    false,
  ])
})

test('a step test is worked, waits and is counted from moment to moment, or ends where somebody stops', () => {
  const step = protocolWith('stepTest', { durationMs: 60_000, pulseAfterMs: 5_000, pulseWindowMs: 15_000 }) as StepTest
  expect(followSteps(step, annasCaptures([START]))).toMatchObject({
    startedAtMs: START_MS,
    workEndsAtMs: START_MS + 60_000,
    pulseFromMs: START_MS + 65_000,
    pulseToMs: START_MS + 80_000,
  })
  expect(followSteps(step, annasCaptures([START, [30_000, 'stopped', { reason: 'ended' }]]))).toMatchObject({
    workEndsAtMs: START_MS + 30_000,
    stoppedAfterMs: 30_000,
    pulseFromMs: null,
    pulseToMs: null,
  })
  expect(measured(step, [START, ...counted(64_999, 65_000, 79_999, 80_000, 80_001)])).toMatchObject({
    kind: 'complete',
  })
  expect(measured(step, [START], 0, 90_000).kind).toBe('running')
})

test.each([
  [[205_000], 205_000],
  [[205_001], 200_000],
  [[195_000], 200_000],
  [[203_500, 201_000], 201_000],
])('of backups at %j ms the nearest within 5 s of the finish is used: %i', (backups, value) => {
  const watchRule = { watches: 2, ofTwo: 'slower', ofThree: 'middle' }
  const run = protocolWith('timedDistance', { ...TWO_LAPS, watchRule })
  const beside = backups.map((ms): BrokenSeen => [ms, 'crossed', { watch: 2 }, 'two'])
  expect(measured(run, [WAVE, ...crossed(100_000, 200_000), ...beside])).toMatchObject({ kind: 'complete', value })
})

test('a time of two clocks is as unsure as both together, a time of one not at all', () => {
  const sprint = protocolWith('sprint', { distanceMm: 100_000, legs: 1 })
  expect(measured(sprint, [START, ...crossed(14_000)], 30)).toMatchObject({ value: 14_000, clockUncertaintyMs: 30 })
  expect(measured(sprint, [START, ...crossed(14_000)])).toMatchObject({ clockUncertaintyMs: 0 })
})

test('a chain that is run out within what the clocks can tell of its limit is done', () => {
  const late = (ms: number) => measured(protocolWith('workChain', CHAIN), [...SQUATS, passed(ms, 'back')], 100)
  expect(late(120_100)).toMatchObject({ kind: 'complete', value: 120_100 })
  expect(late(120_101)).toMatchObject({ kind: 'ended', reason: 'didNotFinish' })
})

test('a part that came too early is told once, however often it came', () => {
  const early = (...parts: readonly string[]) =>
    measured(protocolWith('stationCourse', COURSE), [
      START,
      ...parts.map((part, at) => passed(5_000 + at * 2_000, part)),
    ]).notes.filter(({ code }) => code === 'outOfOrder').length
  const three = { ...COURSE, stations: [...COURSE.stations, { id: 'three', name: 'Three', task: 'Do it.' }] }
  expect([early('two'), early('two', 'two')]).toEqual([1, 1])
  const both = measured(protocolWith('stationCourse', three), [START, passed(5_000, 'two'), passed(7_000, 'three')])
  expect(both.notes).toMatchObject([
    { code: 'outOfOrder', part: 'two' },
    { code: 'outOfOrder', part: 'three' },
  ])
})

test.each<EventKind>(['progressiveShuttle', 'attempts', 'bodyMeasures'])(
  '%s: somebody can be withdrawn before anything began, and nothing else ends it then',
  (kind) => {
    const withdrawn = measured(protocolWith(kind, {}), [[1_000, 'stopped', { reason: 'withdrawn' }]])
    expect(withdrawn).toMatchObject({ kind: 'ended', reason: 'withdrawn', soFar: 0 })
    expect(measured(protocolWith(kind, {}), [[1_000, 'cautioned']]).kind).toBe('notStarted')
  },
)

test('who ends between two tries has come as far as was read', () => {
  const read = (slot: string): BrokenSeen => [1_000, 'read', { slot, value: 350 }]
  const tries = protocolWith('attempts', { attemptsAllowed: 3 })
  const withdrawn: BrokenSeen = [9_000, 'stopped', { reason: 'withdrawn' }]
  expect(measured(tries, [read('try-1'), read('try-2'), withdrawn])).toMatchObject({ kind: 'ended', soFar: 2 })
})
