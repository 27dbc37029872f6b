import { expect, test } from 'vitest'
import { parsePeopleCsv } from './peopleCsv.ts'

const HEAD = 'number,given_name,family_name,birth_date,category'

test('good rows are kept and each bad one is explained with its line', () => {
  const { people, findings } = parsePeopleCsv(
    `${HEAD}\nT-1,Tove,Okafor-Lind,1999-05-04,female\nT-2,,Szabo,1998-02-30,male\n`,
  )
  expect(people).toEqual([
    { number: 'T-1', givenName: 'Tove', familyName: 'Okafor-Lind', birthDate: '1999-05-04', category: 'female' },
  ])
  expect(findings).toEqual([
    { line: 3, column: 'given_name', found: 'nothing', expected: 'some text' },
    { line: 3, column: 'birth_date', found: '1998-02-30', expected: 'a date that exists, as YYYY-MM-DD' },
  ])
})

test('semicolons and a byte order mark are read too', () => {
  const text = `\uFEFF${HEAD.replaceAll(',', ';')}\r\nT-1;Tove;Okafor-Lind;1999-05-04;female\r\n`
  expect(parsePeopleCsv(text).people).toHaveLength(1)
})

test('a missing column is named', () => {
  expect(parsePeopleCsv('number,given_name\n1,a').findings.map(({ column }) => column)).toEqual([
    'family_name',
    'birth_date',
    'category',
  ])
})
