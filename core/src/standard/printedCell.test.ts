import { expect, test } from 'vitest'
import { categoryCalled, readAges, readPrintedTime } from './printedCell.ts'

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
  ['12:30:00', '12:30'],
  ['9:40', null],
  ['1:05:00', null],
  ['12.75', null],
  ['12.3', null],
  ['9:40.1', null],
  ['', null],
])('the time "%s" is %s', (text, expected) => {
  expect(readPrintedTime(text)).toBe(expected)
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
