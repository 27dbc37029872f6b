import fc from 'fast-check'
import { expect, test } from 'vitest'
import { saidIn } from '../../testing/saidIn.ts'
import { bandsWith, KIND_CASES, plainEvent, plainStandard, soundStandard, type KindCase } from '../../testing/index.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { factsOf } from '../kinds/facts.ts'
import { EVENT_KINDS } from '../kinds/kinds.ts'
import { schoolsFor } from '../standard/schools.ts'
import { SCORINGS, type ScoringKind } from '../standard/scoring.ts'
import { compileScoring } from './compileScoring.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Mark } from './mark.ts'

const UNWEIGHED = { entryId: 'e', ageYears: 34, ageCountedOn: '2026-11-24', category: 'female' }
const PERSON = { ...UNWEIGHED, bodyMassG: 80_000 }

const judged = (one: KindCase, scoring: object, combination: object = { kind: 'everyEventMet' }): Mark => {
  const standard = soundStandard(plainStandard([plainEvent(one, scoring)], { combination }))
  const [event] = standard.events
  if (!event) throw new Error('The standard made for the test has no event.')
  const measure = measureReadings(event.protocol, one.readings)
  return judgeEvent({ standard, testDate: '2026-11-24' }, event, PERSON, measure)
}

const unitAndSense = (one: KindCase) => {
  const standard = soundStandard(plainStandard([plainEvent(one, { kind: 'effort' })]))
  const [event] = standard.events
  if (!event) throw new Error('The standard made for the test has no event.')
  return factsOf(event.protocol)
}

const met = (margin: number) => ({ kind: margin < 0 ? 'short' : 'met', margin })

test('every kind is in the hand-worked table, with every school that fits it', () => {
  expect(KIND_CASES.map(({ kind }) => kind)).toEqual(EVENT_KINDS)
  for (const one of KIND_CASES) {
    const standard = soundStandard(plainStandard([plainEvent(one, { kind: 'effort' })]))
    const [event] = standard.events
    const schools = event ? schoolsFor(event.protocol, factsOf(event.protocol)) : []
    const worked = (Object.keys(SCORINGS) as ScoringKind[]).filter((kind) => kind === 'effort' || kind in one)
    expect([...schools].sort(), one.kind).toEqual(worked.sort())
  }
})

test.each(KIND_CASES)('$kind: the readings are rounded as worked by hand', (one) => {
  expect(judged(one, { kind: 'effort' })).toMatchObject({ kind: 'scored', rounded: one.rounded })
})

test.each(KIND_CASES.filter(({ singleCut }) => singleCut))('$kind: a single cut', (one) => {
  const { unit, sense } = unitAndSense(one)
  const { cut = 0, margin = 0 } = one.singleCut ?? {}
  expect(judged(one, { kind: 'singleCut', unit, [sense]: cut })).toMatchObject(met(margin))
})

test.each(KIND_CASES.filter(({ cutByBand }) => cutByBand))('$kind: a cut by band', (one) => {
  const { unit, sense } = unitAndSense(one)
  const { cut = 0, margin = 0 } = one.cutByBand ?? {}
  const rows = bandsWith({ [sense]: cut }, { [sense]: cut + 1 })
  expect(judged(one, { kind: 'cutByBand', unit, rows })).toMatchObject({ ...met(margin), cut: { band: { row: 1 } } })
})

test.each(KIND_CASES.filter(({ pointsTable }) => pointsTable))('$kind: a points table', (one) => {
  const { unit } = unitAndSense(one)
  const { rows = [], lowerRow, interpolate } = one.pointsTable ?? {}
  const list = rows.map(([value, centipoints]) => ({ value, centipoints }))
  const bands = bandsWith({ rows: list }, { rows: list.slice(0, 1) })
  const points = (between: string) => judged(one, { kind: 'pointsTable', unit, between, bands })
  expect(points('lowerRow')).toMatchObject({ kind: 'scored', points: { centipoints: lowerRow } })
  expect(points('interpolate')).toMatchObject({ kind: 'scored', points: { centipoints: interpolate } })
})

test.each(KIND_CASES.filter(({ pointsByRule }) => pointsByRule))('$kind: points by rule', (one) => {
  const { unit } = unitAndSense(one)
  const { anchor = 0, perUnit = 1, started, whole } = one.pointsByRule ?? {}
  const rule = {
    kind: 'pointsByRule',
    unit,
    fullCentipoints: 10_000,
    offCentipoints: 500,
    perUnit,
    bands: bandsWith({ anchor }, { anchor: anchor + 1 }),
  }
  expect(judged(one, { ...rule, units: 'started' })).toMatchObject({ points: { centipoints: started } })
  expect(judged(one, { ...rule, units: 'whole' })).toMatchObject({ points: { centipoints: whole } })
})

test.each(KIND_CASES.filter(({ normClasses }) => normClasses))('$kind: norm classes', (one) => {
  const { unit } = unitAndSense(one)
  const { from = [], reached } = one.normClasses ?? {}
  const classes = ['low', 'middle', 'high'].map((id) => ({ id, name: id }))
  const scoring = { kind: 'normClasses', unit, classes, bands: bandsWith({ from }, { from }) }
  expect(judged(one, scoring)).toMatchObject({ kind: 'scored', className: reached })
})

test.each(KIND_CASES.filter(({ relativeCut }) => relativeCut))('$kind: a share of body mass', (one) => {
  const { constant = 0, permille = 0, cut = 0, margin = 0 } = one.relativeCut ?? {}
  const rows = [{ ageFrom: 0, constant, shareOfBodyMassPermille: permille }]
  const scoring = { kind: 'relativeCut', unit: 'g', of: 'lesser', shareRounding: { mode: 'truncate', step: 500 }, rows }
  expect(judged(one, scoring)).toMatchObject({ ...met(margin), cut: { value: cut } })
})

test.each(KIND_CASES.filter(({ completion }) => completion))('$kind: completion', (one) => {
  const { unit } = unitAndSense(one)
  const { atMost, margin = 0 } = one.completion ?? {}
  const scoring = { kind: 'completion', unit, ...(atMost === undefined ? {} : { atMost }) }
  expect(judged(one, scoring)).toMatchObject(met(margin))
})

test.each(KIND_CASES.filter(({ pointsTable }) => pointsTable))(
  '$kind: the least points asked make a mark met or short',
  (one) => {
    const { unit } = unitAndSense(one)
    const { rows = [], interpolate = 0 } = one.pointsTable ?? {}
    const list = rows.map(([value, centipoints]) => ({ value, centipoints }))
    const scoring = {
      kind: 'pointsTable',
      unit,
      between: 'interpolate',
      bands: bandsWith({ rows: list }, { rows: list }),
    }
    const asking = (minimumEachCentipoints: number) =>
      judged(one, scoring, { kind: 'pointsTotal', totalCentipoints: 0, minimumEachCentipoints }).kind
    expect([asking(interpolate - 1), asking(interpolate), asking(interpolate + 1)]).toEqual(['met', 'met', 'short'])
  },
)

test('a task that is not done, a fault too many and a dropped tool fail the event', () => {
  const byKind = (kind: string): KindCase => {
    const found = KIND_CASES.find((one) => one.kind === kind)
    if (!found) throw new Error(`No case of kind ${kind}.`)
    return found
  }
  const untimed = byKind('untimedTask')
  expect(judged({ ...untimed, readings: { done: 0 } }, { kind: 'completion', unit: 'done' })).toMatchObject({
    kind: 'ended',
    reason: 'failed',
  })
  const course = byKind('stationCourse')
  const faults = judged(
    { ...course, readings: { time: 500_000, 'stairs-faults': 3 } },
    { kind: 'completion', unit: 'ms', atMost: 555_000 },
  )
  expect(faults).toMatchObject({ kind: 'ended', reason: 'failed' })
  expect(saidIn(faults.trace)[0]).toMatchObject({ title: '3 faults on Stairs', sentence: '2 are allowed.' })
  const chain = byKind('workChain')
  expect(
    judged({ ...chain, readings: { time: 400_000, 'squats-repetitions': 39 } }, { kind: 'completion', unit: 'ms' }),
  ).toMatchObject({ kind: 'ended', reason: 'didNotFinish' })
})

test('a share of body mass without a body mass is for a person to settle', () => {
  const grip = KIND_CASES.find(({ kind }) => kind === 'attempts')
  if (!grip) throw new Error('No case of kind attempts.')
  const scoring = {
    kind: 'relativeCut',
    unit: 'g',
    of: 'greater',
    shareRounding: { mode: 'truncate', step: 1 },
    rows: [{ ageFrom: 0, shareOfBodyMassPermille: 450 }],
  }
  const standard = soundStandard(plainStandard([plainEvent(grip, scoring)]))
  const [event] = standard.events
  if (!event) throw new Error('The standard made for the test has no event.')
  const mark = judgeEvent(
    { standard, testDate: '2026-11-24' },
    event,
    UNWEIGHED,
    measureReadings(event.protocol, grip.readings),
  )
  expect(mark).toMatchObject({ kind: 'open', reason: 'noBodyMass' })
})

test('better never scores worse, in any school that gives points, margins or classes', () => {
  const value = fc.integer({ min: 0, max: 2_000 })
  const rows = fc
    .uniqueArray(fc.tuple(value, fc.integer({ min: 0, max: 10_000 })), {
      minLength: 2,
      maxLength: 12,
      selector: ([at]) => at,
    })
    .map((pairs) => {
      const [values, points] = [
        pairs.map(([at]) => at).sort((a, b) => a - b),
        pairs.map(([, worth]) => worth).sort((a, b) => a - b),
      ]
      return values.map((at, index) => ({ value: at, centipoints: points[index] ?? 0 }))
    })
  const reps = KIND_CASES[0]
  if (!reps) throw new Error('The table of cases is empty.')
  const scoring = fc.oneof(
    fc.record({
      kind: fc.constant('pointsTable'),
      unit: fc.constant('count'),
      between: fc.constantFrom('lowerRow', 'interpolate'),
      bands: rows.map((list) => [{ ageFrom: 0, rows: list }]),
    }),
    fc.record({
      kind: fc.constant('pointsByRule'),
      unit: fc.constant('count'),
      fullCentipoints: fc.integer({ min: 1, max: 10_000 }),
      offCentipoints: fc.integer({ min: 1, max: 900 }),
      perUnit: fc.integer({ min: 1, max: 50 }),
      units: fc.constantFrom('started', 'whole'),
      bands: value.map((anchor) => [{ ageFrom: 0, anchor }]),
    }),
    fc.record({ kind: fc.constant('singleCut'), unit: fc.constant('count'), atLeast: value }),
  )
  fc.assert(
    fc.property(scoring, value, fc.integer({ min: 1, max: 300 }), (made, worse, more) => {
      const [event] = soundStandard(plainStandard([plainEvent(reps, made)])).events
      if (!event) throw new Error('The standard made for the test has no event.')
      const { score, valueFor, best, scoreKind } = compileScoring(event)
      expect(score(0, worse + more, 0)).toBeGreaterThanOrEqual(score(0, worse, 0))
      if (scoreKind !== 'centipoints') return
      // and the value said to earn so many points earns them, while one less does not
      const wanted = Math.ceil(best(0) / 2)
      const needed = valueFor(0, wanted, 0)
      if (needed === null) return
      expect(score(0, needed, 0)).toBeGreaterThanOrEqual(wanted)
      // there is nothing less than nothing
      if (needed > 0) expect(score(0, needed - 1, 0)).toBeLessThan(wanted)
    }),
    { numRuns: 1_000 },
  )
})

test('the order of the events in the file changes no mark', () => {
  const [reps, ...rest] = KIND_CASES.filter(({ singleCut }) => singleCut)
  if (!reps) throw new Error('The table of cases is empty.')
  const cases = [reps, ...rest].map((one, at) => {
    const { unit, sense } = unitAndSense(one)
    return { one, plain: plainEvent(one, { kind: 'singleCut', unit, [sense]: one.singleCut?.cut ?? 0 }, `event-${at}`) }
  })
  const marksIn = (order: typeof cases) => {
    const standard = soundStandard(plainStandard(order.map(({ plain }) => plain)))
    const marks = standard.events.map((event, at) => {
      const measure = measureReadings(event.protocol, order[at]?.one.readings ?? {})
      return judgeEvent({ standard, testDate: '2026-11-24' }, event, PERSON, measure)
    })
    return marks.sort((a, b) => (a.eventId < b.eventId ? -1 : 1))
  }
  const asWritten = marksIn(cases)
  fc.assert(
    fc.property(fc.shuffledSubarray(cases, { minLength: cases.length }), (order) => {
      expect(marksIn(order)).toEqual(asWritten)
    }),
    { numRuns: 30 },
  )
})
