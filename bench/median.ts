/** The middle of a list of figures; of an even number the upper of the two. */
export const median = (figures: readonly number[]): number =>
  [...figures].sort((a, b) => a - b)[Math.floor(figures.length / 2)] ?? NaN
