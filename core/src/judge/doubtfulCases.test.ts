import { expect, test } from 'vitest'
import type { DayRecordEntry } from '../day/record.ts'
import { standardNamed } from '../../testing/index.ts'
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
  const record = (id: string, content: DayRecordEntry['content']): DayRecordEntry => ({
    id,
    seq: 1,
    content,
    actorId: 'x',
    actor: 'Joss',
    atMs: 0,
  })
  const all = verdicts({
    a: [mark('press-ups', 'open', { reason: 'noBand' }), mark('run', 'open', { reason: 'nearTheCut' })],
    b: [mark('press-ups', 'open', { reason: 'noBand' })],
  })
  const protest = record('p1', { kind: 'protested', entryId: 'b', eventId: 'run', text: 'miscounted' })
  const cases = doubtfulCases(standard, all, { ...QUIET, records: [protest] })
  expect(cases.map(({ eventId, entryId }) => `${eventId} ${entryId}`)).toEqual([
    'press-ups a',
    'press-ups b',
    'run a',
    'run b',
  ])
  expect(cases.at(-1)).toMatchObject({ kind: 'protest', protestId: 'p1' })
  const answered = record('p2', { kind: 'protestAnswered', protestId: 'p1', outcome: 'dismissed', reason: 'no' })
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
