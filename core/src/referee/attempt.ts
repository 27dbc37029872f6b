/** One candidate's go at an event, capture by capture: what was due, what is permitted, whose count stands. The same for every kind. */
import type { Capture, CaptureKind, Observation } from '../capture/capture.ts'
import { REFEREE_CODES } from './codes.ts'
import type { Span } from './span.ts'
import type { Ask, Attempted, Call, Doubt, End, Person, Phase, Referee, RulingFigure } from './referee.ts'

/** What the shared part has to know of a kind. */
export interface Refereed<P, S extends Attempted> {
  readonly referee: Referee<P, S>
  /** Captures that count from the device that holds the attempt alone; left out where every device's count. */
  readonly held?: ReadonlySet<CaptureKind>
  /** What can be pressed, for a ruling to say whether it may. */
  actions?(protocol: P): readonly Observation[]
}

/** An attempt after some captures. It is never changed, so every step can be kept and gone back to. */
export interface Attempt<S> {
  readonly step: (capture: Capture) => Attempt<S>
  /** Where it stands at a moment, with everything let happen that was due by then; null: only what captures tell. */
  readonly at: (asOfMs: number | null) => Standing<S>
}

export interface Standing<S> {
  readonly state: S
  readonly phase: Phase
  readonly span: Span | null
  readonly end: End | null
  /** The device whose count stands; null before anybody began, or where every device's count. */
  readonly holder: string | null
  /** What other devices counted beside it. */
  readonly second: readonly { readonly deviceId: string; readonly state: S }[]
  /** Captures that did not count, with the reason, in order. */
  readonly refused: readonly Doubt[]
  readonly doubts: readonly Doubt[]
  readonly figures: readonly RulingFigure[]
  readonly calls: readonly Call[]
  /** Until then it stays as it is, unless something is captured; null: for good. */
  readonly changesAtMs: number | null
}

interface Notes {
  readonly refused: readonly Doubt[]
  readonly asked: readonly Doubt[]
}
const NO_NOTES: Notes = { refused: [], asked: [] }

interface Held<S> {
  /** Folded over what counts from anybody: where a stream that appears later begins. */
  readonly common: S
  readonly streams: ReadonlyMap<string, S>
  readonly holder: string | null
  readonly notes: Notes
}

export const beginAttempt = <P, S extends Attempted>(kind: Refereed<P, S>, protocol: P, person: Person): Attempt<S> =>
  attemptAfter(kind, protocol, {
    common: kind.referee.begin(protocol, person),
    streams: new Map(),
    holder: null,
    notes: NO_NOTES,
  })

const attemptAfter = <P, S extends Attempted>(kind: Refereed<P, S>, protocol: P, held: Held<S>): Attempt<S> => ({
  step: (capture) => attemptAfter(kind, protocol, stepped(kind, protocol, held, capture)),
  at: (asOfMs) => standing(kind, protocol, held, asOfMs),
})

const mainOf = <S>({ common, streams, holder }: Held<S>): S =>
  holder === null ? common : (streams.get(holder) ?? common)

/** What is due at that very moment has still to wait for captures of it. */
const advance = <P, S extends Attempted>({ referee }: Refereed<P, S>, protocol: P, state: S, beforeMs: number): S => {
  let now = state
  let dueMs = referee.due(protocol, now)
  while (dueMs !== null && dueMs < beforeMs) {
    now = referee.pass(protocol, now)
    const next = referee.due(protocol, now)
    if (next !== null && next <= dueMs) {
      throw new Error(`Nothing moves on at ${dueMs}. A pass has to put the next due moment later.`)
    }
    dueMs = next
  }
  return now
}

interface Taken<S> {
  readonly state: S
  readonly notes: Notes
}

/** One capture on one state: lets pass what was due, asks whether it counts, applies it. */
const take = <P, S extends Attempted>(kind: Refereed<P, S>, protocol: P, before: S, capture: Capture): Taken<S> => {
  const { referee } = kind
  const state = advance(kind, protocol, before, capture.atMs)
  const permission = referee.permit(protocol, state, { ...capture, stamp: capture })
  switch (permission.kind) {
    case 'refused':
      return { state, notes: { refused: [doubtOf(permission.why, capture)], asked: [] } }
    case 'asked': {
      const open = permission.asks.filter(({ code }) => !capture.despite?.includes(code))
      const asked = open.map((ask) => doubtOf(ask, capture))
      return { state: referee.apply(protocol, state, capture), notes: { refused: [], asked } }
    }
    case 'allowed':
      return { state: referee.apply(protocol, state, capture), notes: NO_NOTES }
  }
}

const doubtOf = ({ code, figures }: Ask, { id }: Pick<Capture, 'id'>): Doubt =>
  figures ? { code, captures: [id], figures } : { code, captures: [id] }

const together = (before: Notes, more: Notes): Notes =>
  more === NO_NOTES
    ? before
    : { refused: [...before.refused, ...more.refused], asked: [...before.asked, ...more.asked] }

const stepped = <P, S extends Attempted>(
  kind: Refereed<P, S>,
  protocol: P,
  held: Held<S>,
  capture: Capture,
): Held<S> => {
  const { referee, held: heldKinds } = kind
  if (!heldKinds) {
    const { state, notes } = take(kind, protocol, held.common, capture)
    return { ...held, common: state, notes: together(held.notes, notes) }
  }
  const { deviceId } = capture
  if (capture.kind === 'tookOver') {
    // what the first holder counted up to here stays; from now on the two go apart
    const { counted } = capture.payload
    const reached = mainOf(held)
    const state = counted === undefined || !referee.goOnFrom ? reached : referee.goOnFrom(reached, counted)
    return { ...held, holder: deviceId, streams: new Map(held.streams).set(deviceId, state) }
  }
  if (!heldKinds.has(capture.kind) && held.streams.size > 0) return shared(kind, protocol, held, capture)
  if (!heldKinds.has(capture.kind)) {
    const { state, notes } = take(kind, protocol, held.common, capture)
    const begins = referee.phase(protocol, held.common) === 'before' && referee.phase(protocol, state) !== 'before'
    return {
      ...held,
      common: state,
      holder: held.holder ?? (begins ? deviceId : null),
      notes: together(held.notes, notes),
    }
  }
  const holder = held.holder ?? deviceId
  const { state, notes } = take(kind, protocol, held.streams.get(deviceId) ?? held.common, capture)
  // before anything began there is nothing to hold
  if (held.holder === null && referee.phase(protocol, state) === 'before') {
    return { ...held, common: state, notes: together(held.notes, notes) }
  }
  return {
    ...held,
    holder,
    streams: new Map(held.streams).set(deviceId, state),
    notes: deviceId === holder ? together(held.notes, notes) : held.notes,
  }
}

/** What counts from anybody is taken by every stream; only the holder's view of it is told. */
const shared = <P, S extends Attempted>(
  kind: Refereed<P, S>,
  protocol: P,
  held: Held<S>,
  capture: Capture,
): Held<S> => {
  const common = take(kind, protocol, held.common, capture)
  const streams = new Map<string, S>()
  let told = common.notes
  for (const [deviceId, before] of held.streams) {
    const { state, notes } = take(kind, protocol, before, capture)
    streams.set(deviceId, state)
    if (deviceId === held.holder) told = notes
  }
  return { ...held, common: common.state, streams, notes: together(held.notes, told) }
}

const standing = <P, S extends Attempted>(
  kind: Refereed<P, S>,
  protocol: P,
  held: Held<S>,
  asOfMs: number | null,
): Standing<S> => {
  const { referee } = kind
  const at = (state: S): S => (asOfMs === null ? state : advance(kind, protocol, state, asOfMs))
  const state = at(mainOf(held))
  const second = [...held.streams]
    .filter(([deviceId]) => deviceId !== held.holder)
    .map(([deviceId, other]) => ({ deviceId, state: at(other) }))
  const { refused, asked } = held.notes
  return {
    state,
    phase: referee.phase(protocol, state),
    span: referee.span(protocol, state),
    end: state.end,
    holder: held.holder,
    second,
    refused,
    doubts: [
      ...refused.filter(({ code }) => REFEREE_CODES[code] === 'againstRule'),
      ...asked,
      ...(referee.doubts?.(protocol, state) ?? []),
    ],
    figures: referee.figures(protocol, state),
    calls: referee.calls?.(protocol, state) ?? [],
    changesAtMs: referee.due(protocol, state),
  }
}
