/**
 * Stamps that were probably missed or doubled, from the runner's own laps and those of the wave.
 * They are offered for repair and never repaired silently.
 */
import { distanceAtCrossing, lapsOf, type TimedDistance } from './protocol.ts'

export interface StampedRunner {
  readonly entryId: string
  /** The timer's stamps after the start, in order; an estimated one is a repair already made. */
  readonly stamps: readonly { readonly captureId: string; readonly atMs: number }[]
}

export type LapFault =
  | {
      readonly kind: 'missed'
      readonly entryId: string
      /** Which crossing is missing. */
      readonly lap: number
      /** Where it probably lay; a finish is never estimated, so null for the last lap. */
      readonly atMs: number | null
    }
  | {
      readonly kind: 'doubled'
      readonly entryId: string
      readonly captureId: string
      /** Which crossing it repeats; 0 for a stamp too soon after the start. */
      readonly lap: number
      readonly atMs: number
    }

/** A gap shorter than this share of the runner's lap is a second touch: nobody runs a lap twice as fast as their others. */
const DOUBLE_SHARE = 0.5
/** Paces that a runner may have, as shares of the wave's. */
const [FASTEST, SLOWEST] = [0.6, 1.75]
/** What one assumed fault costs against the unevenness of laps; found by trying on simulated waves. */
const FAULT_COST = 0.06
/** Nobody covers ground faster than this, in m/s; what comes sooner is a second touch whatever the others do. */
const FASTEST_BY: Readonly<Record<NonNullable<TimedDistance['by']>, number>> = {
  run: 9,
  swim: 2.5,
  march: 4,
  row: 7,
  cycle: 20,
}
/** A lap time to begin with while there is none to go by: five minutes a kilometre. */
const EASY_MS_PER_MM = 0.3
/** A finish is missing when this share of a lap has gone by since it was due. */
const OVERDUE_SHARE = 0.6

/**
 * Finds faults in the stamps of one wave.
 * @param startedAtMs start of the wave
 * @param nowMs agreed time now: a finish that is long overdue is a missed one
 */
export const lapFaults = (
  protocol: TimedDistance,
  startedAtMs: number,
  runners: readonly StampedRunner[],
  nowMs: number,
): LapFault[] => {
  const fieldMs = fieldPace(protocol, startedAtMs, runners) ?? protocol.lapLengthMm * EASY_MS_PER_MM
  return runners.flatMap((runner) => faultsOf(protocol, startedAtMs, runner, fieldMs, nowMs))
}

/** Time for a full lap that is in the middle of the wave, from every gap there is; null without any. */
const fieldPace = (protocol: TimedDistance, startedAtMs: number, runners: readonly StampedRunner[]): number | null => {
  const first = firstShare(protocol)
  const gaps = runners.flatMap(({ stamps }) =>
    stamps.map(({ atMs }, index) => {
      const before = stamps[index - 1]?.atMs
      return before === undefined ? (atMs - startedAtMs) / first : atMs - before
    }),
  )
  const possible = gaps.filter((gapMs) => gapMs >= fastestLapMs(protocol))
  return possible.length === 0 ? null : middle(possible)
}

const fastestLapMs = ({ by = 'run', lapLengthMm }: TimedDistance): number => lapLengthMm / FASTEST_BY[by]

/** The first crossing closes a part lap where the lap does not divide the distance. */
const firstShare = (protocol: TimedDistance): number => distanceAtCrossing(protocol, 1) / protocol.lapLengthMm

const faultsOf = (
  protocol: TimedDistance,
  startedAtMs: number,
  { entryId, stamps }: StampedRunner,
  fieldMs: number,
  nowMs: number,
): LapFault[] => {
  if (stamps.length === 0) return []
  const laps = lapsOf(protocol)
  const first = firstShare(protocol)
  const reading = read(protocol, startedAtMs, stamps, fieldMs)
  const faults: LapFault[] = []
  let lap = 0
  let lastMs = startedAtMs
  for (const [index, { captureId, atMs }] of stamps.entries()) {
    const covered = reading.laps[index] ?? 1
    if (covered === 0) {
      faults.push({ kind: 'doubled', entryId, captureId, lap, atMs })
      continue
    }
    for (let missing = 1; missing < covered && lap + missing < laps; missing++) {
      const share = (missing - 1 + shareOfFirst(lap, first)) / (covered - 1 + shareOfFirst(lap, first))
      faults.push({ kind: 'missed', entryId, lap: lap + missing, atMs: Math.round(lastMs + share * (atMs - lastMs)) })
    }
    lap += covered
    lastMs = atMs
  }
  const isOverdue = lap === laps - 1 && nowMs > lastMs + reading.lapMs * (1 + OVERDUE_SHARE)
  return isOverdue ? [...faults, { kind: 'missed', entryId, lap: laps, atMs: null }] : faults
}

const shareOfFirst = (lapsBefore: number, first: number): number => (lapsBefore === 0 ? first : 1)

interface StampReading {
  /** Laps each stamp closes: 1 as a rule, 0 for a second touch, 2 when one before it was missed. */
  readonly laps: readonly number[]
  readonly lapMs: number
  readonly cost: number
}

/**
 * Reads a runner's stamps by the lap time that explains them best: every gap of the runner, whole or shared, is tried as
 * the lap time, and the one with the fewest faults and the evenest laps is taken.
 */
const read = (
  protocol: TimedDistance,
  startedAtMs: number,
  stamps: StampedRunner['stamps'],
  fieldMs: number,
): StampReading => {
  const first = firstShare(protocol)
  const fastestMs = fastestLapMs(protocol)
  const gaps = stamps.map(({ atMs }, index) => {
    const before = stamps[index - 1]?.atMs ?? startedAtMs
    return index === 0 ? (atMs - before) / first : atMs - before
  })
  const paces = gaps
    .flatMap((gapMs) => [gapMs, gapMs / 2, gapMs / 3])
    .filter((lapMs) => lapMs >= fieldMs * FASTEST && lapMs <= fieldMs * SLOWEST)
  const readings = [...paces, fieldMs].map((lapMs) => readBy(lapMs, first, fastestMs, stamps, startedAtMs))
  return readings.reduce((best, reading) => (reading.cost < best.cost ? reading : best))
}

const readBy = (
  lapMs: number,
  first: number,
  fastestMs: number,
  stamps: StampedRunner['stamps'],
  startedAtMs: number,
): StampReading => {
  const laps: number[] = []
  let cost = 0
  let lastMs = startedAtMs
  let isFirst = true
  for (const { atMs } of stamps) {
    const gapMs = atMs - lastMs
    const firstMs = isFirst ? lapMs * first : lapMs
    const leastMs = Math.max(firstMs * DOUBLE_SHARE, isFirst ? fastestMs * first : fastestMs)
    if (gapMs < leastMs) {
      laps.push(0)
      cost += FAULT_COST
      continue
    }
    const covered = Math.max(1, Math.round((gapMs - firstMs) / lapMs) + 1)
    cost += (covered - 1) * FAULT_COST + Math.log(gapMs / (firstMs + (covered - 1) * lapMs)) ** 2
    laps.push(covered)
    lastMs = atMs
    isFirst = false
  }
  return { laps, lapMs, cost }
}

const middle = (values: readonly number[]): number => {
  const ordered = [...values].sort((a, b) => a - b)
  return ordered[Math.floor((ordered.length - 1) / 2)] ?? 0
}
