import { expect, test } from 'vitest'
import { bandColumn, NO_SCORE, scoreColumn } from './scoreColumn.ts'

/** Band 0 asks 10, band 1 asks 20; a kilogram of body mass asks one more. */
const compiled = {
  score: (band: number, rounded: number, bodyMassG: number) => rounded - (band + 1) * 10 - bodyMassG / 1_000,
  bandFor: ({ ageYears, category }: { ageYears: number; category: string }) =>
    category === 'male' ? 1 : ageYears < 40 ? 0 : -1,
}
const score = (bands: number[], values: number[], step: number, bodyMassG: number[] | null = null): number[] => {
  const scores = new Float64Array(values.length)
  const masses = bodyMassG && Int32Array.from(bodyMassG)
  scoreColumn(compiled, { mode: 'truncate', step }, Int16Array.from(bands), Int32Array.from(values), masses, scores)
  return [...scores]
}

test('each value is rounded and scored in its band; without one there is no score', () => {
  expect(score([0, 1, -1, -2], [12, 19, 30, 30], 1)).toEqual([2, -1, NO_SCORE, NO_SCORE])
  expect(score([0, 0], [14, 15], 5)).toEqual([0, 5])
  expect(score([0, 1], [12, 25], 1, [1_000, 5_000])).toEqual([1, 0])
})

test('the band of many people follows from age and category', () => {
  const ages = Uint8Array.from([39, 40, 40, 255])
  const categories = Uint8Array.from([0, 0, 1, 1])
  expect([...bandColumn(compiled, ages, categories, ['female', 'male'])]).toEqual([0, -1, 1, 1])
})
