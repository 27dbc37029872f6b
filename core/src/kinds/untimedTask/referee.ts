/** The rules of an untimed task: begun, done or failed; stopping on the way fails it where it is not allowed. */
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { UntimedTask } from './protocol.ts'

export interface TaskState {
  readonly beganAtMs: number | null
  /** Whether the candidate stands still on the way. */
  readonly stands: boolean
  /** Stopped where stopping is not allowed. */
  readonly brokeOff: boolean
  readonly end: End | null
}

export const taskReferee: Refereed<UntimedTask, TaskState> = {
  actions: () => [
    { kind: 'started', payload: {} },
    { kind: 'paused', payload: {} },
    { kind: 'resumed', payload: {} },
    { kind: 'stopped', payload: { reason: 'failed' } },
  ],
  referee: {
    begin: () => ({ beganAtMs: null, stands: false, brokeOff: false, end: null }),
    phase: (_, { beganAtMs, stands, end }) =>
      end ? 'over' : beganAtMs === null ? 'before' : stands ? 'paused' : 'running',
    span: (_, { beganAtMs, end }) => spanOf(beganAtMs, end),
    due: () => null,
    pass: (_, state) => state,
    permit: (_, { beganAtMs, end }, { kind }) => {
      const begun = beganAtMs !== null
      if (kind === 'started') return begun ? refused('secondStartIgnored') : ALLOWED
      if (kind !== 'paused' && kind !== 'resumed') return ALLOWED
      if (!begun) return refused('beforeStart')
      return end ? refused('afterEnd') : ALLOWED
    },
    apply: ({ stoppingAllowed }, state, capture) => {
      switch (capture.kind) {
        case 'started':
          return { ...state, beganAtMs: capture.atMs }
        case 'paused':
          return stoppingAllowed
            ? { ...state, stands: true }
            : { ...state, brokeOff: true, end: { by: 'failed', atMs: capture.atMs } }
        case 'resumed':
          return { ...state, stands: false }
        case 'stopped':
          return isEndReason(capture.payload.reason) ? stopped(state, capture) : state
        default:
          return state
      }
    },
    figures: () => [],
  },
}

export const stampedTask = (_: UntimedTask, { beganAtMs, brokeOff, end }: TaskState): Stamped => {
  const base: Stamped = {
    ...NOTHING_STAMPED,
    begun: beganAtMs !== null,
    notes: brokeOff ? [{ code: 'stoppedOnTheWay' }] : [],
  }
  const ruled = ruledEnd(end)
  return ruled ? { ...base, end: ruled } : base
}
