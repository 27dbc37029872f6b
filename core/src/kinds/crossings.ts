/** The crossings of one runner that count: those of the timer, each once, whoever else stamped it. */
import type { Capture } from '../capture/capture.ts'
import { elapsed } from '../capture/elapsed.ts'
import { ALLOWED, asked, refused, type Action, type Call, type Permission } from '../referee/referee.ts'
import { SAME_CROSSING_MS } from '../referee/thresholds.ts'
import type { Note } from './measure.ts'
import type { ProtocolBase } from './protocolBase.ts'
import type { WaveStart } from './waveStart.ts'

export type Crossing = Extract<Capture, { kind: 'crossed' }>

/** Backups keep a log of their own, beside the laps. */
export const isOfTimer = ({ payload }: { readonly payload: Crossing['payload'] }): boolean => (payload.watch ?? 1) === 1

export const isTimers = (capture: Capture): capture is Crossing => capture.kind === 'crossed' && isOfTimer(capture)

/** What a runner's state holds of the crossings, in order. */
export interface Crossings {
  readonly start: WaveStart | null
  /** Each crossing once. */
  readonly counted: readonly Crossing[]
  /** How many a stamp of the starting device took the place of. */
  readonly replaced: number
  /** All stamps of the last of them. */
  readonly group: readonly Crossing[]
}

export const NO_CROSSINGS: Crossings = { start: null, counted: [], replaced: 0, group: [] }

/**
 * Whether a stamp is of the last crossing that was counted: another device's, and near. Two stamps of one device are two crossings, and a
 * doubt where they are too near.
 */
export const isSame = ({ group }: Crossings, { deviceId, atMs }: Pick<Capture, 'deviceId' | 'atMs'>): boolean => {
  const [first] = group
  return (
    first !== undefined && atMs - first.atMs <= SAME_CROSSING_MS && group.every((stamp) => stamp.deviceId !== deviceId)
  )
}

/**
 * A crossing with what it changes. Of several devices' stamps of one crossing that of the device which gave the start counts, else the first.
 */
export const withCrossing = <S extends Crossings>(state: S, crossing: Crossing): S => {
  if (!isSame(state, crossing)) return { ...state, counted: [...state.counted, crossing], group: [crossing] }
  const takesOver = crossing.deviceId === state.start?.deviceId
  const counted = takesOver ? [...state.counted.slice(0, -1), crossing] : state.counted
  return { ...state, counted, replaced: state.replaced + (takesOver ? 1 : 0), group: [...state.group, crossing] }
}

/** What a stamp of the crossing counted last is: the device that gave the start puts its own in place, every other tells again what is known. */
export const permitSame = ({ start }: Crossings, { deviceId }: Action['stamp']): Permission =>
  deviceId === start?.deviceId ? ALLOWED : refused('stampedTwice')

/**
 * What every kind with laps asks of a crossing.
 * @param withinMs the time, where it is limited
 * @param soonestMs since the last crossing nobody can be here sooner
 */
export const permitCrossing = (
  state: Crossings,
  { stamp }: Pick<Action, 'stamp'>,
  withinMs: number | undefined,
  soonestMs: number,
): Permission => {
  const { start, counted } = state
  if (!start || stamp.atMs <= start.atMs) return refused('crossedBeforeStart')
  if (isSame(state, stamp)) return permitSame(state, stamp)
  if (withinMs !== undefined) {
    const { ms, uncertaintyMs } = elapsed(start, stamp)
    if (ms - uncertaintyMs > withinMs) return refused('crossedAfterEnd')
    if (ms > withinMs) return asked('atTheLine')
  }
  const last = counted.at(-1) ?? start
  const afterMs = stamp.atMs - last.atMs
  return afterMs < soonestMs ? asked('soonerThanAnybody', { afterMs, soonestMs }) : ALLOWED
}

/**
 * The crossings of one runner since a start.
 * @param own settled captures of the runner, in order
 * @returns each crossing once, and what was stamped again of them
 */
export const crossingsSince = (
  start: Capture,
  own: readonly Capture[],
): { readonly counted: readonly Crossing[]; readonly again: readonly Crossing[] } => {
  const since = own.filter(isTimers).filter(({ atMs }) => atMs > start.atMs)
  const begun: Crossings = start.kind === 'waveStarted' ? { ...NO_CROSSINGS, start } : NO_CROSSINGS
  const { counted } = since.reduce(withCrossing, begun)
  const known = new Set(counted)
  return { counted, again: since.filter((crossing) => !known.has(crossing)) }
}

/** What was stamped by a second device before the one that started stamped it too. */
export const replacedNotes = ({ replaced }: Crossings): Note[] =>
  replaced > 0 ? [{ code: 'stampedTwice', count: replaced }] : []

/** What is announced to a runner at a lap, or at the first line beyond a distance. */
export const lapAnnouncements = (
  { announcements = [] }: ProtocolBase,
  counted: readonly Crossing[],
  distanceMm: (lap: number) => number,
): Call[] =>
  announcements.flatMap(({ atLap, atMm, say }) => {
    const lap = atLap ?? (atMm === undefined ? 0 : counted.findIndex((_, index) => distanceMm(index + 1) >= atMm) + 1)
    const crossing = counted[lap - 1]
    return crossing ? [{ code: 'announcement', atMs: crossing.atMs, figures: { say } }] : []
  })
