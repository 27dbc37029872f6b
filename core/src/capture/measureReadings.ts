/** Figures read of one person in one event -> measure, by the rules of the protocol: selection, watches, zero, caps. */
import { combineWatches } from '../clock/combineWatches.ts'
import { MOST_REPETITIONS, oneRepetitionMaximum } from '../estimate/oneRepetitionMaximum.ts'
import { factsOf } from '../protocol/eventKind.ts'
import type { Protocol, ProtocolOf } from '../protocol/protocol.ts'
import type { WatchRule } from '../protocol/protocolBase.ts'
import { scheduleOf } from '../protocol/shuttleSchedule.ts'
import { compareExact, meanOf, nearestWhole, plus, sumOf, type Exact } from '../quantity/fraction.ts'
import { divideToNearest } from '../quantity/integers.ts'
import { isBeyondLimit, stoppedAtLimit } from './limit.ts'
import { measuredAs, type EndReason, type Measure, type ReadingStep, type TakenReading } from './measure.ts'
import type { Unit } from '../quantity/unit.ts'
import { isFilled, slotsOf, type Readings } from './slots.ts'

const MINUTE_MS = 60_000

export interface MeasuringOptions {
  /** Slots whose figures follow from stamps; the others were entered. */
  readonly stamped?: ReadonlySet<string>
  /** How far the clocks of two devices may disagree about what was stamped. */
  readonly clockUncertaintyMs?: number
  /** Whether one try on one side stands for all of them, as it does in the plain column of a file. */
  readonly oneIsEnough?: boolean
}

const NONE: ReadonlySet<string> = new Set()

/**
 * Measures what was read.
 * @param readings by slot id; slots the protocol does not have are ignored
 * @returns `complete` when every needed slot is filled, `running` when some are, `ended` when the figures themselves end it
 */
export const measureReadings = (
  protocol: Protocol,
  readings: Readings,
  { stamped = NONE, clockUncertaintyMs = 0, oneIsEnough = false }: MeasuringOptions = {},
): Measure => {
  const taken = slotsOf(protocol).flatMap(({ id, label, unit, shownIn }): TakenReading[] => {
    const value = readings[id]
    const form = { unit, ...(shownIn ? { shownIn } : {}), ...(stamped.has(id) ? { stamped: true as const } : {}) }
    return value === undefined ? [] : [{ slot: id, label, value, ...form }]
  })
  if (taken.length === 0) return { kind: 'notStarted', notes: [] }
  const { unit } = factsOf(protocol)
  if (!isFilled(protocol, readings, oneIsEnough)) return { kind: 'running', soFar: taken.length, unit, notes: [] }
  const result = valueOf(protocol, readings)
  if ('reason' in result) return { kind: 'ended', ...result, soFar: 0, unit, notes: [] }
  const limitMs = 'limitMs' in protocol ? protocol.limitMs : undefined
  if (limitMs !== undefined && isBeyondLimit(result.value, limitMs, clockUncertaintyMs)) {
    return { kind: 'ended', ...stoppedAtLimit(limitMs), soFar: 0, unit }
  }
  return {
    kind: 'complete',
    ...measuredAs(result.value),
    unit: result.unit ?? unit,
    reading: { kind: 'readings', taken, steps: result.steps },
    clockUncertaintyMs,
    notes: [],
  }
}

interface Worked {
  readonly value: Exact
  /** Where it is another than the event's. */
  readonly unit?: Unit
  readonly steps: readonly ReadingStep[]
}

type Value = Worked | { readonly reason: EndReason; readonly note: string }

const valueOf = (protocol: Protocol, readings: Readings): Value => {
  switch (protocol.kind) {
    case 'repetitionsInTime':
      return plain(readings['count'])
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return capped(plain(readings['count']), protocol.capRepetitions)
    case 'heldPosition':
      return capped(watched('time', readings, protocol.watchRule), protocol.capMs)
    case 'timedDistance':
      return watched('time', readings, protocol.watchRule)
    case 'distanceInTime':
      return toMark(readings['distance'] ?? 0, protocol.markEveryMm)
    case 'progressiveShuttle':
      return shuttleValue(protocol, readings['reached'] ?? 0, readings['first-miss'])
    case 'sprint':
      return sprintValue(protocol, readings)
    case 'attempts':
      return attemptsValue(protocol, readings)
    case 'heaviestLift':
      return liftValue(protocol, readings)
    case 'stationCourse':
      return courseValue(protocol, readings)
    case 'workChain':
      return chainValue(protocol, readings)
    case 'untimedTask':
      return readings['done'] === 0 ? { reason: 'failed', note: 'Not done.' } : plain(readings['done'])
    case 'stepTest':
      return pulseValue(protocol, readings)
    case 'bodyMeasures':
      return plain(protocol.judged ? readings[protocol.judged.id] : 1)
  }
}

const plain = (value: number | undefined): Worked => ({ value: value ?? 0, steps: [] })

const capped = ({ value, steps }: Worked, cap: number | undefined): Worked =>
  cap !== undefined && compareExact(value, cap) > 0
    ? { value: cap, steps: [...steps, { code: 'capped', cap }] }
    : { value, steps }

const watched = (id: string, readings: Readings, rule: WatchRule | undefined): Worked => {
  const times = [readings[id], readings[`${id}-watch-2`], readings[`${id}-watch-3`]].filter(
    (time) => time !== undefined,
  )
  const { elapsedMs, by } = combineWatches(times, rule)
  if (by === 'only') return { value: elapsedMs, steps: [] }
  return {
    value: elapsedMs,
    steps: [{ code: 'watches', count: times.length, by, elapsedMs: nearestWhole(elapsedMs) }],
  }
}

const toMark = (distanceMm: number, markEveryMm: number): Value => {
  const value = Math.floor(distanceMm / markEveryMm) * markEveryMm
  return { value, steps: value === distanceMm ? [] : [{ code: 'lastMark', markEveryMm }] }
}

const shuttleValue = (
  protocol: ProtocolOf<'progressiveShuttle'>,
  reached: number,
  firstMiss: number | undefined,
): Value => {
  const [level, shuttle] = [Math.floor(reached / 100), reached % 100]
  const scheduled = scheduleOf(protocol)[level - 1]
  const isComplete = scheduled !== undefined && shuttle >= scheduled.shuttles
  const completedLevels = isComplete ? level : Math.max(0, level - 1)
  // whoever misses a shuttle of a level has not completed that level before it
  const levelsBeforeMiss =
    firstMiss === undefined ? completedLevels : Math.min(completedLevels, Math.max(0, Math.floor(firstMiss / 100) - 1))
  const { counts } = protocol
  const steps: ReadingStep[] = [{ code: 'shuttle', level, shuttle, completedLevels, levelsBeforeMiss, counts }]
  const value = { lastShuttle: reached, lastCompletedLevel: completedLevels, levelBeforeFirstMiss: levelsBeforeMiss }[
    counts
  ]
  return { value, steps }
}

const sprintValue = (protocol: ProtocolOf<'sprint'>, readings: Readings): Value => {
  const tries = numbered(protocol.attemptsAllowed).flatMap((attempt) =>
    readings[`try-${attempt}`] === undefined ? [] : [watched(`try-${attempt}`, readings, protocol.watchRule)],
  )
  const selected = selectOf(
    tries.map(({ value }) => value),
    protocol.select,
    'atMost',
  )
  const byHand = protocol.timing === 'hand' || (protocol.timing === 'either' && readings['electronic'] !== 1)
  const correctionMs = byHand ? (protocol.handCorrectionMs ?? 0) : 0
  return {
    value: plus(selected, correctionMs),
    steps: [
      ...tries.flatMap(({ steps }) => steps),
      ...(tries.length > 1 ? [{ code: 'selected' as const, select: protocol.select, of: tries.length }] : []),
      ...(correctionMs > 0 ? [{ code: 'handCorrection' as const, correctionMs }] : []),
    ],
  }
}

const attemptsValue = (protocol: ProtocolOf<'attempts'>, readings: Readings): Value => {
  const offset = (protocol.zero ?? 0) + (protocol.lessStandingReach ? (readings['standing'] ?? 0) : 0)
  const steps: ReadingStep[] = []
  if (protocol.zero !== undefined) steps.push({ code: 'zero', offset: protocol.zero })
  if (protocol.lessStandingReach) steps.push({ code: 'standingReach', reachMm: readings['standing'] ?? 0 })
  const side = (prefix: string): Exact | undefined => {
    const tries = numbered(protocol.attemptsAllowed).flatMap((attempt) => readings[`${prefix}${attempt}`] ?? [])
    if (tries.length === 0) return undefined
    if (tries.length > 1) steps.push({ code: 'selected', select: protocol.select, of: tries.length })
    // an offset is taken off each try, so a sum loses it once for each
    const lessOffset = tries.map((value) => value - offset)
    return selectOf(lessOffset, protocol.select, 'atLeast')
  }
  if (protocol.sides !== 'each') return { value: side('try-') ?? 0, steps }
  const [onlyLeft, onlyRight] = [side('left-'), side('right-')]
  if (onlyLeft === undefined || onlyRight === undefined) {
    // one raw reading for both: it is the weaker, the better, the mean and the sum of itself
    return { value: onlyLeft ?? onlyRight ?? 0, steps }
  }
  const [left, right] = [onlyLeft, onlyRight]
  const ofSides = protocol.ofSides ?? 'greater'
  const [lesser, greater] = compareExact(left, right) <= 0 ? [left, right] : [right, left]
  const value = { lesser, greater, mean: meanOf([left, right]), sum: plus(left, right) }[ofSides]
  const sides: ReadingStep = { code: 'sides', ofSides, left: nearestWhole(left), right: nearestWhole(right) }
  return { value, steps: [...withoutRepeats(steps), sides] }
}

/** Both sides are selected by the same rule, which is told once. */
const withoutRepeats = (steps: readonly ReadingStep[]): ReadingStep[] =>
  steps.filter(
    (step, index) => step.code !== 'selected' || steps.findIndex(({ code }) => code === 'selected') === index,
  )

const selectOf = (
  values: readonly Exact[],
  select: 'best' | 'mean' | 'last' | 'sum',
  sense: 'atLeast' | 'atMost',
): Exact => {
  switch (select) {
    case 'best': {
      const ordered = [...values].sort(compareExact)
      return (sense === 'atLeast' ? ordered.at(-1) : ordered[0]) ?? 0
    }
    case 'mean':
      return meanOf(values)
    case 'last':
      return values.at(-1) ?? 0
    case 'sum':
      return sumOf(values)
  }
}

const liftValue = (protocol: ProtocolOf<'heaviestLift'>, readings: Readings): Value => {
  const loadG = readings['load'] ?? 0
  if (!protocol.estimate) return plain(loadG)
  const repetitions = readings['repetitions'] ?? 0
  const estimated = oneRepetitionMaximum(loadG, repetitions, protocol.estimate)
  if (estimated === null) {
    const most = MOST_REPETITIONS[protocol.estimate]
    return {
      reason: 'didNotFinish',
      note: `The published formula holds for 1 to ${most} repetitions, not ${repetitions}.`,
    }
  }
  return { value: estimated, steps: [{ code: 'estimated', formula: protocol.estimate, loadG, repetitions }] }
}

const courseValue = ({ stations }: ProtocolOf<'stationCourse'>, readings: Readings): Value => {
  for (const { id, name, faultsAllowed, failsAtOnce } of stations) {
    if (readings[`${id}-failed`] === 1) {
      return { reason: 'failed', note: `Failed at once on ${name}: ${(failsAtOnce ?? []).join(', ')}.` }
    }
    const faults = readings[`${id}-faults`] ?? 0
    if (faultsAllowed !== undefined && faults > faultsAllowed) {
      return { reason: 'failed', note: `${faults} faults on ${name}, ${faultsAllowed} allowed.` }
    }
  }
  return plain(readings['time'])
}

const chainValue = ({ segments }: ProtocolOf<'workChain'>, readings: Readings): Value => {
  for (const { id, name, repetitions } of segments) {
    const done = readings[`${id}-repetitions`]
    if (repetitions !== undefined && done !== undefined && done < repetitions) {
      return { reason: 'didNotFinish', note: `${done} of ${repetitions} done in ${name}; later work does not count.` }
    }
  }
  return plain(readings['time'])
}

const pulseValue = ({ pulseWindowMs, durationMs, ifStopped }: ProtocolOf<'stepTest'>, readings: Readings): Value => {
  const heldMs = readings['stopped']
  if (heldMs !== undefined && ifStopped) {
    return { value: heldMs, unit: 'ms', steps: [{ code: 'stoppedEarly', heldMs, ofMs: durationMs }] }
  }
  if (heldMs !== undefined) return { reason: 'didNotFinish', note: 'Stopped before the time was over.' }
  const beats = readings['pulse'] ?? 0
  const value = divideToNearest(beats * MINUTE_MS, pulseWindowMs)
  return { value, steps: [{ code: 'pulse', beats, windowMs: pulseWindowMs }] }
}

const numbered = (count: number): number[] => Array.from({ length: count }, (_, index) => index + 1)
