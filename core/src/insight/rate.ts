/** Shares of people with how sure they are, and two shares compared. */

/** Of the standard normal distribution, 97.5 %. */
export const NORMAL_95 = 1.959963984540054

export interface Interval {
  readonly low: number
  readonly high: number
}

/**
 * The 95 % interval of a share by Wilson's score method (Wilson 1927): it stays within 0 and 1, and says something of 0 out of 10.
 * @param met how many of them
 * @param of how many in all; 0 says nothing, so that anything from 0 to 1 is possible
 * @example wilson(8, 10) // { low: 0.4902, high: 0.9433 }
 */
export const wilson = (met: number, of: number): Interval => {
  if (of === 0) return { low: 0, high: 1 }
  const share = met / of
  const z2 = NORMAL_95 * NORMAL_95
  const middle = (share + z2 / (2 * of)) / (1 + z2 / of)
  const half = (NORMAL_95 / (1 + z2 / of)) * Math.sqrt((share * (1 - share)) / of + z2 / (4 * of * of))
  // of none and of all the ends are exact, whatever the arithmetic leaves
  return { low: met === 0 ? 0 : middle - half, high: met === of ? 1 : middle + half }
}

/** Two by two: rows are groups, columns are met and short. */
export type TwoByTwo = readonly [readonly [number, number], readonly [number, number]]

/** Tables that are as likely as the one seen, but for the arithmetic. */
const AS_LIKELY = 1 + 1e-7

/**
 * Fisher's exact test, two-sided (Fisher 1935): the share of all tables with these margins that are no likelier than the one seen.
 * @example fisherExact([[8, 2], [1, 5]]) // 0.03497
 */
export const fisherExact = ([[a, b], [c, d]]: TwoByTwo): number => {
  const [firstRow, secondRow, firstColumn] = [a + b, c + d, a + c]
  const all = firstRow + secondRow
  const logs = logFactorials(all)
  const choose = (n: number, k: number): number => (logs[n] ?? 0) - (logs[k] ?? 0) - (logs[n - k] ?? 0)
  const likelihood = (first: number): number =>
    Math.exp(choose(firstRow, first) + choose(secondRow, firstColumn - first) - choose(all, firstColumn))
  const seen = likelihood(a) * AS_LIKELY
  let sum = 0
  for (let first = Math.max(0, firstColumn - secondRow); first <= Math.min(firstRow, firstColumn); first++) {
    const one = likelihood(first)
    if (one <= seen) sum += one
  }
  return Math.min(1, sum)
}

const logFactorials = (most: number): readonly number[] => {
  const logs = [0]
  for (let n = 1; n <= most; n++) logs.push((logs[n - 1] ?? 0) + Math.log(n))
  return logs
}

/**
 * Several comparisons at once, adjusted so that at most 5 % of such families hold one that is found by chance (Holm 1979).
 * @returns in the order given
 * @example holm([0.01, 0.04, 0.03, 0.005]) // [0.03, 0.06, 0.06, 0.02]
 */
export const holm = (chances: readonly number[]): number[] => {
  const ranked = chances.map((chance, at) => ({ chance, at })).sort((one, other) => one.chance - other.chance)
  const adjusted = [...chances]
  let most = 0
  for (const [rank, { chance, at }] of ranked.entries()) {
    most = Math.max(most, Math.min(1, chance * (chances.length - rank)))
    adjusted[at] = most
  }
  return adjusted
}
