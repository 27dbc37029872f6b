import { expect, test } from 'vitest'
import { KIND_CASES, standardNamed } from '../../testing/index.ts'
import { formOf } from '../kinds/facts.ts'
import type { FieldForm } from '../quantity/field.ts'
import { categoryCalled, readAges, readPrintedTime } from './printedCell.ts'

/** Seconds alone are nobody's run. */
const RUN: FieldForm = { unit: 'ms', secondsFromMs: 60_000 }

test.each([
  ['18-29', 18, 29],
  ['18–29', 18, 29],
  [' 18 — 29 ', 18, 29],
  ['18 to 29', 18, 29],
  ['Ages 18-29', 18, 29],
  ['18-29 years', 18, 29],
  ['50+', 50, null],
  ['50 and over', 50, null],
  ['50 or older', 50, null],
  ['≥ 50', 50, null],
  ['over 49', 50, null],
  ['> 49', 50, null],
  ['under 20', 0, 19],
  ['< 20', 0, 19],
  ['up to 19', 0, 19],
  ['All ages', 0, null],
] as const)('"%s" is from %s to %s', (text, from, to) => {
  expect(readAges(text)).toEqual({ from, to })
})

test.each(['18', '29-18', 'old', '', '9:40', 'under 0', '18-29-40'])('"%s" is no range of ages', (text) => {
  expect(readAges(text)).toBeNull()
})

test.each([
  [`9'40"`, '9:40'],
  ['9′40″', '9:40'],
  ['12.30', '12:30'],
  ['12,30', '12:30'],
  ['12:30:00', '12:30'],
  ['9:40', null],
  ['1:05:00', null],
  ['12.75', null],
  ['12.3', null],
  ['9:40.1', null],
  ['', null],
])('the time "%s" is %s', (text, expected) => {
  expect(readPrintedTime(text, RUN)).toBe(expected)
})

test('a category is found by its id, its name, and what people call it; another is none', () => {
  const categories = [
    { id: 'female', name: 'Female' },
    { id: 'male', name: 'Male' },
    { id: 'open', name: 'Open to all' },
  ]
  for (const text of ['Female', 'FEMALE', 'women', 'F']) expect(categoryCalled(text, categories)).toBe('female')
  expect(categoryCalled('open to all', categories)).toBe('open')
  expect(categoryCalled('', categories)).toBeNull()
  expect(categoryCalled('juniors', categories)).toBeNull()
  // where a standard has other categories, nothing is guessed
  expect(categoryCalled('women', [{ id: 'open', name: 'Open' }])).toBeNull()
})

test('a sprint of 12.30 seconds stays one: a dot is a colon only where seconds alone are refused', () => {
  expect(readPrintedTime('12.30', { unit: 'ms' })).toBeNull()
  expect(readPrintedTime(`0'12"`, { unit: 'ms' })).toBe('0:12')
})

test('of the kinds only those that are run together refuse seconds alone, also while a draft lacks its figures', () => {
  const run = standardNamed('v2').events[1]?.protocol
  if (!run) throw new Error('The standard of the tests has a run.')
  expect(formOf(run).secondsFromMs).toBeGreaterThan(60_000)
  expect(formOf({ ...run, distanceMm: undefined } as unknown as typeof run)).not.toHaveProperty('secondsFromMs')
  const refusing = KIND_CASES.map(({ kind, protocol }) => ({ ...protocol, kind }) as unknown as typeof run).filter(
    (protocol) => formOf(protocol).secondsFromMs !== undefined,
  )
  expect(new Set(refusing.map(({ kind }) => kind))).toEqual(new Set(['timedDistance']))
})
