/**
 * Each kind with every rule of its protocol broken once, worked by hand: what was captured, with no console open, and what it has to come
 * to long afterwards. The same cases go through core and through HTTP.
 */
import type { Observation } from '../src/capture/capture.ts'
import type { EventKind } from '../src/kinds/kinds.ts'
import { protocolTemplate } from '../src/kinds/protocolTemplates.ts'
import type { RefereeCode } from '../src/referee/codes.ts'

export type BrokenSeen = readonly [
  afterMs: number,
  kind: Observation['kind'],
  payload?: object,
  /** Another device than the first. */
  device?: string,
]

export interface BrokenRule {
  readonly name: string
  readonly kind: EventKind
  readonly protocol: object
  readonly seen: readonly BrokenSeen[]
  /** The measure in base units, or the reason it ended without one. */
  readonly comesTo: number | 'didNotFinish' | 'failed' | 'breach' | 'running'
  readonly doubts?: readonly RefereeCode[]
}

const START = [0, 'started'] as const
const WAVE = [0, 'waveStarted'] as const
const counted = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'counted'] as const)
const crossed = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'crossed'] as const)
const missed = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'missed'] as const)
const passed = (ms: number, part: string): BrokenSeen => [ms, 'passed', { part }]
const lifted = (ms: number, loadG: number, good: boolean): BrokenSeen => [ms, 'lifted', { loadG, good }]
const ended = (ms: number): BrokenSeen => [ms, 'stopped', { reason: 'ended' }]

const MINUTE = { durationMs: 60_000 }
/** Two laps of 400 m in at most four minutes. */
const RUN = { distanceMm: 800_000, lapLengthMm: 400_000, limitMs: 240_000 }
/** Signals at 10, 20, 28, 36 and 44 s. */
const SHUTTLE = {
  speeds: undefined,
  levels: [
    { metresPerHour: 7_200, shuttles: 2 },
    { metresPerHour: 9_000, shuttles: 3 },
  ],
  missesAllowed: 1,
}
/** Twenty seconds to the beat, three blows, a drag; two minutes for all of it. */
const COURSE = {
  stations: [
    { id: 'stairs', name: 'Stairs', task: 'Up.', rate: { stepsPerMinute: 54, durationMs: 20_000 }, faultsAllowed: 1 },
    { id: 'blows', name: 'Blows', task: 'Strike.', tally: 3 },
    { id: 'drag', name: 'Drag', task: 'Drag.', failsAtOnce: ['Drops the dummy'] },
  ],
  limitMs: 120_000,
  cautionsAllowed: 1,
}
const CHAIN = {
  segments: [
    { id: 'out', name: 'Out', distanceMm: 100_000 },
    { id: 'squats', name: 'Squats', repetitions: 3, setsAllowed: false },
    { id: 'back', name: 'Back', distanceMm: 100_000 },
  ],
  limitMs: 120_000,
}
const LIFT = { startLoadG: 40_000, incrementG: 5_000, failuresAllowed: 1, restMs: 60_000 }
const STEP = { durationMs: 60_000, pulseAfterMs: 5_000, pulseWindowMs: 15_000 }

export const BROKEN_RULES: readonly BrokenRule[] = [
  {
    name: 'a repetition before the start and one after the time do not count',
    kind: 'repetitionsInTime',
    protocol: MINUTE,
    seen: [[-1_000, 'counted'], START, ...counted(10_000, 60_000, 60_001)],
    comesTo: 2,
    doubts: ['countedBeforeStart', 'countedAfterEnd'],
  },
  {
    name: 'nobody records the end of the time, and it ends all the same',
    kind: 'repetitionsInTime',
    protocol: MINUTE,
    seen: [START, ...counted(2_000, 4_000)],
    comesTo: 2,
  },
  {
    name: 'a pause longer than allowed ends it, and what comes after does not count',
    kind: 'repetitionsInTime',
    protocol: { ...MINUTE, longestPauseMs: 5_000 },
    seen: [START, ...counted(2_000, 4_000, 9_001)],
    comesTo: 2,
    doubts: ['countedAfterEnd'],
  },
  {
    name: 'a pause of just the time allowed ends nothing',
    kind: 'repetitionsInTime',
    protocol: { ...MINUTE, longestPauseMs: 5_000 },
    seen: [START, ...counted(2_000, 4_000, 9_000)],
    comesTo: 3,
  },
  {
    name: 'the caution over the limit ends it',
    kind: 'repetitionsInTime',
    protocol: { ...MINUTE, cautionsAllowed: 1 },
    seen: [START, ...counted(2_000), [3_000, 'cautioned'], [4_000, 'cautioned'], ...counted(5_000)],
    comesTo: 1,
    doubts: ['countedAfterEnd'],
  },
  {
    name: 'beginning again beyond the first few is refused, and the count goes on',
    kind: 'repetitionsInTime',
    protocol: { ...MINUTE, restart: { times: 1, withinFirst: 1, keepsCautions: true } },
    seen: [START, ...counted(2_000, 4_000), [5_000, 'restarted', { reason: 'hands' }], ...counted(6_000)],
    comesTo: 3,
    doubts: ['restartRefused'],
  },
  {
    name: 'two repetitions in 0.2 s count, and are looked at',
    kind: 'repetitionsInTime',
    protocol: MINUTE,
    seen: [START, ...counted(2_000, 2_200)],
    comesTo: 2,
    doubts: ['soonerThanAnybody'],
  },
  {
    name: 'what a second grader counts stands beside it',
    kind: 'repetitionsInTime',
    protocol: MINUTE,
    seen: [
      START,
      ...counted(2_000, 4_000),
      [2_100, 'counted', {}, 'two'],
      [4_100, 'counted', {}, 'two'],
      [6_000, 'counted', {}, 'two'],
    ],
    comesTo: 2,
    doubts: ['countsDiffer'],
  },
  {
    name: 'to failure: the cap on repetitions ends it',
    kind: 'repetitionsToFailure',
    protocol: { capRepetitions: 2 },
    seen: [START, ...counted(2_000, 4_000, 6_000)],
    comesTo: 2,
    doubts: ['countedAfterEnd'],
  },
  {
    name: 'to failure: the cap on the time ends it by itself',
    kind: 'repetitionsToFailure',
    protocol: { capMs: 30_000 },
    seen: [START, ...counted(2_000, 30_001)],
    comesTo: 1,
    doubts: ['countedAfterEnd'],
  },
  {
    name: 'to a cadence: the missed beat over the limit ends it',
    kind: 'repetitionsToCadence',
    protocol: { missedBeatsAllowed: 1 },
    seen: [START, ...counted(3_000), ...missed(6_000, 9_000), ...counted(12_000)],
    comesTo: 1,
    doubts: ['countedAfterEnd'],
  },
  {
    name: 'a hold that nobody stops is held to its cap',
    kind: 'heldPosition',
    protocol: { capMs: 60_000 },
    seen: [START],
    comesTo: 60_000,
  },
  {
    name: 'a hold ends with the caution over the limit, at its moment',
    kind: 'heldPosition',
    protocol: { cautionsAllowed: 1 },
    seen: [START, [10_000, 'cautioned'], [31_400, 'cautioned'], ended(40_000)],
    comesTo: 31_400,
  },
  {
    name: 'a runner still out when the limit comes did not finish, and nobody had to say so',
    kind: 'timedDistance',
    protocol: RUN,
    seen: [WAVE, ...crossed(100_000)],
    comesTo: 'didNotFinish',
  },
  {
    name: 'a finish exactly at the limit stands',
    kind: 'timedDistance',
    protocol: RUN,
    seen: [WAVE, ...crossed(120_000, 240_000)],
    comesTo: 240_000,
  },
  {
    name: 'a finish a thousandth later does not',
    kind: 'timedDistance',
    protocol: RUN,
    seen: [WAVE, ...crossed(120_000, 240_001)],
    comesTo: 'didNotFinish',
    doubts: ['crossedAfterEnd'],
  },
  {
    name: 'a lap sooner than anybody runs it counts, and is looked at',
    kind: 'timedDistance',
    protocol: RUN,
    seen: [WAVE, ...crossed(100_000, 130_000)],
    comesTo: 130_000,
    doubts: ['soonerThanAnybody'],
  },
  {
    name: 'a crossing before the start does not count',
    kind: 'timedDistance',
    protocol: RUN,
    seen: [[-2_000, 'crossed'], WAVE, ...crossed(100_000, 200_000)],
    comesTo: 200_000,
    doubts: ['crossedBeforeStart'],
  },
  {
    name: 'a line crossed after the time does not count, and the mark is read down',
    kind: 'distanceInTime',
    protocol: { durationMs: 120_000, lapLengthMm: 200_000, markEveryMm: 10_000 },
    seen: [WAVE, ...crossed(60_000, 120_001), [130_000, 'markedAt', { beyondLineMm: 195_900 }]],
    comesTo: 390_000,
    doubts: ['crossedAfterEnd'],
  },
  {
    name: 'a mark beyond a whole lap counts as it was entered, and is looked at',
    kind: 'distanceInTime',
    protocol: { durationMs: 120_000, lapLengthMm: 200_000, markEveryMm: 10_000 },
    seen: [WAVE, ...crossed(60_000), [130_000, 'markedAt', { beyondLineMm: 200_000 }]],
    comesTo: 400_000,
    doubts: ['outsideSense'],
  },
  {
    name: 'a second line missed in a row is out, at the shuttle before the first of them',
    kind: 'progressiveShuttle',
    protocol: SHUTTLE,
    seen: [WAVE, ...missed(28_900, 36_500)],
    comesTo: 102,
  },
  {
    name: 'whoever is in at the end of the schedule has done all of it, and nobody has to say so',
    kind: 'progressiveShuttle',
    protocol: SHUTTLE,
    seen: [WAVE],
    comesTo: 203,
  },
  {
    name: '300 m in 5 s counts, and is looked at',
    kind: 'sprint',
    protocol: { distanceMm: 300_000 },
    seen: [START, ...crossed(5_000)],
    comesTo: 5_000,
    doubts: ['soonerThanAnybody'],
  },
  {
    name: 'a try beyond those allowed does not count',
    kind: 'sprint',
    protocol: { distanceMm: 40_000, attemptsAllowed: 1 },
    seen: [START, ...crossed(6_000), [60_000, 'started'], ...crossed(65_000)],
    comesTo: 6_000,
    doubts: ['noTryLeft'],
  },
  {
    name: 'a grip of 315 kg is looked at',
    kind: 'attempts',
    protocol: { unit: 'g', attemptsAllowed: 1, resolution: 500 },
    seen: [[0, 'read', { slot: 'try-1', value: 315_000 }]],
    comesTo: 315_000,
    doubts: ['outsideSense'],
  },
  {
    name: 'the failure over the limit ends the lifts, and one after it does not count',
    kind: 'heaviestLift',
    protocol: LIFT,
    seen: [
      lifted(0, 40_000, true),
      lifted(60_000, 45_000, false),
      lifted(120_000, 45_000, false),
      lifted(180_000, 45_000, true),
    ],
    comesTo: 40_000,
    doubts: ['liftedAfterEnd'],
  },
  {
    name: 'a lift before its rest is over counts, and is looked at; the same press twice is one lift',
    kind: 'heaviestLift',
    protocol: LIFT,
    seen: [lifted(0, 40_000, true), lifted(100, 45_000, true), lifted(59_999, 45_000, true), ended(200_000)],
    comesTo: 45_000,
    doubts: ['restNotOver'],
  },
  {
    name: 'a course: the stage of fixed time closes by itself, not before; blows complete theirs; a double press closes nothing',
    kind: 'stationCourse',
    protocol: COURSE,
    seen: [
      START,
      passed(10_000, 'stairs'),
      ...counted(22_000, 24_000, 26_000),
      passed(26_500, 'drag'),
      passed(50_000, 'drag'),
    ],
    comesTo: 50_000,
    doubts: ['beforeItsTime'],
  },
  {
    name: 'a course: a station before its turn does not count, and the limit ends it',
    kind: 'stationCourse',
    protocol: COURSE,
    seen: [START, passed(30_000, 'drag')],
    comesTo: 'didNotFinish',
    doubts: ['outOfOrder'],
  },
  {
    name: 'a course: the fault over the limit fails it',
    kind: 'stationCourse',
    protocol: COURSE,
    seen: [START, [5_000, 'faulted', { part: 'stairs' }], [6_000, 'faulted', { part: 'stairs' }]],
    comesTo: 'failed',
  },
  {
    name: 'a course: the caution over the limit fails it',
    kind: 'stationCourse',
    protocol: COURSE,
    seen: [START, [5_000, 'cautioned'], [6_000, 'cautioned']],
    comesTo: 'failed',
  },
  {
    name: 'a chain: work before its segment is open does not count, a pause where none is allowed is looked at',
    kind: 'workChain',
    protocol: CHAIN,
    seen: [
      START,
      ...counted(5_000),
      passed(6_000, 'back'),
      passed(30_000, 'out'),
      ...counted(32_000, 34_000, 39_000),
      passed(70_000, 'back'),
    ],
    comesTo: 70_000,
    doubts: ['outOfOrder', 'brokenIntoSets'],
  },
  {
    name: 'a chain that is not done at its limit did not finish',
    kind: 'workChain',
    protocol: CHAIN,
    seen: [START, passed(30_000, 'out'), ...counted(32_000, 34_000)],
    comesTo: 'didNotFinish',
  },
  {
    name: 'a task stopped on the way fails where stopping is not allowed',
    kind: 'untimedTask',
    protocol: { stoppingAllowed: false },
    seen: [START, [20_000, 'paused']],
    comesTo: 'failed',
  },
  {
    name: 'beats outside the window do not count, and the window closes by itself',
    kind: 'stepTest',
    protocol: STEP,
    seen: [START, ...counted(64_999, 65_000, 70_000, 80_000, 80_001)],
    comesTo: 12,
    // three beats are no pulse
    doubts: ['outsideSense'],
  },
  {
    name: 'a step test stopped early did not finish',
    kind: 'stepTest',
    protocol: STEP,
    seen: [START, ended(59_999)],
    comesTo: 'didNotFinish',
  },
  {
    name: 'a body fat of 150 % is looked at',
    kind: 'bodyMeasures',
    protocol: { measures: [{ id: 'composition' }], judged: { id: 'composition', moreIsBetter: false } },
    seen: [[0, 'read', { slot: 'composition', value: 1_500 }]],
    comesTo: 1_500,
    doubts: ['outsideSense'],
  },
]

/** The protocol of a case as it stands in a standard. */
export const brokenProtocol = ({ kind, protocol }: BrokenRule): object => ({ ...protocolTemplate(kind), ...protocol })

/** The event of a case, the one at `index` of the table, taking part alone asked. */
export const brokenEvent = (one: BrokenRule, index: number): object => ({
  id: `event-${index}`,
  name: one.name.slice(0, 60),
  protocol: brokenProtocol(one),
  rounding: { mode: 'truncate', step: 1 },
  scoring: { kind: 'effort' },
})
