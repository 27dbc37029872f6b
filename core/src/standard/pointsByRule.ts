import type { PointsByRule } from './scoring.ts'

/**
 * What the rule gives so far beyond the anchor: full points up to it, and so many off for each unit.
 * @param beyond the anchor on the worse side, in the unit of the value; 0 or less on the good side
 * @returns hundredths of a point
 * @example full 100 points, 5 off for each 8 s begun: 1 ms beyond is 95 points, 8 s are 95, 8.001 s are 90
 */
export const centipointsBeyond = (
  { fullCentipoints, offCentipoints, perUnit, units, floorCentipoints = 0 }: PointsByRule,
  beyond: number,
): number => {
  if (beyond <= 0) return fullCentipoints
  const off = units === 'started' ? Math.ceil(beyond / perUnit) : Math.floor(beyond / perUnit)
  return Math.max(floorCentipoints, fullCentipoints - off * offCentipoints)
}
