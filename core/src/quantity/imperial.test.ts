import fc from 'fast-check'
import { expect, test } from 'vitest'
import { exampleOf, parseField, printField, type FieldForm } from './field.ts'
import { ownUnit, parseImperial, printImperial, PUBLISHED_UNITS } from './imperial.ts'
import { printPoints, printQuantity } from './unit.ts'

// 1 in = 25.4 mm, 1 lb = 453.59237 g, exactly
test.each([
  ['5 ft 10 in', 1_778],
  ["6'", 1_829],
  [`5'10"`, 1_778],
  ['5ft10in', 1_778],
  ['5 ft  10  in', 1_778],
  ['10"', 254],
  ['10in', 254],
  ['5.25000 in', 133],
  ['5.25 in', 133],
  ['100 yd', 91_440],
  ['1.5 mi', 2_414_016],
  ['100 lb', 45_359],
  ['150.5 lb', 68_266],
])('%s is %i in base units', (text, base) => {
  expect(parseImperial(text)).toBe(base)
})

test.each(['5 ft 12 in', '5 stone', '', 'lb', '1.2345 lb', '-3 in', 'x5 ft 10 in', '5 ft 10 in x', '5 lb x'])(
  '"%s" is refused',
  (text) => {
    expect(parseImperial(text)).toBeNull()
  },
)

test('every figure published in tenths or quarters prints as it was published', () => {
  const hundredths = fc.integer({ min: 1, max: 100_000 }).filter((value) => value % 10 === 0 || value % 25 === 0)
  fc.assert(
    fc.property(fc.constantFrom(...PUBLISHED_UNITS), hundredths, (unit, value) => {
      const written = `${value / 100} ${unit === 'ft-in' ? 'in' : unit}`
      const base = parseImperial(written)
      expect(base).not.toBeNull()
      const printed = printImperial(base ?? 0, unit === 'ft-in' ? 'in' : unit).replaceAll(',', '')
      expect(printed).toBe(written)
      expect(parseImperial(printImperial(base ?? 0, unit).replaceAll(',', ''))).toBe(base)
    }),
  )
})

test('feet are left out below one, inches where none are over', () => {
  expect([0, 127, 1_829, 1_778].map((base) => printImperial(base, 'ft-in'))).toEqual([
    '0 in',
    '5 in',
    '6 ft',
    '5 ft 10 in',
  ])
})

test('a published figure is printed with the metric value behind it', () => {
  expect(printQuantity(45_359, 'g', 'lb')).toBe('100 lb (45.359 kg)')
  expect(printQuantity(1_778, 'mm', 'ft-in')).toBe('5 ft 10 in (1.778 m)')
  expect(printQuantity(45_359, 'g')).toBe('45.359 kg')
})

const FORMS: readonly (FieldForm & { readonly least: number; readonly most: number })[] = [
  { unit: 'count', least: 0, most: 9_999 },
  { unit: 'ms', least: 0, most: 35_999_999 },
  { unit: 'mm', shownIn: 'cm', least: -400, most: 5_000 },
  { unit: 'mm', shownIn: 'm', least: 0, most: 9_999_999 },
  { unit: 'mm', least: 0, most: 9_999_999 },
  { unit: 'g', least: 0, most: 400_000 },
  { unit: 'bpm', least: 0, most: 250 },
  { unit: 'level', least: 1, most: 25 },
  { unit: 'permille', least: 0, most: 999 },
  { unit: 'done', least: 0, most: 1 },
]

test.each(FORMS)(
  'what is printed into a field of $unit $shownIn reads back as the same value',
  ({ least, most, ...form }) => {
    fc.assert(
      fc.property(fc.integer({ min: least, max: most }), (value) => {
        expect(parseField(printField(value, form), form)).toEqual({ ok: true, value })
      }),
    )
  },
)

test('level and shuttle read back, and print in words', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 25 }), fc.integer({ min: 0, max: 20 }), (level, shuttle) => {
      const value = level * 100 + shuttle
      const form = { unit: 'levelShuttle' as const }
      expect(parseField(printField(value, form), form)).toEqual({ ok: true, value })
      expect(parseField(printQuantity(value, 'levelShuttle'), form)).toEqual({ ok: true, value })
    }),
  )
})

test.each([
  ['2,000 m', { unit: 'mm' }],
  ['34,500', { unit: 'g' }],
  ['12 lb', { unit: 'mm' }],
  ['9.400', { unit: 'ms' }],
  ['9.40', { unit: 'ms', secondsFromMs: 190_000 }],
  ['1.5', { unit: 'count' }],
  ['seven', { unit: 'levelShuttle' }],
  ['perhaps', { unit: 'done' }],
  ['', { unit: 'g' }],
] as const)('"%s" in a field of %j is refused with an example', (text, form) => {
  const read = parseField(text, form)
  expect(read.ok).toBe(false)
  expect(exampleOf(form)).toMatch(/\w/)
})

test.each([
  ['34 kg', { unit: 'g' }, 34_000],
  ['100 lb', { unit: 'g' }, 45_359],
  ['41.5', { unit: 'mm', shownIn: 'cm' }, 415],
  ['-3', { unit: 'mm', shownIn: 'cm' }, -30],
  ['2,000.0 m', { unit: 'mm' }, 2_000_000],
  ['34,5', { unit: 'g' }, 34_500],
  ['61.9', { unit: 'ms', secondsFromMs: 9_500 }, 61_900],
  ['5 ft 10 in', { unit: 'mm', shownIn: 'ft-in' }, 1_778],
  ['70', { unit: 'mm', shownIn: 'in' }, 1_778],
  ['yes', { unit: 'done' }, 1],
  ['18.5 %', { unit: 'permille' }, 185],
] as const)('"%s" in a field of %j is %i', (text, form, value) => {
  expect(parseField(text, form)).toEqual({ ok: true, value })
})

test('points print without needless decimals', () => {
  expect([4_500, 4_550, 4_555, 0].map(printPoints)).toEqual(['45', '45.5', '45.55', '0'])
})

test.each([
  // 150 lb, 75 lb and half a pound; 10.5 in; 1.5 mi
  ['lb', 68_039, 150_000],
  ['lb', 34_019, 75_000],
  ['lb', 227, 500],
  ['in', 267, 10_500],
  ['in', -25, -1_000],
  ['mi', 2_414_016, 15_000_000],
] as const)('in %s, what is stored as %i is %i parts', (unit, base, parts) => {
  expect(ownUnit(unit).partsOf(base)).toBe(parts)
  expect(ownUnit(unit).baseOf(parts)).toBe(base)
})

test('own figures keep the order of stored values, none is lost, and each leads back', () => {
  fc.assert(
    fc.property(fc.constantFrom(...PUBLISHED_UNITS), fc.integer({ min: 0, max: 3_000_000 }), (unit, base) => {
      const { partsOf, baseOf } = ownUnit(unit)
      expect(baseOf(partsOf(base))).toBe(base)
      expect(partsOf(base + 1)).toBeGreaterThan(partsOf(base))
    }),
  )
})
