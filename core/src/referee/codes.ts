/**
 * Everything a referee can find odd about a capture. `againstRule`: it does not count, and a person looks at it. `hardToBelieve`: it counts,
 * and a person looks at it unless whoever pressed answered the question. `told`: it does not count and stands in the trace alone, because
 * nothing follows from it.
 */
export const REFEREE_CODES = {
  countedBeforeStart: 'againstRule',
  countedAfterEnd: 'againstRule',
  crossedBeforeStart: 'againstRule',
  crossedAfterEnd: 'againstRule',
  outOfOrder: 'againstRule',
  restartRefused: 'againstRule',
  liftedAfterEnd: 'againstRule',
  noTryLeft: 'againstRule',
  /** A stage of fixed time cannot be complete before its time. */
  beforeItsTime: 'againstRule',

  secondStartIgnored: 'told',
  stampedTwice: 'told',
  /** The same press again, within a breath. */
  pressedTwice: 'told',
  /** A stage that closed by itself, or was complete before. */
  passedAlready: 'told',
  missedAlready: 'told',
  beforeFirstSignal: 'told',
  outsideWindow: 'told',
  notOpen: 'told',
  beforeStart: 'told',
  afterEnd: 'told',

  /** Later than the limit, by less than the clocks can tell. */
  atTheLine: 'hardToBelieve',
  soonerThanAnybody: 'hardToBelieve',
  /** The rest between two lifts was still running. */
  restNotOver: 'hardToBelieve',
  /** Repetitions that are to be done at a stretch were broken into sets. */
  brokenIntoSets: 'hardToBelieve',
  /** A figure no such event can give. */
  outsideSense: 'hardToBelieve',
  /** The form was changed after something had been counted in another. */
  variedUnderWay: 'hardToBelieve',
  /** Somebody else counted beside it, and came to another figure. */
  countsDiffer: 'hardToBelieve',
} as const satisfies Readonly<Record<string, 'againstRule' | 'hardToBelieve' | 'told'>>

export type RefereeCode = keyof typeof REFEREE_CODES
