/** Only what was short is done again: which marks stand, from when, and how they are judged on the later day. */
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { sayStep } from '../words/sayStep.ts'
import type { Measure } from '../kinds/measure.ts'
import type { Standard } from '../standard/standard.ts'
import { carryOver, type EarlierTest } from './carryOver.ts'
import { combinePerson } from './combinePerson.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Candidate, Mark } from './mark.ts'

const V3 = standardNamed('v3')
const REPEATS: Standard = { ...V3, retest: { earliestAfterDays: 14, repeats: 'shortEvents' } }
const [PRESS_UPS, RUN] = REPEATS.events
if (!PRESS_UPS || !RUN) throw new Error('The standard of the tests has two events.')
const ANNA = { entryId: 'anna', ageYears: 27, ageCountedOn: '2026-11-24', category: 'female' }

const measured = (event: typeof RUN, slot: string, value: number | null): Measure =>
  value === null ? measureReadings(event.protocol, {}) : measureReadings(event.protocol, { [slot]: value })
/** @param count, @param timeMs null for what was not done */
const judged = (
  candidate: Candidate,
  testDate: string,
  count: number | null,
  timeMs: number | null,
  standard = REPEATS,
) => {
  const terms = { standard, testDate }
  const marks: Mark[] = [
    judgeEvent(terms, PRESS_UPS, candidate, measured(PRESS_UPS, 'count', count)),
    judgeEvent(terms, RUN, candidate, measured(RUN, 'time', timeMs)),
  ]
  return combinePerson(terms, candidate, marks)
}
const test1 = (change: Partial<EarlierTest> = {}, count = 31, timeMs = 590_000): EarlierTest => ({
  occasionId: 'first',
  testDate: '2026-11-24',
  standardId: REPEATS.id,
  standardVersion: REPEATS.version,
  verdict: judged(ANNA, '2026-11-24', count, timeMs),
  ...change,
})

test('what was met stands, what was short is done again, and the verdict is of both', () => {
  const carried = carryOver(REPEATS, test1())
  expect(Object.keys(carried)).toEqual(['press-ups'])
  const again = { ...ANNA, ageYears: 28, carried }
  // before the run of the later day
  const before = judged(again, '2027-01-12', null, null)
  expect(before.marks.map(({ kind }) => kind)).toEqual(['met', 'waiting'])
  const after = judged(again, '2027-01-12', null, 575_000)
  expect(after).toMatchObject({ outcome: 'met', settled: true })
  expect(after.marks[0]).toMatchObject({ eventId: 'press-ups', kind: 'met', rounded: 31 })
  expect(after.marks[0]?.trace.map((step) => sayStep(step).title)[0]).toBe('Stands from 24 November 2026')
  // a figure on the later day changes nothing of what stands
  expect(judged(again, '2027-01-12', 3, 575_000).marks[0]).toMatchObject({ kind: 'met', rounded: 31 })
})

test('short again, what stands is carried on with the date it was done on', () => {
  const carried = carryOver(REPEATS, test1())
  const second = judged({ ...ANNA, carried }, '2027-01-12', null, 600_000)
  const third = carryOver(REPEATS, test1({ occasionId: 'second', testDate: '2027-01-12', verdict: second }))
  expect(third['press-ups']).toMatchObject({ testDate: '2026-11-24', occasionId: 'second' })
  const mark = judged({ ...ANNA, carried: third }, '2027-03-01', null, 575_000).marks[0]
  expect(mark?.trace.filter(({ code }) => code === 'carried')).toHaveLength(1)
})

test.each([
  ['the standard has everything done again', V3, test1()],
  ['there is no earlier test', REPEATS, null],
  ['it was under another version', REPEATS, test1({ standardVersion: REPEATS.version - 1 })],
  ['it was under another standard', REPEATS, test1({ standardId: 'another' })],
  ['it was met', REPEATS, test1({}, 31, 570_000)],
])('nothing stands where %s', (_, standard, last) => {
  expect(carryOver(standard, last)).toEqual({})
})

test('where everything was short everything is done again', () => {
  expect(carryOver(REPEATS, test1({}, 3, 700_000))).toEqual({})
})

const marked = (eventId: string, kind: string, change: object = {}): Mark =>
  ({ eventId, kind, trace: [], ...change }) as unknown as Mark
const after = (outcome: string, ...marks: Mark[]) =>
  Object.keys(carryOver(REPEATS, test1({ verdict: { outcome, marks } as never })))

test('what the officer decided stands or is done again as decided; what ended is done again, what is open neither', () => {
  const decided = (eventId: string, as: 'met' | 'short') => marked(eventId, 'decided', { as })
  expect(after('short', marked('a', 'short'), decided('b', 'met'), marked('c', 'scored'), marked('d', 'met'))).toEqual([
    'b',
    'c',
    'd',
  ])
  expect(after('short', decided('a', 'short'), decided('b', 'met'))).toEqual(['b'])
  expect(after('notFinished', marked('a', 'ended'), marked('b', 'met'), marked('c', 'waiting'))).toEqual(['b'])
  expect(after('notFinished', marked('a', 'waiting'), marked('b', 'met'))).toEqual([])
  expect(after('short', decided('a', 'met'), marked('b', 'open'), marked('c', 'exempt'))).toEqual([])
})

test.each(['met', 'open', 'withdrawn', 'disqualified', 'exempt', 'tookPart', 'notStarted'])(
  'nothing stands of a test that was %s',
  (outcome) => {
    expect(after(outcome, marked('a', 'short'), marked('b', 'met'))).toEqual([])
  },
)
