/** How a person's figures of one event changed, told apart from noise. */
import type { Sense } from '../kinds/kind.ts'

export type ChangeReading = 'better' | 'worse' | 'noise'

export interface FirstAndLast {
  /** Figures of one event, in its base unit. */
  readonly first: number
  readonly last: number
}

/** By how much the last is better; below zero where it is worse. */
export const gainOf = ({ first, last }: FirstAndLast, sense: Sense): number =>
  sense === 'atMost' ? first - last : last - first

/**
 * @param smallestRealChange a change has to be larger to be more than noise (Weir 2005); null where nobody knows, and then nothing is
 */
export const readChange = (change: FirstAndLast, sense: Sense, smallestRealChange: number | null): ChangeReading => {
  const gain = gainOf(change, sense)
  if (smallestRealChange === null || Math.abs(gain) <= smallestRealChange) return 'noise'
  return gain > 0 ? 'better' : 'worse'
}

/** How many of each. */
export const tallyChanges = (
  changes: readonly FirstAndLast[],
  sense: Sense,
  smallestRealChange: number | null,
): Readonly<Record<ChangeReading, number>> => {
  const counts = { better: 0, worse: 0, noise: 0 }
  for (const change of changes) counts[readChange(change, sense, smallestRealChange)] += 1
  return counts
}
