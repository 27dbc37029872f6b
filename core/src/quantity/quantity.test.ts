import fc from 'fast-check'
import { expect, test } from 'vitest'
import { parseLength, printLength } from './length.ts'
import { parseMass, printMass } from './mass.ts'
import { roundTo } from './rounding.ts'
import { parseTime, printClock, printTime } from './time.ts'
import { printQuantity } from './unit.ts'

test.each([
  ['9:40', 580_000],
  ['9:40.1', 580_100],
  ['9:40.001', 580_001],
  ['0.125', 125],
  ['60.1250', 60_125],
  ['1:02:03', 3_723_000],
  ['0:29.0', 29_000],
  ['75:00', 4_500_000],
  [' 0:00 ', 0],
  // seconds alone, by either sign
  ['580', 580_000],
  ['29.10000', 29_100],
  ['61,9', 61_900],
  ['9:41,9', 581_900],
])('the time "%s" is %i ms', (text, elapsedMs) => {
  expect(parseTime(text)).toEqual({ ok: true, value: elapsedMs })
})

test.each([
  ['9:75', 'time.seconds', 'has 75 seconds'],
  ['-1:00', 'time.negative', 'below zero'],
  ['−1:00', 'time.negative', 'below zero'],
  ['9.40.1', 'time.form', 'minutes:seconds'],
  ['9.400', 'time.form', 'thousands'],
  ['10.125', 'time.form', 'thousands'],
  ['5-3', 'time.form', '"5-3" is not a time'],
  ['9.40001', 'time.form', 'finer'],
  ['9:4', 'time.form', 'minutes:seconds'],
  ['9:40.1234', 'time.form', 'minutes:seconds'],
  ['1:72:03', 'time.minutes', 'has 72 minutes'],
  ['', 'time.empty', 'No time'],
  ['nine', 'time.form', '"nine" is not a time'],
])('the time "%s" is refused with a reason', (text, code, words) => {
  const result = parseTime(text)
  expect(result).toMatchObject({ ok: false, code })
  expect(result.ok ? '' : result.reason).toContain(words)
})

test('what is printed is read back the same', () => {
  const whole = fc.integer({ min: 0, max: 359_999_999 })
  const massG = fc.nat({ max: 900_000 })
  fc.assert(fc.property(whole, (value) => expectValue(parseTime(printTime(value)), value)))
  fc.assert(fc.property(whole, (value) => expectValue(parseLength(printLength(value)), value)))
  fc.assert(fc.property(massG, (value) => expectValue(parseMass(printMass(value)), value)))
})

const expectValue = (result: unknown, value: number): void => {
  expect(result).toEqual({ ok: true, value })
}

test('a time is printed exactly, with at least the decimals asked for', () => {
  expect(printTime(580_040)).toBe('9:40.04')
  expect(printTime(29_000, 1)).toBe('0:29.0')
  expect(printTime(29_950, 1)).toBe('0:29.95')
  expect(() => printTime(-1)).toThrow('whole number of milliseconds from 0')
  expect(() => printTime(1.5)).toThrow('not 1.5')
})

test('a running clock is never ahead of the time', () => {
  expect(printClock(479_999, 1)).toBe('7:59.9')
  expect(printClock(479_999.9)).toBe('7:59')
  expect(printClock(-5, 1)).toBe('0:00.0')
  expect(printClock(5, 2)).toBe('0:00.00')
})

test('lengths and masses keep their digits, and anything finer is refused', () => {
  expect(parseLength(' 2,000 m ')).toEqual({ ok: true, value: 2_000_000 })
  expect(parseMass(' 64.1 kg ')).toEqual({ ok: true, value: 64_100 })
  expect(printLength(1_000)).toBe('1 m')
  expect(printLength(-1_000)).toBe('−1 m')
  expect(printLength(999)).toBe('99.9 cm')
  expect(parseLength('2,000 m')).toEqual({ ok: true, value: 2_000_000 })
  expect(parseLength('1.83m')).toEqual({ ok: true, value: 1_830 })
  expect(parseLength('35 cm')).toEqual({ ok: true, value: 350 })
  expect(parseLength('1.8305 m')).toMatchObject({ ok: false, code: 'length.finer' })
  expect(parseLength('12')).toMatchObject({ ok: false, code: 'length.form' })
  expect(parseMass('64.1 kg')).toEqual({ ok: true, value: 64_100 })
  expect(parseMass('70.0001 kg')).toMatchObject({ ok: false, code: 'mass.finer' })
  expect(parseMass('70')).toMatchObject({ ok: false, code: 'mass.form' })
  expect(printQuantity(34, 'count')).toBe('34')
  expect(printQuantity(350, 'mm')).toBe('35 cm')
  expect(printQuantity(64_100, 'g')).toBe('64.1 kg')
})

test.each([
  ['truncate', 579_999, 579_000],
  ['truncate', 580_000, 580_000],
  ['truncate', 580_001, 580_000],
  ['nearest', 580_499, 580_000],
  ['nearest', 580_500, 581_000],
  ['nearest', 580_501, 581_000],
  ['up', 579_999, 580_000],
  ['up', 580_000, 580_000],
  ['up', 580_001, 581_000],
] as const)('%s to the whole second: %i becomes %i', (mode, value, rounded) => {
  expect(roundTo(value, { mode, step: 1_000 })).toBe(rounded)
})

test('below zero, truncate goes towards zero, up to the larger, an exact half away from zero', () => {
  expect(roundTo(-1_500, { mode: 'truncate', step: 1_000 })).toBe(-1_000)
  expect(roundTo(-1_500, { mode: 'up', step: 1_000 })).toBe(-1_000)
  expect(roundTo(-1_500, { mode: 'nearest', step: 1_000 })).toBe(-2_000)
  expect(Object.is(roundTo(-1, { mode: 'truncate', step: 10 }), 0)).toBe(true)
})

test('rounding moves a value by less than a step, lands on a step, and keeps order', () => {
  const value = fc.integer({ min: -1e9, max: 1e9 })
  const rule = fc.record({
    mode: fc.constantFrom('truncate', 'nearest', 'up'),
    step: fc.integer({ min: 1, max: 10_000 }),
  })
  fc.assert(
    fc.property(value, value, rule, (a, b, { mode, step }) => {
      const of = (v: number) => roundTo(v, { mode, step })
      expect(Math.abs(of(a) - a)).toBeLessThan(step)
      expect(Math.abs(of(a) % step)).toBe(0)
      expect(Math.sign(of(a) - of(b)) * Math.sign(a - b)).toBeGreaterThanOrEqual(0)
    }),
  )
})

test('a value or step that is not whole is refused', () => {
  expect(() => roundTo(1.5, { mode: 'up', step: 1 })).toThrow('not 1.5')
  expect(() => roundTo(1, { mode: 'up', step: 0 })).toThrow('not 0')
})
