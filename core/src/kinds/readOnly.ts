/** The rules of kinds whose figures are only read: somebody can be stopped, and that is all that happens. */
import type { Refereed } from '../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../referee/ends.ts'
import { ALLOWED, type Attempted } from '../referee/referee.ts'
import { NOTHING_STAMPED, type Stamped } from './stamped.ts'

export const readReferee: Refereed<object, Attempted> = {
  actions: () => [{ kind: 'stopped', payload: { reason: 'didNotFinish' } }],
  referee: {
    begin: () => ({ end: null }),
    phase: (_, { end }) => (end ? 'over' : 'before'),
    span: () => null,
    due: () => null,
    pass: (_, state) => state,
    permit: () => ALLOWED,
    apply: (_, state, capture) =>
      capture.kind === 'stopped' && isEndReason(capture.payload.reason) ? stopped(state, capture) : state,
    figures: () => [],
  },
}

export const stampedNothing = (_: object, { end }: Attempted): Stamped => {
  const ruled = ruledEnd(end)
  return ruled ? { ...NOTHING_STAMPED, end: ruled } : NOTHING_STAMPED
}
