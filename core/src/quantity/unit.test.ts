/** Values of each unit in print, and what is small enough to be worth a test of its own: dates, ages, leap years, division. */
import { expect, test } from 'vitest'
import { printDecimal } from './digits.ts'
import { divideToNearest } from './integers.ts'
import { isLeapYear } from './isLeapYear.ts'
import { parseLength, printLength } from './length.ts'
import { parseMass, printMass } from './mass.ts'
import { printAges } from './printAges.ts'
import { printDate } from './printDate.ts'
import {
  isRead,
  isWholeAlready,
  printAmount,
  printFraction,
  printPoints,
  printQuantity,
  printStep,
  suits,
  UNITS,
  type Unit,
} from './unit.ts'
import type { PublishedUnit } from './imperial.ts'

test.each<[number, Unit, PublishedUnit | undefined, string]>([
  [34, 'count', undefined, '34'],
  [1_234, 'count', undefined, '1,234'],
  [580_000, 'ms', undefined, '9:40'],
  [415, 'mm', undefined, '41.5 cm'],
  [34_500, 'g', undefined, '34.5 kg'],
  [120, 'bpm', undefined, '120 beats/min'],
  [9, 'level', undefined, 'level 9'],
  [704, 'levelShuttle', undefined, 'level 7, shuttle 4'],
  [185, 'permille', undefined, '18.5 %'],
  [0, 'done', undefined, 'not done'],
  [1, 'done', undefined, 'done'],
  [45_359, 'g', 'lb', '100 lb (45.359 kg)'],
  // seconds are published in nothing else
  [580_000, 'ms', 'lb', '9:40'],
  [580_000, 'ms', 'yd', '9:40'],
])('%i %s published in %s is "%s"', (value, unit, publishedIn, printed) => {
  expect(printQuantity(value, unit, publishedIn)).toBe(printed)
})

test('a value that is not whole is told to hundredths where it is counted, else to its unit', () => {
  expect(printFraction({ numerator: 16, denominator: 3 }, 'count')).toBe('5.33')
  expect(printFraction({ numerator: 17, denominator: 3 }, 'count')).toBe('5.67')
  expect(printFraction({ numerator: 1_000, denominator: 3 }, 'g')).toBe('0.333 kg')
})

test('an amount of time is told in seconds and tenths, anything else as a value is', () => {
  expect(printAmount(3_000, 'ms')).toBe('3 s')
  expect(printAmount(3_149, 'ms')).toBe('3.1 s')
  expect(printAmount({ numerator: 14_000, denominator: 3 }, 'ms')).toBe('4.7 s')
  expect(printAmount(415, 'mm')).toBe('41.5 cm')
  expect(printAmount({ numerator: 16, denominator: 3 }, 'count')).toBe('5.33')
})

test('what suits a unit, what is read, what is whole by nature', () => {
  const those = (is: (unit: Unit) => boolean) => UNITS.filter(is)
  expect(those((unit) => suits(unit, 'lb'))).toEqual(['g'])
  expect(those((unit) => suits(unit, 'mi'))).toEqual(['mm'])
  expect(those(isRead)).toEqual(['ms', 'mm', 'g', 'bpm', 'permille'])
  expect(those(isWholeAlready)).toEqual(['count', 'bpm', 'level', 'levelShuttle', 'done'])
})

test.each<[number, Unit, string]>([
  [1_000, 'ms', 'whole second'],
  [100, 'ms', 'tenth of a second'],
  [10, 'ms', 'hundredth of a second'],
  [1, 'ms', 'multiple of 0:00.001'],
  [5_000, 'ms', 'multiple of 0:05'],
  [1_000, 'g', 'multiple of 1 kg'],
  [100, 'mm', 'multiple of 10 cm'],
  [10, 'mm', 'multiple of 1 cm'],
  [1, 'count', 'whole number'],
  [2, 'count', 'multiple of 2'],
  [1, 'done', 'whole number'],
])('a step of %i %s is a %s', (step, unit, printed) => {
  expect(printStep(step, unit)).toBe(printed)
})

test('points are printed from hundredths', () => {
  expect([4_500, 4_550, 4_555, 0].map(printPoints)).toEqual(['45', '45.5', '45.55', '0'])
})

test.each([
  ['2026-01-09', '9 January 2026'],
  ['2026-02-10', '10 February 2026'],
  ['2026-03-01', '1 March 2026'],
  ['2026-04-30', '30 April 2026'],
  ['2026-05-02', '2 May 2026'],
  ['2026-06-03', '3 June 2026'],
  ['2026-07-04', '4 July 2026'],
  ['2026-08-05', '5 August 2026'],
  ['2026-09-06', '6 September 2026'],
  ['2026-10-07', '7 October 2026'],
  ['2026-11-24', '24 November 2026'],
  ['2026-12-31', '31 December 2026'],
])('%s is %s', (date, printed) => {
  expect(printDate(date)).toBe(printed)
})

test('ages are a span, open above, or one year', () => {
  expect([printAges(18, 29), printAges(40, null), printAges(17, 17), printAges(0, 17)]).toEqual([
    '18 to 29',
    '40 and over',
    '17',
    '0 to 17',
  ])
})

test.each([
  [2024, true],
  [2026, false],
  [1900, false],
  [2000, true],
  [2100, false],
  [2025, false],
])('%i is a leap year: %s', (year, is) => {
  expect(isLeapYear(year)).toBe(is)
})

test.each([
  [7, 2, 4],
  [-7, 2, -4],
  [6, 4, 2],
  [5, 4, 1],
  [-5, 4, -1],
  [1, 3, 0],
  [-1, 3, 0],
  [0, 5, 0],
  [9, 1, 9],
])('%i by %i is %i to the nearest', (dividend, divisor, quotient) => {
  expect(divideToNearest(dividend, divisor)).toBe(quotient)
  // never the zero that prints with a sign
  expect(Object.is(divideToNearest(dividend, divisor), -0)).toBe(false)
})

test.each([
  [1.5, 2],
  [1, 0],
  [1, -2],
  [1, 1.5],
  [2 ** 53, 1],
])('%d by %d is not divided', (dividend, divisor) => {
  expect(() => divideToNearest(dividend, divisor)).toThrow(
    `Only whole numbers are divided, by a whole number from 1, not ${dividend} by ${divisor}.`,
  )
})

test.each([
  ['2.4 km', 2_400_000],
  ['400 m', 400_000],
  ['1.83000 m', 1_830],
  ['41.5 cm', 415],
  ['5 mm', 5],
  ['0 m', 0],
])('%s is %i mm, and what is printed is read again', (text, value) => {
  expect(parseLength(text)).toEqual({ ok: true, value })
  expect(parseLength(printLength(value))).toEqual({ ok: true, value })
})

test.each([
  ['34 kg', 34_000],
  ['34.567 kg', 34_567],
  ['34.50000 kg', 34_500],
  ['500 g', 500],
])('%s is %i g, and what is printed is read again', (text, value) => {
  expect(parseMass(text)).toEqual({ ok: true, value })
  expect(parseMass(printMass(value))).toEqual({ ok: true, value })
})

test.each(['', '5', 'm', '5 miles', '5m m', '-5 m', '5.5 mm', 'x 5 m', '5 m x'])('%j is no length', (text) => {
  expect(parseLength(text).ok).toBe(false)
})
test.each(['', '5', 'kg', '5 stone', '-5 kg', '5.5 g', '5.5555 kg', 'x 5 kg', '5 kg x'])('%j is no mass', (text) => {
  expect(parseMass(text).ok).toBe(false)
})

test('what is refused is told as it was typed', () => {
  expect(parseLength(' far ')).toEqual({
    ok: false,
    code: 'length.form',
    reason: '"far" is not a length. Write it with a unit, such as 2,000 m or 35 cm.',
  })
  expect(parseLength(' 5.5 mm ')).toMatchObject({ reason: '"5.5 mm" is finer than a millimetre.' })
  expect(parseMass(' much ')).toEqual({
    ok: false,
    code: 'mass.form',
    reason: '"much" is not a mass. Write it with a unit, such as 70 kg.',
  })
  expect(parseMass(' 5.5 g ')).toMatchObject({ reason: '"5.5 g" is finer than a gram.' })
})

test('thousands are parted each time, and decimals filled up where they are asked for', () => {
  expect(printDecimal(1_234_567, 0)).toBe('1,234,567')
  expect(printDecimal(64_100, 3, 2)).toBe('64.10')
})
