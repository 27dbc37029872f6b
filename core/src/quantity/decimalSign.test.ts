import fc from 'fast-check'
import { expect, test } from 'vitest'
import { withPoints } from './decimalSign.ts'
import { parseField, printField, type FieldForm } from './field.ts'

test.each([
  ['66,5', '66.5'],
  ['66.5', '66.5'],
  ['2,414.016 m', '2414.016 m'],
  ['2.414,016 m', '2414.016 m'],
  ['1,234,567', '1234567'],
  ['12,345,678', '12345678'],
  ['5 ft 10,5 in', '5 ft 10.5 in'],
  ['0,125', '0.125'],
  ['1234,567', '1234.567'],
  ['34.0190', '34.0190'],
  ['no number', 'no number'],
  // more than three digits before it part no thousands, nor does a nought
  ['1234.567', '1234.567'],
  // one sign and three digits: 2.4 or 2,400
  ['2,400 m', null],
  ['66.500', null],
  ['123.456', null],
  ['10.456', null],
  ['1,23,456', null],
  ['1,234.567,8', null],
  ['1.2.3', null],
] as const)('%s is read as %s', (text, expected) => {
  expect(withPoints(text)).toBe(expected)
})

const KG: FieldForm = { unit: 'g' }
test.each([
  ['66,5', KG, 66_500],
  ['66,50', KG, 66_500],
  ['66,500', KG, null],
  ['66.5000', KG, 66_500],
  ['41,5', { unit: 'mm', shownIn: 'cm' }, 415],
  ['18,5', { unit: 'permille' }, 185],
  ['61.9', { unit: 'ms' }, 61_900],
  ['61,9', { unit: 'ms' }, 61_900],
  ['61', { unit: 'ms' }, 61_000],
  ['9:41,9', { unit: 'ms' }, 581_900],
  ['0:29.123', { unit: 'ms' }, 29_123],
  ['61.900', { unit: 'ms' }, null],
  // what a spreadsheet makes of 9:40
  ['0.00671296', { unit: 'ms' }, null],
] as const)('%s in %j is %s', (text, form, expected) => {
  const read = parseField(text, form)
  expect(read.ok ? read.value : null).toBe(expected)
})

test('what a field prints it reads back, with three decimals too', () => {
  const forms: FieldForm[] = [
    KG,
    { unit: 'g', shownIn: 'lb' },
    { unit: 'mm', shownIn: 'm' },
    { unit: 'mm', shownIn: 'cm' },
    { unit: 'ms' },
  ]
  fc.assert(
    fc.property(fc.constantFrom(...forms), fc.integer({ min: 0, max: 3_000_000 }), (form, value) => {
      expect(parseField(printField(value, form), form)).toEqual({ ok: true, value })
    }),
  )
})
