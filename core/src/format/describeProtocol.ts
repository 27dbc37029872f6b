/** How an event is conducted, in the words staff check beforehand. */
import type { Protocol, ProtocolOf } from '../protocol/protocol.ts'
import type { ShuttleCounts } from '../protocol/progressiveShuttle.ts'
import { scheduleOf } from '../protocol/shuttleSchedule.ts'
import { distanceAtCrossing, lapsOf } from '../protocol/timedDistance.ts'
import { printDecimal } from '../quantity/digits.ts'
import type { PublishedUnit } from '../quantity/imperial.ts'
import { printLength } from '../quantity/length.ts'
import { printMass } from '../quantity/mass.ts'
import { printTime } from '../quantity/time.ts'
import { printQuantity } from '../quantity/unit.ts'

/** One line: what is done. @param publishedIn the unit distances are published in, when not metric */
export const conductOf = (protocol: Protocol, publishedIn?: PublishedUnit): string => {
  const length = (mm: number): string => printQuantity(mm, 'mm', publishedIn)
  switch (protocol.kind) {
    case 'repetitionsInTime':
      return `As many as possible in ${printTime(protocol.durationMs)}`
    case 'repetitionsToFailure':
      return protocol.capMs === undefined
        ? 'As many as possible'
        : `As many as possible, at most ${printTime(protocol.capMs)}`
    case 'repetitionsToCadence':
      return `As many as possible to ${protocol.beatsPerMinute} beats a minute`
    case 'heldPosition':
      return protocol.capMs === undefined
        ? 'Held as long as possible'
        : `Held as long as possible, stopped at ${printTime(protocol.capMs)}`
    case 'timedDistance':
      return `${length(protocol.distanceMm)} in laps of ${length(protocol.lapLengthMm)}`
    case 'distanceInTime':
      return `As far as possible in ${printTime(protocol.durationMs)}`
    case 'progressiveShuttle':
      return `Shuttles of ${length(protocol.lineDistanceMm)} to signals that come faster and faster`
    case 'sprint':
      return `${length(protocol.distanceMm)}${protocol.legs > 1 ? ` in ${protocol.legs} legs` : ''}${protocol.loadG === undefined ? '' : ` with ${printMass(protocol.loadG)}`}, ${tries(protocol.attemptsAllowed, protocol.select)}`
    case 'attempts':
      return `${protocol.sides === 'each' ? 'Each side, ' : protocol.sides === 'dominant' ? 'The dominant side, ' : ''}${tries(protocol.attemptsAllowed, protocol.select)}`
    case 'heaviestLift':
      return `Lifts from ${printMass(protocol.startLoadG)} in steps of ${printMass(protocol.incrementG)}`
    case 'stationCourse':
      return `${protocol.stations.length} stations under one clock`
    case 'workChain':
      return `${protocol.segments.length} segments under one clock`
    case 'untimedTask':
      return 'Done or not'
    case 'stepTest':
      return `${printTime(protocol.durationMs)} on a step of ${length(protocol.heightMm)}, then the pulse`
    case 'bodyMeasures':
      return protocol.measures.map(({ id }) => id).join(', ')
  }
}

/** The rules, each a sentence or two. */
export const rulesOf = (protocol: Protocol, publishedIn?: PublishedUnit): string[] => [
  ...ownRules(protocol, publishedIn),
  ...('watchRule' in protocol && protocol.watchRule && protocol.watchRule.watches > 1
    ? [
        `${protocol.watchRule.watches} watches on each person: of two the ${protocol.watchRule.ofTwo}, of three the ${protocol.watchRule.ofThree}.`,
      ]
    : []),
  ...(protocol.clearBefore ?? []).map((check) => `Has to be clear before: ${check}`),
  ...((protocol.setUp ?? []).length > 0
    ? [`Recorded for each person: ${(protocol.setUp ?? []).map(({ label }) => label.toLowerCase()).join(', ')}.`]
    : []),
]

const ownRules = (protocol: Protocol, publishedIn?: PublishedUnit): string[] => {
  switch (protocol.kind) {
    case 'repetitionsInTime':
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return [`${conductOf(protocol)}. ${protocol.countsWhen}`, ...repetitionRules(protocol)]
    case 'heldPosition':
      return [
        `${conductOf(protocol)}. ${protocol.position}`,
        `${cautionRule(protocol.cautionsAllowed)} Ended by: ${listed(protocol.endsWhen)}.`,
      ]
    case 'timedDistance':
      return distanceRules(protocol, publishedIn)
    case 'distanceInTime':
      return [
        `${conductOf(protocol)} on laps of ${printLength(protocol.lapLengthMm)}, read to the last mark, every ${printLength(protocol.markEveryMm)}.`,
        'Everybody is measured at the limit, whoever stops the watch late.',
      ]
    case 'progressiveShuttle':
      return shuttleRules(protocol)
    case 'sprint':
      return [
        `${conductOf(protocol, publishedIn)}.${protocol.touches ? ` To touch at each turn: ${protocol.touches}.` : ''}`,
        `Timed ${{ hand: 'by hand', electronic: 'by a gate', either: 'by hand or by a gate' }[protocol.timing]}.${
          protocol.handCorrectionMs === undefined
            ? ''
            : ` ${protocol.handCorrectionMs / 1000} s are added to a time by hand.`
        }`,
      ]
    case 'attempts':
      return attemptRules(protocol, publishedIn)
    case 'heaviestLift':
      return [
        `${conductOf(protocol)}, ${printTime(protocol.restMs)} of rest between two. ${protocol.goodWhen}`,
        `${protocol.failuresAllowed} failed ${protocol.failuresAllowed === 1 ? 'lift is' : 'lifts are'} allowed; the last good one counts.`,
      ]
    case 'stationCourse':
      return courseRules(protocol)
    case 'workChain':
      return [
        ...protocol.segments.map(({ name, repetitions, setsAllowed }) =>
          repetitions === undefined
            ? `${name}.`
            : `${name}: ${repetitions} repetitions${setsAllowed ? ', in sets if wanted' : ' at a stretch'}.`,
        ),
        'A segment has to be complete before the next; the clock never stops.',
      ]
    case 'untimedTask':
      return [
        protocol.task,
        `Failed by: ${listed(protocol.failsWhen)}. ${protocol.stoppingAllowed ? 'Stopping is allowed.' : 'Stopping is not allowed.'}`,
      ]
    case 'stepTest':
      return [
        `${conductOf(protocol)}. ${protocol.beatsPerMinute} beats a minute, ${protocol.beatsPerCycle} to a cycle: ${printCycles(protocol)} cycles a minute.`,
        ...(protocol.heights ?? []).map(
          ({ category, heightMm }) => `Step of ${printLength(heightMm)} for ${category}.`,
        ),
        `The pulse is counted for ${protocol.pulseWindowMs / 1000} s, ${protocol.pulseAfterMs / 1000} s after the last step.`,
        protocol.ifStopped
          ? `Whoever stops early is judged by the time held: ${printTime(protocol.ifStopped.atLeastMs)} meets it.`
          : 'Whoever stops early did not finish.',
      ]
    case 'bodyMeasures':
      return [
        `Measured: ${protocol.measures.map(({ id, device }) => (device ? `${id} by ${device}` : id)).join(', ')}.`,
        protocol.judged ? `Judged: ${protocol.judged.id}.` : 'Recorded, not judged.',
      ]
  }
}

const REST = { nowhere: 'No resting', up: 'Resting in the up position only', upOrDown: 'Resting up or down' } as const

const repetitionRules = (
  protocol: ProtocolOf<'repetitionsInTime' | 'repetitionsToFailure' | 'repetitionsToCadence'>,
): string[] => {
  const { restAllowed, longestPauseMs, cautionsAllowed, restart, refusals } = protocol
  const clock =
    protocol.kind === 'repetitionsInTime'
      ? protocol.clockRunsOn === false
        ? '; the clock stops in a rest'
        : '; the clock runs on'
      : ''
  return [
    `${REST[restAllowed]}${clock}.${longestPauseMs === undefined ? '' : ` A pause of more than ${longestPauseMs / 1000} s ends it.`} ${cautionRule(cautionsAllowed)}`,
    ...(restart
      ? [
          `May begin again ${restart.times === 1 ? 'once' : `${restart.times} times`} within the first ${restart.withinFirst}, after the fault is explained.`,
        ]
      : []),
    ...(protocol.kind === 'repetitionsToFailure' ? [`Ended by: ${listed(protocol.endsWhen)}.`] : []),
    ...(protocol.kind === 'repetitionsToCadence'
      ? [`${protocol.beatsPerRepetition} beats for one repetition; ${protocol.missedBeatsAllowed} beats may be missed.`]
      : []),
    `Refused for: ${listed(refusals.map(({ label }) => label))}.`,
  ]
}

const cautionRule = (allowed: number): string =>
  allowed === 0
    ? 'The first caution ends the event.'
    : `${allowed} ${allowed === 1 ? 'caution is' : 'cautions are'} allowed, one more ends the event.`

const distanceRules = (protocol: ProtocolOf<'timedDistance'>, publishedIn?: PublishedUnit): string[] => {
  const length = (mm: number): string => printQuantity(mm, 'mm', publishedIn)
  const first = distanceAtCrossing(protocol, 1)
  const allowed = [
    ...(protocol.walkingAllowed === undefined ? [] : [protocol.walkingAllowed ? 'Walking is allowed.' : 'No walking.']),
    ...(protocol.aidAllowed === false ? ['Nobody may pace or help.'] : []),
    ...(protocol.loadG === undefined ? [] : [`Carried: ${printMass(protocol.loadG)}.`]),
    ...(protocol.limitMs === undefined ? [] : [`Stopped at ${printTime(protocol.limitMs)}.`]),
  ]
  return [
    `${length(protocol.distanceMm)} on laps of ${length(protocol.lapLengthMm)}: ${lapsOf(protocol)} crossings of the finish line.`,
    first === protocol.lapLengthMm
      ? 'Start and finish are on the same line.'
      : `The start line stands ${length(first)} before the finish line, so that the part lap comes first.`,
    ...(allowed.length > 0 ? [allowed.join(' ')] : []),
  ]
}

/** What a shuttle is measured by, each a sentence. */
export const SHUTTLE_COUNT_RULES: Readonly<Record<ShuttleCounts, string>> = {
  lastShuttle: 'The last shuttle completed counts.',
  lastCompletedLevel: 'The last level completed counts.',
  levelBeforeFirstMiss: 'The last level complete before the first miss counts.',
}

const shuttleRules = (protocol: ProtocolOf<'progressiveShuttle'>): string[] => {
  const [first, second] = scheduleOf(protocol)
  const speed = (metresPerHour: number | undefined): string => `${printDecimal(metresPerHour ?? 0, 3)} km/h`
  return [
    `${conductOf(protocol)}: level 1 at ${speed(first?.metresPerHour)}, level 2 at ${speed(second?.metresPerHour)}.`,
    `The line counts as reached within ${printLength(protocol.zoneMm)}. ${protocol.missesAllowed} missed in a row ${protocol.missesAllowed === 1 ? 'is' : 'are'} allowed; one more ends it.`,
    SHUTTLE_COUNT_RULES[protocol.counts],
  ]
}

const SIDES = {
  lesser: 'the weaker side counts',
  greater: 'the better side counts',
  mean: 'the mean of both counts',
  sum: 'both are added',
} as const

const attemptRules = (protocol: ProtocolOf<'attempts'>, publishedIn?: PublishedUnit): string[] => {
  const print = (value: number): string => printQuantity(value, protocol.unit, publishedIn)
  return [
    `${conductOf(protocol)}${protocol.ofSides ? `; ${SIDES[protocol.ofSides]}` : ''}. Read to ${print(protocol.resolution)}.`,
    ...(protocol.zero === undefined ? [] : [`The zero line stands at ${print(protocol.zero)}, which is taken off.`]),
    ...(protocol.lessStandingReach ? ['The standing reach is taken off the reach at the top of the jump.'] : []),
    ...(protocol.lesserHand ? ['Read from the hand that is further back.'] : []),
    ...(protocol.holdMs === undefined ? [] : [`Held for ${protocol.holdMs / 1000} s to count.`]),
  ]
}

const courseRules = (protocol: ProtocolOf<'stationCourse'>): string[] => {
  const worn = [
    ...(protocol.vestG === undefined ? [] : [`a vest of ${printMass(protocol.vestG)}`]),
    ...(protocol.gear ?? []).map((item) => item.toLowerCase()),
  ]
  return [
    ...(worn.length > 0 ? [`Worn: ${worn.join(', ')}.`] : []),
    ...protocol.stations.map(({ name, task, faultsAllowed, fault, failsAtOnce = [], rate }, index) =>
      [
        `${index + 1}. ${name}: ${task}`,
        rate ? `${rate.stepsPerMinute} steps a minute for ${printTime(rate.durationMs)}.` : '',
        faultsAllowed === undefined ? '' : `${fault ?? 'Faults'}: ${faultsAllowed} allowed.`,
        failsAtOnce.length > 0 ? `Fails at once: ${listed(failsAtOnce)}.` : '',
      ]
        .filter(Boolean)
        .join(' '),
    ),
    `${protocol.walkBetweenMm ? `${printLength(protocol.walkBetweenMm)} of walking between two stations; t` : 'T'}he clock runs on and stops when: ${protocol.clockStopsWhen}`,
  ]
}

const SELECT = { best: 'best of', mean: 'mean of', last: 'last of', sum: 'sum of' } as const

const tries = (allowed: number, select: keyof typeof SELECT): string =>
  allowed === 1 ? 'a single try' : `${SELECT[select]} ${allowed} tries`

const printCycles = ({ beatsPerMinute, beatsPerCycle }: ProtocolOf<'stepTest'>): string =>
  String(Math.round((10 * beatsPerMinute) / beatsPerCycle) / 10)

const listed = (items: readonly string[]): string => items.map((item) => item.toLowerCase()).join(', ')
