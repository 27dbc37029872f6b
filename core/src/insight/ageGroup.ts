/** Ages in groups that are large enough to be compared under any set of bands. */
const GROUPS = [
  { name: 'under 30', to: 29 },
  { name: '30 to 39', to: 39 },
  { name: '40 to 49', to: 49 },
  { name: '50 and over', to: Number.POSITIVE_INFINITY },
] as const

export type AgeGroup = (typeof GROUPS)[number]['name']

/** From the youngest to the oldest. */
export const AGE_GROUPS: readonly AgeGroup[] = GROUPS.map(({ name }) => name)

/** Ages of each group, both included. */
export const AGE_RANGES: Readonly<Record<AgeGroup, readonly [from: number, to: number]>> = {
  'under 30': [0, 29],
  '30 to 39': [30, 39],
  '40 to 49': [40, 49],
  '50 and over': [50, 999],
}

/** @example ageGroupOf(39) // "30 to 39" */
export const ageGroupOf = (ageYears: number): AgeGroup => GROUPS.find(({ to }) => ageYears <= to)?.name ?? '50 and over'
