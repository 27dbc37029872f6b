import { expect, test } from 'vitest'
import type { Combination } from '../standard/combination.ts'
import { decide, type BareMark } from './decide.ts'

const earned = (centipoints: number, minimumCentipoints = 4_500): BareMark => ({
  kind: centipoints >= minimumCentipoints ? 'met' : 'short',
  points: { centipoints, minimumCentipoints },
})
const MET: BareMark = { kind: 'met' }
const SHORT: BareMark = { kind: 'short' }
const WAITING: BareMark = { kind: 'waiting' }
const OPEN: BareMark = { kind: 'open' }
const ended = (reason: 'didNotFinish' | 'failed' | 'breach' | 'withdrawn' | 'disqualified'): BareMark => ({
  kind: 'ended',
  reason,
})

const TOTAL: Combination = {
  kind: 'pointsTotal',
  totalCentipoints: 16_500,
  minimumEachCentipoints: 4_500,
  classes: [
    { id: 'harbour', name: 'Harbour', fromCentipoints: 16_500 },
    { id: 'ridge', name: 'Ridge', fromCentipoints: 21_000 },
    { id: 'summit', name: 'Summit', fromCentipoints: 25_500 },
  ],
}
const FULL = [10_000, 10_000, 10_000]
const total = (...marks: BareMark[]) => decide(TOTAL, marks, FULL)

// 55 + 55 + 55 = 165
test('a total is met exactly at what is asked, and short one hundredth below', () => {
  expect(total(earned(5_500), earned(5_500), earned(5_500))).toMatchObject({
    outcome: 'met',
    points: { centipoints: 16_500, className: 'Harbour', nextClass: { name: 'Ridge' } },
  })
  expect(total(earned(5_500), earned(5_500), earned(5_499))).toMatchObject({
    outcome: 'short',
    because: 'total',
    points: { className: null },
  })
})

test.each([
  [[7_000, 7_000, 6_999], 'Harbour'],
  [[7_000, 7_000, 7_000], 'Ridge'],
  [[8_500, 8_500, 8_499], 'Ridge'],
  [[8_500, 8_500, 8_500], 'Summit'],
] as const)('%j is in the class %s', (points, className) => {
  expect(total(...points.map((one) => earned(one))).points?.className).toBe(className)
})

test('less than the least in one event is short whatever the total', () => {
  expect(total(earned(10_000), earned(10_000), earned(4_499))).toMatchObject({
    outcome: 'short',
    because: 'marks',
    deciding: [2],
    settled: true,
  })
})

test('it is told as soon as the total can no longer be reached', () => {
  const marks = [earned(4_500), WAITING, WAITING]
  // 45 + 100 + 100 is enough, with 60 less it would not be
  expect(decide({ ...TOTAL, totalCentipoints: 24_500 }, marks, FULL)).toMatchObject({
    outcome: 'notFinished',
    settled: false,
  })
  expect(decide({ ...TOTAL, totalCentipoints: 24_501 }, marks, FULL)).toMatchObject({
    outcome: 'short',
    because: 'cannotReachTotal',
    settled: true,
  })
})

test('whoever breaks off has not finished, rather than too few points', () => {
  expect(total(earned(5_500), ended('didNotFinish'), WAITING)).toMatchObject({ outcome: 'notFinished', settled: true })
})

test('an event left out lowers the total in proportion, rounded up, or not at all', () => {
  const exempt = (how: 'unchanged' | 'proportional'): BareMark => ({
    kind: 'exempt',
    fixedCentipoints: null,
    total: how,
  })
  // two thirds of 165 are 110
  expect(total(earned(5_500), earned(5_500), exempt('proportional'))).toMatchObject({
    outcome: 'met',
    points: { asked: 11_000, full: 20_000 },
  })
  expect(total(earned(5_500), earned(5_499), exempt('proportional'))).toMatchObject({ outcome: 'short' })
  expect(total(earned(5_500), earned(5_500), exempt('unchanged'))).toMatchObject({
    outcome: 'short',
    points: { asked: 16_500 },
  })
  // a third of 100 points of a total asked of 100.01: 33.3366… goes up
  expect(
    decide(
      { ...TOTAL, totalCentipoints: 10_001 },
      [earned(5_500), exempt('proportional'), exempt('proportional')],
      FULL,
    ).points?.asked,
  ).toBe(3_334)
})

test('an event that counts with fixed points adds them', () => {
  const fixed: BareMark = { kind: 'exempt', fixedCentipoints: 4_500, total: 'unchanged' }
  expect(total(earned(6_000), earned(6_000), fixed)).toMatchObject({ outcome: 'met', points: { centipoints: 16_500 } })
  expect(total(earned(6_000), earned(5_999), fixed)).toMatchObject({ outcome: 'short' })
})

test('an officer who decides an open mark as met gives at least the least points', () => {
  const decided: BareMark = { kind: 'decided', as: 'met', points: { centipoints: 4_400, minimumCentipoints: 4_500 } }
  expect(total(earned(6_000), earned(6_000), decided)).toMatchObject({
    outcome: 'met',
    points: { centipoints: 16_500 },
  })
})

test('events without points have to be met beside the total', () => {
  expect(decide(TOTAL, [earned(10_000), earned(10_000), SHORT], [10_000, 10_000, 0])).toMatchObject({
    outcome: 'short',
    deciding: [2],
  })
})

const BEST: Combination = { kind: 'bestOf', eventsToMeet: 2 }
const best = (...marks: BareMark[]) => decide(BEST, marks, [])

test('two of three: met as soon as two are met, short as soon as two are lost', () => {
  expect(best(MET, MET, WAITING)).toMatchObject({ outcome: 'met', settled: true, deciding: [0, 1] })
  expect(best(MET, SHORT, WAITING)).toMatchObject({ outcome: 'notFinished', settled: false })
  expect(best(SHORT, SHORT, WAITING)).toMatchObject({ outcome: 'short', settled: true, deciding: [0, 1] })
  expect(best(ended('didNotFinish'), SHORT, MET)).toMatchObject({ outcome: 'short', because: 'cannotReachEnough' })
  expect(best(MET, SHORT, OPEN)).toMatchObject({ outcome: 'open', settled: false })
  expect(best(WAITING, WAITING, WAITING)).toMatchObject({ outcome: 'notStarted' })
})

test('what nobody can miss is not one of so many that have to be met', () => {
  const SCORED: BareMark = { kind: 'scored' }
  const judged = (...marks: BareMark[]) => decide(BEST, marks, [], [true, true, true, false])
  // two cuts met; a class reached beside them adds nothing, and one cut with it is not two
  expect(judged(MET, MET, SHORT, WAITING)).toMatchObject({ outcome: 'met', settled: true, deciding: [0, 1] })
  expect(judged(MET, SHORT, SHORT, SCORED)).toMatchObject({ outcome: 'short', because: 'cannotReachEnough' })
  expect(judged(MET, SHORT, WAITING, SCORED)).toMatchObject({ outcome: 'notFinished', settled: false })
  expect(judged(SHORT, SHORT, WAITING, WAITING)).toMatchObject({ outcome: 'short', settled: true, deciding: [0, 1] })
})

test('where nothing can be missed, taking part is all there is', () => {
  const taken = decide(BEST, [{ kind: 'scored' }, { kind: 'scored' }], [], [false, false])
  expect(taken).toMatchObject({ settled: true, because: 'tookPart' })
  expect(decide(BEST, [{ kind: 'scored' }, WAITING], [], [false, false])).toMatchObject({ outcome: 'notFinished' })
})

test('an exemption is no lost event', () => {
  const exempt: BareMark = { kind: 'exempt', fixedCentipoints: null, total: 'unchanged' }
  expect(best(MET, exempt, MET)).toMatchObject({ outcome: 'met' })
  expect(best(MET, exempt, exempt)).toMatchObject({ outcome: 'met' })
  expect(best(SHORT, exempt, WAITING)).toMatchObject({ outcome: 'short' })
})

test('a breach of safety overrides where the standard says so, and is short in its event in any case', () => {
  const marks = [MET, MET, ended('breach')]
  expect(decide({ ...BEST, safetyBreachOverrides: true }, marks, [])).toMatchObject({
    outcome: 'short',
    because: 'breach',
    settled: true,
  })
  expect(decide(BEST, marks, [])).toMatchObject({ outcome: 'met' })
  expect(decide({ kind: 'everyEventMet' }, marks, [])).toMatchObject({ outcome: 'short', because: 'marks' })
})

test('taking part is enough where nothing is judged', () => {
  const scored: BareMark = { kind: 'scored' }
  expect(decide({ kind: 'tookPart' }, [scored, scored], [])).toMatchObject({ outcome: 'met', because: 'tookPart' })
  expect(decide({ kind: 'tookPart' }, [scored, WAITING], [])).toMatchObject({ outcome: 'notFinished' })
})

test('everybody who is exempt from everything is exempt', () => {
  const exempt: BareMark = { kind: 'exempt', fixedCentipoints: null, total: 'unchanged' }
  expect(decide({ kind: 'everyEventMet' }, [exempt, exempt], [])).toMatchObject({ outcome: 'exempt' })
  expect(decide({ kind: 'everyEventMet' }, [exempt, MET], [])).toMatchObject({ outcome: 'met' })
})

test('disqualified and withdrawn come before what the figures say', () => {
  for (const combination of [TOTAL, BEST, { kind: 'everyEventMet' }, { kind: 'tookPart' }] as const) {
    expect(decide(combination, [SHORT, ended('withdrawn')], [0, 0]).outcome).toBe('withdrawn')
    expect(decide(combination, [ended('withdrawn'), ended('disqualified')], [0, 0]).outcome).toBe('disqualified')
  }
})
