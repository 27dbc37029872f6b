/** The estimates a result gives, each with its source. */
import type { Reading } from '../capture/measure.ts'
import type { Protocol, ProtocolOf } from '../protocol/protocol.ts'
import { nearestWhole } from '../quantity/fraction.ts'
import { scheduleOf } from '../protocol/shuttleSchedule.ts'
import { stepHeightMm } from '../protocol/stepTest.ts'
import {
  capacityFromMileAndAHalf,
  capacityFromShuttle,
  capacityFromTwelveMinutes,
  MILE_AND_A_HALF_MM,
} from './aerobicCapacity.ts'
import { toTenth, type Estimate } from './estimate.ts'
import { jumpPower } from './jumpPower.ts'
import { MOST_REPETITIONS, oneRepetitionMaximum, type LiftFormula } from './oneRepetitionMaximum.ts'
import {
  capacityFromStepping,
  capacityFromThreeMinutes,
  MCARDLE_HEIGHT_MM,
  mcArdleCycles,
  steppingCost,
  type FormulaSex,
} from './stepCapacity.ts'

export interface EstimatedPerson {
  readonly ageYears: number
  /** Scoring category; formulas made for women or men are both shown unless it is one of "female" and "male". */
  readonly category: string
  readonly bodyMassG?: number
}

const TWELVE_MINUTES_MS = 720_000
const THREE_MINUTES_MS = 180_000
/** How far from the published distance or height a formula is still used. */
const NEARLY_MM = 20

/**
 * Estimates from one complete measure.
 * @param value of the measure, in the unit of the event
 */
export const estimatesFor = (
  protocol: Protocol,
  value: number,
  reading: Reading,
  person: EstimatedPerson,
): readonly Estimate[] => {
  switch (protocol.kind) {
    case 'distanceInTime':
      return protocol.durationMs === TWELVE_MINUTES_MS ? [capacityFromTwelveMinutes(value)] : []
    case 'timedDistance': {
      const isRun = protocol.by === undefined || protocol.by === 'run'
      const isMileAndAHalf = Math.abs(protocol.distanceMm - MILE_AND_A_HALF_MM) <= NEARLY_MM * 1000
      return isRun && isMileAndAHalf ? [capacityFromMileAndAHalf(value)] : []
    }
    case 'progressiveShuttle':
      return fromShuttle(protocol, reading, person)
    case 'stepTest':
      // a time held is no pulse
      return reading.kind === 'readings' && reading.steps.some(({ code }) => code === 'stoppedEarly')
        ? []
        : fromStepping(protocol, value, person)
    case 'attempts':
      return protocol.lessStandingReach && person.bodyMassG !== undefined ? [jumpPower(value, person.bodyMassG)] : []
    case 'heaviestLift':
      return protocol.estimate ? fromLift(reading) : []
    default:
      return []
  }
}

const fromShuttle = (
  protocol: ProtocolOf<'progressiveShuttle'>,
  reading: Reading,
  { ageYears }: EstimatedPerson,
): Estimate[] => {
  const step =
    reading.kind === 'readings'
      ? reading.steps.find((one): one is Extract<typeof one, { code: 'shuttle' }> => one.code === 'shuttle')
      : undefined
  const level = scheduleOf(protocol)[(step?.completedLevels ?? 0) - 1]
  return level ? [capacityFromShuttle(level.metresPerHour, ageYears)] : []
}

const fromStepping = (protocol: ProtocolOf<'stepTest'>, pulse: number, person: EstimatedPerson): Estimate[] => {
  const { beatsPerMinute, beatsPerCycle, durationMs } = protocol
  const { ageYears, category } = person
  const heightMm = stepHeightMm(protocol, category)
  const cycles = beatsPerMinute / beatsPerCycle
  return formulasFor(category).flatMap((sex) => {
    const isThreeMinutes =
      durationMs === THREE_MINUTES_MS &&
      Math.abs(heightMm - MCARDLE_HEIGHT_MM) <= NEARLY_MM &&
      cycles === mcArdleCycles(sex)
    return [
      ...(isThreeMinutes ? [capacityFromThreeMinutes(pulse, sex)] : []),
      capacityFromStepping(steppingCost(cycles, heightMm), pulse, ageYears, sex),
    ]
  })
}

/** A formula made for one sex is not printed for the other; where the category tells nothing, both are. */
const formulasFor = (category: string): readonly FormulaSex[] => {
  if (/^(female|women|woman)$/.test(category)) return ['women']
  return /^(male|men|man)$/.test(category) ? ['men'] : ['women', 'men']
}

const LIFT_SOURCES: Readonly<Record<LiftFormula, string>> = {
  epley: 'w·(1 + r/30), Epley 1985',
  brzycki: 'w·36/(37 − r), Brzycki 1993',
}

const fromLift = (reading: Reading): Estimate[] => {
  const step =
    reading.kind === 'readings'
      ? reading.steps.find((one): one is Extract<typeof one, { code: 'estimated' }> => one.code === 'estimated')
      : undefined
  if (!step) return []
  return (['epley', 'brzycki'] as const).flatMap((formula) => {
    const estimatedG = oneRepetitionMaximum(step.loadG, step.repetitions, formula)
    return estimatedG === null
      ? []
      : [
          {
            name: 'One-repetition maximum',
            value: toTenth(nearestWhole(estimatedG) / 1000),
            unit: 'kg' as const,
            source: LIFT_SOURCES[formula],
            range: `1 to ${MOST_REPETITIONS[formula]} repetitions`,
            isWithin: true,
          },
        ]
  })
}
