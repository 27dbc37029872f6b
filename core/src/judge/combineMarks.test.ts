import { expect, test } from 'vitest'
import type { Combination } from '../standard/combination.ts'
import { combineMarks, type BareMark, type Combined } from './combineMarks.ts'

const earned = (centipoints: number, minimumCentipoints = 4_500): BareMark => ({
  kind: centipoints >= minimumCentipoints ? 'met' : 'short',
  points: { centipoints, minimumCentipoints },
})
const MET: BareMark = { kind: 'met' }
const SHORT: BareMark = { kind: 'short' }
const WAITING: BareMark = { kind: 'waiting' }
const OPEN: BareMark = { kind: 'open', reason: 'noBodyMass' }
const SCORED: BareMark = { kind: 'scored' }
const EXEMPT: BareMark = { kind: 'exempt', fixedCentipoints: null, total: 'unchanged' }
const ended = (reason: 'didNotFinish' | 'failed' | 'breach' | 'withdrawn' | 'disqualified'): BareMark => ({
  kind: 'ended',
  reason,
})

/** @param full points each event can earn @param judged whether it can be missed; every one, when left out @param most points while a choice is open */
const combined = (
  combination: Combination,
  marks: readonly BareMark[],
  full: readonly number[] = [],
  judged: readonly boolean[] = marks.map(() => true),
  most = full,
): Combined => combineMarks(combination, marks, { judged, fullCentipoints: full, mostCentipoints: most })

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
const total = (...marks: BareMark[]) => combined(TOTAL, marks, FULL)

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
  expect(combined({ ...TOTAL, totalCentipoints: 24_500 }, marks, FULL)).toMatchObject({
    outcome: 'notFinished',
    settled: false,
  })
  expect(combined({ ...TOTAL, totalCentipoints: 24_501 }, marks, FULL)).toMatchObject({
    outcome: 'short',
    because: 'cannotReachTotal',
    settled: true,
  })
})

test('whoever breaks off is short when the total is out of reach, and has not finished when it is not', () => {
  // 55 + 0 + 100 is less than 165
  expect(total(earned(5_500), ended('didNotFinish'), WAITING)).toMatchObject({ outcome: 'short', settled: true })
  expect(total(earned(6_500), ended('didNotFinish'), WAITING)).toMatchObject({ outcome: 'notFinished', settled: true })
  expect(total(earned(6_499), ended('didNotFinish'), WAITING)).toMatchObject({ outcome: 'short', settled: true })
})

test('an event that has not begun may earn what any open choice gives; once begun only what was chosen', () => {
  const [full, most] = [
    [10_000, 6_000],
    [10_000, 9_000],
  ]
  const asked = (mark: BareMark, totalCentipoints: number) =>
    combined({ ...TOTAL, totalCentipoints }, [earned(10_000), mark], full, [true, true], most).outcome
  expect([asked(WAITING, 19_000), asked(WAITING, 19_001)]).toEqual(['notFinished', 'short'])
  expect([asked({ kind: 'running' }, 16_000), asked({ kind: 'running' }, 16_001)]).toEqual(['notFinished', 'short'])
})

test('a mark near the cut can earn no more than its points or the least that is asked, whatever is decided', () => {
  const near = (centipoints: number): BareMark => ({
    kind: 'open',
    reason: 'nearTheCut',
    points: { centipoints, minimumCentipoints: 4_500 },
  })
  // decided as met, 44 points count as 45
  expect(total(earned(6_000), earned(6_000), near(4_400))).toMatchObject({ outcome: 'open', settled: false })
  expect(total(earned(6_000), earned(5_999), near(4_400))).toMatchObject({ outcome: 'short', settled: true })
  expect(total(earned(6_000), earned(5_900), near(4_600))).toMatchObject({ outcome: 'open', settled: false })
  expect(total(earned(6_000), earned(5_899), near(4_600))).toMatchObject({ outcome: 'short', settled: true })
  // without figures everything may come of it
  expect(total(earned(6_000), earned(5_999), OPEN)).toMatchObject({ outcome: 'open' })
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
    combined(
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
  expect(combined(TOTAL, [earned(10_000), earned(10_000), SHORT], [10_000, 10_000, 0])).toMatchObject({
    outcome: 'short',
    deciding: [2],
  })
})

const BEST: Combination = { kind: 'bestOf', eventsToMeet: 2 }
const best = (...marks: BareMark[]) => combined(BEST, marks, [])

test('two of three: met as soon as two are met, short as soon as two are lost', () => {
  expect(best(MET, MET, WAITING)).toMatchObject({ outcome: 'met', settled: true, deciding: [0, 1] })
  expect(best(MET, SHORT, WAITING)).toMatchObject({ outcome: 'notFinished', settled: false })
  expect(best(SHORT, SHORT, WAITING)).toMatchObject({ outcome: 'short', settled: true, deciding: [0, 1] })
  expect(best(ended('didNotFinish'), SHORT, MET)).toMatchObject({ outcome: 'short', because: 'cannotReachEnough' })
  expect(best(MET, SHORT, OPEN)).toMatchObject({ outcome: 'open', settled: false })
  expect(best(WAITING, WAITING, WAITING)).toMatchObject({ outcome: 'notStarted' })
})

test('what nobody can miss is not one of so many that have to be met', () => {
  const judged = (...marks: BareMark[]) => combined(BEST, marks, [], [true, true, true, false])
  // two cuts met; a class reached beside them adds nothing, and one cut with it is not two
  expect(judged(MET, MET, SHORT, WAITING)).toMatchObject({ outcome: 'met', settled: true, deciding: [0, 1] })
  expect(judged(MET, SHORT, SHORT, SCORED)).toMatchObject({ outcome: 'short', because: 'cannotReachEnough' })
  expect(judged(MET, SHORT, WAITING, SCORED)).toMatchObject({ outcome: 'notFinished', settled: false })
  expect(judged(SHORT, SHORT, WAITING, WAITING)).toMatchObject({ outcome: 'short', settled: true, deciding: [0, 1] })
})

test('where nothing can be missed, taking part is all there is', () => {
  const taken = combined(BEST, [{ kind: 'scored' }, { kind: 'scored' }], [], [false, false])
  expect(taken).toMatchObject({ outcome: 'tookPart', settled: true, because: 'tookPart' })
  expect(combined(BEST, [{ kind: 'scored' }, WAITING], [], [false, false])).toMatchObject({ outcome: 'notFinished' })
})

test('an exemption is no lost event', () => {
  const exempt = EXEMPT
  expect(best(MET, exempt, MET)).toMatchObject({ outcome: 'met' })
  expect(best(MET, exempt, exempt)).toMatchObject({ outcome: 'met' })
  expect(best(SHORT, exempt, WAITING)).toMatchObject({ outcome: 'short' })
})

test('a breach of safety overrides where the standard says so, and is short in its event in any case', () => {
  const marks = [MET, MET, ended('breach')]
  expect(combined({ ...BEST, safetyBreachOverrides: true }, marks, [])).toMatchObject({
    outcome: 'short',
    because: 'breach',
    settled: true,
  })
  expect(combined(BEST, marks, [])).toMatchObject({ outcome: 'met' })
  expect(combined({ kind: 'everyEventMet' }, marks, [])).toMatchObject({ outcome: 'short', because: 'marks' })
})

test('where nothing is judged the word is never met', () => {
  const none = [false, false]
  for (const combination of [{ kind: 'tookPart' }, { kind: 'everyEventMet' }, BEST] as const) {
    expect(combined(combination, [SCORED, SCORED], [], none)).toMatchObject({ outcome: 'tookPart', settled: true })
    expect(combined(combination, [SCORED, WAITING], [], none)).toMatchObject({ outcome: 'notFinished', settled: false })
  }
  // points nobody can have too few of: the class is told
  const points = (centipoints: number): BareMark => ({
    kind: 'scored',
    points: { centipoints, minimumCentipoints: null },
  })
  expect(
    combined({ ...TOTAL, totalCentipoints: 0 }, [points(9_000), points(9_000)], [10_000, 10_000], none),
  ).toMatchObject({ outcome: 'tookPart', points: { centipoints: 18_000, className: 'Harbour' } })
  // exempt from the one event that is judged, a person takes part in the others
  for (const combination of [{ kind: 'everyEventMet' }, { kind: 'bestOf', eventsToMeet: 1 }] as const) {
    expect(combined(combination, [EXEMPT, SCORED], [], [true, false])).toMatchObject({ outcome: 'tookPart' })
    expect(combined(combination, [MET, SCORED], [], [true, false])).toMatchObject({ outcome: 'met' })
  }
})

test('giving up one event of an effort week ends that event, not the week', () => {
  const week = (...marks: BareMark[]) => combined({ kind: 'tookPart' }, marks)
  expect(week(SCORED, ended('didNotFinish'), WAITING)).toMatchObject({ outcome: 'notFinished', settled: false })
  expect(week(SCORED, ended('didNotFinish'), SCORED)).toMatchObject({ outcome: 'tookPart', settled: true })
  expect(week(SCORED, ended('withdrawn'), WAITING)).toMatchObject({ outcome: 'withdrawn', settled: true })
})

test('everybody who is exempt from everything is exempt, however the events combine', () => {
  for (const combination of [TOTAL, BEST, { kind: 'everyEventMet' }, { kind: 'tookPart' }] as const) {
    expect(combined(combination, [EXEMPT, EXEMPT], [10_000, 10_000])).toMatchObject({
      outcome: 'exempt',
      settled: true,
    })
  }
  expect(combined({ kind: 'everyEventMet' }, [EXEMPT, MET])).toMatchObject({ outcome: 'met' })
})

/** In the one order; each comes before every one below it. */
const ORDER: readonly (readonly [outcome: string, mark: BareMark])[] = [
  ['disqualified', ended('disqualified')],
  ['withdrawn', ended('withdrawn')],
  ['short', ended('breach')],
  ['short', SHORT],
  ['open', OPEN],
  ['notFinished', ended('didNotFinish')],
  ['notFinished', WAITING],
  ['met', MET],
]
const PAIRS = ORDER.flatMap(([outcome, first], place) =>
  ORDER.slice(place + 1).map(([, second]) => ({ outcome, first, second })),
)

test.each(PAIRS)(
  '$first.kind $first.reason and $second.kind $second.reason: $outcome',
  ({ outcome, first, second }) => {
    const every = { kind: 'everyEventMet', safetyBreachOverrides: true } as const
    expect(combined(every, [first, second]).outcome).toBe(outcome)
    expect(combined(every, [second, first]).outcome).toBe(outcome)
    // exempt from one of two events changes nothing, from all of them it is all there is to say
    expect(combined(every, [EXEMPT, first, second]).outcome).toBe(outcome)
  },
)

test('disqualified and withdrawn come before what the figures say, and before a breach', () => {
  for (const combination of [TOTAL, BEST, { kind: 'everyEventMet' }, { kind: 'tookPart' }] as const) {
    const strict = { ...combination, safetyBreachOverrides: true }
    expect(combined(combination, [SHORT, ended('withdrawn')], [0, 0]).outcome).toBe('withdrawn')
    expect(combined(combination, [ended('withdrawn'), ended('disqualified')], [0, 0]).outcome).toBe('disqualified')
    expect(combined(strict, [ended('breach'), ended('withdrawn')], [0, 0]).outcome).toBe('withdrawn')
    expect(combined(strict, [ended('breach'), ended('disqualified')], [0, 0]).outcome).toBe('disqualified')
    expect(combined(strict, [ended('breach'), MET], [0, 0])).toMatchObject({ outcome: 'short', because: 'breach' })
  }
})

const decided = (as: 'met' | 'short', centipoints?: number, minimumCentipoints: number | null = null): BareMark => ({
  kind: 'decided',
  as,
  ...(centipoints === undefined ? {} : { points: { centipoints, minimumCentipoints } }),
})
const EVERY: Combination = { kind: 'everyEventMet' }

test('what the officer decided counts as decided', () => {
  expect(combined(EVERY, [MET, decided('met')])).toMatchObject({ outcome: 'met', because: 'marks' })
  expect(combined(EVERY, [MET, decided('short')])).toMatchObject({ outcome: 'short', deciding: [1] })
  const two: Combination = { kind: 'bestOf', eventsToMeet: 2 }
  expect(combined(two, [MET, decided('met'), SHORT])).toMatchObject({
    outcome: 'met',
    deciding: [0, 1],
    because: 'enoughMet',
  })
  expect(combined(two, [MET, decided('short'), SHORT])).toMatchObject({ outcome: 'short' })
  expect(combined(two, [MET, SCORED, SHORT])).toMatchObject({ outcome: 'met', deciding: [0, 1] })
  expect(combined(two, [MET, ended('failed'), WAITING])).toMatchObject({ outcome: 'notFinished' })
})

test('nobody is exempt from a battery without events, and failing is short where breaking off is not finished', () => {
  expect(combined(EVERY, []).outcome).not.toBe('exempt')
  expect(combined(EVERY, [EXEMPT, EXEMPT])).toMatchObject({ outcome: 'exempt', deciding: [0, 1], settled: true })
  expect(combined(EVERY, [MET, ended('failed')])).toMatchObject({ outcome: 'short', deciding: [1] })
  expect(combined(EVERY, [MET, ended('breach')])).toMatchObject({ outcome: 'short', deciding: [1] })
  expect(combined(EVERY, [MET, ended('didNotFinish')])).toMatchObject({ outcome: 'notFinished', deciding: [1] })
  // exempt from one and nothing begun: not started
  expect(combined(EVERY, [EXEMPT, WAITING])).toMatchObject({ outcome: 'notStarted' })
  expect(combined(EVERY, [MET, WAITING])).toMatchObject({ outcome: 'notFinished', settled: false })
})

test('a decision about points counts at least what was asked of it, or what was earned', () => {
  const points = (mark: BareMark) => total(mark, earned(5_500), earned(5_500)).points?.centipoints
  expect(points(decided('met', 4_400, 4_500))).toBe(15_500)
  expect(points(decided('met', 6_000, 4_500))).toBe(17_000)
  expect(points(decided('met', 5_000))).toBe(16_000)
  expect(points(decided('met'))).toBe(11_000)
  expect(points(decided('short', 4_400, 4_500))).toBe(15_400)
  expect(points(decided('short'))).toBe(11_000)
})

test('why a total is missed: the figures, or that what is left cannot reach it; no class is told then', () => {
  const low = earned(4_600)
  expect(total(low, low, low)).toMatchObject({
    outcome: 'short',
    because: 'total',
    deciding: [0, 1, 2],
    points: { className: null },
  })
  const rest: Combination = { ...TOTAL, totalCentipoints: 25_000 } as Combination
  expect(combined(rest, [low, low, WAITING], FULL)).toMatchObject({
    because: 'cannotReachTotal',
    deciding: [0, 1],
    settled: true,
  })
  expect(combined(rest, [low, low, OPEN], FULL)).toMatchObject({ because: 'cannotReachTotal', deciding: [0, 1] })
  expect(total(earned(7_000), earned(7_000), SHORT)).toMatchObject({ outcome: 'short', points: { className: null } })
  expect(total(earned(7_000), earned(7_000), WAITING)).toMatchObject({
    outcome: 'notFinished',
    points: { className: null },
  })
  expect(total(earned(7_000), earned(7_000), earned(7_000))).toMatchObject({ outcome: 'met', because: 'total' })
})
