/** Aerobic capacity from runs and shuttles. */
import { toTenth, type Estimate } from './estimate.ts'

const base = { name: 'Aerobic capacity', unit: 'ml/kg/min' } as const

/**
 * From the distance of a 12-minute run: VO2max = (d − 504.9) / 44.73, d in m (Cooper 1968).
 * @example capacityFromTwelveMinutes(2_400_000).value // 42.4
 */
export const capacityFromTwelveMinutes = (distanceMm: number): Estimate => {
  const metres = distanceMm / 1000
  return {
    ...base,
    value: toTenth((metres - 504.9) / 44.73),
    source: '(d − 504.9) / 44.73, Cooper 1968',
    range: 'distances of 1,400 to 3,600 m in 12 minutes',
    isWithin: metres >= 1_400 && metres <= 3_600,
  }
}

/** 1.5 miles. */
export const MILE_AND_A_HALF_MM = 2_414_016

/**
 * From the time over 1.5 miles: VO2max = 483 / t + 3.5, t in min (American College of Sports Medicine).
 * @example capacityFromMileAndAHalf(720_000).value // 43.8
 */
export const capacityFromMileAndAHalf = (elapsedMs: number): Estimate => ({
  ...base,
  value: toTenth(483 / (elapsedMs / 60_000) + 3.5),
  source: '483 / t + 3.5, American College of Sports Medicine',
  range: 'runs of 7:30 to 20:00 over 1.5 miles',
  isWithin: elapsedMs >= 450_000 && elapsedMs <= 1_200_000,
})

const GROWN_UP = 18

/**
 * From the last completed level of a 20 m shuttle: 31.025 + 3.238·S − 3.248·A + 0.1536·S·A, S in km/h, A in years, 18
 * for adults (Léger et al. 1988).
 * @example capacityFromShuttle(12_000, 30).value // 44.6
 */
export const capacityFromShuttle = (metresPerHour: number, ageYears: number): Estimate => {
  const [speed, age] = [metresPerHour / 1000, Math.min(ageYears, GROWN_UP)]
  return {
    ...base,
    value: toTenth(31.025 + 3.238 * speed - 3.248 * age + 0.1536 * speed * age),
    source: '31.025 + 3.238·S − 3.248·A + 0.1536·S·A, Léger et al. 1988',
    range: 'ages from 8 (18 for adults), last completed level at 8.5 to 18.5 km/h',
    isWithin: ageYears >= 8 && speed >= 8.5 && speed <= 18.5,
  }
}
