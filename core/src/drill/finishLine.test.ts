import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DRILL_LEVELS, makeFinish, scoreFinish, type FinishRunner } from './index.ts'

const SPECS = fc.record({
  level: fc.constantFrom(...DRILL_LEVELS),
  seed: fc.integer({ min: 1, max: 9_999 }),
  runners: fc.integer({ min: 1, max: 40 }),
})

test('the same seed gives the same finish, everybody once, in the order they cross', () => {
  fc.assert(
    fc.property(SPECS, (spec) => {
      const runners = makeFinish(spec)
      expect(makeFinish(spec)).toEqual(runners)
      expect(runners.map(({ bib }) => bib).sort((a, b) => a - b)).toEqual(
        Array.from({ length: spec.runners }, (_, at) => at + 1),
      )
      for (const [at, { crossesAtMs }] of runners.entries())
        expect(crossesAtMs).toBeGreaterThan(runners[at - 1]?.crossesAtMs ?? 0)
    }),
  )
})

test('with the level more bibs are hidden, and bunches are closer', () => {
  const of = (level: 1 | 5): readonly FinishRunner[] => makeFinish({ level, seed: 4, runners: 200 })
  const hidden = (runners: readonly FinishRunner[]): number => runners.filter((one) => one.hidden[1] > 0).length
  const closest = (runners: readonly FinishRunner[]): number =>
    runners.filter((one, at) => at > 0 && one.crossesAtMs - (runners[at - 1]?.crossesAtMs ?? 0) < 400).length
  expect(hidden(of(5))).toBeGreaterThan(hidden(of(1)) * 2)
  expect(closest(of(5))).toBeGreaterThan(closest(of(1)))
})

test('every stamp at its line with its bib is right, in place and no time apart', () => {
  fc.assert(
    fc.property(SPECS, (spec) => {
      const runners = makeFinish(spec)
      const stamps = runners.map(({ bib, crossesAtMs }) => ({ bib, atMs: crossesAtMs }))
      const score = scoreFinish(runners, stamps)
      expect(score).toMatchObject({ right: spec.runners, inPlace: spec.runners, unnamed: 0, apartMs: 0 })
    }),
  )
})

const runner = (bib: number, crossesAtMs: number): FinishRunner => ({
  bib,
  crossesAtMs,
  hidden: [0, 0],
  across: 0.5,
  build: 'female',
})

test('two bibs changed over, one forgotten, one stamped late, one without a bib', () => {
  const runners = [runner(4, 10_000), runner(9, 10_600), runner(2, 14_000), runner(7, 18_000), runner(5, 25_000)]
  const score = scoreFinish(runners, [
    { bib: 9, atMs: 10_100 },
    { bib: 4, atMs: 10_700 },
    { bib: 7, atMs: 20_000 },
    { bib: 5, atMs: 25_200 },
    { bib: null, atMs: 14_100 },
  ])
  expect(score.runners.map(({ place, result }) => [place, result])).toEqual([
    [1, 'wrongBib'],
    [2, 'wrongBib'],
    [3, 'missing'],
    [4, 'late'],
    [5, 'right'],
  ])
  // the order stamped is 9, 4, 7, 5: nobody of the first four is where they finished
  expect(score).toMatchObject({ right: 1, inPlace: 0, unnamed: 1, apartMs: 200 })
})
