import fc from 'fast-check'
import { expect, test } from 'vitest'
import { matchDecisions, type Decision } from './matchDecisions.ts'

const said = (...list: readonly (readonly [number, string])[]): Decision[] =>
  list.map(([atMs, answer]) => ({ atMs, answer }))

test('what lies closest together is one repetition; what only one pressed was not seen by the other', () => {
  const first = said([1_000, 'counted'], [2_000, 'depth'], [3_000, 'counted'])
  const second = said([1_100, 'counted'], [2_200, 'counted'], [5_000, 'lock-out'])
  expect(matchDecisions(first, second)).toEqual([
    { first: 'counted', second: 'counted', times: 1 },
    { first: 'counted', second: 'notSeen', times: 1 },
    { first: 'depth', second: 'counted', times: 1 },
    { first: 'notSeen', second: 'lock-out', times: 1 },
  ])
})

test('a press between two repetitions belongs to the nearer one, whichever comes first', () => {
  expect(matchDecisions(said([1_000, 'a'], [1_600, 'b']), said([1_500, 'c']))).toEqual([
    { first: 'a', second: 'notSeen', times: 1 },
    { first: 'b', second: 'c', times: 1 },
  ])
})

test('every decision of both is told once, whatever their times', () => {
  const decisions = fc.array(
    fc.record({ atMs: fc.integer({ min: 0, max: 20_000 }), answer: fc.constantFrom('counted', 'depth') }),
  )
  fc.assert(
    fc.property(decisions, decisions, (first, second) => {
      const pairs = matchDecisions(first, second)
      const sum = (of: 'first' | 'second'): number =>
        pairs.reduce((all, pair) => all + (pair[of] === 'notSeen' ? 0 : pair.times), 0)
      expect([sum('first'), sum('second')]).toEqual([first.length, second.length])
    }),
  )
})
