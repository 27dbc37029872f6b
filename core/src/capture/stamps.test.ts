/** What is between two stamps, whom a capture is about, and captures sorted out by candidate, by hand. */
import { expect, test } from 'vitest'
import { at, bare, ENTRY, START_MS, waveStarted } from '../../testing/stamped.ts'
import { byCandidate, isOneMore } from './byCandidate.ts'
import type { Capture } from './capture.ts'
import { clearedIn } from './clearedIn.ts'
import { clockDoubt } from './clockDoubt.ts'
import { concernedBy } from './concernedBy.ts'
import { elapsed } from './elapsed.ts'
import { byTimeThenId, settleCaptures, voidedIds } from './settleCaptures.ts'

const OTHER = '00000000-0000-4000-8000-000000000002'

test.each([
  // one run of one device's clock: that clock, whatever agreed time says
  ['one', 'run-1', 'one', 'run-1', 7_500, 0],
  ['one', 'run-1', 'one', 'run-2', 9_000, 11],
  ['one', 'run-1', 'two', 'run-1', 9_000, 11],
])('from %s %s to %s %s is %i ms, give or take %i', (device, run, toDevice, toRun, ms, uncertaintyMs) => {
  const from = { deviceId: device, clockRun: run, deviceMs: 100_000, atMs: START_MS, uncertaintyMs: 4 }
  const to = { deviceId: toDevice, clockRun: toRun, deviceMs: 107_500, atMs: START_MS + 9_000, uncertaintyMs: 7 }
  expect(elapsed(from, to)).toEqual({ ms, uncertaintyMs })
  expect(clockDoubt(from, to)).toBe(uncertaintyMs)
})

test('stamps from before runs were told apart are taken by agreed time, and one device doubts nothing', () => {
  const stamp = (deviceMs: number, atMs: number) => ({ deviceId: 'one', deviceMs, atMs, uncertaintyMs: 5 })
  expect(elapsed(stamp(0, START_MS), stamp(7_500, START_MS + 9_000))).toEqual({ ms: 9_000, uncertaintyMs: 0 })
})

test('a capture is about its candidate, or about all it names', () => {
  expect(concernedBy(bare(0, 'counted'))).toEqual([ENTRY])
  expect(concernedBy(waveStarted())).toEqual([ENTRY])
  expect(concernedBy(at(0, { kind: 'crossed', payload: {} }, { entryId: null }))).toEqual([])
})

test('whoever a check was ticked for is clear', () => {
  const cleared = at(0, { kind: 'cleared', payload: { entryIds: [ENTRY, OTHER] } }, { entryId: null })
  expect([...clearedIn([cleared, waveStarted(5), bare(9, 'started')])]).toEqual([ENTRY, OTHER])
  expect([...clearedIn([waveStarted(5)])]).toEqual([])
})

test('one capture more changes the list of the one it is about, and no other', () => {
  const first = [waveStarted(), bare(1_000, 'counted'), at(1_500, { kind: 'crossed', payload: {} }, { entryId: OTHER })]
  const before = byCandidate(first)
  expect([...before.of].map(([id, own]) => [id, own.length])).toEqual([
    [ENTRY, 1],
    [OTHER, 1],
  ])
  const more = [...first, bare(2_000, 'counted')]
  const after = byCandidate(more, before)
  expect(after.settled).toBe(more)
  expect(after.of.get(ENTRY)).toEqual([first[1], more[3]])
  expect(after.of.get(OTHER)).toBe(before.of.get(OTHER))
  // somebody nothing had happened to
  const third = '00000000-0000-4000-8000-000000000003'
  const newcomer = [...more, at(3_000, { kind: 'counted', payload: {} }, { entryId: third })]
  expect(byCandidate(newcomer, after).of.get(third)).toEqual([newcomer[4]])
  // about nobody yet: every list stays the very same
  const unknown = [...newcomer, at(4_000, { kind: 'crossed', payload: {} }, { entryId: null })]
  const known = byCandidate(newcomer, after)
  expect(byCandidate(unknown, known)).toEqual({ settled: unknown, of: known.of })
  expect(byCandidate(unknown, known).of).toBe(known.of)
  // sorted out anew it is the same
  expect(byCandidate(unknown).of).toEqual(byCandidate(unknown, known).of)
})

test.each([
  [[1, 2], [1, 2, 3], true],
  [[1, 2], [1, 2], false],
  [[1, 2], [1, 3, 2], false],
  [[1, 2], [3, 1, 2], false],
  [[1, 2], [1, 2, 3, 4], false],
  [[], [1], true],
])('%j then %j is one more: %s', (before, now, is) => {
  expect(isOneMore(before, now)).toBe(is)
})

const voids = (afterMs: number, captureId: string, id?: string): Capture =>
  at(afterMs, { kind: 'voided', payload: { captureId, reason: 'x' } }, id === undefined ? {} : { id })

test('of voids that name each other the earliest gives way, also in two circles and beside a plain one', () => {
  const [a, b] = [voids(10, 'B', 'A'), voids(20, 'A', 'B')]
  expect([...voidedIds([a, b])]).toEqual(['A'])
  const [c, d, e] = [voids(30, 'D', 'C'), voids(40, 'E', 'D'), voids(50, 'C', 'E')]
  // the earliest of three gives way, so the second stands and takes the third, which leaves nothing to take the first
  expect([...voidedIds([c, d, e])].sort()).toEqual(['E'])
  const plain = voids(60, 'count')
  expect([...voidedIds([a, b, c, d, e, plain])].sort()).toEqual(['A', 'E', 'count'])
})

test.each([
  // another device's start of the same people, at most five seconds apart and before the void
  ['two', 5_000, true],
  ['two', 5_001, false],
  ['one', 3_000, false],
])('a start of device %s %i ms later goes with the voided one: %s', (deviceId, laterMs, goes) => {
  const first = at(0, { kind: 'started', payload: {} }, { deviceId: 'one' })
  const other = at(laterMs, { kind: 'started', payload: {} }, { deviceId })
  const settled = settleCaptures([first, other, voids(9_000, first.id)])
  expect(settled).toEqual(goes ? [] : [other])
})

test('a start that follows the void at once is a new one, and that of another wave or candidate is none of it', () => {
  const wave = (afterMs: number, number: number, deviceId: string): Capture =>
    at(afterMs, { kind: 'waveStarted', payload: { wave: number, entryIds: [ENTRY] } }, { entryId: null, deviceId })
  const first = wave(0, 1, 'one')
  const [atOnce, otherWave] = [wave(2_000, 1, 'two'), wave(1_000, 2, 'two')]
  const counted = at(500, { kind: 'counted', payload: {} }, { deviceId: 'two' })
  expect(settleCaptures([first, atOnce, otherWave, counted, voids(2_000, first.id)])).toEqual([
    counted,
    otherWave,
    atOnce,
  ])
  const own = at(0, { kind: 'started', payload: {} }, { deviceId: 'one' })
  const another = at(100, { kind: 'started', payload: {} }, { deviceId: 'two', entryId: OTHER })
  expect(settleCaptures([own, another, voids(2_000, own.id)])).toEqual([another])
})

test('captures of one moment stand by their ids, and the same one is not before itself', () => {
  const [a, b] = [bare(0, 'counted'), bare(0, 'counted')].map((one, index) => ({ ...one, id: `id-${index}` }))
  if (!a || !b) throw new Error('Two captures are made.')
  expect([byTimeThenId(a, b), byTimeThenId(b, a), byTimeThenId(a, a)]).toEqual([-1, 1, 0])
  expect(byTimeThenId({ ...a, atMs: a.atMs + 5 }, b)).toBe(5)
})

test('only what was read takes another value, and only what was moved is of no clock', () => {
  const read = at(0, { kind: 'read', payload: { slot: 'time', value: 5 } }, { clockRun: 'run' })
  const count = at(10, { kind: 'counted', payload: {} }, { clockRun: 'run' })
  const replaced = (captureId: string): Capture =>
    at(20, { kind: 'replaced', payload: { captureId, value: 7, reason: 'x' } })
  const settled = settleCaptures([read, count, replaced(read.id), replaced(count.id)])
  expect(settled).toEqual([{ ...read, payload: { slot: 'time', value: 7 } }, count])
  const moved = at(30, { kind: 'moved', payload: { captureId: count.id, toMs: count.atMs - 20, reason: 'x' } })
  expect(settleCaptures([read, count, moved])).toEqual([
    { ...count, atMs: count.atMs - 20, clockRun: `moved ${count.id}` },
    read,
  ])
  const assigned = at(40, { kind: 'assigned', payload: { captureId: count.id } }, { entryId: OTHER })
  expect(settleCaptures([count, assigned])).toEqual([{ ...count, entryId: OTHER }])
  // an assignment that names nobody changes nothing
  expect(settleCaptures([count, { ...assigned, entryId: null }])).toEqual([count])
})
