/** What a referee found odd, in a sentence. */
import { printTime } from '../quantity/time.ts'
import type { RefereeCode } from '../referee/codes.ts'
import type { Figures } from '../referee/referee.ts'

const numberIn = (figures: Figures, name: string): number => Number(figures[name] ?? 0)
const times = (count: number, one: string, many: string): string =>
  count === 1 ? one : many.replace('#', String(count))

type Say = (count: number, figures: Figures) => string

const WORDS: Readonly<Record<RefereeCode, Say>> = {
  countedBeforeStart: (count) =>
    times(count, 'A repetition was counted before the start.', '# repetitions were counted before the start.'),
  countedAfterEnd: (count) =>
    times(count, 'A repetition was counted after the end.', '# repetitions were counted after the end.') +
    ' Not counted.',
  crossedBeforeStart: (count) =>
    times(count, 'A crossing was stamped before the start.', '# crossings were stamped before the start.'),
  crossedAfterEnd: (count) =>
    times(count, 'A crossing was stamped after the end.', '# crossings were stamped after the end.') + ' Not counted.',
  outOfOrder: (_, figures) => `${named(figures)} was stamped before its turn. Not counted.`,
  restartRefused: () => 'Began again where the protocol does not let it. What was counted before stands.',
  liftedAfterEnd: (count) => times(count, 'A lift was captured after the end.', '# lifts were captured after the end.'),
  noTryLeft: () => 'A try was started beyond those allowed. Not counted.',
  beforeItsTime: (_, figures) => `${named(figures)} was called complete before its time. It closes by itself.`,
  secondStartIgnored: () => 'A second start was captured.',
  stampedTwice: () => 'A second device stamped the same.',
  pressedTwice: () => 'The same was pressed twice within a breath.',
  passedAlready: (_, figures) => `${named(figures)} was complete already.`,
  missedAlready: () => 'The same line was called missed twice.',
  beforeFirstSignal: () => 'A line was called missed before the first signal.',
  outsideWindow: () => 'Beats were touched outside the window.',
  notOpen: () => 'Work was counted where none is to be counted.',
  beforeStart: () => 'Something was captured before the start.',
  afterEnd: () => 'Something was captured after the end.',
  atTheLine: () => 'It came at the limit, nearer than the clocks of two devices can tell. It counts.',
  soonerThanAnybody: (count, figures) =>
    `${times(count, 'It', '# times it')} came after ${printTime(numberIn(figures, 'afterMs'))}, sooner than anybody can. It counts.`,
  restNotOver: (_, figures) =>
    `Lifted before the rest was over: ${printTime(numberIn(figures, 'leftMs'))} were left. It counts.`,
  brokenIntoSets: (count) =>
    times(count, 'Stopped once', 'Stopped # times') + ' between repetitions that are to be done at a stretch.',
  outsideSense: (count) =>
    times(count, 'A figure is', '# figures are') +
    ' beyond what such an event can give. Look for a slipped digit or unit.',
  variedUnderWay: () =>
    'The form was changed after something had been counted in another. All of it counts in the new form.',
  countsDiffer: (_, figures) =>
    `Two counted: ${numberIn(figures, 'first')} stands, the second count came to ${numberIn(figures, 'second')}.`,
}

const named = (figures: Figures): string => {
  const part = String(figures['part'] ?? 'something').replaceAll('-', ' ')
  return part.charAt(0).toUpperCase() + part.slice(1)
}

/** @param count how often it happened @param figures of the last time */
export const sayDoubt = (code: RefereeCode, count: number, figures: Figures): string => WORDS[code](count, figures)
