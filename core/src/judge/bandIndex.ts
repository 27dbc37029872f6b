/** Which row of a banded scoring is for a person, found once for every age and category and then looked up. */
import type { Band } from '../standard/band.ts'

export interface BandPerson {
  readonly ageYears: number
  readonly category: string
  readonly role?: string
}

export const NO_BAND = -1
export const SEVERAL_BANDS = -2

const OLDEST = 120

/** @returns for a person, the index of the one band that is for them, NO_BAND, or SEVERAL_BANDS */
export const indexBands = (bands: readonly Band[]): ((person: BandPerson) => number) => {
  if (bands.some(({ role }) => role !== undefined)) return (person) => search(bands, person)
  const byCategory = new Map<string, Int16Array>()
  return ({ ageYears, category }) => {
    let rows = byCategory.get(category)
    if (!rows) {
      rows = Int16Array.from({ length: OLDEST + 1 }, (_, age) => search(bands, { ageYears: age, category }))
      byCategory.set(category, rows)
    }
    return rows[ageYears] ?? NO_BAND
  }
}

/** Whether a band is for a person. Both ends of its age range belong to it. */
export const isFor = (band: Band, { ageYears, category, role }: BandPerson): boolean =>
  ageYears >= band.ageFrom &&
  (band.ageTo === undefined || ageYears <= band.ageTo) &&
  (band.category === undefined || band.category === category) &&
  (band.role === undefined || band.role === role)

const search = (bands: readonly Band[], person: BandPerson): number => {
  let found = NO_BAND
  for (const [index, band] of bands.entries()) {
    if (!isFor(band, person)) continue
    if (found !== NO_BAND) return SEVERAL_BANDS
    found = index
  }
  return found
}
