/** Lifts that get heavier; the last good one counts. */
import { defineKind } from '../kind.ts'
import { needed } from '../slot.ts'
import { liftEstimates } from './estimates.ts'
import { liftReferee, stampedLifts, type LiftState } from './referee.ts'
import { measureLift } from './measure.ts'
import { HeaviestLift } from './protocol.ts'
import { rehearseLifts } from './rehearse.ts'
import { words } from './words.ts'

export const heaviestLift = defineKind<HeaviestLift, LiftState>({
  name: 'Heaviest lift',
  protocol: HeaviestLift,
  template: {
    startCommands: [],
    goodWhen: 'Describe a good lift.',
    startLoadG: 40_000,
    incrementG: 5_000,
    restMs: 300_000,
    failuresAllowed: 1,
  },
  captures: ['lifted'],
  isExact: true,
  form: () => ({ unit: 'g', shownIn: 'kg' }),
  sense: () => 'atLeast',
  slots: ({ estimate }) => [
    needed('load', estimate ? 'Load' : 'Last good lift', { unit: 'g', shownIn: 'kg' }),
    ...(estimate ? [needed('repetitions', 'Repetitions', { unit: 'count' })] : []),
  ],
  // one repetition's load that is computed from several is read, not lifted step by step
  isRead: ({ estimate }) => estimate !== undefined,
  measure: measureLift,
  ...liftReferee,
  stamped: stampedLifts,
  progress: () => ({ what: 'lifts', of: null }),
  sensibleRange: ({ startLoadG }) => ({ least: Math.max(1_000, startLoadG), most: 400_000 }),
  estimates: ({ estimate }, _, reading) => (estimate ? liftEstimates(reading) : []),
  words,
  usual: ({ startLoadG, incrementG }) => startLoadG + 3 * incrementG,
  rehearse: rehearseLifts,
})
