/** What is outside an event and may keep somebody from starting it: the rest that runs, checks, another event. */
import { clearedIn } from '../capture/clearedIn.ts'
import type { Capture } from '../capture/capture.ts'
import type { Outside } from '../referee/ruling.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { RestState } from './restBoard.ts'

/**
 * @param settled captures of the event, of everybody
 * @param rest where the candidate is between events; undefined for somebody who is not here
 */
export const outsideOf = (
  { id, protocol }: Pick<StandardEvent, 'id' | 'protocol'>,
  entryId: string,
  settled: readonly Capture[],
  rest: RestState | undefined,
): Outside => ({
  restUntilMs: rest?.kind === 'resting' ? rest.untilMs : null,
  notClear: clearedIn(settled).has(entryId) ? [] : (protocol.clearBefore ?? []),
  underWayIn: rest?.kind === 'underWay' && rest.eventId !== id ? rest.eventId : null,
})
