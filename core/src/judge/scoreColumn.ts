/** Scores many results at once, without marks or traces: for comparing versions and for reports. */
import { roundTo, type RoundingRule } from '../quantity/rounding.ts'
import { NO_BAND } from './bandIndex.ts'
import type { CompiledScoring } from './compileScoring.ts'

/** Score of a result whose band is not one. */
export const NO_SCORE = Number.MIN_SAFE_INTEGER

/**
 * Rounds and scores a column of values.
 * @param bands each person's band, as `bandFor` gives it
 * @param values in the unit of the event, not yet rounded
 * @param bodyMassG each person's body mass, where the scoring asks for it
 * @param scores filled with margins, centipoints or class indices; NO_SCORE where there is no band
 */
export const scoreColumn = (
  { score }: Pick<CompiledScoring, 'score'>,
  rounding: RoundingRule,
  bands: Int16Array,
  values: Int32Array,
  bodyMassG: Int32Array | null,
  scores: Float64Array,
): void => {
  // whole values need no rounding to steps of 1
  const isExact = rounding.step === 1
  for (let index = 0; index < values.length; index++) {
    const band = bands[index] ?? -1
    const value = values[index] ?? 0
    const rounded = isExact ? value : roundTo(value, rounding)
    scores[index] = band < 0 ? NO_SCORE : score(band, rounded, bodyMassG === null ? 0 : (bodyMassG[index] ?? 0))
  }
}

/**
 * Finds the band of many people.
 * @param ages in years
 * @param categories index into `categoryIds`
 * @returns each person's band, NO_BAND or SEVERAL_BANDS
 */
export const bandColumn = (
  { bandFor }: Pick<CompiledScoring, 'bandFor'>,
  ages: Uint8Array,
  categories: Uint8Array,
  categoryIds: readonly string[],
): Int16Array => {
  const byCategoryAndAge = categoryIds.map((category) =>
    Int16Array.from({ length: AGES }, (_, ageYears) => bandFor({ ageYears, category })),
  )
  const bands = new Int16Array(ages.length)
  for (let index = 0; index < ages.length; index++) {
    bands[index] = byCategoryAndAge[categories[index] ?? 0]?.[ages[index] ?? 0] ?? NO_BAND
  }
  return bands
}

const AGES = 256
