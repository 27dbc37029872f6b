/** Between which values a cut can be meant seriously. Wide on purpose: it finds wrong units and slipped digits, no opinions. */
import type { BodyMeasureId } from '../protocol/bodyMeasures.ts'
import type { Protocol } from '../protocol/protocol.ts'
import { scheduleOf } from '../protocol/shuttleSchedule.ts'

export interface Range {
  readonly least: number
  readonly most: number
}

/** Faster than any human has run, and slower than a stroll with stops, in ms for each metre. */
const FASTEST_MS_PER_M = 95
const SLOWEST_MS_PER_M = 2_400
/** Swimming and carrying are slower than running, by up to this much. */
const SLOWEST_AIDED_MS_PER_M = 6_000
/** Two repetitions a second are beyond what can be counted. */
const QUICKEST_REPETITION_MS = 500
const MOST_REPETITIONS = 1_000
const MINUTE_MS = 60_000
const HOUR_MS = 3_600_000
const DAY_MS = 86_400_000

/** @returns the range of the event's measure, in its unit */
export const sensibleRange = (protocol: Protocol): Range => {
  switch (protocol.kind) {
    case 'repetitionsInTime':
      return { least: 1, most: Math.floor(protocol.durationMs / QUICKEST_REPETITION_MS) }
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return { least: 1, most: protocol.capRepetitions ?? MOST_REPETITIONS }
    case 'heldPosition':
      return { least: 1_000, most: protocol.capMs ?? HOUR_MS }
    case 'timedDistance': {
      const isRun = protocol.by === undefined || protocol.by === 'run'
      return overDistance(protocol.distanceMm, isRun ? SLOWEST_MS_PER_M : SLOWEST_AIDED_MS_PER_M)
    }
    case 'sprint':
      return overDistance(protocol.distanceMm, protocol.loadG === undefined ? SLOWEST_MS_PER_M : SLOWEST_AIDED_MS_PER_M)
    case 'distanceInTime':
      return {
        least: Math.ceil((protocol.durationMs * 1000) / SLOWEST_MS_PER_M),
        most: Math.floor((protocol.durationMs * 1000) / FASTEST_MS_PER_M),
      }
    case 'progressiveShuttle': {
      const levels = scheduleOf(protocol)
      const last = levels.at(-1)
      return protocol.counts !== 'lastShuttle'
        ? { least: 1, most: levels.length }
        : { least: 101, most: (last?.level ?? 0) * 100 + (last?.shuttles ?? 0) }
    }
    case 'attempts':
      return {
        count: { least: 1, most: MOST_REPETITIONS },
        g: { least: 1_000, most: 200_000 },
        mm: lengthRange(protocol),
      }[protocol.unit]
    case 'heaviestLift':
      return { least: Math.max(1_000, protocol.startLoadG), most: 400_000 }
    case 'stationCourse':
      return { least: protocol.stations.length * 1_000, most: protocol.limitMs ?? 2 * HOUR_MS }
    case 'workChain':
      return { least: protocol.segments.length * 1_000, most: protocol.limitMs ?? DAY_MS }
    case 'untimedTask':
      return { least: 1, most: 1 }
    case 'stepTest':
      return { least: 50, most: 220 }
    case 'bodyMeasures':
      return protocol.judged ? BODY_RANGES[protocol.judged.id] : { least: 1, most: 1 }
  }
}

const overDistance = (distanceMm: number, slowestMsPerM: number): Range => ({
  least: Math.ceil((distanceMm * FASTEST_MS_PER_M) / 1000),
  most: Math.floor((distanceMm * slowestMsPerM) / 1000),
})

/** A reach from a foot line may be below it; a throw goes further than a jump. */
const lengthRange = ({ zero, lessStandingReach }: { zero?: number; lessStandingReach?: boolean }): Range => {
  if (zero !== undefined) return { least: -400, most: 600 }
  return lessStandingReach ? { least: 50, most: 1_500 } : { least: 50, most: 100_000 }
}

const BODY_RANGES: Readonly<Record<BodyMeasureId, Range>> = {
  mass: { least: 30_000, most: 250_000 },
  height: { least: 1_200, most: 2_300 },
  waist: { least: 400, most: 2_000 },
  composition: { least: 20, most: 700 },
}

/** Factors by which a value is off when it was written in another unit: seconds for ms, cm or m for mm, kg for g. */
export const UNIT_SLIPS: Readonly<Record<string, readonly { readonly factor: number; readonly writtenIn: string }[]>> =
  {
    ms: [
      { factor: 1_000, writtenIn: 'seconds' },
      { factor: MINUTE_MS, writtenIn: 'minutes' },
    ],
    mm: [
      { factor: 10, writtenIn: 'centimetres' },
      { factor: 1_000, writtenIn: 'metres' },
    ],
    g: [{ factor: 1_000, writtenIn: 'kilograms' }],
  }
