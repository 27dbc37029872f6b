import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { combinePerson, retestDate } from './combinePerson.ts'
import { applyDecision } from './decision.ts'
import type { Mark } from './mark.ts'

const ANNA = { entryId: 'anna', ageYears: 27, ageCountedOn: '2026-11-24', category: 'female' }
const on = { standard: standardNamed('v3'), testDate: '2026-11-24' }

// combining looks at the kind of a mark and at nothing it was judged from
const mark = (kind: string, change: object = {}): Mark =>
  ({ eventId: 'run', cut: null, trace: [], kind, ...change }) as unknown as Mark

const SAMPLES = {
  met: mark('met'),
  short: mark('short'),
  open: mark('open'),
  decidedMet: mark('decided', { as: 'met' }),
  decidedShort: mark('decided', { as: 'short' }),
  waiting: mark('waiting'),
  running: mark('running'),
  didNotFinish: mark('ended', { reason: 'didNotFinish' }),
  withdrawn: mark('ended', { reason: 'withdrawn' }),
  disqualified: mark('ended', { reason: 'disqualified' }),
} as const
type Sample = keyof typeof SAMPLES

const CASES: readonly (readonly [Sample, Sample, outcome: string, settled: boolean])[] = [
  ['met', 'met', 'met', true],
  ['met', 'short', 'short', true],
  ['met', 'open', 'open', false],
  ['met', 'waiting', 'notFinished', false],
  ['met', 'running', 'notFinished', false],
  ['met', 'didNotFinish', 'notFinished', true],
  ['met', 'withdrawn', 'withdrawn', true],
  ['met', 'disqualified', 'disqualified', true],
  ['met', 'decidedMet', 'met', true],
  ['met', 'decidedShort', 'short', true],
  ['short', 'open', 'short', true],
  ['short', 'waiting', 'short', true],
  ['short', 'didNotFinish', 'short', true],
  ['short', 'withdrawn', 'withdrawn', true],
  ['open', 'waiting', 'open', false],
  ['open', 'didNotFinish', 'open', false],
  ['withdrawn', 'disqualified', 'disqualified', true],
  ['waiting', 'waiting', 'notStarted', false],
  ['waiting', 'running', 'notFinished', false],
  ['didNotFinish', 'waiting', 'notFinished', true],
]

test.each(CASES)('%s and %s make %s, settled: %s, in either order', (first, second, outcome, settled) => {
  expect(combinePerson(on, ANNA, [SAMPLES[first], SAMPLES[second]])).toMatchObject({ outcome, settled })
  expect(combinePerson(on, ANNA, [SAMPLES[second], SAMPLES[first]])).toMatchObject({ outcome, settled })
})

test('events to go are those without a final mark', () => {
  expect(combinePerson(on, ANNA, [SAMPLES.running, SAMPLES.waiting]).eventsToGo).toBe(2)
  expect(combinePerson(on, ANNA, [SAMPLES.open, SAMPLES.didNotFinish]).eventsToGo).toBe(0)
})

test('the retest is counted in calendar days, across the end of a year', () => {
  expect(retestDate(on.standard, '2026-11-24')).toBe('2026-12-08')
  expect(retestDate(on.standard, '2026-12-20')).toBe('2027-01-03')
  expect(retestDate({ retest: { earliestAfterDays: 0 } }, '2026-11-24')).toBe('2026-11-24')
})

test('only a verdict that may be tried again names a retest', () => {
  const retests = (...marks: Mark[]) => combinePerson(on, ANNA, marks).trace.some(({ step }) => step.code === 'retest')
  expect(retests(SAMPLES.short, SAMPLES.met)).toBe(true)
  expect(retests(SAMPLES.withdrawn, SAMPLES.met)).toBe(true)
  expect(retests(SAMPLES.met, SAMPLES.met)).toBe(false)
  expect(retests(SAMPLES.disqualified, SAMPLES.met)).toBe(false)
  expect(retests(SAMPLES.open, SAMPLES.met)).toBe(false)
})

test('a decision settles an open mark and leaves every other as it is', () => {
  const decision = { as: 'met', reason: 'Backup watch.' } as const
  const open = mark('open', { measured: 580_100, rounded: 581_000, unit: 'ms' })
  expect(applyDecision(open, decision)).toMatchObject({ kind: 'decided', as: 'met', rounded: 581_000 })
  expect(applyDecision(open, decision).trace.at(-1)?.sentence).toBe('By the officer in charge. Reason: Backup watch.')
  for (const name of ['met', 'short', 'waiting', 'running', 'withdrawn'] as const) {
    expect(applyDecision(SAMPLES[name], decision)).toBe(SAMPLES[name])
  }
  expect(applyDecision(open, undefined)).toBe(open)
})
