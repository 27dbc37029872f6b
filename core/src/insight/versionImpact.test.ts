import fc from 'fast-check'
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { ageOn } from '../judge/ageOn.ts'
import { combinePerson } from '../judge/combinePerson.ts'
import { judgeEvent } from '../judge/judgeEvent.ts'
import { versionImpact, type PastResult } from './versionImpact.ts'

const [v2, v3] = [standardNamed('v2'), standardNamed('v3')]

const result = (key: string, change: Partial<PastResult>, pressUps: number, runMs: number): PastResult => ({
  key,
  birthDate: '2000-06-01',
  testDate: '2025-09-30',
  category: 'male',
  measures: { 'press-ups': { value: pressUps }, run: { value: runMs } },
  ...change,
})

// version 2: men of 25 need 30 and 9:15, women of 25 need 20 and 10:20; version 3: 24 and 9:40 for all
const RESULTS = [
  result('met under both', {}, 31, 550_000),
  result('short under 2, met under 3', {}, 25, 570_000),
  result('met under 2, short under 3', { category: 'female' }, 22, 610_000),
  result('short under both', { category: 'female' }, 10, 700_000),
  result('gave up', { measures: { 'press-ups': { value: 40 }, run: { ended: 'didNotFinish' } } }, 0, 0),
]

test('who would change is counted, by event and group, and named with margins', () => {
  const impact = versionImpact(v2, v3, RESULTS)
  expect(impact).toMatchObject({ people: 5, metBefore: 2, metAfter: 2, changedInAll: 2 })
  expect(impact.events).toEqual([
    { eventId: 'press-ups', metBefore: 3, metAfter: 3, toMet: 1, toShort: 1 },
    { eventId: 'run', metBefore: 2, metAfter: 2, toMet: 1, toShort: 1 },
  ])
  expect(impact.groups).toEqual([
    { group: 'female, 20–29', people: 2, metBefore: 1, metAfter: 0 },
    { group: 'male, 20–29', people: 3, metBefore: 1, metAfter: 2 },
  ])
  expect(impact.changed.map(({ key, before, after, events }) => [key, before, after, events])).toEqual([
    [
      'short under 2, met under 3',
      'short',
      'met',
      [
        { eventId: 'press-ups', margin: 1 },
        { eventId: 'run', margin: 10_000 },
      ],
    ],
    [
      'met under 2, short under 3',
      'met',
      'short',
      [
        { eventId: 'press-ups', margin: -2 },
        { eventId: 'run', margin: -30_000 },
      ],
    ],
  ])
})

test('nobody changes between a version and itself, and progress comes to the end', () => {
  const done: number[] = []
  const impact = versionImpact(
    v3,
    v3,
    Array.from({ length: 12_000 }, () => RESULTS[0]!),
    { onProgress: (count) => done.push(count) },
  )
  expect(impact.changedInAll).toBe(0)
  expect(done).toEqual([5_000, 10_000, 12_000])
})

test('the outcome counted for many is the one judged with all its words', () => {
  const person = fc.record({
    birthDate: fc.constantFrom('2003-02-28', '1996-02-29', '1985-09-30', '1970-01-01', '2012-05-05'),
    category: fc.constantFrom('male', 'female'),
    pressUps: fc.integer({ min: 10, max: 40 }),
    runMs: fc.integer({ min: 540_000, max: 680_000 }),
  })
  fc.assert(
    fc.property(person, fc.constantFrom(v2, v3), ({ birthDate, category, pressUps, runMs }, standard) => {
      const past = result('one', { birthDate, category }, pressUps, runMs)
      const [move] = versionImpact(standard, standard, [past]).moves
      const ageYears = ageOn(birthDate, past.testDate, standard.ageRule.leapDayBirthday)
      const candidate = { entryId: 'one', ageYears, ageCountedOn: past.testDate, category }
      const terms = { standard, testDate: past.testDate }
      const marks = standard.events.map((event) => {
        const value = event.id === 'run' ? runMs : pressUps
        const unit = event.id === 'run' ? ('ms' as const) : ('count' as const)
        const reading = { kind: 'readings' as const, taken: [], steps: [] }
        return judgeEvent(terms, event, candidate, {
          kind: 'complete',
          value,
          unit,
          reading,
          clockUncertaintyMs: 0,
          notes: [],
        })
      })
      expect(move?.before).toBe(combinePerson(terms, candidate, marks).outcome)
    }),
  )
})
