import { expect, test } from 'vitest'
import type { StandardEvent } from '../standard/standard.ts'
import { doubtsBetween } from './betweenEvents.ts'
import type { Mark } from './mark.ts'

const events = [
  { id: 'run', restAfterMs: 300_000 },
  { id: 'press-ups', restAfterMs: 0 },
  { id: 'pull-ups' },
] as unknown as StandardEvent[] // nothing else of an event is asked

const mark = (eventId: string, fromMs: number, toMs: number | null): Mark => ({
  eventId,
  kind: 'waiting',
  cut: null,
  trace: [],
  span: { fromMs, toMs },
})

test.each([
  [299_999, [{ kind: 'restNotKept', eventId: 'press-ups', afterEventId: 'run', leftMs: 1 }]],
  [300_000, []],
  [300_001, []],
])('begun %i ms after the end of an event with five minutes of rest', (restedMs, doubts) => {
  expect(doubtsBetween({ events }, [mark('press-ups', 600_000 + restedMs, null), mark('run', 0, 600_000)])).toEqual(
    doubts,
  )
})

test('begun while still at another is told, and an event without stamps tells nothing', () => {
  const { span: _span, ...read } = mark('pull-ups', 0, 0)
  expect(doubtsBetween({ events }, [mark('run', 0, null), mark('press-ups', 60_000, 90_000), read])).toEqual([
    { kind: 'elsewhere', eventId: 'press-ups', afterEventId: 'run' },
  ])
})

test('the rest that counts is that of the event done before, not of the one listed before', () => {
  expect(doubtsBetween({ events }, [mark('run', 200_000, 300_000), mark('press-ups', 0, 100_000)])).toEqual([])
})
