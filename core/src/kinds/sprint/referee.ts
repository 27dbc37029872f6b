/** The rules of a sprint: each start begins a try, each crossing after it is the finish on one of the watches. */
import type { Capture } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { elapsed } from '../../capture/elapsed.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, ruledEnd, stopped } from '../../referee/ends.ts'
import { ALLOWED, asked, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { FASTEST_MS_PER_M } from '../../referee/thresholds.ts'
import type { Readings } from '../slot.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import type { Sprint } from './protocol.ts'

export interface SprintTry {
  readonly started: Capture
  /** By watch, from 1. */
  readonly finishes: Readonly<Record<number, Capture | undefined>>
}

export interface SprintTries {
  readonly tries: readonly SprintTry[]
  readonly end: End | null
}

const isFinished = ({ finishes }: SprintTry): boolean => Object.keys(finishes).length > 0

/** A start before the last try was finished begins that try anew: a false start. */
export const sprintReferee: Refereed<Sprint, SprintTries> = {
  actions: () => [
    { kind: 'started', payload: {} },
    { kind: 'crossed', payload: {} },
  ],
  referee: {
    begin: () => ({ tries: [], end: null }),
    phase: ({ attemptsAllowed }, { tries, end }) => {
      const last = tries.at(-1)
      if (end) return 'over'
      if (!last) return 'before'
      if (!isFinished(last)) return 'running'
      return tries.length >= attemptsAllowed ? 'over' : 'paused'
    },
    span: (protocol, { tries, end }) => {
      const [first] = tries
      const last = tries.at(-1)
      const finish = last && Object.values(last.finishes).find((stamp) => stamp !== undefined)
      return spanOf(first?.started.atMs, end ?? (tries.length >= protocol.attemptsAllowed && finish ? finish : null))
    },
    due: () => null,
    pass: (_, state) => state,
    permit: ({ attemptsAllowed, distanceMm }, { tries }, action) => {
      const current = tries.at(-1)
      if (action.kind === 'started') {
        return current && isFinished(current) && tries.length >= attemptsAllowed ? refused('noTryLeft') : ALLOWED
      }
      if (action.kind !== 'crossed') return ALLOWED
      if (!current) return refused('crossedBeforeStart')
      // the first stamp of a watch stands
      if (current.finishes[action.payload.watch ?? 1]) return refused('stampedTwice')
      const { ms } = elapsed(current.started, action.stamp)
      const soonestMs = Math.floor((distanceMm * FASTEST_MS_PER_M) / 1_000)
      return ms < soonestMs ? asked('soonerThanAnybody', { afterMs: ms, soonestMs }) : ALLOWED
    },
    apply: (_, state, capture) => {
      const { tries } = state
      const current = tries.at(-1)
      switch (capture.kind) {
        case 'started': {
          const before = current && !isFinished(current) ? tries.slice(0, -1) : tries
          return { ...state, tries: [...before, { started: capture, finishes: {} }] }
        }
        case 'crossed': {
          if (!current) return state
          const finishes = { ...current.finishes, [capture.payload.watch ?? 1]: capture }
          return { ...state, tries: [...tries.slice(0, -1), { ...current, finishes }] }
        }
        case 'stopped':
          return isEndReason(capture.payload.reason) ? stopped(state, capture) : state
        default:
          return state
      }
    },
    figures: ({ attemptsAllowed }, { tries }) => {
      const current = tries.at(-1)
      return [
        { code: 'triesLeft', value: attemptsAllowed - tries.length },
        ...(current && !isFinished(current) ? [{ code: 'time', upFromMs: current.started.atMs }] : []),
      ]
    },
  },
}

/** The tries of one candidate. @param captures settled captures of this candidate in this event, in order */
export const followSprint = (protocol: Sprint, captures: readonly Capture[]): readonly SprintTry[] =>
  standingOf(sprintReferee, protocol, captures).state.tries

export const stampedSprint = (_: Sprint, { tries, end }: SprintTries): Stamped => {
  const base: Stamped = { ...NOTHING_STAMPED, begun: tries.length > 0, soFar: tries.length }
  const ruled = ruledEnd(end)
  if (ruled) return { ...base, end: ruled }
  const times = tries.flatMap(({ started, finishes }, index) =>
    Object.entries(finishes).flatMap(([watch, finish]) =>
      finish
        ? [
            {
              slot: watch === '1' ? `try-${index + 1}` : `try-${index + 1}-watch-${watch}`,
              ms: elapsed(started, finish).ms,
              doubtMs: clockDoubt(started, finish),
            },
          ]
        : [],
    ),
  )
  const readings: Readings = Object.fromEntries(times.map(({ slot, ms }) => [slot, ms]))
  return {
    ...base,
    // a try that runs is not judged by the one before it alone
    readings: tries.every(isFinished) ? readings : {},
    clockUncertaintyMs: Math.max(0, ...times.map(({ doubtMs }) => doubtMs)),
  }
}
