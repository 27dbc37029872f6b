import { expect, test } from 'vitest'
import { saidIn } from '../../testing/saidIn.ts'
import { KIND_CASES, plainEvent, plainStandard, soundStandard, standardNamed } from '../../testing/index.ts'
import { printTime } from '../quantity/time.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { eventTemplate } from '../standard/standardTemplate.ts'
import { combinePerson, retestDate } from './combinePerson.ts'
import { applyDecision, type OfficersDecision } from './officersDecision.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Mark } from './mark.ts'

const ANNA = { entryId: 'anna', ageYears: 27, ageCountedOn: '2026-11-24', category: 'female' }
const terms = { standard: standardNamed('v3'), testDate: '2026-11-24' }

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
  expect(combinePerson(terms, ANNA, [SAMPLES[first], SAMPLES[second]])).toMatchObject({ outcome, settled })
  expect(combinePerson(terms, ANNA, [SAMPLES[second], SAMPLES[first]])).toMatchObject({ outcome, settled })
})

test('events to go are those without a final mark', () => {
  expect(combinePerson(terms, ANNA, [SAMPLES.running, SAMPLES.waiting]).eventsToGo).toBe(2)
  expect(combinePerson(terms, ANNA, [SAMPLES.open, SAMPLES.didNotFinish]).eventsToGo).toBe(0)
})

test('the retest is counted in calendar days, across the end of a year', () => {
  expect(retestDate(terms.standard, '2026-11-24')).toBe('2026-12-08')
  expect(retestDate(terms.standard, '2026-12-20')).toBe('2027-01-03')
  expect(retestDate({ retest: { earliestAfterDays: 0 } }, '2026-11-24')).toBe('2026-11-24')
})

test('only a verdict that may be tried again names a retest', () => {
  const retests = (...marks: Mark[]) => combinePerson(terms, ANNA, marks).trace.some(({ code }) => code === 'retest')
  expect(retests(SAMPLES.short, SAMPLES.met)).toBe(true)
  expect(retests(SAMPLES.withdrawn, SAMPLES.met)).toBe(true)
  expect(retests(SAMPLES.met, SAMPLES.met)).toBe(false)
  expect(retests(SAMPLES.disqualified, SAMPLES.met)).toBe(false)
  expect(retests(SAMPLES.open, SAMPLES.met)).toBe(false)
})

const run = terms.standard.events.find(({ id }) => id === 'run')
if (!run) throw new Error('The demo standard has no run.')
const decide = (open: Mark, decision?: OfficersDecision) => applyDecision(terms, run, ANNA, open, decision)

test('a decision settles an open mark and leaves every other as it is', () => {
  const decision = { as: 'met', reason: 'Backup watch.' } as const
  const open = mark('open', { measured: 580_100, rounded: 581_000, unit: 'ms' })
  expect(decide(open, decision)).toMatchObject({ kind: 'decided', as: 'met', rounded: 581_000 })
  expect(saidIn(decide(open, decision).trace).at(-1)?.sentence).toBe('By the officer in charge. Reason: Backup watch.')
  for (const name of ['met', 'short', 'waiting', 'running', 'withdrawn'] as const) {
    expect(decide(SAMPLES[name], decision)).toBe(SAMPLES[name])
    expect(decide(SAMPLES[name], { value: 500_000, reason: 'Backup watch.' })).toBe(SAMPLES[name])
  }
  expect(decide(open)).toBe(open)
})

// at most 9:40, rounded up to the second; hand timing good to 0.2 s
test.each([
  [579_000, 'met', 1_000],
  [580_000, 'met', 0],
  [580_001, 'short', -1_000],
] as const)('a decision that states %i ms is judged from it: %s', (value, kind, margin) => {
  const open = mark('open', { measured: 580_100, rounded: 581_000, unit: 'ms' })
  const decided = decide(open, { value, reason: 'The gate’s own log.' })
  expect(decided).toMatchObject({ kind, margin, measured: value })
  expect(saidIn(decided.trace).at(-1)).toMatchObject({
    title: `Decided: ${printTime(value)}`,
    sentence: 'Stated by the officer in charge and judged from it. Reason: The gate’s own log.',
  })
})

test('points, class and total follow from the measure that is stated', () => {
  const rows = [10, 20, 30].map((value) => ({ value, centipoints: value * 200 }))
  const scoring = { kind: 'pointsTable', unit: 'count', between: 'lowerRow', bands: [{ ageFrom: 0, rows }] }
  const events = ['first', 'second'].map(
    (id) => ({ ...eventTemplate('attempts', id), scoring }) as Record<string, unknown>,
  )
  const protocol = { ...(events[0]?.['protocol'] as object), unit: 'count', resolution: 1 }
  const standard = soundStandard(
    plainStandard(
      events.map((event) => ({ ...event, protocol, rounding: { mode: 'truncate', step: 1 } })),
      {
        combination: {
          kind: 'pointsTotal',
          totalCentipoints: 8_000,
          classes: [{ id: 'top', name: 'Top', fromCentipoints: 10_000 }],
        },
      },
    ),
  )
  const here = { standard, testDate: '2026-11-24' }
  const [first, second] = standard.events
  if (!first || !second) throw new Error('The standard made for the test has no events.')
  const open = mark('open', { eventId: 'first', reason: 'noBodyMass' })
  const outcome = (value: number) => {
    const marks = [first, second].map((event) => applyDecision(here, event, ANNA, open, { value, reason: 'x' }))
    const { outcome, points } = combinePerson(here, ANNA, marks)
    return [outcome, points?.centipoints, points?.className]
  }
  expect(outcome(19)).toEqual(['short', 4_000, null])
  expect(outcome(20)).toEqual(['met', 8_000, null])
  expect(outcome(30)).toEqual(['met', 12_000, 'Top'])
})

test('a standard may bring its own words, and the codes stay', () => {
  const [repsCase] = KIND_CASES
  if (!repsCase) throw new Error('The table of cases is empty.')
  const words = { outcomeWords: { met: 'Satisfactory', short: 'Unsatisfactory' } }
  const standard = soundStandard(
    plainStandard([plainEvent(repsCase, { kind: 'singleCut', unit: 'count', atLeast: 30 })], words),
  )
  const [event] = standard.events
  if (!event) throw new Error('The standard made for the test has no event.')
  const verdictAt = (count: number) => {
    const judgedOn = { standard, testDate: '2026-11-24' }
    const made = judgeEvent(judgedOn, event, ANNA, measureReadings(event.protocol, { count }))
    return combinePerson(judgedOn, ANNA, [made])
  }
  const [short, met] = [verdictAt(29), verdictAt(30)]
  expect([short.outcome, short.word, saidIn(short.trace)[0]?.title]).toEqual([
    'short',
    'Unsatisfactory',
    'Unsatisfactory',
  ])
  expect([met.outcome, met.word, saidIn(met.trace)[0]?.title]).toEqual(['met', 'Satisfactory', 'Satisfactory'])
  expect(met.marks[0]).toMatchObject({ kind: 'met', word: 'Satisfactory' })
  const plain = soundStandard(plainStandard([plainEvent(repsCase, { kind: 'effort' })]))
  // a standard without them keeps its hash
  expect(JSON.stringify(plain)).not.toContain('outcomeWords')
})
