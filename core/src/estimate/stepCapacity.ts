/** Aerobic capacity from stepping and the pulse after it. */
import { toTenth, type Estimate } from './estimate.ts'

/** Whom a formula was made for. */
export type FormulaSex = 'women' | 'men'

const base = { name: 'Aerobic capacity', unit: 'ml/kg/min' } as const

/**
 * Oxygen cost of stepping: 0.2·f + 1.33·1.8·H·f + 3.5 ml/kg/min, f in cycles a minute, H in m (American College of
 * Sports Medicine).
 * @example steppingCost(23, 350) // 27.3715
 */
export const steppingCost = (cyclesPerMinute: number, heightMm: number): number =>
  0.2 * cyclesPerMinute + 1.33 * 1.8 * (heightMm / 1000) * cyclesPerMinute + 3.5

/** Height of the 3-minute step test the formula was made for. */
export const MCARDLE_HEIGHT_MM = 413
const MCARDLE = {
  men: { intercept: 111.33, slope: 0.42, cyclesPerMinute: 24 },
  women: { intercept: 65.81, slope: 0.1847, cyclesPerMinute: 22 },
} as const

/** The cadence the formula asks for, in cycles a minute. */
export const mcArdleCycles = (sex: FormulaSex): number => MCARDLE[sex].cyclesPerMinute

/**
 * 3-minute test on 41.3 cm: 111.33 − 0.42·HR (men), 65.81 − 0.1847·HR (women) (McArdle et al. 1972).
 * @example capacityFromThreeMinutes(140, 'men').value // 52.5
 */
export const capacityFromThreeMinutes = (beatsPerMinute: number, sex: FormulaSex): Estimate => {
  const { intercept, slope } = MCARDLE[sex]
  return {
    ...base,
    name: `${base.name} (${sex})`,
    value: toTenth(intercept - slope * beatsPerMinute),
    source: `${intercept} − ${slope}·HR, McArdle et al. 1972`,
    range: 'pulses of 110 to 185 a minute after 3 minutes on 41.3 cm',
    isWithin: beatsPerMinute >= 110 && beatsPerMinute <= 185,
  }
}

const EXTRAPOLATION = { men: { highest: 195, rest: 61 }, women: { highest: 198, rest: 72 } } as const
const AGE_FACTORS = [
  [25, 1],
  [35, 0.87],
  [40, 0.83],
  [45, 0.78],
  [50, 0.75],
  [55, 0.71],
  [60, 0.68],
  [65, 0.65],
] as const

/**
 * The factor for age, in a straight line between the published ages; 1 up to 25, 0.65 from 65 (Åstrand and Ryhming 1954).
 * @example ageFactor(30) // 0.935
 */
export const ageFactor = (ageYears: number): number => {
  const above = AGE_FACTORS.findIndex(([age]) => age >= ageYears)
  if (above === 0) return 1
  const [from, to] = [AGE_FACTORS[above - 1], AGE_FACTORS[above]]
  if (!from || !to) return 0.65
  return from[1] + ((to[1] - from[1]) * (ageYears - from[0])) / (to[0] - from[0])
}

/**
 * The cost of stepping carried on to the highest heart rate: ×(195 − 61)/(HR − 61) for men, ×(198 − 72)/(HR − 72) for
 * women, times the age factor (Åstrand and Ryhming 1954).
 * @example capacityFromStepping(27.3715, 140, 25, 'men').value // 46.4
 */
export const capacityFromStepping = (
  cost: number,
  beatsPerMinute: number,
  ageYears: number,
  sex: FormulaSex,
): Estimate => {
  const { highest, rest } = EXTRAPOLATION[sex]
  const factor = beatsPerMinute > rest ? (highest - rest) / (beatsPerMinute - rest) : 0
  return {
    ...base,
    name: `${base.name} (${sex})`,
    value: toTenth(cost * factor * ageFactor(ageYears)),
    source: `Cost of stepping × (${highest} − ${rest}) / (HR − ${rest}) × age factor, Åstrand and Ryhming 1954`,
    range: 'steady pulses of 125 to 170 a minute',
    isWithin: beatsPerMinute >= 125 && beatsPerMinute <= 170,
  }
}
