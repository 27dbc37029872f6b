/** A register as people keep it: which columns are what, which rows can be taken, and how they stand to those on record. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { matchRegister, type RegisteredPerson, type RegisterRow } from '../people/matchRegister.ts'
import type { OrgUnit } from '../people/units.ts'
import { guessRegister, printRegister, readRegister } from './register.ts'

const UNITS: readonly OrgUnit[] = [
  { id: 'con', name: 'Constabulary', parentId: null, isClosed: false },
  { id: 'north', name: 'North', parentId: 'con', isClosed: false },
  { id: 'fire', name: 'Fire Service', parentId: null, isClosed: false },
  { id: 'fire-north', name: 'North', parentId: 'fire', isClosed: false },
]
const HEADINGS = ['Service number', 'First name', 'Surname', 'Born', 'Sex', 'Division', 'Rank', 'E-mail']
const read = (...rows: string[][]) => readRegister(rows, guessRegister(HEADINGS), UNITS, '2026-11-24')
const GOOD = ['T-1', 'Jörg', 'Müller', '4.5.1999', 'male', 'Constabulary, North', 'Sergeant', 'j.mueller@tarn.example']

test('columns are found by their headings, and what is optional may be missing', () => {
  expect(guessRegister(['DOB', 'No.', 'Forename', 'Family name'])).toEqual({
    number: 1,
    givenName: 2,
    familyName: 3,
    birthDate: 0,
    category: null,
    unit: null,
    rank: null,
    email: null,
  })
})

test('a row is read with its unit by path, and by name where that is enough', () => {
  const { rows, findings } = read(GOOD, ['T-2', 'Ada', 'Holm', '1990-01-31', '', 'fire service', '', ''])
  expect(findings).toEqual([])
  expect(rows.map(({ row }) => row)).toEqual([
    {
      number: 'T-1',
      givenName: 'Jörg',
      familyName: 'Müller',
      birthDate: '1999-05-04',
      category: 'male',
      unitId: 'north',
      rank: 'Sergeant',
      email: 'j.mueller@tarn.example',
    },
    {
      number: 'T-2',
      givenName: 'Ada',
      familyName: 'Holm',
      birthDate: '1990-01-31',
      category: '',
      unitId: 'fire',
      rank: '',
      email: '',
    },
  ])
})

test.each([
  [0, '', 'number', 'nothing', 'number in the organisation'],
  [1, 'J\uFFFDrg', 'givenName', 'J\uFFFDrg', 'letters that were read as they were written'],
  [2, 'x'.repeat(81), 'familyName', 'x'.repeat(81), 'at most 80 letters'],
  [3, '31.2.1999', 'birthDate', '31.2.1999', /a date that exists/],
  [3, '2026-01-01', 'birthDate', '2026-01-01', /./],
  [5, 'North', 'unit', 'North', 'one of "Constabulary, North", "Fire Service, North"'],
  [5, 'Harbour', 'unit', 'Harbour', 'the name of a unit'],
  [6, 'x'.repeat(41), 'rank', 'x'.repeat(41), 'at most 40 letters'],
  [7, 'nobody', 'email', 'nobody', /an address/],
])('cell %i as "%s" is told with its line, and the row is left out', (column, text, field, found, expected) => {
  const { rows, findings } = read(GOOD.with(column, text), ['T-9', 'Ada', 'Holm', '1990-01-31', '', '', '', ''])
  expect(findings).toEqual([{ line: 2, field, found, expected: expect.stringMatching(expected) }])
  expect(rows.map(({ line }) => line)).toEqual([3])
})

test('somebody who stands in the file twice is kept once, the first time', () => {
  const { rows, findings } = read(GOOD, GOOD.with(1, 'Other'), GOOD.with(0, 'T-3'))
  expect(rows.map(({ line }) => line)).toEqual([2])
  expect(findings.map(({ line, field, found }) => `${line} ${field} ${found}`)).toEqual([
    '3 number T-1, also in line 2',
    '4 familyName Jörg Müller, also in line 2',
  ])
})

const ROW: RegisterRow = {
  number: 'T-1',
  givenName: 'Jörg',
  familyName: 'Müller',
  birthDate: '1999-05-04',
  category: 'male',
  unitId: 'north',
  rank: 'Sergeant',
  email: '',
}
const person = (change: Partial<RegisteredPerson> = {}): RegisteredPerson => ({
  ...ROW,
  id: 'p1',
  isWithin: true,
  ...change,
})

test.each([
  ['nobody like that', {}, [], { kind: 'new' }],
  ['the same in all it says', {}, [person({ email: 'kept@tarn.example' })], { kind: 'same', personId: 'p1' }],
  ['what it leaves out says nothing', { rank: '', unitId: '' }, [person()], { kind: 'same', personId: 'p1' }],
  [
    'another name under the number',
    {},
    [person({ familyName: 'Muller' })],
    { kind: 'differs', fields: ['familyName'] },
  ],
  [
    'another number',
    { number: 'N-7' },
    [person({ givenName: 'JÖRG ' })],
    { kind: 'otherNumber', fields: ['number', 'givenName'] },
  ],
  ['another person of that name', { number: 'N-7', birthDate: '1980-01-01' }, [person()], { kind: 'new' }],
  ['a number of another unit', { familyName: 'Other' }, [person({ isWithin: false })], { kind: 'otherUnit' }],
  ['somebody of that name in another unit', { number: 'N-7' }, [person({ isWithin: false })], { kind: 'new' }],
] as const)('%s', (_what, change, known, expected) => {
  expect(matchRegister([{ ...ROW, ...change }], known)[0]).toMatchObject(expected)
})

test('a file that was taken in once finds everybody as it says, in any order', () => {
  const rows = fc.uniqueArray(
    fc.record({
      number: fc.string({ minLength: 1, maxLength: 6 }),
      givenName: fc.constantFrom('Ada', 'Bo', 'Cai'),
      familyName: fc.constantFrom('Holm', 'Lind'),
      birthDate: fc.constantFrom('1990-01-31', '1991-02-01'),
      category: fc.constantFrom('', 'female'),
      unitId: fc.constantFrom('', 'north'),
      rank: fc.constantFrom('', 'Sergeant'),
      email: fc.constant(''),
    }),
    { selector: ({ number }) => number },
  )
  fc.assert(
    fc.property(rows, (file) => {
      const known = file.map((row, index) => ({ ...row, id: `p${index}`, isWithin: true })).reverse()
      expect(new Set(matchRegister(file, known).map(({ kind }) => kind))).toEqual(
        new Set(file.length > 0 ? ['same'] : []),
      )
    }),
  )
})

test('a register that is printed is read again as it stands', () => {
  const { rows } = read(GOOD, ['T-2', 'Ada', 'Holm', '1990-01-31', '', '', '', ''])
  const people = rows.map(({ row }) => ({ ...row, tests: 3, lastTest: null }))
  const [headings = [], ...printed] = printRegister(people, UNITS).map((line) => line.map(String))
  expect(headings.slice(-2)).toEqual(['Tests', 'Last test'])
  expect(readRegister(printed, guessRegister(headings), UNITS, '2026-11-24').rows.map(({ row }) => row)).toEqual(
    rows.map(({ row }) => row),
  )
})
