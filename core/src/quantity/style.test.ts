import fc from 'fast-check'
import { afterEach, expect, test } from 'vitest'
import { printDecimal } from './digits.ts'
import { parseField, printField, type FieldForm } from './field.ts'
import { parseDate } from './parseDate.ts'
import { printDate, printShortDate } from './printDate.ts'
import { DATE_ORDERS, DECIMAL_SIGNS, PLAIN_STYLE, printInStyle } from './style.ts'
import { printClock, printSeconds, printTime } from './time.ts'
import { printQuantity } from './unit.ts'

afterEach(() => printInStyle(PLAIN_STYLE))
const COMMA = { ...PLAIN_STYLE, decimalSign: ',' } as const

test('a house with a comma prints it in every figure, with a point between thousands', () => {
  printInStyle(COMMA)
  expect(printDecimal(1_204_500, 3)).toBe('1.204,5')
  expect(printTime(580_100)).toBe('9:40,1')
  expect(printClock(479_999, 1)).toBe('7:59,9')
  expect(printSeconds(2_500)).toBe('2,5 s')
  expect(printQuantity(64_500, 'g')).toBe('64,5 kg')
  expect(printQuantity(133, 'mm', 'in')).toBe('5,25 in (13,3 cm)')
})

test('what a field shows is read back, whatever the sign', () => {
  const forms: FieldForm[] = [
    { unit: 'ms' },
    { unit: 'mm', shownIn: 'cm' },
    { unit: 'mm', shownIn: 'm' },
    { unit: 'g', shownIn: 'kg' },
    { unit: 'permille' },
  ]
  fc.assert(
    fc.property(
      fc.constantFrom(...DECIMAL_SIGNS),
      fc.constantFrom(...forms),
      fc.integer({ min: 0, max: 5_000_000 }),
      (decimalSign, form, value) => {
        printInStyle({ ...PLAIN_STYLE, decimalSign })
        expect(parseField(printField(value, form), form)).toEqual({ ok: true, value })
      },
    ),
  )
})

test.each([
  ['dmy', '4 March 2026', '4 Mar 2026', '2026-03-04'],
  ['mdy', 'March 4, 2026', 'Mar 4, 2026', '2026-04-03'],
  ['ymd', '2026-03-04', '2026-03-04', '2026-03-04'],
] as const)('in the order %s a date is %s, and 4/3/2026 is read in it', (dateOrder, long, short, read) => {
  printInStyle({ ...PLAIN_STYLE, dateOrder })
  expect([printDate('2026-03-04'), printShortDate('2026-03-04')]).toEqual([long, short])
  expect(parseDate('4/3/2026')).toEqual({ ok: true, value: read })
})

test('a printed date is read back in every order, and one with the month in words in any', () => {
  for (const dateOrder of DATE_ORDERS) {
    printInStyle({ ...PLAIN_STYLE, dateOrder })
    expect(parseDate(printDate('2026-11-24'))).toEqual({ ok: true, value: '2026-11-24' })
    expect(parseDate('Nov 24, 2026')).toEqual({ ok: true, value: '2026-11-24' })
    expect(parseDate('24 November 2026')).toEqual({ ok: true, value: '2026-11-24' })
  }
  printInStyle({ ...PLAIN_STYLE, dateOrder: 'mdy' })
  expect(parseDate('tomorrow')).toMatchObject({
    reason: expect.stringContaining('month day, year, such as Nov 24, 2026'),
  })
})
