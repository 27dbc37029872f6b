import fc from 'fast-check'
import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import type { Capture } from '../capture/capture.ts'
import type { Protocol } from '../kinds/kinds.ts'
import {
  decisionsIn,
  drillStyle,
  DRILL_LEVELS,
  faultsOf,
  figureAt,
  FLAGGED,
  guideOf,
  makeDrill,
  MOVEMENTS,
  movementsFor,
  sayEye,
  sayItem,
  scoreDrill,
  VIEWS,
  weakest,
  worstAtMs,
  type Drill,
  type DrillDecision,
  type DrillSpec,
  type Movement,
} from './index.ts'

const CONSTABULARY = demoStandard('constabulary-entry-v3')
const GUARD = demoStandard('guard-service-v4')
const STAFF_CHECK = demoStandard('active-staff-check-v1')

const protocolOf = (id: string, { events, alternateEvents = [] } = CONSTABULARY): Protocol => {
  const event = [...events, ...alternateEvents].find((one) => one.id === id)
  if (!event) throw new Error(`No event ${id}.`)
  return event.protocol
}
const PRESS_UPS = protocolOf('press-ups')
const refusing = (...labels: readonly string[]): Protocol => ({
  ...(PRESS_UPS as Extract<Protocol, { kind: 'repetitionsInTime' }>),
  refusals: labels.map((label, at) => ({ id: `reason-${at}`, label })),
})
/** A protocol that shows each movement. */
const PROTOCOLS: Readonly<Record<Movement, Protocol>> = {
  pressUp: PRESS_UPS,
  curlUp: refusing('Not up', 'Shoulder blades not down', 'Hands off the ears', 'Bottom lifts', 'Feet lift'),
  pullUp: protocolOf('pull-ups', GUARD),
  squat: refusing('Not low enough', 'Legs not straight', 'Leans over', 'Heels lift'),
  trunkHold: protocolOf('trunk-hold'),
  hang: protocolOf('bent-arm-hang', GUARD),
  shuttleTurn: protocolOf('shuttle', GUARD),
}
const ZONE_CM = 200
const specOf = (movement: Movement, rest: Partial<DrillSpec> = {}): DrillSpec => ({
  movement,
  level: 3,
  seed: 27,
  lanes: 1,
  ...rest,
})
const SPECS = fc.record({
  movement: fc.constantFrom(...MOVEMENTS),
  level: fc.constantFrom(...DRILL_LEVELS),
  seed: fc.integer({ min: 1, max: 9_999 }),
  lanes: fc.integer({ min: 1, max: 4 }),
})

/** What somebody who sees everything presses, `afterMs` after it can be told. */
const perfect = (drill: Drill, afterMs = 400): DrillDecision[] =>
  drill.lanes.flatMap(({ items }, lane) =>
    items.flatMap(({ decideAtMs, fault }): DrillDecision[] => {
      if (drillStyle(drill.spec.movement) === 'counted')
        return [{ lane, atMs: decideAtMs + afterMs, answer: fault?.reasonId ?? 'counted' }]
      return fault ? [{ lane, atMs: decideAtMs + afterMs, answer: FLAGGED }] : []
    }),
  )

test('the same seed gives everybody the same set, another one another', () => {
  fc.assert(
    fc.property(SPECS, (spec) => {
      const once = makeDrill(PROTOCOLS[spec.movement], spec)
      expect(makeDrill(PROTOCOLS[spec.movement], spec)).toEqual(once)
      const other = makeDrill(PROTOCOLS[spec.movement], { ...spec, seed: spec.seed + 1 })
      expect(other.lanes).not.toEqual(once.lanes)
    }),
    { numRuns: 40 },
  )
})

test('repetitions follow each other, are told within themselves or a little later, and show every fault of the protocol', () => {
  fc.assert(
    fc.property(SPECS, (spec) => {
      const { lanes, faults } = makeDrill(PROTOCOLS[spec.movement], spec)
      expect(lanes).toHaveLength(spec.lanes)
      for (const { items, endsAtMs } of lanes) {
        for (const [at, { no, fromMs, toMs, decideAtMs }] of items.entries()) {
          expect(no).toBe(at + 1)
          expect(fromMs).toBeGreaterThanOrEqual(items[at - 1]?.toMs ?? 0)
          expect(toMs).toBeGreaterThan(fromMs)
          expect(decideAtMs).toBeGreaterThan(fromMs)
          expect(decideAtMs).toBeLessThanOrEqual(toMs)
        }
        expect(endsAtMs).toBeGreaterThan(items.at(-1)?.toMs ?? 0)
        expect(items[0]?.fault).toBeNull()
        for (const { reasonId } of faults) expect(items.some(({ fault }) => fault?.reasonId === reasonId)).toBe(true)
      }
    }),
    { numRuns: 60 },
  )
})

test('faults grow rarer and smaller with the level', () => {
  const shareAndSize = (level: DrillSpec['level']): readonly [number, number] => {
    const items = Array.from({ length: 20 }, (_, seed) =>
      makeDrill(PRESS_UPS, specOf('pressUp', { level, seed: seed + 1 })),
    )
      .flatMap(({ lanes }) => lanes)
      .flatMap((lane) => lane.items)
    const faults = items.flatMap(({ fault }) => fault ?? [])
    return [faults.length / items.length, faults.reduce((sum, { cm }) => sum + cm, 0) / faults.length]
  }
  const all = DRILL_LEVELS.map(shareAndSize)
  for (const [at, [share, size]] of all.entries()) {
    expect(share).toBeLessThan(all[at - 1]?.[0] ?? 1)
    expect(size).toBeLessThan(all[at - 1]?.[1] ?? 100)
  }
})

test('a fault that is asked for is shown more often than the others', () => {
  const timesIn = (more?: string): number =>
    makeDrill(PRESS_UPS, specOf('pressUp', { level: 1, ...(more ? { more } : {}) }))
      .lanes.flatMap(({ items }) => items)
      .filter(({ fault }) => fault?.reasonId === 'body-line').length
  expect(timesIn('body-line')).toBeGreaterThan(timesIn())
})

test('a set that is worked perfectly agrees in everything, whatever it shows', () => {
  fc.assert(
    fc.property(SPECS, fc.integer({ min: 0, max: 650 }), (spec, afterMs) => {
      const drill = makeDrill(PROTOCOLS[spec.movement], spec)
      const score = scoreDrill(drill, perfect(drill, afterMs))
      expect(score.kappa).toBe(1)
      expect(score.counted).toBe(score.truly)
      expect(score.extra).toBe(0)
      expect(score.reactionMs).toBe(afterMs)
      for (const { shown, seen, wrongly } of score.faults) expect([shown, wrongly]).toEqual([seen, 0])
      expect(weakest(score)).toBeNull()
    }),
    { numRuns: 60 },
  )
})

/** Ten repetitions of two seconds: the 3rd is too high, the 6th sags, the 9th is too high. */
const TEN: Drill = {
  spec: specOf('pressUp'),
  faults: faultsOf(PRESS_UPS, 'pressUp').shown,
  notShown: [],
  durationMs: 21_000,
  lanes: [
    {
      build: 'female',
      endsAtMs: 21_000,
      items: Array.from({ length: 10 }, (_, at) => {
        const form = ({ 2: 'depth', 5: 'bodyLine', 8: 'depth' } as const)[at as 2]
        const shown = faultsOf(PRESS_UPS, 'pressUp').shown.find((one) => one.form === form)
        const [fromMs, toMs] = [at * 2_000, (at + 1) * 2_000]
        return {
          no: at + 1,
          fromMs,
          toMs,
          decideAtMs: toMs - 200,
          fault: shown ? { ...shown, cm: 8 } : null,
          slackCm: 1,
        }
      }),
    },
  ],
}
const said = (...answers: readonly (string | null)[]): DrillDecision[] =>
  answers.flatMap((answer, at) => (answer === null ? [] : [{ lane: 0, atMs: (at + 1) * 2_000 + 300, answer }]))
const C = 'counted'

test('who refuses nothing agrees no better than chance', () => {
  const score = scoreDrill(TEN, said(C, C, C, C, C, C, C, C, C, C))
  // 7 of 10 agree, and 1.0 × 0.7 + 0 × 0.3 = 0.7 would by chance
  expect(score).toMatchObject({ kappa: 0, counted: 10, truly: 7, extra: 0, reactionMs: 500 })
  expect(score.items.map(({ result }) => result).filter((result) => result === 'letThrough')).toHaveLength(3)
})

test('one let through, one refused for another reason, one refused wrongly, one not pressed, one pressed twice', () => {
  const twice: DrillDecision = { lane: 0, atMs: 19_700, answer: C }
  const score = scoreDrill(TEN, [...said(C, 'depth', 'depth', C, null, C, C, C, 'lock-out', C), twice])
  expect(score.items.map(({ result }) => result)).toEqual([
    'right',
    'refusedWrongly',
    'refusedRightly',
    'right',
    'notSeen',
    'letThrough',
    'right',
    'right',
    'otherReason',
    'right',
  ])
  // rows sound 7 and faulty 3; columns counted 6, refused 3, not seen 1: agree 5 + 2 of 10; by chance (7×6 + 3×3) / 100
  expect(score.kappa).toBeCloseTo((0.7 - 0.51) / (1 - 0.51), 10)
  expect(score).toMatchObject({ counted: 7, truly: 7, extra: 1 })
  expect(score.faults).toEqual([
    { reasonId: 'depth', label: 'Not low enough', shown: 2, seen: 1, wrongly: 1 },
    { reasonId: 'lock-out', label: 'Arms not straight', shown: 0, seen: 0, wrongly: 1 },
    { reasonId: 'body-line', label: 'Body line lost', shown: 1, seen: 0, wrongly: 0 },
  ])
  expect(score.items.map((item) => sayItem(TEN, item)).slice(0, 6)).toEqual([
    'You counted it. It was sound.',
    'You refused it: not low enough. It was sound, and counts.',
    'You refused it: not low enough. It was to be refused: not low enough, not reached by 8 cm.',
    'You counted it. It was sound.',
    'You pressed nothing. It was sound, and counts.',
    'You counted it. It was to be refused: body line lost, 8 cm below the line.',
  ])
  expect(sayEye(score)).toEqual([
    'You decide in 0.5 s.',
    'Not low enough: 1 of 2 escaped you; the next set shows more of it.',
  ])
})

test('a set that is left half-way is scored as far as it was shown', () => {
  const score = scoreDrill(TEN, said(C, C, 'depth', C), [8_100])
  expect(score).toMatchObject({ kappa: 1, counted: 3, truly: 3 })
  expect(score.items).toHaveLength(4)
})

test('a position is only answered where it is lost: what is let pass is sound', () => {
  const drill = makeDrill(PROTOCOLS.trunkHold, specOf('trunkHold', { level: 1 }))
  const faulty = drill.lanes[0]?.items.filter(({ fault }) => fault) ?? []
  const nothing = scoreDrill(drill, [])
  expect(nothing).toMatchObject({ kappa: 0, reactionMs: null })
  expect(nothing.items.filter(({ result }) => result === 'letThrough')).toHaveLength(faulty.length)
  const sound = drill.lanes[0]?.items.find(({ fault }) => !fault)
  const wrongly = scoreDrill(drill, [
    ...perfect(drill),
    { lane: 0, atMs: (sound?.decideAtMs ?? 0) + 300, answer: FLAGGED },
  ])
  expect(wrongly.items.filter(({ result }) => result === 'refusedWrongly')).toHaveLength(1)
  expect(wrongly.kappa).toBeLessThan(1)
})

test('answers are read from captures, from the start of each lane', () => {
  const capture = (kind: string, entryId: string, atMs: number, payload: object = {}): Capture =>
    ({ kind, entryId, atMs, payload, id: `${atMs}`, eventId: 'press-ups' }) as unknown as Capture
  const captures = [
    capture('started', 'a', 1_000),
    capture('counted', 'a', 3_100),
    capture('refused', 'a', 5_000, { reason: 'depth' }),
    capture('missed', 'b', 6_000),
    capture('cautioned', 'c', 7_000),
  ]
  expect(decisionsIn(captures, ['a', 'b', 'c'], [1_000, 2_000, null], 'beat')).toEqual([
    { lane: 0, atMs: 2_100, answer: 'counted' },
    { lane: 0, atMs: 4_000, answer: 'depth' },
    { lane: 1, atMs: 4_000, answer: 'beat' },
  ])
  expect(decisionsIn(captures, ['c'], [2_000], null)).toEqual([{ lane: 0, atMs: 5_000, answer: FLAGGED }])
})

test('reasons are shown by what they say; what cannot be drawn is named', () => {
  expect(faultsOf(PRESS_UPS, 'pressUp').shown.map(({ reasonId, form }) => [reasonId, form])).toEqual([
    ['depth', 'depth'],
    ['lock-out', 'lockOut'],
    ['body-line', 'bodyLine'],
  ])
  expect(faultsOf(PROTOCOLS.pullUp, 'pullUp').shown.map(({ reasonId, form }) => [reasonId, form])).toEqual([
    ['chin', 'depth'],
    ['arms', 'lockOut'],
    ['swing', 'swing'],
  ])
  expect(faultsOf(refusing('Not low enough', 'Shouts'), 'pressUp').notShown).toEqual(['Shouts'])
  expect(() => makeDrill(refusing('Shouts'), specOf('pressUp'))).toThrow('can be shown')
})

test.each([
  ['Press-ups', PRESS_UPS, 'pressUp'],
  ['Pull-ups', PROTOCOLS.pullUp, 'pullUp'],
  ['Squats in 60 s', PRESS_UPS, 'squat'],
  ['Trunk hold', PROTOCOLS.trunkHold, 'trunkHold'],
  ['Bent-arm hang', PROTOCOLS.hang, 'hang'],
  ['Reach with ruler', protocolOf('reach', STAFF_CHECK), undefined],
  ['Shuttle', PROTOCOLS.shuttleTurn, 'shuttleTurn'],
  ['Wall sit', PROTOCOLS.trunkHold, undefined],
  ['Grip', protocolOf('grip'), undefined],
  ['Run', protocolOf('run'), undefined],
] as const)('%s is drawn as what it is', (name, protocol, movement) => {
  expect(movementsFor({ name, protocol })[0]).toBe(movement)
})

test('figures stay whole: every joint is a number, near the ground or the bar, and moves without a jump', () => {
  fc.assert(
    fc.property(SPECS, fc.constantFrom(...VIEWS), fc.nat(), (spec, view, anywhere) => {
      const drill = makeDrill(PROTOCOLS[spec.movement], spec)
      const ms = anywhere % (drill.durationMs + 2_000)
      const [now, later] = [ms, ms + 16].map((at) =>
        figureAt(drill, 0, at, view, ZONE_CM).flatMap(({ points }) => points),
      )
      expect(now?.length).toBe(later?.length)
      for (const [at, { x, y }] of (now ?? []).entries()) {
        expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true)
        expect(Math.abs(x)).toBeLessThan(1_100)
        expect(y).toBeGreaterThan(-12)
        expect(y).toBeLessThan(290)
        const next = later?.[at]
        // nothing of a body moves faster than 15 m/s; from the front, what is nearer comes later in the list
        if (view === 'side') expect(Math.hypot((next?.x ?? 0) - x, (next?.y ?? 0) - y)).toBeLessThan(24)
      }
    }),
    { numRuns: 300 },
  )
})

test('the moment a fault is worst shows it, with where it should have been', () => {
  const drill = makeDrill(PRESS_UPS, specOf('pressUp', { level: 1 }))
  const lane = drill.lanes[0]
  for (const form of ['depth', 'bodyLine', 'lockOut']) {
    const item = lane?.items.find(({ fault }) => fault?.form === form)
    if (!item?.fault) throw new Error(`No ${form} is shown.`)
    const guide = guideOf(drill, 0, item, worstAtMs(item))
    expect(guide).not.toBeNull()
    // the chest stays so far above the fist as is said
    if (form === 'depth' && guide) expect(guide.to.y - guide.from.y).toBeCloseTo(item.fault.cm, -0.5)
  }
})
