import { expect, test } from 'vitest'
import { readingOf } from './readingOf.ts'

test('the figures behind a mark are found in its trace', () => {
  const repetitions = { kind: 'repetitions', startedAtMs: 0, tally: {}, endedBy: 'time' } as const
  const crossings = { kind: 'crossings', startedAtMs: 0, finishedAtMs: 9, splitsMs: [] } as const
  const of = (...trace: object[]) => readingOf({ trace: trace as never })
  expect(of({ code: 'note' }, { code: 'repetitions', reading: repetitions })).toBe(repetitions)
  expect(of({ code: 'crossings', reading: crossings })).toBe(crossings)
  const step = { code: 'capped', cap: 20 }
  expect(of({ code: 'readings', taken: [1] }, { code: 'readingStep', step }, { code: 'tookPart' })).toEqual({
    kind: 'readings',
    taken: [1],
    steps: [step],
  })
  expect(of({ code: 'waiting' })).toBeNull()
  expect(of()).toBeNull()
})
