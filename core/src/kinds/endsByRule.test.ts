/** Ends that the protocol states and nobody has to press: the longest pause, the limit. Hand-worked, in threes. */
import { expect, test } from 'vitest'
import { DAY_START_MS as T0 } from '../../testing/index.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import { protocolTemplate } from './protocolTemplates.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { Capture, Observation } from '../capture/capture.ts'
import { measureEntry } from './measureEntry.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'

const ANNA = 'anna'
type Seen = readonly [afterMs: number, observation: Observation, more?: { deviceId: string; uncertaintyMs: number }]

const measured = (kind: EventKind, change: object, seen: readonly Seen[]) => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  const captures = seen.map(([afterMs, observation, more], index): Capture => ({
    id: String(index).padStart(6, '0'),
    eventId: 'event',
    entryId: observation.kind === 'waveStarted' ? null : ANNA,
    deviceId: 'one',
    deviceMs: afterMs,
    atMs: T0 + afterMs,
    uncertaintyMs: 0,
    ...observation,
    ...more,
  }))
  const event = { id: 'event', protocol: parsed.value } as StandardEvent // measuring asks nothing else of it
  return measureEntry(event, { entryId: ANNA, wave: 1 }, settleCaptures(captures))
}

const started: Observation = { kind: 'started', payload: {} }
const counted: Observation = { kind: 'counted', payload: {} }
const stopped = (reason: 'ended' | 'time' | 'disqualified'): Observation => ({ kind: 'stopped', payload: { reason } })
/** `count` repetitions, one a second. */
const reps = (count: number, fromMs: number): Seen[] =>
  Array.from({ length: count }, (_, index) => [fromMs + index * 1_000, counted] as const)

const PAUSE = { longestPauseMs: 5_000, durationMs: 120_000 }
/** Fifteen, the last at 15 s, then a pause, then six. */
const withPause = (pauseMs: number): Seen[] => [
  [0, started],
  ...reps(15, 1_000),
  ...reps(6, 15_000 + pauseMs),
  [120_000, stopped('time')],
]

test.each([
  [4_999, 21],
  [5_000, 21],
  [5_001, 15],
  [6_500, 15],
  [60_000, 15],
] as const)('a pause of %i ms where 5 s are allowed leaves %i', (pauseMs, value) => {
  expect(measured('repetitionsInTime', PAUSE, withPause(pauseMs))).toMatchObject({
    kind: 'complete',
    value,
    // after the last of them nothing more came, which is a pause too
    reading: { endedBy: 'pause' },
  })
})

test('what is counted after the pause ended it is left out and noted, and a restart comes too late', () => {
  const late = measured(
    'repetitionsInTime',
    { ...PAUSE, restart: { times: 1, withinFirst: 99, keepsCautions: true } },
    [
      [0, started],
      ...reps(3, 1_000),
      [10_000, { kind: 'restarted', payload: { reason: 'hands' } }],
      [11_000, counted],
      [12_000, stopped('ended')],
    ],
  )
  expect(late).toMatchObject({ kind: 'complete', value: 3, reading: { endedBy: 'pause' } })
  expect(late.notes.map(({ code }) => code).sort()).toEqual(['countedAfterEnd', 'restartRefused'])
})

test('a refused repetition is no pause, and the stop alone tells a pause too', () => {
  const refused: Observation = { kind: 'refused', payload: { reason: 'depth' } }
  const tried: Seen[] = [
    [0, started],
    ...reps(2, 1_000),
    [6_500, refused],
    [11_000, counted],
    [20_000, stopped('ended')],
  ]
  expect(measured('repetitionsInTime', PAUSE, tried)).toMatchObject({ value: 3, reading: { endedBy: 'pause' } })
})

test('where the clock runs out before the pause is too long, the clock ends it', () => {
  const short = { ...PAUSE, durationMs: 10_000 }
  const seen: Seen[] = [[0, started], ...reps(7, 1_000), [30_000, stopped('ended')]]
  expect(measured('repetitionsInTime', short, seen)).toMatchObject({ value: 7, reading: { endedBy: 'time' } })
})

test('a pause ends repetitions to failure and to a cadence alike; disqualified stays disqualified', () => {
  const seen: Seen[] = [[0, started], ...reps(4, 1_000), ...reps(2, 30_000)]
  for (const kind of ['repetitionsToFailure', 'repetitionsToCadence'] as const) {
    expect(measured(kind, { longestPauseMs: 2_000 }, seen)).toMatchObject({ kind: 'complete', value: 4 })
    expect(measured(kind, { longestPauseMs: 2_000 }, [...seen, [40_000, stopped('disqualified')]])).toMatchObject({
      kind: 'ended',
      reason: 'disqualified',
    })
  }
})

const LIMIT = { distanceMm: 1_600_000, lapLengthMm: 400_000, limitMs: 600_000 }
const waveStarted: Observation = { kind: 'waveStarted', payload: { wave: 1, entryIds: [ANNA] } }
const crossed: Observation = { kind: 'crossed', payload: {} }
const runs = (...crossings: readonly number[]): Seen[] => [
  [0, waveStarted],
  ...crossings.map((ms) => [ms, crossed] as const),
]

test.each([
  [599_999, { kind: 'complete', value: 599_999 }],
  [600_000, { kind: 'complete', value: 600_000 }],
  [600_001, { kind: 'ended', reason: 'didNotFinish', soFar: 3 }],
  [630_000, { kind: 'ended', reason: 'didNotFinish', soFar: 3 }],
] as const)('a finish at %i ms against a limit of 10:00', (finishMs, expected) => {
  expect(measured('timedDistance', LIMIT, runs(150_000, 300_000, 450_000, finishMs))).toMatchObject(expected)
})

test('a lap after the limit shows that the limit has passed, and what was run by then is told', () => {
  const measure = measured('timedDistance', LIMIT, runs(200_000, 400_000, 610_000))
  expect(measure).toMatchObject({ kind: 'ended', reason: 'didNotFinish', soFar: 2 })
  expect(measure.notes).toEqual([
    { code: 'crossedAfterEnd', count: 1 },
    { code: 'limitReached', limitMs: 600_000 },
  ])
})

test('within what two clocks can tell of the limit a finish counts', () => {
  const other = { deviceId: 'two', uncertaintyMs: 150 }
  const by = (finishMs: number): readonly Seen[] => [...runs(150_000, 300_000, 450_000), [finishMs, crossed, other]]
  expect(measured('timedDistance', LIMIT, by(600_150))).toMatchObject({ kind: 'complete', clockUncertaintyMs: 150 })
  expect(measured('timedDistance', LIMIT, by(600_151))).toMatchObject({ kind: 'ended', reason: 'didNotFinish' })
})

const passed = (part: string): Observation => ({ kind: 'passed', payload: { part } })

test.each([
  [600_000, 'complete'],
  [600_001, 'ended'],
] as const)('a chain and a course done at %i ms against a limit of 10:00: %s', (doneMs, kind) => {
  const segments = [
    { id: 'out', name: 'Out', distanceMm: 400_000 },
    { id: 'back', name: 'Back', distanceMm: 400_000 },
  ]
  const seen: Seen[] = [
    [0, started],
    [200_000, passed('out')],
    [doneMs, passed('back')],
  ]
  expect(measured('workChain', { segments, limitMs: 600_000 }, seen)).toMatchObject({ kind })
  const stations = segments.map(({ id, name }) => ({ id, name, task: 'As told.' }))
  expect(measured('stationCourse', { stations, limitMs: 600_000 }, seen)).toMatchObject({ kind })
})
