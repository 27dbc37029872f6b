/** Choices of a document as a person reads them. */
import { printSeconds } from '../quantity/time.ts'

const WORDS: Readonly<Record<string, string>> = {
  atLeast: 'at least',
  band: 'everybody in a band',
  best: 'the best',
  breach: 'is a breach of safety',
  brzycki: 'Brzycki 1993',
  choice: 'the candidate, by choice',
  count: 'a count',
  decide: 'a person decides',
  dominant: 'the dominant one',
  each: 'each of both',
  electronic: 'by a gate',
  either: 'by hand or by a gate',
  endOfCalendarYear: 'the end of the calendar year',
  epley: 'Epley 1985',
  fails: 'it is failed',
  fixed: 'it counts with fixed points',
  fixedDate: 'a fixed date',
  flag: 'the mark stands and is flagged',
  free: 'free',
  'ft-in': 'feet and inches',
  g: 'a force or a mass',
  groups: 'group after group, free within each',
  hand: 'by hand',
  interpolate: 'a share of the way to the next row',
  last: 'the last',
  lastCompletedLevel: 'the last completed level',
  lastShuttle: 'the last shuttle run',
  levelBeforeFirstMiss: 'the level complete before the first miss',
  listed: 'as listed',
  lowerRow: 'the points of the lower row',
  mean: 'the mean',
  medicalProfile: 'a medical profile',
  middle: 'the middle one',
  mm: 'a length',
  nearest: 'to the nearest step',
  none: 'no sides',
  proportional: 'it shrinks in proportion',
  removed: 'it is left out',
  shortEvents: 'the events that were short',
  signal: 'a signal',
  slower: 'the slower one',
  stands: 'what was done stands',
  started: 'as soon as it is started',
  sum: 'the sum',
  testDate: 'the day of the test',
  truncate: 'down to a whole step',
  unchanged: 'it stays as it is',
  up: 'up to a whole step',
  whole: 'when it is whole',
  wholeBattery: 'everything',
}
/** The same word in another setting. */
const IN_SETTING: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  restAllowed: { nowhere: 'nowhere', up: 'in the up position only', upOrDown: 'up or down' },
}

/**
 * @param name of the setting
 * @example choiceInWords('between', 'lowerRow') // "the points of the lower row"
 * @example choiceInWords('pulseWindowMs', 15_000) // "15 s"
 */
export const choiceInWords = (name: string, choice: string | number): string => {
  if (typeof choice === 'number') return name.endsWith('Ms') ? printSeconds(choice) : String(choice)
  return IN_SETTING[name]?.[choice] ?? (Object.hasOwn(WORDS, choice) ? (WORDS[choice] ?? choice) : choice)
}
