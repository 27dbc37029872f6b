/** What a referee says at a moment: phase, figures, what may be done, what to say, how it ended, what is doubtful. */
import type { Attempt, Refereed } from './attempt.ts'
import type { Span } from './span.ts'
import type { Action, Attempted, Call, Cue, Doubt, End, Permission, Phase, RulingFigure } from './referee.ts'

/** Facts from outside the event. They may raise a question or close a button; they never reach a figure. */
export interface Outside {
  /** Until when the rest after the last event lasts. */
  readonly restUntilMs: number | null
  /** Checks that have to be clear before and are not. */
  readonly notClear: readonly string[]
  /** The device that asks: what it may press can differ from what another may. */
  readonly deviceId?: string
  /** The event the candidate is still in. */
  readonly underWayIn: string | null
}

export const NOTHING_OUTSIDE: Outside = { restUntilMs: null, notClear: [], underWayIn: null }

/** Questions that facts from outside raise before a start. */
export type OutsideAsk =
  | { readonly code: 'resting'; readonly untilMs: number }
  | { readonly code: 'notClear'; readonly what: string }
  | { readonly code: 'underWayElsewhere'; readonly eventId: string }

/** What keeps somebody from starting now. @param nowMs agreed time */
export const asksBefore = ({ restUntilMs, notClear, underWayIn }: Outside, nowMs: number): OutsideAsk[] => [
  ...(restUntilMs !== null && restUntilMs > nowMs ? [{ code: 'resting' as const, untilMs: restUntilMs }] : []),
  ...notClear.map((what) => ({ code: 'notClear' as const, what })),
  ...(underWayIn === null ? [] : [{ code: 'underWayElsewhere' as const, eventId: underWayIn }]),
]

/** What the shared part says, before a kind adds its cues. */
export interface BareRuling {
  readonly phase: Phase | 'resting'
  /** Until then the ruling stays as it is, unless something is captured; null: for good. */
  readonly changesAtMs: number | null
  readonly figures: readonly RulingFigure[]
  /** By the kind of the action, and the part it names where it names one: `passed stairs`. */
  readonly may: Readonly<Record<string, Permission>>
  /** What has to be answered before a start. */
  readonly before: readonly OutsideAsk[]
  readonly calls: readonly Call[]
  readonly span: Span | null
  readonly end: End | null
  readonly doubts: readonly Doubt[]
  /** The device whose count stands; null before anybody began, or where every device's count. */
  readonly holder: string | null
  /** Devices that counted beside it, and how far each came. */
  readonly second: readonly { readonly deviceId: string; readonly soFar: number }[]
}

/** What the referee says at a moment. */
export interface Ruling extends BareRuling {
  readonly cues: readonly Cue[]
}

/** A stamp of now, by no device's clock. */
const nowStamp = (nowMs: number, deviceId = 'now') => ({
  deviceId,
  clockRun: 'now',
  deviceMs: 0,
  atMs: nowMs,
  uncertaintyMs: 0,
})

/**
 * @param nowMs agreed time
 * @param soFarOf how far a state is, in what the event is made of
 */
export const rulingOf = <P, S extends Attempted>(
  kind: Refereed<P, S>,
  protocol: P,
  attempt: Attempt<S>,
  nowMs: number,
  outside: Outside,
  soFarOf: (state: S) => number,
): BareRuling => {
  const { state, phase, figures, calls, span, end, doubts, holder, second, changesAtMs } = attempt.at(nowMs)
  const before = phase === 'before' ? asksBefore(outside, nowMs) : []
  const restsUntilMs = before.find((ask) => ask.code === 'resting')?.untilMs ?? null
  const may = Object.fromEntries(
    (kind.actions?.(protocol) ?? []).map((action) => {
      // kind and payload stay together
      const wanted = { ...action, stamp: nowStamp(nowMs, outside.deviceId) } as Action
      const permission = kind.referee.permit(protocol, state, wanted)
      return ['part' in action.payload ? `${action.kind} ${action.payload.part}` : action.kind, permission]
    }),
  )
  const soonest = [changesAtMs, restsUntilMs].filter((ms) => ms !== null)
  return {
    phase: restsUntilMs === null ? phase : 'resting',
    changesAtMs: soonest.length === 0 ? null : Math.min(...soonest),
    figures,
    may,
    before,
    calls,
    span,
    end,
    doubts,
    holder,
    second: second.map(({ deviceId, state: other }) => ({ deviceId, soFar: soFarOf(other) })),
  }
}
