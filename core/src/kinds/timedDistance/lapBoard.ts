/** What the lap console shows of one wave: every runner, in the order they are expected at the line. */
import { distanceAtCrossing, lapsOf, type TimedDistance } from './protocol.ts'
import { byCandidate, isOneMore, type ByCandidate } from '../../capture/byCandidate.ts'
import type { Capture } from '../../capture/capture.ts'
import { nearestWhole } from '../../quantity/fraction.ts'
import { crossingsSince, isTimers } from '../crossings.ts'
import type { EntryInEvent } from '../measureEntry.ts'
import { onGround } from '../onGround.ts'
import { startsIn, waveStarts, type WaveStart } from '../waveStart.ts'
import type { EndReason } from '../../referee/ends.ts'
import { followRace, stampedRace } from './referee.ts'

export interface LapRunner {
  readonly entryId: string
  readonly state: 'waiting' | 'running' | 'home' | 'ended'
  readonly lapsDone: number
  readonly lapsToGo: number
  /** When the runner should cross next at the pace so far, in agreed time; null when not running. */
  readonly dueAtMs: number | null
  /** From the start of the wave to the finish; null until then. */
  readonly elapsedMs: number | null
  readonly endedBy: EndReason | null
}

export interface LapCrossing {
  readonly captureId: string
  readonly entryId: string | null
  /** From the start of the wave; null before it. */
  readonly elapsedMs: number | null
  readonly atMs: number
  /** Which crossing of the runner this is, 0 when the runner is unknown. */
  readonly lap: number
  readonly home: boolean
}

export interface LapBoard {
  readonly startedAtMs: number | null
  readonly laps: number
  /** Runners on the course by when they are due, then those not started, then those home, then those who ended early. */
  readonly runners: readonly LapRunner[]
  /** Newest first; stamps without a bib belong to every wave that is on the course. */
  readonly crossings: readonly LapCrossing[]
}

/**
 * Lays out one wave.
 * @param settled the event's settled captures
 * @param runners the wave's runners, in bib order, which breaks ties; once it has started, those who did not start are left out
 * @param memory what was laid out before: a runner nothing has happened to stays the same object
 * @param paceMs even time over the whole distance to expect before a runner's first crossing, usually the cut
 */
export const lapBoard = (
  protocol: TimedDistance,
  wave: number,
  runners: readonly EntryInEvent[],
  settled: readonly Capture[],
  paceMs: number,
  memory: LapMemory = newLapMemory(),
): LapBoard => {
  const starts = waveStarts(settled)
  const start = starts.find(({ payload }) => payload.wave === wave)
  const startFor = startsIn(starts)
  const sorted = byCandidate(settled, memory.sorted)
  const laps = lapsOf(onGround(protocol, start ?? null))
  const tiles = runners.flatMap((entry) => {
    const own = sorted.of.get(entry.entryId) ?? NOTHING
    const ownStart = startFor(entry, own)
    if (start && !ownStart) return []
    const known = memory.runners.get(entry.entryId)
    if (known?.start === ownStart && known?.paceMs === paceMs && isSameList(known.own, own)) return [known.runner]
    const runner = runnerOf(protocol, ownStart, entry.entryId, own, paceMs)
    const again = start ? crossingsSince(start, own).again : []
    memory.runners.set(entry.entryId, { start: ownStart, paceMs, own, again, runner })
    return [runner]
  })
  const crossings = start ? crossingsOf(settled, start, runners, laps, memory) : []
  Object.assign(memory, { sorted, crossings, start })
  return {
    startedAtMs: start?.atMs ?? null,
    laps,
    runners: tiles
      .map((runner, index) => ({ runner, index }))
      .sort(byExpectation)
      .map(({ runner }) => runner),
    crossings,
  }
}

interface LaidOut {
  readonly start: Capture | undefined
  readonly paceMs: number
  readonly own: readonly Capture[]
  /** What a second device stamped of crossings that are counted. */
  readonly again: readonly Capture[]
  readonly runner: LapRunner
}

/** What was laid out last, so that one stamp costs the one runner it is about. */
export interface LapMemory {
  readonly runners: Map<string, LaidOut>
  sorted: ByCandidate | null
  start: Capture | null
  crossings: readonly LapCrossing[]
}

export const newLapMemory = (): LapMemory => ({ runners: new Map(), sorted: null, start: null, crossings: [] })

const NOTHING: readonly Capture[] = []

const isSameList = (a: readonly Capture[], b: readonly Capture[]): boolean =>
  a === b || (a.length === b.length && a.every((capture, index) => capture === b[index]))

const runnerOf = (
  protocol: TimedDistance,
  start: WaveStart | undefined,
  entryId: string,
  own: readonly Capture[],
  paceMs: number,
): LapRunner => {
  const course = onGround(protocol, start ?? null)
  const laps = lapsOf(course)
  const { state } = followRace(protocol, start, own)
  const { begun, soFar: lapsDone, observed, end } = stampedRace(protocol, state)
  const runner = { entryId, lapsDone, lapsToGo: laps - lapsDone, dueAtMs: null, elapsedMs: null, endedBy: null }
  if (end) return { ...runner, state: 'ended', endedBy: end.reason }
  if (observed) return { ...runner, state: 'home', elapsedMs: nearestWhole(observed.value) }
  if (!begun || !start) return { ...runner, state: 'waiting', lapsDone: 0, lapsToGo: laps }
  return { ...runner, state: 'running', dueAtMs: dueAt(course, start, state.counted, paceMs) }
}

/** The next crossing at the runner's mean pace so far; before the first one, at an even pace for `paceMs`. */
const dueAt = (protocol: TimedDistance, start: Capture, counted: readonly Capture[], paceMs: number): number => {
  const lapsDone = counted.length
  const nextMm = distanceAtCrossing(protocol, lapsDone + 1)
  const { atMs: startedAtMs } = start
  if (lapsDone === 0) return startedAtMs + Math.round((paceMs * nextMm) / protocol.distanceMm)
  const lastAtMs = counted.at(-1)?.atMs ?? startedAtMs
  const doneMm = distanceAtCrossing(protocol, lapsDone)
  return lastAtMs + Math.round(((lastAtMs - startedAtMs) * (nextMm - doneMm)) / doneMm)
}

const STATE_ORDER = { running: 0, waiting: 1, home: 2, ended: 3 } as const

const byExpectation = (a: { runner: LapRunner; index: number }, b: { runner: LapRunner; index: number }): number =>
  STATE_ORDER[a.runner.state] - STATE_ORDER[b.runner.state] ||
  (a.runner.dueAtMs ?? 0) - (b.runner.dueAtMs ?? 0) ||
  (a.runner.elapsedMs ?? 0) - (b.runner.elapsedMs ?? 0) ||
  a.index - b.index

/** Newest first. What a second device stamped of a crossing that is counted is not one more. */
const crossingsOf = (
  settled: readonly Capture[],
  start: Capture,
  runners: readonly EntryInEvent[],
  laps: number,
  memory: LapMemory,
): readonly LapCrossing[] => {
  const { sorted, crossings: before } = memory
  const last = settled.at(-1)
  // one stamp more, of somebody whose crossings are told apart by nobody else: it is the newest
  if (last && sorted && memory.start === start && isOneMore(sorted.settled, settled)) {
    const isHere = last.entryId === null || runners.some(({ entryId }) => entryId === last.entryId)
    if (!isHere || !isTimers(last) || last.atMs <= start.atMs) return before
    if (last.entryId === null || memory.runners.get(last.entryId)?.again.length === 0) {
      const lap = last.entryId === null ? 0 : before.filter(({ entryId }) => entryId === last.entryId).length + 1
      return [crossingAt(last, start, lap, laps), ...before]
    }
  }
  const here = new Set(runners.map(({ entryId }) => entryId))
  const again = new Set([...here].flatMap((entryId) => memory.runners.get(entryId)?.again ?? []))
  const lapsSeen = new Map<string, number>()
  const crossings: LapCrossing[] = []
  for (const capture of settled) {
    const { entryId } = capture
    if (!isTimers(capture) || (entryId !== null && !here.has(entryId))) continue
    if (capture.atMs <= start.atMs || again.has(capture)) continue
    const lap = entryId === null ? 0 : (lapsSeen.get(entryId) ?? 0) + 1
    if (entryId !== null) lapsSeen.set(entryId, lap)
    crossings.push(crossingAt(capture, start, lap, laps))
  }
  return crossings.reverse()
}

const crossingAt = ({ id, entryId, atMs }: Capture, start: Capture, lap: number, laps: number): LapCrossing => ({
  captureId: id,
  entryId,
  elapsedMs: atMs - start.atMs,
  atMs,
  lap,
  home: lap === laps,
})
