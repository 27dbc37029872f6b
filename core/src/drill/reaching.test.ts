/** Reaches along a ruler: the same for everybody, and a reading is held against where the fingers stayed. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import {
  DRILL_LEVELS,
  makeReaches,
  practisedAs,
  practiceEvent,
  practiceOf,
  reachAt,
  reachingAt,
  reachLasts,
  readingAnswer,
  readingOf,
  readingsSent,
  scoreBody,
  scoreReaches,
  type Reach,
  type ReachResult,
} from './index.ts'

const EVENT = demoStandard('active-staff-check-v1').events.find(({ id }) => id === 'reach')
if (!EVENT) throw new Error('The staff check has a reach.')
const RULER = { zeroMm: 200, stepMm: 5, holdMs: 2_000, lesserHand: true, tries: 8 }
const SPECS = fc.record({
  level: fc.constantFrom(...DRILL_LEVELS),
  seed: fc.integer({ min: 1, max: 9_999 }),
})

test('what a protocol says of its ruler is what is practised on', () => {
  expect(practiceOf(EVENT.protocol)?.ruler).toEqual(RULER)
  expect(practisedAs(EVENT)).toEqual(['reach'])
  expect(practiceEvent(EVENT).protocol).toMatchObject({ attemptsAllowed: 8, zero: 200 })
  // nothing of a throw is read by eye from a foot line
  const thrown = demoStandard('guard-service-v4').events.find(({ id }) => id === 'throw')
  expect(thrown && practisedAs(thrown)).toEqual([])
})

test('the same seed gives the same reaches, each on a step of the ruler and held as long as is asked', () => {
  fc.assert(
    fc.property(SPECS, (spec) => {
      const reaches = makeReaches(spec, RULER)
      expect(makeReaches(spec, RULER)).toEqual(reaches)
      expect(reaches.map(({ no }) => no)).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
      for (const reach of reaches) {
        for (const mm of [...reach.staysMm, reach.dartsMm]) {
          expect(mm % RULER.stepMm).toBe(0)
          expect(mm).toBeGreaterThanOrEqual(0)
        }
        expect(reach.staysMs).toBeGreaterThan(RULER.holdMs)
      }
    }),
  )
})

test('where both hands are read as one, none is ahead', () => {
  for (const seed of [1, 2, 3, 4, 5])
    for (const { staysMm } of makeReaches({ level: 5, seed }, { ...RULER, lesserHand: false }))
      expect(staysMm[0]).toBe(staysMm[1])
})

const reach = (change: Partial<Reach> = {}): Reach => ({
  no: 1,
  staysMm: [250, 250],
  dartsMm: 0,
  staysMs: 3_000,
  build: 'female',
  ...change,
})

test('fingers slide on, dart, stay, and come off the ruler again', () => {
  const one = reach({ staysMm: [250, 280], dartsMm: 40 })
  expect(reachAt(one, 0)).toEqual({ share: 0, tipsMm: null })
  // in the middle of the dart both are 40 mm beyond
  expect(reachAt(one, 1_700 + 275).tipsMm?.map(Math.round)).toEqual([290, 320])
  for (const ms of [2_250, 3_000, 5_249]) expect(reachAt(one, ms).tipsMm?.map(Math.round)).toEqual([250, 280])
  expect(reachLasts(one)).toBe(1_700 + 550 + 3_000 + 1_000)
  expect(reachAt(one, reachLasts(one))).toEqual({ share: 0, tipsMm: null })
})

test('whoever reaches stays whole: every joint is a number, near the ground, and moves without a jump', () => {
  fc.assert(
    fc.property(SPECS, fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 7_000 }), (spec, at, ms) => {
      const one = makeReaches(spec, RULER)[at] ?? reach()
      const [now, soon] = [reachingAt(one, ms, RULER.zeroMm), reachingAt(one, ms + 16, RULER.zeroMm)]
      for (const [index, { points }] of now.entries())
        for (const [which, { x, y }] of points.entries()) {
          expect(Math.abs(x)).toBeLessThan(220)
          expect(y).toBeGreaterThan(-12)
          expect(y).toBeLessThan(150)
          const then = soon[index]?.points[which] ?? { x, y }
          // 15 m/s are 24 cm in a frame
          expect(Math.hypot(then.x - x, then.y - y)).toBeLessThan(24)
        }
    }),
  )
})

test.each<[string, Reach, number | null, ReachResult]>([
  ['where they stay', reach(), 250, 'right'],
  ['half a centimetre off', reach(), 255, 'right'],
  ['six millimetres off', reach(), 256, 'off'],
  ['nothing', reach(), null, 'missing'],
  ['the dart', reach({ dartsMm: 40 }), 290, 'dart'],
  ['the hand further back', reach({ staysMm: [280, 250] }), 250, 'right'],
  ['the hand ahead', reach({ staysMm: [280, 250] }), 280, 'handAhead'],
  ['where the hand ahead darted to', reach({ staysMm: [280, 250], dartsMm: 20 }), 300, 'dart'],
])('read: %s', (_, one, readMm, result) => {
  expect(scoreReaches([one], [readMm]).reaches[0]?.result).toBe(result)
})

test('two right of four, 20 mm apart on average over the three that were read', () => {
  const reaches = [reach(), reach({ no: 2 }), reach({ no: 3 }), reach({ no: 4 })]
  // 0, 5 and 55 mm off make 60; by three that is 20
  expect(scoreReaches(reaches, [250, 245, 305, null])).toMatchObject({ right: 2, apartMm: 20 })
})

test('a set is worth what was sent: all read rightly is 1, and of two readings of a try the later one counts', () => {
  const spec = { level: 3, seed: 12 } as const
  const reaches = makeReaches(spec, RULER)
  const right = reaches.map((one, at) => ({ lane: 0, atMs: at * 9_000, answer: readingAnswer(one.no, readingOf(one)) }))
  const sent = { ...spec, what: 'reach', lanes: 1, ends: [] } as const
  expect(scoreBody(EVENT, { ...sent, answers: right })).toMatchObject({ mark: 1, shown: 8, counted: 8, truly: 8 })
  const slip = { lane: 0, atMs: 100_000, answer: readingAnswer(1, 777) }
  expect(scoreBody(EVENT, { ...sent, answers: [slip, ...right] }).mark).toBe(7 / 8)
  expect(scoreBody(EVENT, { ...sent, answers: [{ ...slip, atMs: -5 }, ...right] }).mark).toBe(1)
  // faults are told with how often they were read through
  const { faults } = scoreBody(EVENT, { ...sent, answers: [] })
  const darting = reaches.filter(({ dartsMm }) => dartsMm > 0).length
  expect(faults.find(({ reasonId }) => reasonId === 'dart')).toMatchObject({ shown: darting, seen: 0 })
  expect(readingsSent(reaches, [{ answer: readingAnswer(2, 245) }]).slice(0, 3)).toEqual([null, 245, null])
})
