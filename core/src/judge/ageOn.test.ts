import fc from 'fast-check'
import { Temporal } from 'temporal-polyfill'
import { expect, test } from 'vitest'
import { ageOn, ageReferenceDate } from './ageOn.ts'

test.each([
  ['1996-05-04', '2026-05-03', 29],
  ['1996-05-04', '2026-05-04', 30],
  ['1996-05-04', '2026-05-05', 30],
  ['1996-12-31', '2026-12-30', 29],
  ['2026-01-01', '2026-01-01', 0],
])('born %s is on %s %i', (birthDate, onDate, age) => {
  expect(ageOn(birthDate, onDate, '1 March')).toBe(age)
})

test.each([
  ['2026-02-27', 25, 25],
  ['2026-02-28', 25, 26],
  ['2026-03-01', 26, 26],
  ['2028-02-28', 27, 27],
  ['2028-02-29', 28, 28],
])('born on 29 February 2000, on %s: %i by 1 March, %i by 28 February', (onDate, byMarch, byFebruary) => {
  expect(ageOn('2000-02-29', onDate, '1 March')).toBe(byMarch)
  expect(ageOn('2000-02-29', onDate, '28 February')).toBe(byFebruary)
})

test('before the birth the age is negative, which no band holds', () => {
  expect(ageOn('2000-01-02', '2000-01-01', '1 March')).toBe(-1)
  expect(ageOn('2096-05-04', '2026-11-24', '1 March')).toBe(-70)
})

test('age grows by one each year and never falls', () => {
  const day = fc.integer({ min: 0, max: 20_000 }).map((days) => Temporal.PlainDate.from('1950-01-01').add({ days }))
  fc.assert(
    fc.property(day, fc.integer({ min: 0, max: 20_000 }), (birth, days) => {
      const on = birth.add({ days })
      const age = (date: Temporal.PlainDate) => ageOn(birth.toString(), date.toString(), '1 March')
      expect(age(on.add({ days: 1 })) - age(on)).toBeOneOf([0, 1])
      expect(age(birth.add({ years: 10 }).add({ days: 1 }))).toBe(10)
    }),
  )
})

test('the reference date follows the rule of the standard', () => {
  const rule = { leapDayBirthday: '1 March' } as const
  expect(ageReferenceDate({ ...rule, countedOn: 'testDate' }, '2026-11-24')).toBe('2026-11-24')
  expect(ageReferenceDate({ ...rule, countedOn: 'endOfCalendarYear' }, '2026-11-24')).toBe('2026-12-31')
  expect(ageReferenceDate({ ...rule, countedOn: 'fixedDate', fixedDate: '2026-09-01' }, '2026-11-24')).toBe(
    '2026-09-01',
  )
})
