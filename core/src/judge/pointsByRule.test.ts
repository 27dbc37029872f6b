import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { checkStandard } from '../standard/check.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { compileScoring } from './compileScoring.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Candidate } from './mark.ts'

const ANYBODY: Candidate = { entryId: 'e', category: 'female', ageYears: 30, ageCountedOn: '2026-11-24' }
const byRule = (
  event: StandardEvent,
  rule: { anchor: number; perUnit: number; units: 'started' | 'whole'; offCentipoints?: number },
  step: number,
  minimumCentipoints?: number,
): StandardEvent => ({
  ...event,
  rounding: { mode: 'truncate', step },
  ...(minimumCentipoints === undefined ? {} : { minimumCentipoints }),
  scoring: {
    kind: 'pointsByRule',
    unit: event.protocol.kind === 'timedDistance' ? 'ms' : 'count',
    fullCentipoints: 10_000,
    offCentipoints: rule.offCentipoints ?? 500,
    perUnit: rule.perUnit,
    units: rule.units,
    bands: [{ ageFrom: 0, anchor: rule.anchor }],
  },
})
const V3 = standardNamed('v3')
const [pressUps, run] = V3.events
if (!pressUps || !run) throw new Error('The demo standard changed.')
const earnedAt = (event: StandardEvent, value: number): number => compileScoring(event).score(0, value, 0)
const valueFor = (event: StandardEvent, centipoints: number): number | null =>
  compileScoring(event).valueFor(0, centipoints, 0)

// 5 points off for each whole 1.5 s beyond 600 s, times cut to whole seconds: 601 s is 1 s beyond and loses nothing,
// 602 s is 2 s beyond and loses one unit
test('the printed cut is the last time that still earns it, also where a unit is no multiple of the rounding', () => {
  const event = byRule(run, { anchor: 600_000, perUnit: 1_500, units: 'whole' }, 1_000)
  expect([600_000, 601_000, 602_000, 603_000].map((time) => earnedAt(event, time))).toEqual([
    10_000, 10_000, 9_500, 9_000,
  ])
  expect(valueFor(event, 10_000)).toBe(601_000)
  expect(valueFor(event, 9_500)).toBe(602_000)
  expect(valueFor(event, 9_000)).toBe(604_000)
  expect(earnedAt(event, 604_000)).toBe(9_000)
  expect(earnedAt(event, 605_000)).toBe(8_500)
})

// begun units: 600.001 s is one unit begun; 601 s (1 s) one, 602 s (2 s) two
test('begun units reach exactly as far as they are long, on the steps of the rounding', () => {
  const event = byRule(run, { anchor: 600_000, perUnit: 1_500, units: 'started' }, 1_000)
  expect(valueFor(event, 10_000)).toBe(600_000)
  expect(valueFor(event, 9_500)).toBe(601_000)
  expect(earnedAt(event, 601_000)).toBe(9_500)
  expect(earnedAt(event, 602_000)).toBe(9_000)
  expect(valueFor(event, 9_000)).toBe(603_000)
})

test('mark, margin and the doubt near the cut agree with each other', () => {
  const event = byRule(run, { anchor: 600_000, perUnit: 1_500, units: 'whole' }, 1_000, 10_000)
  const byHand = (handTimingMs: number) => ({
    ...V3,
    events: [event],
    uncertainty: { ...V3.uncertainty, handTimingMs },
  })
  const markAt = (value: number, handTimingMs = 0) =>
    judgeEvent({ standard: byHand(handTimingMs), testDate: '2026-11-24' }, event, ANYBODY, {
      kind: 'complete',
      value,
      unit: 'ms',
      reading: { kind: 'readings', taken: [], steps: [] },
      clockUncertaintyMs: 0,
      notes: [],
    })
  expect(markAt(601_999)).toMatchObject({ kind: 'met', margin: 0, cut: { value: 601_000 } })
  expect(markAt(602_000)).toMatchObject({ kind: 'short', margin: -1_000 })
  // read by hand within 0.3 s: 601.4 is 601 whatever it was, 601.8 may have been 602
  expect(markAt(601_400, 300)).toMatchObject({ kind: 'met', nearTheCut: false })
  expect(markAt(601_800, 300)).toMatchObject({ kind: 'open', reason: 'nearTheCut' })
})

// 100 points at 20, 1 point off for each one fewer: nobody can have fewer than 80
test('a minimum that even nothing reaches is a cut of nothing, is judged, and the check says so', () => {
  const event = byRule(pressUps, { anchor: 20, perUnit: 1, units: 'started', offCentipoints: 100 }, 1, 4_500)
  expect(valueFor(event, 8_000)).toBe(0)
  expect(valueFor(event, 4_500)).toBe(0)
  const standard = { ...V3, events: [event] }
  const mark = judgeEvent({ standard, testDate: '2026-11-24' }, event, ANYBODY, {
    kind: 'complete',
    value: 0,
    unit: 'count',
    reading: { kind: 'readings', taken: [], steps: [] },
    clockUncertaintyMs: 0,
    notes: [],
  })
  expect(mark).toMatchObject({ kind: 'met', margin: 0, cut: { value: 0 } })
  const remarks = checkStandard(standard).map(({ place, code }) => [place, code])
  expect(remarks).toContainEqual(['events[0].minimumCentipoints', 'minimumAlwaysReached'])
})

test('a minimum that not even no time at all reaches is told, and earns nobody anything', () => {
  const event = byRule(run, { anchor: -60_000, perUnit: 1_000, units: 'started' }, 1_000, 9_000)
  expect(valueFor(event, 9_000)).toBeNull()
  const remarks = checkStandard({ ...V3, events: [event] }).map(({ place, code }) => [place, code])
  expect(remarks).toContainEqual(['events[0].minimumCentipoints', 'minimumUnreachable'])
})
