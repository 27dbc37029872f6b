import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { saidIn, titlesIn } from '../../testing/saidIn.ts'
import { HAND_WORKED_CASES, capturesOf, standardNamed, type HandWorkedCase } from '../../testing/index.ts'
import type { Capture } from '../capture/capture.ts'
import { ageOn, ageReferenceDate } from './ageOn.ts'
import { judgeDay } from './judgeDay.ts'
import type { Mark, Verdict } from './mark.ts'

const ENTRY = '00000000-0000-4000-8000-000000000001'

const judge = (handWorked: HandWorkedCase, captures: readonly Capture[]): Verdict => {
  const standard = standardNamed(handWorked.standard)
  const { testDate, birthDate, category } = handWorked
  const ageCountedOn = ageReferenceDate(standard.ageRule, testDate)
  const ageYears = ageOn(birthDate, ageCountedOn, standard.ageRule.leapDayBirthday)
  const verdict = judgeDay(
    { standard, testDate },
    [{ entryId: ENTRY, wave: 1, category, ageYears, ageCountedOn }],
    captures,
  ).get(ENTRY)
  if (!verdict) throw new Error('The candidate got no verdict.')
  return verdict
}

const marginOf = (mark: Mark | undefined) => (mark && 'margin' in mark ? mark.margin : undefined)

test('the hand-worked table holds at least forty cases with different names', () => {
  expect(HAND_WORKED_CASES.length).toBeGreaterThanOrEqual(40)
  expect(new Set(HAND_WORKED_CASES.map(({ name }) => name)).size).toBe(HAND_WORKED_CASES.length)
})

describe('hand-worked', () => {
  test.each(HAND_WORKED_CASES.map((handWorked) => [handWorked.name, handWorked] as const))('%s', (_, handWorked) => {
    const verdict = judge(handWorked, capturesOf(handWorked, ENTRY, 1, 7))
    const [pressUps, run] = verdict.marks
    const { expected } = handWorked
    expect([pressUps?.kind, run?.kind, verdict.outcome]).toEqual([expected.pressUps, expected.run, expected.verdict])
    if (expected.margins?.pressUps !== undefined) expect(marginOf(pressUps)).toBe(expected.margins.pressUps)
    if (expected.margins?.run !== undefined) expect(marginOf(run)).toBe(expected.margins.run)
  })
})

test('order of arrival and repetition of captures change nothing', () => {
  fc.assert(
    fc.property(fc.constantFrom(...HAND_WORKED_CASES), fc.array(fc.nat()), fc.nat(), (handWorked, order, seed) => {
      const captures = capturesOf(handWorked, ENTRY, 1, seed)
      const shuffled = captures
        .map((capture, index) => ({ capture, key: order[index % Math.max(1, order.length)] ?? 0, index }))
        .sort((a, b) => a.key - b.key || b.index - a.index)
        .map(({ capture }) => capture)
      const again = [...shuffled, ...shuffled.slice(0, 5)]
      expect(judge(handWorked, again)).toEqual(judge(handWorked, captures))
    }),
    { numRuns: 200 },
  )
})

test('one more repetition never turns met into short', () => {
  const base = HAND_WORKED_CASES[0]
  if (!base) throw new Error('no case')
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 58 }), (count) => {
      const of = (counted: number) => ({
        ...base,
        pressUps: (base.pressUps ?? [])
          .filter(([, { kind }]) => kind !== 'counted')
          .concat(
            Array.from(
              { length: counted },
              (_, index) => [1_000 + index * 1_500, { kind: 'counted', payload: {} }] as const,
            ),
          ),
      })
      const fewer = judge(of(count), capturesOf(of(count), ENTRY, 1, 3)).marks[0]
      const more = judge(of(count + 1), capturesOf(of(count + 1), ENTRY, 1, 3)).marks[0]
      expect(marginOf(more)).toBe((marginOf(fewer) ?? NaN) + 1)
    }),
  )
})

test('every mark and verdict explains itself in sentences that end', () => {
  for (const handWorked of HAND_WORKED_CASES) {
    const verdict = judge(handWorked, capturesOf(handWorked, ENTRY, 1, 7))
    for (const { title, sentence } of saidIn([...verdict.trace, ...verdict.marks.flatMap(({ trace }) => trace)])) {
      expect(title).toMatch(/^\S/)
      expect(sentence).toMatch(/[.]$/)
      expect(`${title} ${sentence}`).not.toMatch(/undefined|NaN|null|\[object/)
    }
  }
})

test('the trace tells reading, rounding, age, band, row and margin in words', () => {
  const handWorked = HAND_WORKED_CASES.find(({ name }) => name === 'a man of 25 with 29 and 9:16')
  if (!handWorked) throw new Error('no case')
  const run = judge(handWorked, capturesOf(handWorked, ENTRY, 1, 7)).marks[1]
  expect(titlesIn(run?.trace)).toEqual([
    '2,000 m in 9:16',
    'Rounded up to the whole second',
    'Age 25',
    'Band 18 to 29, male',
    'At most 9:15',
    'Short by 0:01',
    'Good to about 0.2 s',
  ])
  expect(saidIn(run?.trace)[3]?.sentence).toBe('Row 4 of the table.')
  expect(saidIn(run?.trace)[4]?.sentence).toBe('Constabulary Entry Standard, version 2, in force from 1 March 2023.')
})

test('a short verdict that came early says so, and names the first day of a retest', () => {
  const handWorked = HAND_WORKED_CASES.find(({ name }) => name.startsWith('press-ups short, run to come'))
  if (!handWorked) throw new Error('no case')
  const verdict = judge(handWorked, capturesOf(handWorked, ENTRY, 1, 7))
  expect(verdict).toMatchObject({ outcome: 'short', settled: true, eventsToGo: 1 })
  expect(saidIn(verdict.trace).map(({ sentence }) => sentence)).toEqual([
    'Every event has to be met. Short in: Press-ups. It can no longer be met, with 1 event to go.',
    'Earliest date by the standard.',
  ])
  expect(saidIn(verdict.trace)[1]?.title).toBe('May retest from 8 December 2026')
})

test('one person whose captures cannot be judged is a case to look at, and nobody else notices', () => {
  const standard = standardNamed('v3')
  const terms = { standard, testDate: '2026-11-24' }
  const well = { entryId: 'well', wave: 1, category: 'female', ageYears: 27, ageCountedOn: '2026-11-24' }
  const broken = { ...well, entryId: 'broken' }
  const alone = judgeDay(terms, [well], [])
  const started = { eventId: 'press-ups', entryId: 'broken', deviceId: 'd', deviceMs: 0, atMs: 1, uncertaintyMs: 0 }
  const captures = [
    { ...started, id: '1', kind: 'started', payload: {} },
    { ...started, id: '2', kind: 'refused', payload: null },
  ] as unknown as Capture[]
  const together = judgeDay(terms, [broken, well], captures)
  expect(together.get('well')).toEqual(alone.get('well'))
  expect(together.get('broken')?.marks[0]).toMatchObject({ kind: 'open', reason: 'notJudged', measured: null })
  expect(together.get('broken')?.outcome).toBe('open')
})
