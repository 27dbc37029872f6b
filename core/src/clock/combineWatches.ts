import { meanOf, type Exact } from '../quantity/fraction.ts'

/** Which of several watches counts, as a protocol says it. */
export interface WatchChoice {
  readonly ofTwo: 'slower' | 'mean'
  readonly ofThree: 'middle' | 'slower' | 'mean'
}

export interface CombinedWatches {
  /** A mean stays exact until the event's own rounding. */
  readonly elapsedMs: Exact
  /** What the standard asks for that many watches. */
  readonly by: 'only' | 'slower' | 'middle' | 'mean'
}

/**
 * The time of several watches on one person: of three the middle one (which is the value of two that agree), of two the
 * slower, unless the standard says otherwise.
 * @param timesMs one to three times
 * @example combineWatches([29_100, 29_300], undefined) // 29300, the slower
 */
export const combineWatches = (timesMs: readonly number[], rule: WatchChoice | undefined): CombinedWatches => {
  const ordered = [...timesMs].sort((a, b) => a - b)
  const [first, second, third] = ordered
  if (first === undefined) throw new RangeError('No watch was read. A time needs at least one.')
  if (second === undefined) return { elapsedMs: first, by: 'only' }
  const by = third === undefined ? (rule?.ofTwo ?? 'slower') : (rule?.ofThree ?? 'middle')
  const slowest = third ?? second
  return { elapsedMs: by === 'slower' ? slowest : by === 'middle' ? second : meanOf(ordered), by }
}
