/** What the referee of an event says of one candidate. */
import type { Capture } from '../capture/capture.ts'
import type { Person } from '../referee/referee.ts'
import { NOTHING_OUTSIDE, type Outside, type Ruling } from '../referee/ruling.ts'
import { kindOf } from './kinds.ts'
import type { PublishedProtocol } from './slots.ts'

/**
 * @param captures settled captures of the candidate in the event, in order
 * @param nowMs agreed time
 * @param start of the candidate's wave, where people start together
 */
export const rulingFor = (
  { protocol }: Pick<PublishedProtocol, 'protocol'>,
  person: Person,
  captures: readonly Capture[],
  nowMs: number,
  start?: Capture,
  outside: Outside = NOTHING_OUTSIDE,
): Ruling => kindOf(protocol).rulingAt(protocol, person, captures, start, nowMs, outside)

/** Whether another device's count stands while the event runs. */
export const isHeldElsewhere = ({ phase, holder }: Ruling, deviceId: string): boolean =>
  (phase === 'running' || phase === 'paused') && holder !== null && holder !== deviceId
