/** The rules of a held position: from the start to the moment it is lost, its cautions are used up or its cap is reached. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { elapsed } from '../../capture/elapsed.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import type { Readings } from '../slot.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { HeldPosition } from './protocol.ts'

export interface Hold {
  readonly started: Capture | null
  readonly cautions: number
  readonly end: End | null
  /** How long it was held, by the clock that took it; null while it is. */
  readonly heldMs: number | null
  /** Times of the backup watches, from the start. */
  readonly backupsMs: Readings
  /** The stamp that ended it; null where the cap did. */
  readonly last: Capture | null
}

const BEFORE: Hold = { started: null, cautions: 0, end: null, heldMs: null, backupsMs: {}, last: null }

const HELD: ReadonlySet<CaptureKind> = new Set(['cautioned'])

/** The caution that goes over the limit ends it at its moment; nobody holds beyond the cap. */
export const holdReferee: Refereed<HeldPosition, Hold> = {
  held: HELD,
  actions: () => [
    { kind: 'started', payload: {} },
    { kind: 'cautioned', payload: {} },
    { kind: 'stopped', payload: { reason: 'ended' } },
  ],
  referee: {
    begin: () => BEFORE,
    phase: (_, { started, end }) => (end ? 'over' : started ? 'running' : 'before'),
    span: (_, { started, end }) => spanOf(started?.atMs, end),
    due: ({ capMs }, { started, end }) => (started && !end && capMs !== undefined ? started.atMs + capMs : null),
    pass: ({ capMs = 0 }, hold) => atCap(hold, capMs),
    permit: (_, { started, end, backupsMs }, action) => {
      switch (action.kind) {
        case 'started':
          return started ? refused('secondStartIgnored') : ALLOWED
        case 'cautioned':
          if (!started) return refused('beforeStart')
          return end ? refused('afterEnd') : ALLOWED
        case 'crossed': {
          if (!started) return refused('crossedBeforeStart')
          return slotOf(action.payload.watch) in backupsMs ? refused('stampedTwice') : ALLOWED
        }
        default:
          return ALLOWED
      }
    },
    apply: (protocol, hold, capture) => {
      const { started } = hold
      switch (capture.kind) {
        case 'started':
          return { ...hold, started: capture }
        case 'crossed': {
          if (!started) return hold
          const { ms } = elapsed(started, capture)
          return { ...hold, backupsMs: { ...hold.backupsMs, [slotOf(capture.payload.watch)]: ms } }
        }
        case 'cautioned': {
          const cautions = hold.cautions + 1
          const cautioned = { ...hold, cautions }
          return cautions > protocol.cautionsAllowed
            ? endedAt(protocol, cautioned, capture, { by: 'cautions', atMs: capture.atMs })
            : cautioned
        }
        case 'stopped': {
          // an ordinary stop needs something to stop
          if (!started && !isEndReason(capture.payload.reason)) return hold
          const after = stopped(hold, capture)
          return after.end && after !== hold ? endedAt(protocol, after, capture, after.end) : hold
        }
        default:
          return hold
      }
    },
    figures: ({ cautionsAllowed, capMs }, { started, cautions, end }) => [
      { code: 'cautionsLeft', value: Math.max(0, cautionsAllowed - cautions) },
      ...(started && !end ? [{ code: 'held', upFromMs: started.atMs }] : []),
      ...(started && !end && capMs !== undefined ? [{ code: 'cap', downToMs: started.atMs + capMs }] : []),
    ],
  },
}

const slotOf = (watch = 2): string => `time-watch-${Math.max(2, watch)}`

const atCap = (hold: Hold, capMs: number): Hold => ({
  ...hold,
  end: { by: 'cap', atMs: (hold.started?.atMs ?? 0) + capMs },
  heldMs: capMs,
  last: null,
})

const endedAt = ({ capMs = Infinity }: HeldPosition, hold: Hold, capture: Capture, end: End): Hold => {
  const heldMs = hold.started ? elapsed(hold.started, capture).ms : null
  return heldMs !== null && heldMs >= capMs && !isEndReason(end.by)
    ? { ...atCap(hold, capMs), last: capture }
    : { ...hold, end, heldMs, last: capture }
}

/** Follows one hold. @param captures settled captures of this candidate in this event, in order */
export const followHold = (protocol: HeldPosition, captures: readonly Capture[], asOfMs: number | null = null): Hold =>
  standingOf(holdReferee, protocol, captures, undefined, asOfMs).state

export const stampedHold = (_: HeldPosition, { started, end, heldMs, backupsMs, last }: Hold): Stamped => {
  const base: Stamped = { ...NOTHING_STAMPED, begun: started !== null }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  if (!started || !end || heldMs === null) return base
  return {
    ...base,
    readings: { time: heldMs, ...backupsMs },
    clockUncertaintyMs: last ? clockDoubt(started, last) : 0,
  }
}
