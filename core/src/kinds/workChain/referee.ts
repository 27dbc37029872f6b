/** The rules of a work chain: segments in order under one clock; repetitions may be broken into sets, no segment opens early. */
import type { Capture, CaptureKind } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { elapsed } from '../../capture/elapsed.ts'
import { permitCaution, withCaution } from '../../referee/cautions.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, asked, refused, type Action, type End, type Permission } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { BREATH_MS, FASTEST_MS_PER_M, SET_GAP_MS, SOONEST_REPETITION_MS } from '../../referee/thresholds.ts'
import { stoppedAtLimit } from '../limit.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { ChainSegment, WorkChain } from './protocol.ts'

interface ChainPart {
  readonly segment: ChainSegment
  /** Repetitions done; 0 for a distance. */
  readonly repetitions: number
  /** Repetitions of each set, in order. */
  readonly sets: readonly number[]
  /** From the start of the chain, when complete. */
  readonly completeAfterMs: number | null
}

export interface ChainState {
  readonly started: Capture | null
  readonly parts: readonly ChainPart[]
  /** Index of the open segment; the number of segments when all is done. */
  readonly open: number
  readonly openedAtMs: number
  readonly lastCountMs: number
  readonly finish: Capture | null
  /** Repetitions that were refused, by reason. */
  readonly refused: Readonly<Record<string, number>>
  readonly cautions: number
  readonly end: End | null
}

export interface Chain extends ChainState {
  readonly outOfOrder: readonly string[]
}

const HELD: ReadonlySet<CaptureKind> = new Set(['counted', 'refused', 'passed'])

/** A segment has to be complete before the next; the clock never stops, and nobody goes on beyond the limit. */
export const chainReferee: Refereed<WorkChain, ChainState> = {
  held: HELD,
  actions: ({ segments }) => [
    { kind: 'started', payload: {} },
    { kind: 'counted', payload: {} },
    ...segments.flatMap(({ id, repetitions }) =>
      repetitions === undefined ? [{ kind: 'passed' as const, payload: { part: id } }] : [],
    ),
    { kind: 'stopped', payload: { reason: 'didNotFinish' } },
  ],
  referee: {
    begin: ({ segments }) => ({
      started: null,
      parts: segments.map((segment) => ({ segment, repetitions: 0, sets: [], completeAfterMs: null })),
      open: 0,
      openedAtMs: Infinity,
      lastCountMs: 0,
      finish: null,
      refused: {},
      cautions: 0,
      end: null,
    }),
    phase: (_, { started, finish, end }) => (finish || end ? 'over' : started ? 'running' : 'before'),
    span: (_, { started, finish, end }) => spanOf(started?.atMs, finish ?? end),
    due: ({ limitMs }, { started, finish, end }) =>
      started && !finish && !end && limitMs !== undefined ? started.atMs + limitMs : null,
    pass: ({ limitMs = 0 }, chain) => ({ ...chain, end: { by: 'limit', atMs: (chain.started?.atMs ?? 0) + limitMs } }),
    permit: (protocol, chain, action) => {
      switch (action.kind) {
        case 'started':
          return chain.started ? refused('secondStartIgnored') : ALLOWED
        case 'cautioned':
          return permitCaution(protocol.cautionsAllowed, chain.started !== null && !chain.finish && !chain.end)
        case 'counted':
        case 'refused':
        case 'passed':
          return permitWork(protocol, chain, action)
        default:
          return ALLOWED
      }
    },
    apply: ({ cautionsAllowed }, chain, capture) => {
      switch (capture.kind) {
        case 'started':
          return { ...chain, started: capture, openedAtMs: capture.atMs }
        case 'counted':
          return counted(chain, capture)
        case 'refused': {
          const { reason } = capture.payload
          return { ...chain, refused: { ...chain.refused, [reason]: (chain.refused[reason] ?? 0) + 1 } }
        }
        case 'cautioned':
          return withCaution(chain, cautionsAllowed, capture.atMs)
        case 'passed':
          return completed(chain, capture)
        case 'stopped':
          return isEndReason(capture.payload.reason) ? stopped(chain, capture) : chain
        default:
          return chain
      }
    },
    figures: (_, { started, parts, open, refused: refusedBy, finish, end }) => [
      { code: 'segmentsDone', value: open },
      { code: 'refused', value: Object.values(refusedBy).reduce((sum, count) => sum + count, 0) },
      ...(parts[open]?.segment.repetitions === undefined
        ? []
        : [
            {
              code: 'repetitionsToGo',
              value: (parts[open]?.segment.repetitions ?? 0) - (parts[open]?.repetitions ?? 0),
            },
          ]),
      ...(started && !finish && !end ? [{ code: 'time', upFromMs: started.atMs }] : []),
    ],
  },
}

const permitWork = ({ limitMs = Infinity }: WorkChain, chain: ChainState, action: Action): Permission => {
  const { started, parts, open, openedAtMs, lastCountMs, end } = chain
  const { stamp } = action
  if (!started) return refused('beforeStart')
  const { ms, uncertaintyMs } = elapsed(started, stamp)
  if ((end && end.by !== 'limit') || ms - uncertaintyMs > limitMs) return refused('afterEnd')
  const part = parts[open]
  if (action.kind === 'passed') {
    const { part: named } = action.payload
    if (parts.some(({ segment, completeAfterMs }) => segment.id === named && completeAfterMs !== null)) {
      return refused('passedAlready')
    }
    if (part?.segment.id !== named || part.segment.repetitions !== undefined)
      return refused('outOfOrder', { part: named })
    // the press that ended the segment before may come twice
    if (open > 0 && stamp.atMs - openedAtMs < BREATH_MS) return refused('pressedTwice')
    if (ms > limitMs) return asked('atTheLine')
    const soonestMs = Math.floor(((part.segment.distanceMm ?? 0) * FASTEST_MS_PER_M) / 1_000)
    const afterMs = stamp.atMs - openedAtMs
    return afterMs < soonestMs ? asked('soonerThanAnybody', { afterMs, soonestMs }) : ALLOWED
  }
  if (part?.segment.repetitions === undefined) return refused('notOpen')
  if (action.kind === 'refused') return part.segment.refusals ? ALLOWED : refused('notOpen')
  if (ms > limitMs) return asked('atTheLine')
  if (part.repetitions === 0) return ALLOWED
  const sinceMs = stamp.atMs - lastCountMs
  if (sinceMs < SOONEST_REPETITION_MS) return asked('soonerThanAnybody', { afterMs: sinceMs })
  return sinceMs > SET_GAP_MS && part.segment.setsAllowed === false ? asked('brokenIntoSets') : ALLOWED
}

const withPart = ({ parts, open }: ChainState, change: Partial<ChainPart>): ChainPart[] =>
  parts.map((part, index) => (index === open ? { ...part, ...change } : part))

const counted = (chain: ChainState, capture: Capture): ChainState => {
  const part = chain.parts[chain.open]
  if (!part) return chain
  const isNewSet = part.repetitions === 0 || capture.atMs - chain.lastCountMs > SET_GAP_MS
  const sets = isNewSet ? [...part.sets, 1] : [...part.sets.slice(0, -1), (part.sets.at(-1) ?? 0) + 1]
  const repetitions = part.repetitions + 1
  const more = { ...chain, parts: withPart(chain, { sets, repetitions }), lastCountMs: capture.atMs }
  return repetitions === part.segment.repetitions ? completed(more, capture) : more
}

const completed = (chain: ChainState, capture: Capture): ChainState => {
  const completeAfterMs = chain.started ? elapsed(chain.started, capture).ms : 0
  const open = chain.open + 1
  return {
    ...chain,
    parts: withPart(chain, { completeAfterMs }),
    open,
    openedAtMs: capture.atMs,
    finish: open === chain.parts.length ? capture : null,
    // within what the clocks can tell of the limit it was not beyond it
    end: chain.end?.by === 'limit' ? null : chain.end,
  }
}

/** @param captures settled captures of this candidate in this event, in order */
export const followChain = (protocol: WorkChain, captures: readonly Capture[], asOfMs: number | null = null): Chain => {
  const { state, refused: left } = standingOf(chainReferee, protocol, captures, undefined, asOfMs)
  return {
    ...state,
    outOfOrder: left.flatMap(({ code, figures }) =>
      code === 'outOfOrder' && figures ? [String(figures['part'])] : [],
    ),
  }
}

export const stampedChain = (protocol: WorkChain, { started, parts, open, finish, end }: ChainState): Stamped => {
  const base: Stamped = { ...NOTHING_STAMPED, begun: started !== null, soFar: open }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  if (end?.by === 'limit') {
    const { reason, notes } = stoppedAtLimit(protocol.limitMs ?? 0)
    return { ...base, end: { reason, byRule: true }, notes }
  }
  if (!started || !finish) return base
  const done = parts.flatMap(({ segment, repetitions }) =>
    segment.repetitions === undefined ? [] : [[`${segment.id}-repetitions`, repetitions] as const],
  )
  return {
    ...base,
    readings: { time: elapsed(started, finish).ms, ...Object.fromEntries(done) },
    clockUncertaintyMs: clockDoubt(started, finish),
  }
}
