import { expect, test } from 'vitest'
import { at, bare, crossed, START_MS } from '../../testing/stamped.ts'
import { settleCaptures } from './settleCaptures.ts'

test('a stamp that is moved stands at its new time, in its new place', () => {
  const [first, second] = [crossed(90_000), crossed(91_000)]
  const moved = at(95_000, { kind: 'moved', payload: { captureId: first.id, toMs: START_MS + 92_000, reason: 'late' } })
  expect(settleCaptures([first, second, moved]).map(({ id, atMs }) => [id, atMs - START_MS])).toEqual([
    [second.id, 91_000],
    [first.id, 92_000],
  ])
})
test('a reading that is replaced keeps its slot and gets the new figure; the latest of several stands', () => {
  const read = at(0, { kind: 'read', payload: { slot: 'left-1', value: 41_000 } })
  const replace = (afterMs: number, value: number) =>
    at(afterMs, { kind: 'replaced', payload: { captureId: read.id, value, reason: 'typed wrongly' } })
  const [earlier, later] = [replace(1_000, 43_000), replace(2_000, 44_000)]
  for (const order of [
    [read, earlier, later],
    [later, earlier, read],
  ]) {
    expect(settleCaptures(order)).toMatchObject([{ kind: 'read', payload: { slot: 'left-1', value: 44_000 } }])
  }
})
test('a reading that goes to somebody else keeps its figure', () => {
  const read = at(0, { kind: 'read', payload: { slot: 'left-1', value: 41_000 } })
  const entryId = '00000000-0000-4000-8000-000000000009'
  const assigned = at(1_000, { kind: 'assigned', payload: { captureId: read.id } }, { entryId })
  expect(settleCaptures([read, assigned])).toEqual([{ ...read, entryId }])
})
test('a correction that is voided corrects nothing', () => {
  const stamp = crossed(90_000)
  const moved = at(95_000, { kind: 'moved', payload: { captureId: stamp.id, toMs: START_MS, reason: 'x' } })
  const voided = at(96_000, { kind: 'voided', payload: { captureId: moved.id, reason: 'no' } })
  expect(settleCaptures([voided, moved, stamp])).toEqual([stamp])
})
test('a move, a bib put later and a void of something else do not disturb each other', () => {
  const [stamp, other] = [crossed(90_000), bare(91_000, 'cautioned')]
  const unknown = { ...stamp, entryId: null }
  const entryId = '00000000-0000-4000-8000-000000000009'
  const assigned = at(92_000, { kind: 'assigned', payload: { captureId: stamp.id } }, { entryId })
  const moved = at(93_000, { kind: 'moved', payload: { captureId: stamp.id, toMs: START_MS + 89_000, reason: 'x' } })
  const voided = at(94_000, { kind: 'voided', payload: { captureId: other.id, reason: 'no' } })
  expect(settleCaptures([voided, assigned, unknown, other, moved])).toEqual([
    // a moment that a person gave is of no device's clock
    { ...stamp, entryId, atMs: START_MS + 89_000, clockRun: `moved ${stamp.id}` },
  ])
})
