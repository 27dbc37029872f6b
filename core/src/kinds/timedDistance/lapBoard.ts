/** What the lap console shows of one wave: every runner, in the order they are expected at the line. */
import { distanceAtCrossing, lapsOf, type TimedDistance } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { nearestWhole } from '../../quantity/fraction.ts'
import { crossingsSince, isTimers } from '../crossings.ts'
import type { EntryInEvent } from '../measureEntry.ts'
import { startOf, waveStarts } from '../waveStart.ts'
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
  memory: LapMemory = new Map(),
): LapBoard => {
  const starts = waveStarts(settled)
  const start = starts.find(({ payload }) => payload.wave === wave)
  const byEntry = new Map<string, Capture[]>(runners.map(({ entryId }) => [entryId, []]))
  for (const capture of settled) if (capture.entryId !== null) byEntry.get(capture.entryId)?.push(capture)
  const laps = lapsOf(protocol)
  const tiles = runners.flatMap((entry) => {
    const own = byEntry.get(entry.entryId) ?? []
    const ownStart = startOf(entry, starts, own)
    if (start && !ownStart) return []
    const known = memory.get(entry.entryId)
    if (known?.start === ownStart && known?.paceMs === paceMs && isSameList(known.own, own)) return [known.runner]
    const runner = runnerOf(protocol, ownStart, entry.entryId, own, paceMs)
    memory.set(entry.entryId, { start: ownStart, paceMs, own, runner })
    return [runner]
  })
  return {
    startedAtMs: start?.atMs ?? null,
    laps,
    runners: tiles
      .map((runner, index) => ({ runner, index }))
      .sort(byExpectation)
      .map(({ runner }) => runner),
    crossings: start ? crossingsOf(settled, start, byEntry, laps) : [],
  }
}

interface LaidOut {
  readonly start: Capture | undefined
  readonly paceMs: number
  readonly own: readonly Capture[]
  readonly runner: LapRunner
}

/** Runners as they were last laid out, by entry. */
export type LapMemory = Map<string, LaidOut>

const isSameList = (a: readonly Capture[], b: readonly Capture[]): boolean =>
  a.length === b.length && a.every((capture, index) => capture === b[index])

const runnerOf = (
  protocol: TimedDistance,
  start: Capture | undefined,
  entryId: string,
  own: readonly Capture[],
  paceMs: number,
): LapRunner => {
  const laps = lapsOf(protocol)
  const { state } = followRace(protocol, start, own)
  const { begun, soFar: lapsDone, observed, end } = stampedRace(protocol, state)
  const runner = { entryId, lapsDone, lapsToGo: laps - lapsDone, dueAtMs: null, elapsedMs: null, endedBy: null }
  if (end) return { ...runner, state: 'ended', endedBy: end.reason }
  if (observed) return { ...runner, state: 'home', elapsedMs: nearestWhole(observed.value) }
  if (!begun || !start) return { ...runner, state: 'waiting', lapsDone: 0, lapsToGo: laps }
  return { ...runner, state: 'running', dueAtMs: dueAt(protocol, start, state.counted, paceMs) }
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

const crossingsOf = (
  settled: readonly Capture[],
  start: Capture,
  byEntry: ReadonlyMap<string, readonly Capture[]>,
  laps: number,
): LapCrossing[] => {
  const lapsSeen = new Map<string, number>()
  const again = new Set([...byEntry.values()].flatMap((own) => crossingsSince(start, own).again))
  const crossings: LapCrossing[] = []
  for (const capture of settled) {
    const ofThisWave = capture.entryId === null || byEntry.has(capture.entryId)
    if (!isTimers(capture) || !ofThisWave || capture.atMs <= start.atMs || again.has(capture)) continue
    const lap = capture.entryId === null ? 0 : (lapsSeen.get(capture.entryId) ?? 0) + 1
    if (capture.entryId !== null) lapsSeen.set(capture.entryId, lap)
    crossings.push({
      captureId: capture.id,
      entryId: capture.entryId,
      elapsedMs: capture.atMs - start.atMs,
      atMs: capture.atMs,
      lap,
      home: lap === laps,
    })
  }
  return crossings.reverse()
}
