import { expect, test } from 'vitest'
import { at, bare, ended, ENTRY, START_MS } from '../../testing/stamped.ts'
import type { Capture } from '../capture/capture.ts'
import type { Mark } from '../judge/mark.ts'
import { ordersOf, restBoard, type RestingEvent } from './restBoard.ts'

// the board looks at nothing of a mark but its kind
const event = (
  id: string,
  kind: Mark['kind'],
  restAfterMs: number,
  settled: readonly Capture[] = [],
): RestingEvent => ({
  event: { id, restAfterMs },
  marks: new Map([[ENTRY, { kind } as Mark]]),
  settled,
})
const stateAt = (afterMs: number, events: readonly RestingEvent[], out = new Set<string>()) =>
  restBoard(events, [ENTRY], out, START_MS + afterMs).get(ENTRY)
const done = event('press-ups', 'met', 480_000, [bare(0, 'started'), ended(90_000)])
const run = event('run', 'waiting', 600_000)

test('before the first event everybody may start', () => {
  expect(stateAt(0, [event('press-ups', 'waiting', 480_000), run])).toEqual({
    kind: 'mayStart',
    eventId: 'press-ups',
    sinceMs: null,
  })
})
test('the rest runs from the last capture: a millisecond before its end, exactly at it', () => {
  const untilMs = START_MS + 570_000
  expect(stateAt(569_999, [done, run])).toEqual({ kind: 'resting', eventId: 'run', untilMs })
  expect(stateAt(570_000, [done, run])).toEqual({ kind: 'mayStart', eventId: 'run', sinceMs: untilMs })
})
test('a decision made afterwards does not begin the rest again', () => {
  const decided = at(900_000, { kind: 'decided', payload: { as: 'met', reason: 'seen' } })
  const later = { ...done, settled: [...done.settled, decided] }
  expect(stateAt(900_000, [later, run])?.kind).toBe('mayStart')
})
test('whoever is on an event is under way, whoever has done all or is out is done', () => {
  expect(stateAt(0, [done, event('run', 'running', 0)])).toEqual({ kind: 'underWay', eventId: 'run' })
  expect(stateAt(0, [done, event('run', 'short', 0)])).toEqual({ kind: 'done' })
  expect(stateAt(0, [done, run], new Set([ENTRY]))).toEqual({ kind: 'done' })
})

test('whoever rotates is sent to the next event of their own order', () => {
  const events = [event('press-ups', 'waiting', 0), run]
  const orders = ordersOf({ orders: [{ wave: 2, eventIds: ['run', 'press-ups'] }] }, [
    { id: ENTRY, wave: 2 },
    { id: 'another', wave: 1 },
    { id: 'nowhere', wave: null },
  ])
  expect([...orders.keys()]).toEqual([ENTRY])
  const board = restBoard(events, [ENTRY, 'another'], new Set(), START_MS, orders)
  expect(board.get(ENTRY)).toMatchObject({ kind: 'mayStart', eventId: 'run' })
  expect(ordersOf(null, []).size).toBe(0)
})
