/**
 * For every field of every protocol two protocols that differ in it alone, and what is captured or read for the difference to show. What
 * they come to is held by the tests of the kinds.
 */
import type { Capture } from '../src/capture/capture.ts'
import { settleCaptures } from '../src/capture/settleCaptures.ts'
import { parseDocument } from '../src/document/parseDocument.ts'
import { EVENT_KINDS, kindOf, PROTOCOLS, type EventKind, type Protocol } from '../src/kinds/kinds.ts'
import { protocolTemplate } from '../src/kinds/protocolTemplates.ts'
import type { BrokenSeen } from './brokenRules.ts'
import { START_MS } from './stamped.ts'

export interface RulePair {
  /** `kind.field`, or `kind.list.field` for a field of the members of a list. */
  readonly field: string
  readonly seen?: readonly BrokenSeen[]
  /** What is read of it, where nothing is stamped. */
  readonly readings?: Readonly<Record<string, number>>
  /** The moment after the start it is looked at; the end of the last capture where it is not said. */
  readonly atMs?: number
  readonly category?: string
  readonly as: object
  readonly otherwise: object
}

const RUN = [[0, 'waveStarted', { wave: 1, entryIds: ['anna'] }]] as const satisfies readonly BrokenSeen[]
const START = [[0, 'started']] as const satisfies readonly BrokenSeen[]
const laps = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'crossed'] as const)
const counts = (...moments: readonly number[]): BrokenSeen[] => moments.map((ms) => [ms, 'counted'] as const)
const KM = { distanceMm: 1_000_000, lapLengthMm: 500_000 }
const ONE_RUNG = { levels: [{ metresPerHour: 7_200, shuttles: 3 }], speeds: undefined }
const STATIONS = (first: object, rest: object = {}) => ({
  stations: [
    { id: 'one', name: 'One', task: 'Do it.', ...first },
    { id: 'two', name: 'Two', task: 'Do it.' },
  ],
  ...rest,
})
const SEGMENTS = (first: object, rest: object = {}) => ({
  segments: [
    { id: 'work', name: 'Work', repetitions: 3, setsAllowed: true, ...first },
    { id: 'run', name: 'Run', distanceMm: 10_000 },
  ],
  ...rest,
})
const passed = (ms: number, part: string): BrokenSeen => [ms, 'passed', { part }]

/** Fields of the three kinds of counted repetitions. */
const counted = (kind: EventKind): RulePair[] => [
  {
    field: `${kind}.longestPauseMs`,
    seen: [...START, ...counts(1_000, 9_000)],
    as: { longestPauseMs: 5_000 },
    otherwise: {},
  },
  { field: `${kind}.restAllowed`, as: { restAllowed: 'up' }, otherwise: { restAllowed: 'nowhere' } },
  {
    field: `${kind}.cautionsAllowed`,
    seen: [...START, [1_000, 'cautioned'], [2_000, 'counted']],
    as: { cautionsAllowed: 0 },
    otherwise: { cautionsAllowed: 1 },
  },
  {
    field: `${kind}.restart`,
    seen: [...START, ...counts(1_000), [2_000, 'restarted', { reason: 'hands' }]],
    as: { restart: { times: 1, withinFirst: 5, keepsCautions: true } },
    otherwise: {},
  },
  {
    field: `${kind}.restart.times`,
    seen: [...START, [1_000, 'restarted', { reason: 'a' }], [2_000, 'started'], [3_000, 'restarted', { reason: 'b' }]],
    as: { restart: { times: 1, withinFirst: 5, keepsCautions: true } },
    otherwise: { restart: { times: 2, withinFirst: 5, keepsCautions: true } },
  },
  {
    field: `${kind}.restart.withinFirst`,
    seen: [...START, ...counts(1_000, 2_000), [3_000, 'restarted', { reason: 'a' }]],
    as: { restart: { times: 1, withinFirst: 1, keepsCautions: true } },
    otherwise: { restart: { times: 1, withinFirst: 2, keepsCautions: true } },
  },
  {
    field: `${kind}.restart.keepsCautions`,
    seen: [
      ...START,
      [1_000, 'cautioned'],
      [2_000, 'restarted', { reason: 'a' }],
      [3_000, 'started'],
      [4_000, 'cautioned'],
    ],
    as: { restart: { times: 1, withinFirst: 1, keepsCautions: true } },
    otherwise: { restart: { times: 1, withinFirst: 1, keepsCautions: false } },
  },
]

export const RULE_PAIRS: readonly RulePair[] = [
  ...counted('repetitionsInTime'),
  ...counted('repetitionsToFailure'),
  ...counted('repetitionsToCadence'),
  {
    field: 'repetitionsInTime.durationMs',
    seen: [...START, ...counts(59_000)],
    as: { durationMs: 58_999 },
    otherwise: { durationMs: 59_000 },
  },
  {
    field: 'repetitionsInTime.clockRunsOn',
    seen: [...START, [10_000, 'paused'], [40_000, 'resumed'], ...counts(80_000)],
    as: { clockRunsOn: false },
    otherwise: { clockRunsOn: true },
  },
  {
    field: 'repetitionsToFailure.capMs',
    seen: [...START, ...counts(9_000)],
    as: { capMs: 8_000 },
    otherwise: { capMs: 9_000 },
  },
  {
    field: 'repetitionsToFailure.capRepetitions',
    seen: [...START, ...counts(1_000, 2_000)],
    as: { capRepetitions: 1 },
    otherwise: {},
  },
  {
    field: 'repetitionsToFailure.endsWhen',
    as: { endsWhen: ['Leaves the bar'] },
    otherwise: { endsWhen: ['Hangs still'] },
  },
  { field: 'repetitionsToCadence.beatsPerMinute', as: { beatsPerMinute: 40 }, otherwise: { beatsPerMinute: 50 } },
  {
    field: 'repetitionsToCadence.beatsPerRepetition',
    as: { beatsPerRepetition: 1 },
    otherwise: { beatsPerRepetition: 2 },
  },
  {
    field: 'repetitionsToCadence.missedBeatsAllowed',
    seen: [...START, [1_000, 'missed'], ...counts(2_000)],
    as: { missedBeatsAllowed: 0 },
    otherwise: { missedBeatsAllowed: 1 },
  },
  {
    field: 'repetitionsToCadence.capRepetitions',
    seen: [...START, ...counts(1_000, 2_000)],
    as: { capRepetitions: 1 },
    otherwise: {},
  },

  { field: 'heldPosition.capMs', seen: START, atMs: 60_001, as: { capMs: 60_000 }, otherwise: {} },
  {
    field: 'heldPosition.cautionsAllowed',
    seen: [...START, [5_000, 'cautioned']],
    as: { cautionsAllowed: 0 },
    otherwise: { cautionsAllowed: 1 },
  },
  { field: 'heldPosition.endsWhen', as: { endsWhen: ['Hips touch'] }, otherwise: { endsWhen: ['Feet touch'] } },
  ...(['heldPosition', 'timedDistance'] as const).map((kind) => ({
    field: `${kind}.watchRule`,
    readings: { time: 60_000, 'time-watch-2': 60_400 },
    as: { watchRule: { watches: 2, ofTwo: 'mean', ofThree: 'middle' } },
    otherwise: { watchRule: { watches: 2, ofTwo: 'slower', ofThree: 'middle' } },
  })),

  {
    field: 'timedDistance.by',
    readings: { time: 6_000_000 },
    seen: [[0, 'read', { slot: 'time', value: 6_000_000 }]],
    as: { by: 'run' },
    otherwise: { by: 'march' },
  },
  {
    field: 'timedDistance.distanceMm',
    seen: [...RUN, ...laps(200_000)],
    as: { ...KM, distanceMm: 500_000 },
    otherwise: KM,
  },
  {
    field: 'timedDistance.lapLengthMm',
    seen: [...RUN, ...laps(200_000)],
    as: { ...KM, lapLengthMm: 1_000_000 },
    otherwise: KM,
  },
  { field: 'timedDistance.limitMs', seen: RUN, atMs: 600_001, as: { ...KM, limitMs: 600_000 }, otherwise: KM },
  { field: 'timedDistance.walkingAllowed', as: { walkingAllowed: false }, otherwise: { walkingAllowed: true } },
  { field: 'timedDistance.aidAllowed', as: { aidAllowed: false }, otherwise: { aidAllowed: true } },
  {
    field: 'timedDistance.lapsCalledBy',
    seen: [...RUN, ...laps(200_000)],
    as: { ...KM, lapsCalledBy: 'the timer' },
    otherwise: KM,
  },
  { field: 'timedDistance.loadG', as: { loadG: 15_000 }, otherwise: {} },

  {
    field: 'distanceInTime.durationMs',
    seen: [...RUN, ...laps(600_000)],
    as: { durationMs: 599_000 },
    otherwise: { durationMs: 600_000 },
  },
  {
    field: 'distanceInTime.lapLengthMm',
    seen: [...RUN, ...laps(600_000), [730_000, 'markedAt', { beyondLineMm: 0 }]],
    as: { lapLengthMm: 400_000 },
    otherwise: { lapLengthMm: 200_000 },
  },
  {
    field: 'distanceInTime.markEveryMm',
    seen: [...RUN, [730_000, 'markedAt', { beyondLineMm: 135_000 }]],
    as: { markEveryMm: 10_000 },
    otherwise: { markEveryMm: 5_000 },
  },
  { field: 'distanceInTime.walkingAllowed', as: { walkingAllowed: false }, otherwise: { walkingAllowed: true } },

  {
    field: 'progressiveShuttle.lineDistanceMm',
    seen: [...RUN, [25_000, 'stopped', { reason: 'ended' }]],
    as: { ...ONE_RUNG, lineDistanceMm: 20_000 },
    otherwise: { ...ONE_RUNG, lineDistanceMm: 40_000 },
  },
  {
    field: 'progressiveShuttle.levels',
    seen: RUN,
    atMs: 30_001,
    as: ONE_RUNG,
    otherwise: { ...ONE_RUNG, levels: [{ metresPerHour: 7_200, shuttles: 4 }] },
  },
  {
    field: 'progressiveShuttle.speeds',
    seen: [...RUN, [25_000, 'stopped', { reason: 'ended' }]],
    as: { speeds: { firstMetresPerHour: 8_500, secondMetresPerHour: 9_000, stepMetresPerHour: 500 } },
    otherwise: { speeds: { firstMetresPerHour: 5_000, secondMetresPerHour: 9_000, stepMetresPerHour: 500 } },
  },
  { field: 'progressiveShuttle.zoneMm', as: { zoneMm: 1_000 }, otherwise: { zoneMm: 2_000 } },
  {
    field: 'progressiveShuttle.missesAllowed',
    seen: [...RUN, [10_500, 'missed']],
    as: { ...ONE_RUNG, missesAllowed: 0 },
    otherwise: { ...ONE_RUNG, missesAllowed: 1 },
  },
  {
    field: 'progressiveShuttle.counts',
    seen: [...RUN, [25_000, 'stopped', { reason: 'ended' }]],
    as: { ...ONE_RUNG, counts: 'lastShuttle' },
    otherwise: { ...ONE_RUNG, counts: 'lastCompletedLevel' },
  },

  {
    field: 'sprint.distanceMm',
    seen: [...START, ...laps(6_000)],
    as: { distanceMm: 300_000 },
    otherwise: { distanceMm: 40_000 },
  },
  { field: 'sprint.legs', as: { legs: 2 }, otherwise: { legs: 4 } },
  { field: 'sprint.touches', as: { touches: 'the line' }, otherwise: {} },
  { field: 'sprint.loadG', as: { loadG: 70_000 }, otherwise: {} },
  {
    field: 'sprint.attemptsAllowed',
    seen: [...START, ...laps(20_000), [60_000, 'started']],
    as: { attemptsAllowed: 1 },
    otherwise: { attemptsAllowed: 2 },
  },
  {
    field: 'sprint.select',
    readings: { 'try-1': 15_000, 'try-2': 16_000 },
    as: { attemptsAllowed: 2, select: 'best' },
    otherwise: { attemptsAllowed: 2, select: 'last' },
  },
  {
    field: 'sprint.timing',
    readings: { 'try-1': 15_000 },
    as: { timing: 'hand', handCorrectionMs: 240 },
    otherwise: { timing: 'electronic', handCorrectionMs: 240 },
  },
  { field: 'sprint.handCorrectionMs', readings: { 'try-1': 15_000 }, as: { handCorrectionMs: 240 }, otherwise: {} },
  {
    field: 'sprint.watchRule',
    readings: { 'try-1': 15_000, 'try-1-watch-2': 15_200 },
    as: { watchRule: { watches: 2, ofTwo: 'mean', ofThree: 'middle' } },
    otherwise: { watchRule: { watches: 2, ofTwo: 'slower', ofThree: 'middle' } },
  },

  { field: 'attempts.unit', as: { unit: 'g' }, otherwise: { unit: 'mm' } },
  { field: 'attempts.attemptsAllowed', as: { attemptsAllowed: 1 }, otherwise: { attemptsAllowed: 2 } },
  { field: 'attempts.sides', as: { sides: 'dominant' }, otherwise: { sides: 'none' } },
  {
    field: 'attempts.select',
    readings: { 'try-1': 300, 'try-2': 200 },
    as: { attemptsAllowed: 2, select: 'best' },
    otherwise: { attemptsAllowed: 2, select: 'last' },
  },
  {
    field: 'attempts.ofSides',
    readings: { 'left-1': 300, 'right-1': 200 },
    as: { attemptsAllowed: 1, sides: 'each', ofSides: 'lesser' },
    otherwise: { attemptsAllowed: 1, sides: 'each', ofSides: 'greater' },
  },
  {
    field: 'attempts.zero',
    readings: { 'try-1': 300 },
    as: { attemptsAllowed: 1, zero: 100 },
    otherwise: { attemptsAllowed: 1 },
  },
  {
    field: 'attempts.lessStandingReach',
    readings: { standing: 2_100, 'try-1': 2_500 },
    as: { attemptsAllowed: 1, lessStandingReach: true },
    otherwise: { attemptsAllowed: 1 },
  },
  { field: 'attempts.lesserHand', as: { lesserHand: true }, otherwise: {} },
  { field: 'attempts.holdMs', as: { holdMs: 2_000 }, otherwise: {} },

  { field: 'heaviestLift.startLoadG', as: { startLoadG: 20_000 }, otherwise: { startLoadG: 40_000 } },
  {
    field: 'heaviestLift.incrementG',
    seen: [[0, 'lifted', { loadG: 40_000, good: true }]],
    as: { incrementG: 2_500 },
    otherwise: { incrementG: 5_000 },
  },
  {
    field: 'heaviestLift.restMs',
    seen: [
      [0, 'lifted', { loadG: 40_000, good: true }],
      [60_000, 'lifted', { loadG: 45_000, good: true }],
    ],
    as: { restMs: 60_001 },
    otherwise: { restMs: 60_000 },
  },
  {
    field: 'heaviestLift.failuresAllowed',
    seen: [[0, 'lifted', { loadG: 40_000, good: false }]],
    as: { failuresAllowed: 0 },
    otherwise: { failuresAllowed: 1 },
  },
  {
    field: 'heaviestLift.estimate',
    readings: { load: 60_000, repetitions: 5 },
    as: { estimate: 'epley' },
    otherwise: { estimate: 'brzycki' },
  },

  { field: 'stationCourse.stations', as: STATIONS({}), otherwise: STATIONS({ id: 'other' }) },
  {
    field: 'stationCourse.stations.faultsAllowed',
    seen: [...START, [5_000, 'faulted', { part: 'one' }]],
    as: STATIONS({ faultsAllowed: 0 }),
    otherwise: STATIONS({ faultsAllowed: 1 }),
  },
  { field: 'stationCourse.stations.failsAtOnce', as: STATIONS({ failsAtOnce: ['Drops it'] }), otherwise: STATIONS({}) },
  {
    field: 'stationCourse.stations.rate',
    seen: START,
    atMs: 60_001,
    as: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000 } }),
    otherwise: STATIONS({}),
  },
  {
    field: 'stationCourse.stations.rate.durationMs',
    seen: START,
    atMs: 60_001,
    as: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000 } }),
    otherwise: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 70_000 } }),
  },
  {
    field: 'stationCourse.stations.rate.warmUpMs',
    seen: START,
    atMs: 60_001,
    as: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000 } }),
    otherwise: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000, warmUpMs: 10_000 } }),
  },
  {
    field: 'stationCourse.stations.rate.stepsPerMinute',
    as: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000 } }),
    otherwise: STATIONS({ rate: { stepsPerMinute: 60, durationMs: 60_000 } }),
  },
  {
    field: 'stationCourse.stations.rate.warmUpStepsPerMinute',
    as: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000, warmUpMs: 10_000, warmUpStepsPerMinute: 40 } }),
    otherwise: STATIONS({ rate: { stepsPerMinute: 54, durationMs: 60_000, warmUpMs: 10_000 } }),
  },
  {
    field: 'stationCourse.stations.tally',
    seen: [...START, ...counts(5_000, 6_000)],
    as: STATIONS({ tally: 2 }),
    otherwise: STATIONS({ tally: 3 }),
  },
  { field: 'stationCourse.walkBetweenMm', as: STATIONS({}, { walkBetweenMm: 20_000 }), otherwise: STATIONS({}) },
  { field: 'stationCourse.vestG', as: STATIONS({}, { vestG: 14_000 }), otherwise: STATIONS({}) },
  { field: 'stationCourse.gear', as: STATIONS({}, { gear: ['Helmet'] }), otherwise: STATIONS({}) },
  {
    field: 'stationCourse.limitMs',
    seen: START,
    atMs: 60_001,
    as: STATIONS({}, { limitMs: 60_000 }),
    otherwise: STATIONS({}),
  },

  { field: 'workChain.segments', as: SEGMENTS({}), otherwise: SEGMENTS({ repetitions: 4 }) },
  {
    field: 'workChain.segments.repetitions',
    seen: [...START, ...counts(1_000, 2_000, 3_000)],
    as: SEGMENTS({}),
    otherwise: SEGMENTS({ repetitions: 4 }),
  },
  {
    field: 'workChain.segments.distanceMm',
    seen: [...START, passed(5_000, 'work')],
    as: SEGMENTS({ repetitions: undefined, distanceMm: 400_000 }),
    otherwise: SEGMENTS({ repetitions: undefined, distanceMm: 10_000 }),
  },
  {
    field: 'workChain.segments.setsAllowed',
    seen: [...START, ...counts(1_000, 9_000)],
    as: SEGMENTS({ setsAllowed: false }),
    otherwise: SEGMENTS({ setsAllowed: true }),
  },
  {
    field: 'workChain.segments.refusals',
    seen: [...START, [1_000, 'refused', { reason: 'depth' }]],
    as: SEGMENTS({ refusals: [{ id: 'depth', label: 'Not low enough' }] }),
    otherwise: SEGMENTS({}),
  },
  {
    field: 'workChain.segments.countsWhen',
    as: SEGMENTS({ countsWhen: 'Standing up straight.' }),
    otherwise: SEGMENTS({}),
  },
  {
    field: 'workChain.limitMs',
    seen: START,
    atMs: 60_001,
    as: SEGMENTS({}, { limitMs: 60_000 }),
    otherwise: SEGMENTS({}),
  },

  { field: 'untimedTask.failsWhen', as: { failsWhen: ['Turns back'] }, otherwise: { failsWhen: ['Stops'] } },
  {
    field: 'untimedTask.stoppingAllowed',
    seen: [...START, [5_000, 'paused']],
    as: { stoppingAllowed: false },
    otherwise: { stoppingAllowed: true },
  },

  { field: 'stepTest.heightMm', as: { heightMm: 300 }, otherwise: { heightMm: 400 } },
  {
    field: 'stepTest.heights',
    category: 'female',
    as: { heights: [{ category: 'female', heightMm: 330 }] },
    otherwise: {},
  },
  { field: 'stepTest.beatsPerMinute', seen: START, as: { beatsPerMinute: 96 }, otherwise: { beatsPerMinute: 90 } },
  { field: 'stepTest.beatsPerCycle', seen: START, as: { beatsPerCycle: 4 }, otherwise: { beatsPerCycle: 2 } },
  {
    field: 'stepTest.durationMs',
    seen: [...START, [180_000, 'stopped', { reason: 'ended' }]],
    as: { durationMs: 180_000 },
    otherwise: { durationMs: 180_001 },
  },
  {
    field: 'stepTest.pulseAfterMs',
    seen: [...START, ...counts(184_999)],
    as: { pulseAfterMs: 5_000 },
    otherwise: { pulseAfterMs: 4_000 },
  },
  {
    field: 'stepTest.pulseWindowMs',
    readings: { pulse: 30 },
    as: { pulseWindowMs: 15_000 },
    otherwise: { pulseWindowMs: 30_000 },
  },
  {
    field: 'stepTest.ifStopped',
    readings: { stopped: 100_000 },
    as: { ifStopped: { atLeastMs: 90_000 } },
    otherwise: {},
  },

  { field: 'bodyMeasures.measures', as: { measures: [{ id: 'mass' }] }, otherwise: { measures: [{ id: 'height' }] } },
  {
    field: 'bodyMeasures.judged',
    readings: { mass: 70_000, height: 1_700 },
    as: { judged: { id: 'mass', moreIsBetter: true } },
    otherwise: {},
  },

  ...(['timedDistance', 'distanceInTime', 'progressiveShuttle', 'stationCourse', 'workChain'] as const).map((kind) => ({
    field: `${kind}.cautionsAllowed`,
    seen: [...(kindOf({ kind } as Protocol).startsTogether ? RUN : START), [1_000, 'cautioned']] as BrokenSeen[],
    as: { cautionsAllowed: 0 },
    otherwise: { cautionsAllowed: 1 },
  })),
  ...EVENT_KINDS.flatMap((kind): RulePair[] => [
    {
      field: `${kind}.startWords`,
      as: { startWords: { words: [{ speaker: 'candidate', say: 'Ready' }] } },
      otherwise: {},
    },
    { field: `${kind}.endings`, as: { endings: [{ label: 'Holds the side', then: 'fails' }] }, otherwise: {} },
    { field: `${kind}.equipment`, as: { equipment: { forbidden: ['Fins'] } }, otherwise: {} },
    { field: `${kind}.warmUp`, as: { warmUp: { minutes: 10 } }, otherwise: {} },
    { field: `${kind}.coolDown`, as: { coolDown: { minutes: 10 } }, otherwise: {} },
    { field: `${kind}.clearBefore`, as: { clearBefore: ['No pain when lifting the arm'] }, otherwise: {} },
    { field: `${kind}.setUp`, as: { setUp: [{ id: 'box', label: 'Box height' }] }, otherwise: {} },
    ...('startCommands' in Object(protocolTemplate(kind))
      ? [
          {
            field: `${kind}.startCommands`,
            as: { startCommands: ['Begin'] },
            otherwise: { startCommands: ['Ready', 'Go'] },
          },
        ]
      : []),
    ...(['attempts', 'bodyMeasures', 'untimedTask', 'heaviestLift'].includes(kind)
      ? []
      : [
          {
            field: `${kind}.announcements`,
            seen: kindOf({ kind } as Protocol).startsTogether ? RUN : START,
            as: { announcements: [{ atMs: 30_000, say: 'Thirty seconds' }] },
            otherwise: {},
          },
        ]),
  ]),
]

/** A kind's template with a change. */
export const protocolWith = (kind: EventKind, change: object): Protocol => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(`${kind}: ${JSON.stringify(parsed.findings)}`)
  return parsed.value
}

/** What was seen of Anna, settled, as one device captured it. */
export const annasCaptures = (seen: readonly BrokenSeen[]): Capture[] =>
  settleCaptures(
    seen.map(([afterMs, kind, payload = {}, deviceId = 'one'], index) => ({
      id: String(index).padStart(4, '0'),
      eventId: 'event',
      entryId: kind === 'waveStarted' ? null : 'anna',
      deviceId,
      deviceMs: afterMs,
      atMs: START_MS + afterMs,
      uncertaintyMs: 0,
      kind,
      payload,
      // written as a device writes it
    })) as unknown as Capture[],
  )
