import { expect, test } from 'vitest'
import { saidIn } from '../../testing/saidIn.ts'
import { standardNamed } from '../../testing/index.ts'
import { judgeResultRow, missingColumns } from './resultRow.ts'

const v3 = standardNamed('v3')
const ROW = {
  number: 'T-1',
  birth_date: '1999-05-04',
  category: 'female',
  test_date: '2026-11-24',
  'press-ups': '24',
  run: '9:20.3',
}

const outcome = (change: object) => {
  const judged = judgeResultRow(v3, { ...ROW, ...change }, 2)
  return judged.ok ? judged.verdict.outcome : judged.findings.map(({ column }) => column)
}

test('a row is judged as captures would be', () => {
  expect(outcome({})).toBe('met')
  expect(outcome({ 'press-ups': '23' })).toBe('short')
  expect(outcome({ run: '9:40.0' })).toBe('open')
  expect(outcome({ run: '9:41.9' })).toBe('short')
  expect(outcome({ run: '' })).toBe('notFinished')
  expect(outcome({ run: '', 'press-ups': '' })).toBe('notStarted')
  expect(outcome({ run: 'Withdrawn' })).toBe('withdrawn')
  expect(outcome({ run: 'did not finish' })).toBe('notFinished')
  expect(outcome({ run: 'disqualified' })).toBe('disqualified')
  expect(outcome({ 'press-ups': 'safety' })).toBe('open')
})

test('age and band come from the dates of the row', () => {
  const judged = judgeResultRow(
    standardNamed('v2'),
    { ...ROW, birth_date: '1996-02-29', category: 'male', test_date: '2026-02-28', 'press-ups': '29', run: '9:15' },
    2,
  )
  expect(judged.ok && judged.verdict.marks.map(({ kind }) => kind)).toEqual(['short', 'met'])
})

test('everything that is wrong with a row is told, each with its column', () => {
  const judged = judgeResultRow(
    v3,
    { number: '', birth_date: '1999-02-30', category: 'open', test_date: '', 'press-ups': '24.5', run: '9:75' },
    7,
  )
  expect(judged.ok ? [] : judged.findings.map(({ line, column }) => [line, column])).toEqual([
    [7, 'number'],
    [7, 'birth_date'],
    [7, 'test_date'],
    [7, 'category'],
    [7, 'press-ups'],
    [7, 'run'],
  ])
  expect(outcome({ birth_date: '2027-01-01' })).toEqual(['birth_date'])
})

test('an entered figure says so in the trace', () => {
  const judged = judgeResultRow(v3, ROW, 2)
  expect(judged.ok && saidIn(judged.verdict.marks[1]?.trace)[0]).toMatchObject({ title: '9:20.3 read' })
})

test('columns that the standard needs are named', () => {
  expect(missingColumns(v3, ['number', 'birth_date', 'category', 'test_date', 'run'])).toEqual(['press-ups'])
})
