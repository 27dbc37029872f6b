import { expect, test } from 'vitest'
import type { Note } from '../kinds/measure.ts'
import { sayStep } from './sayStep.ts'

/** Every note once, with what a trace says of it. */
const SAID: {
  readonly [Code in Note['code']]: readonly [Extract<Note, { code: Code }>, title: string, sentence: string]
} = {
  countedAfterEnd: [
    { code: 'countedAfterEnd', count: 2 },
    '2 after the end',
    'Counted after the event had ended, so left out.',
  ],
  countedBeforeStart: [
    { code: 'countedBeforeStart', count: 1 },
    '1 before the start',
    'Counted before the start, so left out.',
  ],
  secondStartIgnored: [{ code: 'secondStartIgnored', count: 1 }, 'Started more than once', 'The first start stands.'],
  restarted: [
    { code: 'restarted', reason: 'hands too wide', countedBefore: 3 },
    'Began again',
    'Restart allowed after 3 counted: hands too wide.',
  ],
  restartRefused: [
    { code: 'restartRefused', reason: 'tired', why: 'tooLate' },
    'Restart not allowed',
    'Too many repetitions had been counted for a restart. The attempt went on.',
  ],
  crossedBeforeStart: [
    { code: 'crossedBeforeStart', count: 1 },
    '1 stamped before the start',
    'Crossings before the start of the wave are left out.',
  ],
  crossedAfterEnd: [
    { code: 'crossedAfterEnd', count: 4 },
    '4 stamped after the finish',
    'Crossings after the end are left out.',
  ],
  stampedTwice: [
    { code: 'stampedTwice', count: 1 },
    '1 stamped on another device too',
    'A crossing that two devices stamped counts once; the other stamps stand beside it.',
  ],
  stampEstimated: [
    { code: 'stampEstimated', laps: [2, 4] },
    'Lap 2, 4 put in later',
    'The stamp was missed; its time is estimated from the other laps. The finish was stamped.',
  ],
  outOfOrder: [
    { code: 'outOfOrder', part: 'drums' },
    '"drums" stamped before its turn',
    'Later work before earlier work is complete does not count.',
  ],
  limitReached: [
    { code: 'limitReached', limitMs: 600_000 },
    'Stopped at the limit of 10:00',
    'What was not done by then does not count. Exactly on the limit would have.',
  ],
  measuredLap: [
    { code: 'measuredLap', lapMm: 333_000, publishedMm: 400_000 },
    'Laps of 333 m',
    'As measured on the ground, where the standard speaks of 400 m.',
  ],
  lastMark: [
    { code: 'lastMark', laps: 6, beyondLineMm: 57_000 },
    '6 whole laps and 57 m',
    'Measured where the runner was when the time ran out.',
  ],
  faultsTooMany: [
    { code: 'faultsTooMany', where: 'Stairs', faults: 2, allowed: 1 },
    '2 faults on Stairs',
    '1 is allowed.',
  ],
  failedAtOnce: [
    { code: 'failedAtOnce', where: 'Drums', what: ['drops a drum', 'lets go'] },
    'Failed at once on Drums',
    'drops a drum, lets go.',
  ],
  notComplete: [
    { code: 'notComplete', where: 'Squats', done: 39, of: 40 },
    '39 of 40 done in Squats',
    'Later work does not count.',
  ],
  notDone: [{ code: 'notDone' }, 'Not done', 'Done is what is asked.'],
  stoppedOnTheWay: [{ code: 'stoppedOnTheWay' }, 'Stopped on the way', 'The protocol does not allow it.'],
  stoppedBeforeTheTime: [
    { code: 'stoppedBeforeTheTime' },
    'Stopped before the time was over',
    'There is no pulse to judge.',
  ],
  outsideFormula: [
    { code: 'outsideFormula', most: 10, repetitions: 12 },
    '12 repetitions tell no load',
    'The published formula holds for 1 to 10.',
  ],
}

test.each(Object.entries(SAID))('%s is told', (_, [note, title, sentence]) => {
  expect(sayStep({ code: 'note', note })).toMatchObject({ title, sentence })
})
