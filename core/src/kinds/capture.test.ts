import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DAY_START_MS as T0, standardNamed } from '../../testing/index.ts'
import { parseDocument } from '../document/parseDocument.ts'
import type { TimedDistance } from './timedDistance/protocol.ts'
import { distanceAtCrossing, lapsOf } from './timedDistance/protocol.ts'
import { CaptureDocument, type Capture, type Observation } from '../capture/capture.ts'
import { captureId } from '../capture/captureId.ts'
import { lapBoard } from './timedDistance/lapBoard.ts'
import { measureEntry } from './measureEntry.ts'
import { followRepetitions } from './countedRepetitions/referee.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'

const standard = standardNamed('v3')
const [pressUps, run] = standard.events
if (!pressUps || !run || run.protocol.kind !== 'timedDistance') throw new Error('The demo standard changed.')
const course: TimedDistance = run.protocol
const ANNA = '00000000-0000-4000-8000-00000000000a'
const BEN = '00000000-0000-4000-8000-00000000000b'

let made = 0
const at = (afterMs: number, observation: Observation, entryId: string | null = ANNA, device = 'one'): Capture => ({
  id: captureId(
    T0 + afterMs,
    Uint8Array.from({ length: 16 }, (_, index) => (index === 15 ? (made += 1) % 256 : made >> 8)),
  ),
  eventId: 'run',
  entryId,
  deviceId: device,
  deviceMs: 0,
  atMs: T0 + afterMs,
  uncertaintyMs: 150,
  ...observation,
})
const crossed = (afterMs: number, entryId: string | null = ANNA, device = 'one') =>
  at(afterMs, { kind: 'crossed', payload: {} }, entryId, device)
const start = (afterMs = 0, wave = 1, entryIds: string[] = []) =>
  at(afterMs, { kind: 'waveStarted', payload: { wave, entryIds } }, null)
const voided = (target: Capture, afterMs: number) =>
  at(afterMs, { kind: 'voided', payload: { captureId: target.id, reason: 'wrong key' } }, null)
const five = (finishMs: number, entryId = ANNA) =>
  [100_000, 200_000, 300_000, 400_000, finishMs].map((ms) => crossed(ms, entryId))
const measureOf = (captures: readonly Capture[], entryId = ANNA) =>
  measureEntry(run, { entryId, wave: 1 }, settleCaptures(captures))

test('a voided crossing does not count, and voiding the void brings it back', () => {
  const stamps = five(500_000)
  const double = crossed(101_000)
  const undo = voided(double, 102_000)
  expect(measureOf([start(), ...stamps, double])).toMatchObject({ kind: 'complete', value: 400_000 })
  expect(measureOf([start(), ...stamps, double, undo])).toMatchObject({ kind: 'complete', value: 500_000 })
  expect(measureOf([start(), ...stamps, double, undo, voided(undo, 103_000)])).toMatchObject({ value: 400_000 })
})

test('a void arrives before, or is stamped earlier than, what it voids and still works', () => {
  const double = crossed(101_000)
  const undo = { ...voided(double, 102_000), atMs: T0 + 90_000 }
  expect(measureOf([undo, start(), ...five(500_000), double])).toMatchObject({ value: 500_000 })
})

test('two voids that name each other do not hang: the later one stands', () => {
  const first = voided(crossed(1), 10)
  const second = { ...voided(first, 20) }
  const mutual = { ...first, payload: { captureId: second.id, reason: 'odd' } } as Capture
  expect(settleCaptures([mutual, second, crossed(30)])).toHaveLength(1)
})

test('a stamp without a bib counts once it is assigned, and the last assignment holds', () => {
  const unknown = crossed(300_000, null)
  const known = [crossed(100_000), crossed(200_000), crossed(400_000), crossed(500_000)]
  const assign = (entryId: string, afterMs: number) =>
    at(afterMs, { kind: 'assigned', payload: { captureId: unknown.id } }, entryId)
  expect(measureOf([start(), ...known, unknown])).toMatchObject({ kind: 'running', soFar: 4 })
  expect(measureOf([start(), ...known, unknown, assign(ANNA, 600_000)])).toMatchObject({
    kind: 'complete',
    value: 500_000,
  })
  const moved = [start(), ...known, unknown, assign(ANNA, 600_000), assign(BEN, 610_000)]
  expect(measureOf(moved)).toMatchObject({ kind: 'running', soFar: 4 })
  expect(measureOf(moved, BEN)).toMatchObject({ kind: 'running', soFar: 1 })
})

test('of two starts of one wave the earlier stands', () => {
  expect(measureOf([start(40), start(0), ...five(500_000)])).toMatchObject({ value: 500_000 })
})

test('a start counts for those it names, and for those of its wave who are stamped', () => {
  const atLine = start(0, 1, [ANNA])
  expect(measureOf([atLine])).toMatchObject({ kind: 'running', soFar: 0 })
  expect(measureOf([atLine], BEN)).toMatchObject({ kind: 'notStarted' })
  expect(measureOf([atLine, crossed(100_000, BEN)], BEN)).toMatchObject({ kind: 'running', soFar: 1 })
  const board = (captures: Capture[]) =>
    lapBoard(
      course,
      1,
      [ANNA, BEN].map((entryId) => ({ entryId, wave: 1 })),
      settleCaptures(captures),
      580_000,
    )
  expect(board([]).runners).toHaveLength(2)
  expect(board([atLine]).runners.map(({ entryId }) => entryId)).toEqual([ANNA])
})

test('another wave does not start this one', () => {
  expect(measureOf([start(0, 2), ...five(500_000)])).toMatchObject({
    kind: 'notStarted',
    notes: [{ code: 'crossedBeforeStart', count: 5 }],
  })
})

test('crossings before the start and after the finish are left out and noted', () => {
  expect(measureOf([start(), crossed(-5), ...five(500_000), crossed(600_000)])).toMatchObject({
    value: 500_000,
    notes: [
      { code: 'crossedBeforeStart', count: 1 },
      { code: 'crossedAfterEnd', count: 1 },
    ],
  })
})

test.each([
  ['disqualified', 'ended'],
  ['breach', 'ended'],
  ['withdrawn', 'complete'],
  ['didNotFinish', 'complete'],
] as const)('after the finish, %s leaves the run %s', (reason, kind) => {
  const stop = at(700_000, { kind: 'stopped', payload: { reason } })
  expect(measureOf([start(), ...five(500_000), stop])).toMatchObject({ kind })
})

test('the clocks of two devices add their uncertainty; one device has none of its own', () => {
  const stamps = five(500_000)
  expect(measureOf([start(), ...stamps])).toMatchObject({ clockUncertaintyMs: 0 })
  const byAnother = [...stamps.slice(0, 4), crossed(500_000, ANNA, 'two')]
  expect(measureOf([start(), ...byAnother])).toMatchObject({ clockUncertaintyMs: 300 })
})

test('a part lap comes first', () => {
  const long = { distanceMm: 2_500_000, lapLengthMm: 400_000 }
  expect(lapsOf(long)).toBe(7)
  expect([0, 1, 2, 7].map((crossing) => distanceAtCrossing(long, crossing))).toEqual([0, 100_000, 500_000, 2_500_000])
  expect(lapsOf({ distanceMm: 2_000_000, lapLengthMm: 400_000 })).toBe(5)
  expect(lapsOf({ distanceMm: 300_000, lapLengthMm: 400_000 })).toBe(1)
})

test('the board orders runners by when they are due, then waiting, home and ended', () => {
  const ids = ['a', 'b', 'c', 'd'].map((end) => `00000000-0000-4000-8000-00000000000${end}`) as [
    string,
    string,
    string,
    string,
  ]
  const [a, b, c, d] = ids
  const captures = [
    start(0, 1, ids),
    crossed(100_000, a),
    crossed(90_000, b),
    ...five(480_000, c),
    at(50_000, { kind: 'stopped', payload: { reason: 'withdrawn' } }, d),
  ]
  const board = lapBoard(
    course,
    1,
    ids.map((entryId) => ({ entryId, wave: 1 })),
    settleCaptures(captures),
    580_000,
  )
  expect(board.runners.map(({ entryId }) => entryId)).toEqual([b, a, c, d])
  // 90 s for the first of five equal laps: due again 90 s later
  expect(board.runners[0]).toMatchObject({ state: 'running', lapsDone: 1, lapsToGo: 4, dueAtMs: T0 + 180_000 })
  expect(board.runners[2]).toMatchObject({ state: 'home', elapsedMs: 480_000, lapsToGo: 0 })
  expect(board.runners[3]).toMatchObject({ state: 'ended', endedBy: 'withdrawn' })
  expect(board.crossings[0]).toMatchObject({ entryId: c, lap: 5, home: true, elapsedMs: 480_000 })
})

test('before the first crossing a runner is due at the even pace of the cut', () => {
  const board = lapBoard(course, 1, [{ entryId: ANNA, wave: 1 }], [start(0, 1, [ANNA])], 580_000)
  expect(board.runners[0]?.dueAtMs).toBe(T0 + 116_000)
})

test('the board agrees with the measure for any stamps', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -10_000, max: 900_000 }), { maxLength: 9 }), (times) => {
      const captures = [start(0, 1, [ANNA]), ...times.map((ms) => crossed(ms))]
      const measure = measureOf(captures)
      const runner = lapBoard(course, 1, [{ entryId: ANNA, wave: 1 }], settleCaptures(captures), 580_000).runners[0]
      expect(runner?.elapsedMs ?? null).toBe(measure.kind === 'complete' ? measure.value : null)
    }),
  )
})

test('an attempt tells its tally while it runs', () => {
  if (pressUps.protocol.kind !== 'repetitionsInTime') throw new Error('The demo standard changed.')
  const seen = [
    at(0, { kind: 'started', payload: {} }),
    at(1_000, { kind: 'counted', payload: {} }),
    at(2_000, { kind: 'refused', payload: { reason: 'depth' } }),
    at(3_000, { kind: 'cautioned', payload: {} }),
    at(3_500, { kind: 'started', payload: {} }),
  ]
  expect(followRepetitions(pressUps.protocol, seen)).toMatchObject({
    startedAtMs: T0,
    endsAtMs: T0 + 90_000,
    tally: { counted: 1, refused: { depth: 1 }, cautions: 1 },
    end: null,
  })
})

test('two captures of one device in the same millisecond keep their order', () => {
  const random = () => Uint8Array.from({ length: 16 }, () => Math.floor(Math.random() * 256))
  const ids = Array.from({ length: 50 }, (_, turn) => captureId(T0, random(), turn))
  expect([...ids].sort()).toEqual(ids)
  expect(new Set(ids).size).toBe(50)
})

test('a capture document with its payload is read, and each fault is placed', () => {
  const good = { ...crossed(0), id: '01890000-0000-7000-8000-000000000001' }
  expect(parseDocument(CaptureDocument, good).ok).toBe(true)
  const faults: [string, object][] = [
    ['payload.reason', { kind: 'refused', payload: {} }],
    ['payload.speed', { payload: { speed: 3 } }],
    ['payload', { payload: undefined }],
    ['payload', { kind: 'shouted' }],
    ['kind', { kind: 'shouted' }],
    ['id', { id: '7' }],
    ['atMs', { atMs: 1.5 }],
    ['atMs', { atMs: '12' }],
    ['bib', { bib: 0 }],
    ['colour', { colour: 'red' }],
  ]
  for (const [place, change] of faults) {
    const parsed = parseDocument(CaptureDocument, { ...good, ...change })
    expect(parsed.ok ? [] : parsed.findings.map((finding) => finding.place), JSON.stringify(change)).toContain(place)
  }
})
