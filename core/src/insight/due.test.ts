import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dateAfter } from '../clock/dates.ts'
import { DUE_STATES, dueOf, mayCome, type LastTests } from './due.ts'

const TODAY = '2026-11-27'
const yearly = { every: { count: 1, of: 'years' as const } }
const tested = (lastDate: string | null, lastIsMet: boolean, lastMet: string | null): LastTests => ({
  personId: 'p',
  lastDate,
  lastIsMet,
  lastMet,
  shortIn: [],
})
const never = tested(null, false, null)

test.each([
  ['met half a year ago', yearly, tested('2026-05-01', true, '2026-05-01'), 'fine', '2027-05-01', null],
  ['met a year ago but 30 days', yearly, tested('2025-12-27', true, '2025-12-27'), 'due', '2026-12-27', null],
  ['met a year ago but 31 days', yearly, tested('2025-12-28', true, '2025-12-28'), 'fine', '2026-12-28', null],
  ['met a year ago today', yearly, tested('2025-11-27', true, '2025-11-27'), 'due', '2026-11-27', null],
  ['met a year and a day ago', yearly, tested('2025-11-26', true, '2025-11-26'), 'overdue', '2026-11-26', null],
  ['never tested', yearly, never, 'never', null, null],
  ['short yesterday', yearly, tested('2026-11-26', false, null), 'waiting', null, '2026-12-10'],
  ['short fourteen days ago', yearly, tested('2026-11-13', false, null), 'again', null, '2026-11-27'],
  [
    'short lately, met too long ago',
    yearly,
    tested('2026-11-01', false, '2025-06-01'),
    'overdue',
    '2026-06-01',
    '2026-11-15',
  ],
  ['met on a 29 February', yearly, tested('2024-02-29', true, '2024-02-29'), 'overdue', '2025-02-28', null],
] as const)('%s', (_, call, last, state, by, allowedFrom) => {
  expect(dueOf(call, 14, last, TODAY)).toEqual({ state, by, allowedFrom })
})

const course = { every: { count: 6, of: 'months' as const }, before: '2027-01-18' }
test.each([
  ['met within half a year of it', course, tested('2026-07-18', true, '2026-07-18'), 'fine', null],
  ['met a day too early', course, tested('2026-07-17', true, '2026-07-17'), 'fine', '2027-01-18'],
  ['never tested', course, never, 'never', '2027-01-18'],
  [
    'the day is near',
    { ...course, before: '2026-12-20' },
    tested('2026-01-01', true, '2026-01-01'),
    'due',
    '2026-12-20',
  ],
  ['the day is past', { ...course, before: '2026-11-01' }, never, 'overdue', '2026-11-01'],
  ['ever met, where no age is asked', { before: '2027-01-18' }, tested('2020-01-01', true, '2020-01-01'), 'fine', null],
] as const)('before a course: %s', (_, call, last, state, by) => {
  expect(dueOf(call, 14, last, TODAY)).toMatchObject({ state, by })
})

test('whatever the dates, nobody who may not be tested yet is asked to come, and one state holds', () => {
  const date = fc.integer({ min: -2_000, max: 0 }).map((days) => dateAfter(TODAY, days))
  fc.assert(
    fc.property(date, fc.boolean(), fc.option(date), fc.integer({ min: 0, max: 90 }), (last, isMet, earlier, days) => {
      const lastMet = isMet ? last : earlier !== null && earlier <= last ? earlier : null
      const due = dueOf(yearly, days, tested(last, isMet, lastMet), TODAY)
      expect(DUE_STATES).toContain(due.state)
      if (due.allowedFrom !== null && due.allowedFrom > TODAY) expect(due.state).toBe('waiting')
      if (due.state === 'overdue') expect((due.by ?? '9999') < TODAY).toBe(true)
    }),
  )
})

test.each([
  ['overdue', '', true],
  ['never', '', true],
  ['again', '', true],
  ['waiting', '', false],
  ['overdue', 'Harbour Ward day', false],
] as const)('somebody %s, entered on "%s": may come is %s', (state, enteredOn, expected) => {
  expect(mayCome({ state }, enteredOn)).toBe(expected)
})
