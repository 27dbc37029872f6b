import { expect, test } from 'vitest'
import type { DayRecordEntry } from '../day/record.ts'
import { standardNamed } from '../../testing/index.ts'
import { bare } from '../../testing/stamped.ts'
import type { Capture } from '../capture/capture.ts'
import { doubtfulCases, type DayOnRecord } from './doubtfulCases.ts'
import type { Mark, Verdict } from './mark.ts'

const standard = standardNamed('v3')
const QUIET: DayOnRecord = { records: [], captures: [], bounds: null, testDate: '2026-11-24', testedBefore: {} }
// marks are told apart here by kind, closeness and the watches in their trace alone
const mark = (eventId: string, kind: string, change: object = {}): Mark =>
  ({ eventId, kind, trace: [], ...change }) as unknown as Mark
const verdicts = (marks: Readonly<Record<string, readonly Mark[]>>): Map<string, Verdict> =>
  new Map(Object.entries(marks).map(([entryId, own]) => [entryId, { marks: own } as unknown as Verdict]))
const watches = (...timesMs: number[]) => ({
  trace: [{ code: 'crossings', reading: { kind: 'crossings', watches: { timesMs, by: 'slower' } } }],
})
const read = (...timesMs: number[]) => ({
  trace: [
    {
      code: 'readings',
      taken: timesMs.map((value, index) => ({
        slot: index === 0 ? 'time' : `time-watch-${index + 1}`,
        unit: 'ms',
        value,
      })),
    },
  ],
})
const kindsOf = (marks: Readonly<Record<string, readonly Mark[]>>) =>
  doubtfulCases(standard, verdicts(marks), QUIET).map(({ kind, entryId }) => `${kind} ${entryId}`)

test('an open mark is a case, and one whose cut is near is looked at', () => {
  expect(
    kindsOf({
      a: [mark('run', 'open', { reason: 'nearTheCut' })],
      b: [mark('run', 'met', { nearTheCut: true })],
      c: [mark('run', 'met', { nearTheCut: false })],
    }),
  ).toEqual(['open a', 'nearTheCut b'])
})
test('somebody under way is incomplete once another has ended the event', () => {
  expect(kindsOf({ a: [mark('run', 'running')], b: [mark('run', 'waiting')] })).toEqual([])
  expect(kindsOf({ a: [mark('run', 'running')], b: [mark('run', 'met')] })).toEqual(['incomplete a'])
})
test.each([
  // hand timing is good to 200 ms either way, so two watches may be 400 ms apart
  [watches(560_000, 560_400), []],
  [watches(560_000, 560_401), ['watches a']],
  [read(560_000, 560_400), []],
  [read(560_000, 560_500), ['watches a']],
  [read(560_000), []],
])('watches are told when they are further apart than hand timing explains', (trace, expected) => {
  expect(kindsOf({ a: [mark('run', 'met', trace)] })).toEqual(expected)
})
test('cases stand in the order of the battery, protests that nobody answered at the end', () => {
  const said = (id: string, content: DayRecordEntry['content']) => ({ ...record(content, 0), id })
  const all = verdicts({
    a: [mark('press-ups', 'open', { reason: 'noBand' }), mark('run', 'open', { reason: 'nearTheCut' })],
    b: [mark('press-ups', 'open', { reason: 'noBand' })],
  })
  const protest = said('p1', { kind: 'protested', entryId: 'b', eventId: 'run', text: 'miscounted' })
  const cases = doubtfulCases(standard, all, { ...QUIET, records: [protest] })
  expect(cases.map(({ eventId, entryId }) => `${eventId} ${entryId}`)).toEqual([
    'press-ups a',
    'press-ups b',
    'run a',
    'run b',
  ])
  expect(cases.at(-1)).toMatchObject({ kind: 'protest', protestId: 'p1' })
  const answered = said('p2', { kind: 'protestAnswered', protestId: 'p1', outcome: 'dismissed', reason: 'no' })
  expect(doubtfulCases(standard, all, { ...QUIET, records: [protest, answered] })).toHaveLength(3)
})

// the standard allows a retest 28 days after the test
test.each([
  ['2026-10-28', ['retestTooEarly a']],
  ['2026-10-27', []],
  ['2026-10-26', []],
])('who was tested on %s and is tested on 24 November again', (testedOn, expected) => {
  const terms = { ...standard, retest: { ...standard.retest, earliestAfterDays: 28 } }
  const tested = (outcome: string) =>
    doubtfulCases(terms, new Map([['a', { outcome, marks: [] } as unknown as Verdict]]), {
      ...QUIET,
      testedBefore: { a: testedOn },
    }).map(({ kind, entryId }) => `${kind} ${entryId}`)
  expect(tested('short')).toEqual(expected)
  // entered and not come: nobody was tested too early
  expect(tested('notStarted')).toEqual([])
})

const FROM_MS = 1_795_467_600_000
const captured = (afterMs: number, change: object = {}): Capture =>
  ({ ...bare(afterMs, 'counted'), entryId: 'a', eventId: 'run', ...change }) as Capture
const BOUNDS = [{ fromMs: FROM_MS, beforeMs: FROM_MS + 86_400_000 }]
const record = (content: DayRecordEntry['content'], atMs: number): DayRecordEntry => ({
  id: `r${atMs}`,
  seq: 1,
  content,
  actorId: 'x',
  actor: 'Joss',
  atMs,
})

test('what cannot have been captured then is told once a person and event, with how often', () => {
  const late = { receivedMs: FROM_MS + 1_000 }
  const captures = [
    captured(5_000, late),
    captured(6_000, late),
    captured(500, late),
    captured(7_000, { ...late, entryId: 'b' }),
    captured(8_000, { ...late, eventId: 'press-ups' }),
    captured(9_000),
    captured(-900_000, { entryId: 'c' }),
  ]
  expect(doubtfulCases(standard, new Map(), { ...QUIET, captures, bounds: BOUNDS })).toEqual([
    { entryId: 'a', eventId: 'run', kind: 'untimely', count: 2 },
    { entryId: 'b', eventId: 'run', kind: 'untimely', count: 1 },
    { entryId: 'a', eventId: 'press-ups', kind: 'untimely', count: 1 },
    { entryId: 'c', eventId: 'run', kind: 'untimely', count: 1 },
  ])
  expect(doubtfulCases(standard, new Map(), { ...QUIET, captures })).toEqual([])
})

// measured from 1 s to 9 s: a step at the first moment came before it, one at the last belongs to it
test.each([
  [1_000, []],
  [1_001, ['clockStepped a']],
  [9_000, ['clockStepped a']],
  [9_001, []],
])('the server’s clock was set after %i ms', (afterMs, expected) => {
  const stepped = record({ kind: 'clockStepped', byMs: 4_000 }, FROM_MS + afterMs)
  for (const bounds of [null, BOUNDS]) {
    const cases = doubtfulCases(standard, new Map(), {
      ...QUIET,
      captures: [captured(4_000), captured(9_000), captured(1_000)],
      records: [stepped],
      bounds,
    })
    expect(cases.map(({ kind, entryId }) => `${kind} ${entryId}`)).toEqual(expected)
    if (expected.length > 0) expect(cases).toMatchObject([{ eventId: 'run', byMs: 4_000 }])
  }
})

test('what the referee doubts is told once a code, how often and with the figures of the last', () => {
  const doubt = (code: string, figures?: object) => ({ code, captures: [], ...(figures ? { figures } : {}) })
  const doubts = [doubt('tooSoon', { ms: 100 }), doubt('afterEnd'), doubt('tooSoon', { ms: 90 })]
  expect(doubtfulCases(standard, verdicts({ a: [mark('run', 'met', { doubts })] }), QUIET)).toEqual([
    { entryId: 'a', eventId: 'run', kind: 'referee', code: 'tooSoon', count: 2, figures: { ms: 90 } },
    { entryId: 'a', eventId: 'run', kind: 'referee', code: 'afterEnd', count: 1, figures: {} },
  ])
})

test('a short mark near its cut is looked at too; one that was decided is not, nor are its watches', () => {
  expect(
    kindsOf({
      a: [mark('run', 'short', { nearTheCut: true })],
      b: [mark('run', 'decided', { nearTheCut: true, ...watches(560_000, 570_000) })],
      c: [mark('run', 'scored', { nearTheCut: true })],
      d: [mark('run', 'open', { reason: 'noBand', ...watches(560_000, 570_000) })],
    }),
  ).toEqual(['nearTheCut a', 'open d', 'watches d'])
})

test('watches of different times are not held against each other, nor figures that are no times', () => {
  const taken = (slots: readonly (readonly [string, string, number])[]) => ({
    trace: [{ code: 'readings', taken: slots.map(([slot, unit, value]) => ({ slot, unit, value })) }],
  })
  expect(
    kindsOf({
      a: [
        mark(
          'run',
          'met',
          taken([
            ['try-1', 'ms', 14_000],
            ['try-2', 'ms', 18_000],
          ]),
        ),
      ],
      b: [
        mark(
          'run',
          'met',
          taken([
            ['try-1', 'ms', 14_000],
            ['try-1-watch-12', 'ms', 18_000],
          ]),
        ),
      ],
      c: [
        mark(
          'run',
          'met',
          taken([
            ['mass', 'g', 14_000],
            ['mass-watch-2', 'g', 18_000],
          ]),
        ),
      ],
      d: [
        mark(
          'run',
          'met',
          taken([
            ['watch-2-left', 'ms', 14_000],
            ['watch-3-left', 'ms', 18_000],
          ]),
        ),
      ],
      e: [mark('run', 'met', { trace: [{ code: 'crossings', reading: { kind: 'crossings' } }, { code: 'met' }] })],
    }),
  ).toEqual(['watches b'])
})

test('what lies between two events is told with the person it is about', () => {
  const span = (fromMs: number, toMs: number) => ({ span: { fromMs, toMs } })
  const all = verdicts({
    a: [mark('press-ups', 'met', span(0, 60_000)), mark('run', 'met', span(30_000, 90_000))],
  })
  expect(doubtfulCases(standard, all, QUIET)).toContainEqual(
    expect.objectContaining({ entryId: 'a', kind: 'elsewhere' }),
  )
})
