/** What the records of the three kinds of counted repetitions have in common. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import { repeatedIds } from '../../document/contradiction.ts'
import type { Finding } from '../../document/finding.ts'
import type { Progress, Range, Worked } from '../kind.ts'
import { MOST_REPETITIONS } from '../ranges.ts'
import { needed, type Readings, type Slot } from '../slot.ts'
import { bare, ended, type Make } from '../stage.ts'
import { plain } from '../worked.ts'
import type { CountedRepetitions } from './protocol.ts'
import { countedReferee, stampedRepetitions } from './referee.ts'

const CAPTURES: readonly CaptureKind[] = [
  'started',
  'counted',
  'refused',
  'cautioned',
  'restarted',
  'paused',
  'resumed',
]

export const COUNTED_TEMPLATE = {
  startCommands: ['Get ready', 'Set', 'Go'],
  countsWhen: 'Describe the point of the movement at which it counts.',
  restAllowed: 'nowhere',
  refusals: [{ id: 'depth', label: 'Not low enough' }],
  cautionsAllowed: 1,
}

export const countedRecord = {
  captures: CAPTURES,
  form: () => ({ unit: 'count' as const }),
  sense: () => 'atLeast' as const,
  slots: (): readonly Slot[] => [needed('count', 'Repetitions', { unit: 'count' })],
  measure: (_: object, readings: Readings): Worked => plain(readings['count']),
  // nobody has to manage one, and what is beyond a cap is not counted
  readingRange: (): Range => ({ least: 0, most: MOST_REPETITIONS }),
  ...countedReferee,
  stamped: stampedRepetitions,
  progress: (): Progress => ({ what: 'repetitions', of: null }),
  contradictions: ({ refusals }: Pick<CountedRepetitions, 'refusals'>, place: string): Finding[] =>
    repeatedIds(refusals, (index) => `${place}.refusals[${index}]`),
  refusals: ({ refusals }: Pick<CountedRepetitions, 'refusals'>) => refusals,
  cues: ({ restAllowed }: Pick<CountedRepetitions, 'restAllowed'>) => [{ code: `rest ${restAllowed}` }],
  usual: () => 25,
}

/** Made-up repetitions, evenly one after the other. */
export const countTo = (make: Make, count: number, everyMs: number): Capture[] => [
  make(0, bare('started')),
  ...Array.from({ length: count }, (_, index) => make((index + 1) * everyMs, bare('counted'))),
  make((count + 2) * everyMs, ended),
]
