/** What is typed into a field, read and printed, by hand: each unit, each way of writing, each refusal with its example. */
import { expect, test } from 'vitest'
import { exampleOf, fitsForm, parseField, printField, suffixOf, type FieldForm } from './field.ts'

const TIME: FieldForm = { unit: 'ms' }
const RUN: FieldForm = { unit: 'ms', secondsFromMs: 60_000 }
const METRES: FieldForm = { unit: 'mm' }
const CM: FieldForm = { unit: 'mm', shownIn: 'cm' }
const FEET_INCHES: FieldForm = { unit: 'mm', shownIn: 'ft-in' }
const YARDS: FieldForm = { unit: 'mm', shownIn: 'yd' }
const INCHES: FieldForm = { unit: 'mm', shownIn: 'in' }
const KG: FieldForm = { unit: 'g' }
const LB: FieldForm = { unit: 'g', shownIn: 'lb' }
const SHUTTLE: FieldForm = { unit: 'levelShuttle', shuttles: [7, 8] }

test.each<[string, FieldForm, number]>([
  ['9:40', TIME, 580_000],
  ['9:41.9', TIME, 581_900],
  ['61.9', TIME, 61_900],
  ['61,9', TIME, 61_900],
  // seconds alone are believed from the least anybody can take
  ['60', RUN, 60_000],
  ['1:00', RUN, 60_000],
  ['0:59', RUN, 59_000],
  ['12', METRES, 12_000],
  ['12.5', METRES, 12_500],
  ['12,5', METRES, 12_500],
  ['450 cm', METRES, 4_500],
  ['−3.5', CM, -35],
  ['-3.5', CM, -35],
  ['- 3.5', CM, -35],
  ['-0', CM, 0],
  ['41.5', CM, 415],
  ['  41.5  ', CM, 415],
  ['5 ft 10 in', FEET_INCHES, 1_778],
  ['70', FEET_INCHES, 1_778],
  ['10', YARDS, 9_144],
  ['10', INCHES, 254],
  ['3 ft', CM, 914],
  ['34', KG, 34_000],
  ['34.5', KG, 34_500],
  ['34 kg', KG, 34_000],
  ['500 g', KG, 500],
  ['100', LB, 45_359],
  ['100 lb', KG, 45_359],
  ['40 kg', LB, 40_000],
  ['18.5', { unit: 'permille' }, 185],
  ['18.5 %', { unit: 'permille' }, 185],
  ['18', { unit: 'permille' }, 180],
  ['18.50', { unit: 'permille' }, 185],
  ['18.5000', { unit: 'permille' }, 185],
  ['18.5%', { unit: 'permille' }, 185],
  ['7/4', SHUTTLE, -1],
  ['2/8', SHUTTLE, 208],
  ['2.8', SHUTTLE, 208],
  ['level 2, shuttle 8', SHUTTLE, 208],
  ['level  1/7', SHUTTLE, 107],
  ['2 , shuttle  8', SHUTTLE, 208],
  ['2,shuttle 8', SHUTTLE, 208],
  ['1 / 0', SHUTTLE, 100],
  ['0/0', SHUTTLE, 0],
  ['34', { unit: 'count' }, 34],
  ['34.0', { unit: 'count' }, 34],
  ['120 beats/min', { unit: 'bpm' }, 120],
  ['120', { unit: 'bpm' }, 120],
  ['120beats/min', { unit: 'bpm' }, 120],
  ['level  9', { unit: 'level' }, 9],
  ['level 9', { unit: 'level' }, 9],
  ['9', { unit: 'level' }, 9],
  ['yes', { unit: 'done' }, 1],
  ['Done', { unit: 'done' }, 1],
  ['1', { unit: 'done' }, 1],
  ['no', { unit: 'done' }, 0],
  ['NOT DONE', { unit: 'done' }, 0],
  ['0', { unit: 'done' }, 0],
])('%j as %j is %i', (text, form, value) => {
  const read = parseField(text, form)
  // a shuttle that is not in the schedule cannot be read at all
  expect(read.ok ? read.value : -1).toBe(value)
})

test.each<[string, FieldForm, string, string]>([
  ['', TIME, 'field.empty', 'Nothing was entered. Write a time, such as 9:41.9.'],
  ['  ', CM, 'field.empty', 'Nothing was entered. Write a length in cm, such as 41.5.'],
  ['59', RUN, 'field.form', '"59" alone would be seconds. Write minutes:seconds, such as 9:40.'],
  ['59.9', RUN, 'field.form', '"59.9" alone would be seconds. Write minutes:seconds, such as 9:40.'],
  ['far', METRES, 'field.form', '"far" is not a length in m, such as 12.5.'],
  ['5 kg', METRES, 'field.form', '"5 kg" is not a length in m, such as 12.5.'],
  ['5 lb', CM, 'field.form', '"5 lb" is not a length in cm, such as 41.5.'],
  ['high', FEET_INCHES, 'field.form', '"high" is not a length, such as 5 ft 10 in.'],
  ['long', YARDS, 'field.form', '"long" is not a length in yd, such as 12.5.'],
  ['5 ft 10', FEET_INCHES, 'field.form', '"5 ft 10" is not a length, such as 5 ft 10 in.'],
  ['heavy', KG, 'field.form', '"heavy" is not a mass in kg, such as 34.5.'],
  ['5 ft', KG, 'field.form', '"5 ft" is not a mass in kg, such as 34.5.'],
  ['much', LB, 'field.form', '"much" is not a mass in lb, such as 34.5.'],
  ['1.234', KG, 'field.sign', '"1.234" could be decimals or thousands. Write one digit more or fewer behind the sign.'],
  ['18.55', { unit: 'permille' }, 'field.form', '"18.55" is not a share in %, such as 18.5.'],
  ['18.05', { unit: 'permille' }, 'field.form', '"18.05" is not a share in %, such as 18.5.'],
  ['18%5', { unit: 'permille' }, 'field.form', '"18%5" is not a share in %, such as 18.5.'],
  ['x7/4', SHUTTLE, 'field.form', '"x7/4" is not level and shuttle, such as 7/4.'],
  ['7', SHUTTLE, 'field.form', '"7" is not level and shuttle, such as 7/4.'],
  ['7/4x', SHUTTLE, 'field.form', '"7/4x" is not level and shuttle, such as 7/4.'],
  ['2/9', SHUTTLE, 'field.schedule', 'The schedule has no level 2 with 9 shuttles.'],
  ['3/1', SHUTTLE, 'field.schedule', 'The schedule has no level 3 with 1 shuttle.'],
  ['0/1', SHUTTLE, 'field.schedule', 'The schedule has no level 0 with 1 shuttle.'],
  ['1.5', { unit: 'count' }, 'field.form', '"1.5" is not a whole number.'],
  ['x34', { unit: 'count' }, 'field.form', '"x34" is not a whole number.'],
  ['34x', { unit: 'count' }, 'field.form', '"34x" is not a whole number.'],
  ['12345678', { unit: 'count' }, 'field.form', '"12345678" is not a whole number.'],
  ['fast', { unit: 'bpm' }, 'field.form', '"fast" is not beats in a minute, a whole number.'],
  ['12 beats/min0', { unit: 'bpm' }, 'field.form', '"12 beats/min0" is not beats in a minute, a whole number.'],
  ['1level 9', { unit: 'level' }, 'field.form', '"1level 9" is not a level, a whole number.'],
  ['high', { unit: 'level' }, 'field.form', '"high" is not a level, a whole number.'],
  ['maybe', { unit: 'done' }, 'field.form', '"maybe" is not yes or no.'],
])('%j as %j is refused: %s', (text, form, code, reason) => {
  expect(parseField(text, form)).toEqual({ ok: false, code, reason })
})

test.each<[number, FieldForm, string, string]>([
  [580_000, TIME, '9:40', 'min:s'],
  [415, CM, '41.5', 'cm'],
  [12_345_600, CM, '1234560', 'cm'],
  [4_500, METRES, '4.5', 'm'],
  // three decimals could be thousands, four cannot
  [4_567, METRES, '4.5670', 'm'],
  [1_234_500, METRES, '1234.5', 'm'],
  [34_500, KG, '34.5', 'kg'],
  [1_234_567, KG, '1234.5670', 'kg'],
  [45_359, LB, '100 lb', 'lb'],
  [1_778, FEET_INCHES, '5 ft 10 in', 'ft-in'],
  [185, { unit: 'permille' }, '18.5', '%'],
  [704, { unit: 'levelShuttle' }, '7/4', ''],
  [0, { unit: 'done' }, 'no', ''],
  [1, { unit: 'done' }, 'yes', ''],
  [34, { unit: 'count' }, '34', ''],
  [120, { unit: 'bpm' }, '120', 'beats/min'],
  [9, { unit: 'level' }, '9', ''],
])('%i as %j is printed %j, with %j behind the field', (value, form, printed, suffix) => {
  expect(printField(value, form)).toBe(printed)
  expect(suffixOf(form)).toBe(suffix)
  const read = parseField(printed, form)
  expect(read).toEqual({ ok: true, value })
})

test('a mass is never shown in metres, nor a length in kilograms', () => {
  expect(exampleOf({ unit: 'g', shownIn: 'm' })).toBe('a mass in kg, such as 34.5')
  expect(exampleOf({ unit: 'mm', shownIn: 'kg' })).toBe('a length in m, such as 12.5')
  expect(exampleOf({ unit: 'mm', shownIn: 'lb' })).toBe('a length in m, such as 12.5')
})

test('a shuttle fits where its level has as many', () => {
  expect([0, 1, 107, 108, 208, 209, 301, -1].map((value) => fitsForm(value, SHUTTLE))).toEqual([
    true,
    false,
    true,
    false,
    true,
    false,
    false,
    false,
  ])
  expect(fitsForm(799, { unit: 'levelShuttle' })).toBe(true)
  expect(fitsForm(-5, { unit: 'mm', shuttles: [1] })).toBe(true)
})
