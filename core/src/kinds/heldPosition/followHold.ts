/** A held position: from the start to the moment it is lost, its cautions are used up or its cap is reached. */
import type { HeldPosition } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import type { Readings } from '../slot.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface Hold {
  readonly started: Capture | null
  readonly cautions: number
  readonly end: { readonly by: 'ended' | 'cautions' | 'cap' | 'stopped'; readonly atMs: number } | null
  /** Times of the backup watches, from the start. */
  readonly backupsMs: Readings
  /** The stamp that ended it. */
  readonly last: Capture | null
}

const BEFORE: Hold = { started: null, cautions: 0, end: null, backupsMs: {}, last: null }

/**
 * Follows one hold. The caution that goes over the limit ends it at its moment; nobody holds beyond the cap.
 * @param captures settled captures of this candidate in this event, in order
 */
export const followHold = (protocol: HeldPosition, captures: readonly Capture[]): Hold =>
  captures.reduce((hold, capture) => step(protocol, hold, capture), BEFORE)

const step = (protocol: HeldPosition, hold: Hold, capture: Capture): Hold => {
  const { started, end } = hold
  if (capture.kind === 'started') return started ? hold : { ...hold, started: capture }
  if (!started) return hold
  if (capture.kind === 'crossed' && (capture.payload.watch ?? 1) > 1) {
    const slot = `time-watch-${capture.payload.watch ?? 2}`
    return { ...hold, backupsMs: { ...hold.backupsMs, [slot]: capture.atMs - started.atMs } }
  }
  if (end) return hold
  const capAtMs = protocol.capMs === undefined ? Infinity : started.atMs + protocol.capMs
  const endAt = (by: 'ended' | 'cautions' | 'stopped'): Hold => ({
    ...hold,
    end: capture.atMs >= capAtMs ? { by: 'cap', atMs: capAtMs } : { by, atMs: capture.atMs },
    last: capture,
  })
  switch (capture.kind) {
    case 'cautioned': {
      const cautions = hold.cautions + 1
      return cautions > protocol.cautionsAllowed && capture.atMs < capAtMs
        ? { ...endAt('cautions'), cautions }
        : { ...hold, cautions }
    }
    case 'stopped':
      return endAt(capture.payload.reason === 'ended' || capture.payload.reason === 'time' ? 'ended' : 'stopped')
    default:
      return hold
  }
}

export const holdWork = (protocol: HeldPosition, captures: readonly Capture[]): LiveWork => {
  const { started, end, backupsMs, last } = followHold(protocol, captures)
  if (!started) return NOTHING_LIVE
  const isMeasured = end !== null && end.by !== 'stopped'
  return {
    ...NOTHING_LIVE,
    begun: true,
    readings: isMeasured ? { time: end.atMs - started.atMs, ...backupsMs } : {},
    clockUncertaintyMs: isMeasured && last ? clockDoubt(started, last) : 0,
  }
}
