import fc from 'fast-check'
import { expect, test } from 'vitest'
import { parseDate } from './parseDate.ts'
import { printDate } from './printDate.ts'

test.each([
  ['24 Nov 2026', '2026-11-24'],
  ['24 November 2026', '2026-11-24'],
  [' 4. nov. 2026 ', '2026-11-04'],
  ['24.11.2026', '2026-11-24'],
  ['4/3/2026', '2026-03-04'],
  ['4-3-2026', '2026-03-04'],
  ['2026-11-24', '2026-11-24'],
  ['29.2.2024', '2024-02-29'],
  ['1 May 2026', '2026-05-01'],
])('%s is %s', (text, expected) => {
  expect(parseDate(text)).toEqual({ ok: true, value: expected })
})

test.each([
  ['29.2.2026', 'date.noSuchDay'],
  ['31.4.2026', 'date.noSuchDay'],
  ['31.4.2024', 'date.noSuchDay'],
  ['0.4.2026', 'date.noSuchDay'],
  ['1.13.2026', 'date.noSuchDay'],
  ['1.0.2026', 'date.noSuchDay'],
  ['24.11.26', 'date.form'],
  ['24 Foo 2026', 'date.form'],
  ['tomorrow', 'date.form'],
  ['', 'date.form'],
])('"%s" is refused: %s', (text, code) => {
  expect(parseDate(text)).toMatchObject({ ok: false, code })
})

test('a day that is not in the calendar is named as it was typed', () => {
  expect(parseDate(' 31.4.2026 ')).toMatchObject({ reason: 'There is no day "31.4.2026" in the calendar.' })
})

test('a printed date is read back', () => {
  const dates = fc.date({ min: new Date('1900-01-01'), max: new Date('2200-01-01'), noInvalidDate: true })
  fc.assert(
    fc.property(dates, (moment) => {
      const date = moment.toISOString().slice(0, 10)
      expect(parseDate(printDate(date))).toEqual({ ok: true, value: date })
    }),
  )
})
