import fc from 'fast-check'
import { expect, test } from 'vitest'
import { birthDateExpected, birthDatesFor } from './birthDates.ts'
import { differencesBetween } from './samePerson.ts'

const tove = { givenName: 'Tove', familyName: 'Okafor-Lind', birthDate: '1999-05-04' }

test.each([
  [{}, []],
  [{ givenName: ' TOVE ', familyName: 'okafor-lind' }, []],
  // the same letters, composed and decomposed
  [{ givenName: 'Tove', familyName: 'Okafor-Lind'.normalize('NFD') }, []],
  [{ familyName: 'Okafor' }, ['name']],
  [{ givenName: 'Tova' }, ['name']],
  [{ birthDate: '1999-05-05' }, ['date of birth']],
  [{ givenName: 'Tova', birthDate: '1998-05-04' }, ['name', 'date of birth']],
])('%o differs from Tove Okafor-Lind in %o', (change, differs) => {
  expect(differencesBetween(tove, { ...tove, ...change })).toEqual(differs)
  expect(differencesBetween({ ...tove, ...change }, tove)).toEqual(differs)
})

test('an accent written as one sign or two is the same name', () => {
  const composed = { ...tove, givenName: 'Zoë' }
  expect(differencesBetween(composed, { ...tove, givenName: 'Zoe\u0308' })).toEqual([])
  expect(differencesBetween(composed, { ...tove, givenName: 'Zoe' })).toEqual(['name'])
})

test('who is tested was born ten to 110 years before', () => {
  expect(birthDatesFor('2026-11-24')).toEqual({ from: '1916-11-24', to: '2016-11-24' })
  expect(birthDateExpected('1916-11-24', '2026-11-24')).toBeNull()
  expect(birthDateExpected('2016-11-24', '2026-11-24')).toBeNull()
  for (const slip of ['1916-11-23', '2016-11-25', '1099-05-04', '2026-11-24']) {
    expect(birthDateExpected(slip, '2026-11-24')).toBe('a date of birth from 1916-11-24 to 2016-11-24')
  }
})

test('any age from 11 to 109 can be entered on any day', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2000, max: 2090 }), fc.integer({ min: 11, max: 109 }), (year, age) => {
      expect(birthDateExpected(`${year - age}-02-29`, `${year}-02-28`)).toBeNull()
    }),
  )
})
