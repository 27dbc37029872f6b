/** A column of people is no higher than so many squares; beyond it one square stands for several. */
export const MOST_SQUARES = 14
