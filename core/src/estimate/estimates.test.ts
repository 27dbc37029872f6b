import { expect, test } from 'vitest'
import { parseDocument } from '../document/parseDocument.ts'
import { rulesOf } from '../words/describeProtocol.ts'
import { PROTOCOLS, type Protocol } from '../kinds/kinds.ts'
import { protocolTemplate } from '../kinds/protocolTemplates.ts'
import { printEstimate } from './estimate.ts'
import { estimatesFor } from '../kinds/estimatesFor.ts'
import { capacityFromMileAndAHalf, capacityFromShuttle, capacityFromTwelveMinutes } from './aerobicCapacity.ts'
import { heatFromAir, wetBulbGlobe } from './heat.ts'
import { jumpPower } from './jumpPower.ts'
import { oneRepetitionMaximum } from './oneRepetitionMaximum.ts'
import { ageFactor, capacityFromStepping, capacityFromThreeMinutes, steppingCost } from './stepCapacity.ts'

// (2400 − 504.9) / 44.73 = 42.367; (3000 − 504.9) / 44.73 = 55.781
test('a 12-minute run (Cooper 1968)', () => {
  expect(capacityFromTwelveMinutes(2_400_000)).toMatchObject({ value: 42.4, unit: 'ml/kg/min', isWithin: true })
  expect(capacityFromTwelveMinutes(3_000_000).value).toBe(55.8)
  expect(capacityFromTwelveMinutes(900_000).isWithin).toBe(false)
})

// 483 / 12 + 3.5 = 43.75; 483 / 10 + 3.5 = 51.8
test('1.5 miles (American College of Sports Medicine)', () => {
  expect(capacityFromMileAndAHalf(720_000).value).toBe(43.8)
  expect(capacityFromMileAndAHalf(600_000).value).toBe(51.8)
})

// adults: 31.025 + 3.238·12 − 3.248·18 + 0.1536·12·18 = 31.025 + 38.856 − 58.464 + 33.1776 = 44.5946
// age 12: 31.025 + 38.856 − 38.976 + 22.1184 = 53.0234
test('a 20 m shuttle (Léger et al. 1988), adults as 18', () => {
  expect(capacityFromShuttle(12_000, 30).value).toBe(44.6)
  expect(capacityFromShuttle(12_000, 18).value).toBe(44.6)
  expect(capacityFromShuttle(12_000, 12).value).toBe(53)
})

// 0.2·23 + 1.33·1.8·0.35·23 + 3.5 = 4.6 + 19.2717 + 3.5 = 27.3717
test('the cost of stepping (American College of Sports Medicine)', () => {
  expect(steppingCost(23, 350)).toBeCloseTo(27.3717, 4)
})

// men 111.33 − 0.42·140 = 52.53; women 65.81 − 0.1847·140 = 39.952
test('three minutes on 41.3 cm (McArdle et al. 1972)', () => {
  expect(capacityFromThreeMinutes(140, 'men').value).toBe(52.5)
  expect(capacityFromThreeMinutes(140, 'women').value).toBe(40)
})

test.each([
  [20, 1],
  [25, 1],
  [30, 0.935],
  [35, 0.87],
  [65, 0.65],
  [80, 0.65],
])('the age factor at %i is %f (Åstrand and Ryhming 1954)', (age, factor) => {
  expect(ageFactor(age)).toBeCloseTo(factor, 6)
})

// men: 27.3717 · 134/79 = 46.428; women: 27.3717 · 126/68 = 50.718, at 40: · 0.83 = 42.096
test('stepping carried on to the highest heart rate (Åstrand and Ryhming 1954)', () => {
  expect(capacityFromStepping(27.3717, 140, 25, 'men').value).toBe(46.4)
  expect(capacityFromStepping(27.3717, 140, 25, 'women').value).toBe(50.7)
  expect(capacityFromStepping(27.3717, 140, 40, 'women').value).toBe(42.1)
})

// Epley: 100 · (1 + 5/30) = 116.667 kg; Brzycki: 100 · 36/32 = 112.5 kg
test('one repetition from several (Epley 1985, Brzycki 1993)', () => {
  expect(oneRepetitionMaximum(100_000, 5, 'epley')).toEqual({ numerator: 350_000, denominator: 3 })
  expect(oneRepetitionMaximum(100_000, 5, 'brzycki')).toBe(112_500)
  expect(oneRepetitionMaximum(100_000, 0, 'epley')).toBeNull()
  expect(oneRepetitionMaximum(100_000, 11, 'brzycki')).toBeNull()
})

// 60.7·45 + 45.3·75 − 2055 = 2731.5 + 3397.5 − 2055 = 4074
test('power of a jump (Sayers et al. 1999)', () => {
  expect(jumpPower(450, 75_000)).toMatchObject({ value: 4_074, unit: 'W' })
})

// 0.7·25 + 0.2·40 + 0.1·30 = 28.5
// 30 °C, 50 %: e = 0.5·6.105·exp(17.27·30/267.7) = 21.144; 0.567·30 + 0.393·21.144 + 3.94 = 29.26
test('heat, measured and from air alone (Australian Bureau of Meteorology)', () => {
  expect(wetBulbGlobe(25, 40, 30)).toBe(28.5)
  expect(heatFromAir(30, 50)).toMatchObject({ value: 29.3, unit: '°C', isWithin: true })
})

const step = (change: object = {}) => {
  const parsed = parseDocument<Protocol>(PROTOCOLS.stepTest, {
    ...protocolTemplate('stepTest'),
    heightMm: 400,
    heights: [{ category: 'female', heightMm: 330 }],
    beatsPerMinute: 90,
    ...change,
  })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  return parsed.value
}
const NO_READING = { kind: 'readings', taken: [], steps: [] } as const
const stepping = (category: string, pulse = 140, change: object = {}) =>
  estimatesFor(step(change), pulse, NO_READING, { ageYears: 25, category }).map(({ name, value }) => [name, value])

// 22.5 cycles: 0.2·22.5 + 1.33·1.8·0.33·22.5 + 3.5 = 25.775 on 33 cm, 29.546 on 40 cm
test('the step is as high as it is for the category: in the estimate, and in the rules as they are printed', () => {
  // ×126/68 for women, ×134/79 for men
  expect(stepping('female')).toEqual([['Aerobic capacity (women)', 47.8]])
  expect(stepping('male')).toEqual([['Aerobic capacity (men)', 50.1]])
  expect(rulesOf(step()).join(' ')).toContain('Step of 33 cm for female.')
})

test('a formula for one sex is not printed for the other; where the category tells nothing both are', () => {
  expect(stepping('women').map(([name]) => name)).toEqual(['Aerobic capacity (women)'])
  expect(stepping('open').map(([name]) => name)).toEqual(['Aerobic capacity (women)', 'Aerobic capacity (men)'])
  // two published formulas on 41.3 cm, 22 cycles, 3 minutes
  const both = {
    heightMm: 413,
    heights: [{ category: 'male', heightMm: 413 }],
    beatsPerMinute: 88,
    durationMs: 180_000,
  }
  expect(
    estimatesFor(step(both), 140, NO_READING, { ageYears: 25, category: 'female' }).map(({ source }) => source),
  ).toEqual([expect.stringContaining('McArdle'), expect.stringContaining('Åstrand')])
  // the men's formula asks for 24 cycles
  expect(stepping('male', 140, both)).toHaveLength(1)
})

test('whoever stopped early has no pulse to estimate from', () => {
  const reading = {
    kind: 'readings',
    taken: [],
    steps: [{ code: 'stoppedEarly', heldMs: 150_000, ofMs: 180_000 }],
  } as const
  expect(estimatesFor(step(), 150_000, reading, { ageYears: 25, category: 'female' })).toEqual([])
})

test('outside its range a formula prints no figure', () => {
  expect(printEstimate(capacityFromTwelveMinutes(500_000))).toBe(
    'Aerobic capacity: the formula holds for distances of 1,400 to 3,600 m in 12 minutes only ((d − 504.9) / 44.73, Cooper 1968)',
  )
  expect(printEstimate(capacityFromTwelveMinutes(2_400_000))).toMatch(/^Aerobic capacity about 42.4 ml.kg.min/)
})
