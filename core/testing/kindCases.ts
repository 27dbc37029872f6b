/** Every event kind with every scoring school that fits it, worked by hand. Values are in base units. */
import type { EventKind } from '../src/kinds/kinds.ts'
import type { Readings } from '../src/kinds/slot.ts'

type Pair = readonly [value: number, centipoints: number]

export interface KindCase {
  readonly kind: EventKind
  readonly protocol: object
  readonly rounding: { readonly mode: 'truncate' | 'nearest' | 'up'; readonly step: number }
  readonly readings: Readings
  /** What the readings amount to, rounded. */
  readonly rounded: number
  /** The cut, and how far on the good side of it the result lies. */
  readonly singleCut?: { readonly cut: number; readonly margin: number }
  /** The cut of women of 30 to 39, and the margin; the other bands ask something else. */
  readonly cutByBand?: { readonly cut: number; readonly margin: number }
  readonly pointsTable?: {
    readonly rows: readonly Pair[]
    readonly lowerRow: number
    readonly interpolate: number
  }
  readonly pointsByRule?: {
    readonly anchor: number
    readonly perUnit: number
    readonly started: number
    readonly whole: number
  }
  readonly normClasses?: { readonly from: readonly [number, number]; readonly reached: 'low' | 'middle' | 'high' }
  readonly relativeCut?: {
    readonly constant: number
    readonly permille: number
    readonly cut: number
    readonly margin: number
  }
  readonly completion?: { readonly atMost?: number; readonly margin: number }
}

const GO = ['Go']
const REPS = {
  startCommands: GO,
  countsWhen: 'Up.',
  restAllowed: 'up',
  refusals: [{ id: 'depth', label: 'Depth' }],
  cautionsAllowed: 1,
}
const WHOLE = { mode: 'truncate', step: 1 } as const
const SECOND_UP = { mode: 'up', step: 1_000 } as const

/** By rule: 100 points at the anchor, 5 off for each unit beyond it, never below 0. The person weighs 80 kg. */
export const KIND_CASES: readonly KindCase[] = [
  {
    kind: 'repetitionsInTime',
    protocol: { ...REPS, durationMs: 60_000 },
    rounding: WHOLE,
    readings: { count: 31 },
    rounded: 31,
    singleCut: { cut: 31, margin: 0 },
    cutByBand: { cut: 32, margin: -1 },
    pointsTable: {
      rows: [
        [20, 4_000],
        [30, 6_000],
        [40, 9_000],
      ],
      lowerRow: 6_000,
      interpolate: 6_300,
    },
    pointsByRule: { anchor: 38, perUnit: 3, started: 8_500, whole: 9_000 },
    normClasses: { from: [25, 35], reached: 'middle' },
  },
  {
    kind: 'repetitionsToFailure',
    protocol: { ...REPS, endsWhen: ['Leaves the bar'], capRepetitions: 20 },
    rounding: WHOLE,
    readings: { count: 24 },
    rounded: 20,
    singleCut: { cut: 6, margin: 14 },
    cutByBand: { cut: 20, margin: 0 },
    pointsTable: {
      rows: [
        [5, 4_500],
        [15, 8_000],
        [25, 10_000],
      ],
      lowerRow: 8_000,
      interpolate: 9_000,
    },
    pointsByRule: { anchor: 20, perUnit: 1, started: 10_000, whole: 10_000 },
    normClasses: { from: [8, 20], reached: 'high' },
  },
  {
    kind: 'repetitionsToCadence',
    protocol: { ...REPS, beatsPerMinute: 44, beatsPerRepetition: 2, missedBeatsAllowed: 2 },
    rounding: WHOLE,
    readings: { count: 17 },
    rounded: 17,
    singleCut: { cut: 18, margin: -1 },
    cutByBand: { cut: 15, margin: 2 },
    pointsTable: {
      rows: [
        [10, 1_000],
        [20, 2_000],
      ],
      lowerRow: 1_000,
      interpolate: 1_700,
    },
    pointsByRule: { anchor: 30, perUnit: 4, started: 8_000, whole: 8_500 },
    normClasses: { from: [18, 28], reached: 'low' },
  },
  {
    kind: 'heldPosition',
    protocol: { startCommands: GO, position: 'Straight.', capMs: 120_000, cautionsAllowed: 1, endsWhen: ['Hip down'] },
    rounding: { mode: 'truncate', step: 1_000 },
    readings: { time: 91_900 },
    rounded: 91_000,
    singleCut: { cut: 90_000, margin: 1_000 },
    cutByBand: { cut: 95_000, margin: -4_000 },
    pointsTable: {
      rows: [
        [60_000, 5_000],
        [120_000, 10_000],
      ],
      lowerRow: 5_000,
      interpolate: 7_583,
    },
    pointsByRule: { anchor: 120_000, perUnit: 10_000, started: 8_500, whole: 9_000 },
    normClasses: { from: [91_000, 92_000], reached: 'middle' },
  },
  {
    kind: 'timedDistance',
    protocol: {
      startCommands: GO,
      distanceMm: 2_000_000,
      lapLengthMm: 400_000,
      watchRule: { watches: 2, ofTwo: 'slower', ofThree: 'middle' },
    },
    rounding: SECOND_UP,
    readings: { time: 579_200, 'time-watch-2': 580_100 },
    rounded: 581_000,
    singleCut: { cut: 580_000, margin: -1_000 },
    cutByBand: { cut: 581_000, margin: 0 },
    pointsTable: {
      rows: [
        [640_000, 4_000],
        [600_000, 6_000],
        [560_000, 9_000],
      ],
      lowerRow: 6_000,
      interpolate: 7_425,
    },
    pointsByRule: { anchor: 560_000, perUnit: 8_000, started: 8_500, whole: 9_000 },
    normClasses: { from: [620_000, 575_000], reached: 'middle' },
    completion: { atMost: 600_000, margin: 19_000 },
  },
  {
    kind: 'distanceInTime',
    protocol: { startCommands: GO, durationMs: 720_000, lapLengthMm: 400_000, markEveryMm: 10_000 },
    rounding: { mode: 'truncate', step: 10_000 },
    readings: { distance: 2_457_000 },
    rounded: 2_450_000,
    singleCut: { cut: 2_400_000, margin: 50_000 },
    cutByBand: { cut: 2_460_000, margin: -10_000 },
    pointsTable: {
      rows: [
        [2_000_000, 5_000],
        [3_000_000, 10_000],
      ],
      lowerRow: 5_000,
      interpolate: 7_250,
    },
    pointsByRule: { anchor: 2_800_000, perUnit: 100_000, started: 8_000, whole: 8_500 },
    normClasses: { from: [2_000_000, 2_450_000], reached: 'high' },
  },
  {
    kind: 'progressiveShuttle',
    protocol: {
      startCommands: GO,
      lineDistanceMm: 20_000,
      speeds: { firstMetresPerHour: 8_500, secondMetresPerHour: 9_000, stepMetresPerHour: 500 },
      zoneMm: 1_000,
      missesAllowed: 1,
      counts: 'lastShuttle',
    },
    rounding: WHOLE,
    readings: { reached: 704 },
    rounded: 704,
    singleCut: { cut: 703, margin: 1 },
    cutByBand: { cut: 705, margin: -1 },
    pointsTable: {
      rows: [
        [501, 4_500],
        [701, 6_500],
        [901, 8_500],
      ],
      lowerRow: 6_500,
      // levels of 8, 8, 8, 9, 9, 10, 10, 11, 11 and 11 shuttles: 7.1, 7.4 and 9.1 are the 53rd, 56th and 74th; 65 + 20·3/21
      interpolate: 6_786,
    },
    // 10.4 is the 88th, 32 further: four tens begun, three whole
    pointsByRule: { anchor: 1_004, perUnit: 10, started: 8_000, whole: 8_500 },
    normClasses: { from: [704, 900], reached: 'middle' },
  },
  {
    kind: 'sprint',
    protocol: {
      startCommands: GO,
      distanceMm: 100_000,
      legs: 1,
      attemptsAllowed: 2,
      select: 'best',
      timing: 'hand',
      handCorrectionMs: 240,
    },
    rounding: { mode: 'up', step: 100 },
    readings: { 'try-1': 14_620, 'try-2': 14_310 },
    rounded: 14_600,
    singleCut: { cut: 14_500, margin: -100 },
    cutByBand: { cut: 14_800, margin: 200 },
    pointsTable: {
      rows: [
        [16_000, 5_000],
        [14_000, 7_500],
      ],
      lowerRow: 5_000,
      interpolate: 6_750,
    },
    pointsByRule: { anchor: 13_500, perUnit: 500, started: 8_500, whole: 9_000 },
    normClasses: { from: [15_000, 14_600], reached: 'high' },
  },
  {
    kind: 'attempts',
    protocol: {
      startCommands: GO,
      unit: 'g',
      attemptsAllowed: 2,
      sides: 'each',
      select: 'best',
      ofSides: 'lesser',
      resolution: 500,
    },
    rounding: { mode: 'truncate', step: 500 },
    readings: { 'left-1': 38_500, 'left-2': 41_000, 'right-1': 44_000, 'right-2': 43_500 },
    rounded: 41_000,
    singleCut: { cut: 41_000, margin: 0 },
    cutByBand: { cut: 42_000, margin: -1_000 },
    pointsTable: {
      rows: [
        [30_000, 5_000],
        [50_000, 9_000],
      ],
      lowerRow: 5_000,
      interpolate: 7_200,
    },
    pointsByRule: { anchor: 48_000, perUnit: 2_500, started: 8_500, whole: 9_000 },
    normClasses: { from: [35_000, 45_000], reached: 'middle' },
    // 55 % of 80 kg is 44 kg, the lesser is the constant
    relativeCut: { constant: 40_000, permille: 550, cut: 40_000, margin: 1_000 },
  },
  {
    kind: 'heaviestLift',
    protocol: {
      startCommands: GO,
      goodWhen: 'Locked out.',
      startLoadG: 40_000,
      incrementG: 5_000,
      restMs: 300_000,
      failuresAllowed: 1,
      estimate: 'epley',
    },
    rounding: { mode: 'truncate', step: 500 },
    // 90 kg × (1 + 5/30) = 105 kg
    readings: { load: 90_000, repetitions: 5 },
    rounded: 105_000,
    singleCut: { cut: 100_000, margin: 5_000 },
    cutByBand: { cut: 110_000, margin: -5_000 },
    pointsTable: {
      rows: [
        [60_000, 4_000],
        [100_000, 8_000],
        [120_000, 10_000],
      ],
      lowerRow: 8_000,
      interpolate: 8_500,
    },
    pointsByRule: { anchor: 120_000, perUnit: 10_000, started: 9_000, whole: 9_500 },
    normClasses: { from: [80_000, 105_500], reached: 'middle' },
    // 125 % of 80 kg is 100 kg, less than the constant
    relativeCut: { constant: 102_000, permille: 1_250, cut: 100_000, margin: 5_000 },
  },
  {
    kind: 'stationCourse',
    protocol: {
      startCommands: GO,
      stations: [{ id: 'stairs', name: 'Stairs', task: 'Up.', faultsAllowed: 2 }],
      clockStopsWhen: 'Over the line.',
    },
    rounding: SECOND_UP,
    readings: { time: 554_001, 'stairs-faults': 2 },
    rounded: 555_000,
    singleCut: { cut: 555_000, margin: 0 },
    cutByBand: { cut: 540_000, margin: -15_000 },
    pointsTable: {
      rows: [
        [600_000, 5_000],
        [500_000, 10_000],
      ],
      lowerRow: 5_000,
      interpolate: 7_250,
    },
    pointsByRule: { anchor: 500_000, perUnit: 15_000, started: 8_000, whole: 8_500 },
    normClasses: { from: [600_000, 555_000], reached: 'high' },
    completion: { atMost: 555_000, margin: 0 },
  },
  {
    kind: 'workChain',
    protocol: {
      startCommands: GO,
      segments: [
        { id: 'run-out', name: 'Run out', distanceMm: 800_000 },
        { id: 'squats', name: 'Squats', repetitions: 40, setsAllowed: true },
      ],
    },
    rounding: SECOND_UP,
    readings: { time: 421_000, 'squats-repetitions': 40 },
    rounded: 421_000,
    singleCut: { cut: 420_000, margin: -1_000 },
    cutByBand: { cut: 450_000, margin: 29_000 },
    pointsTable: {
      rows: [
        [480_000, 6_000],
        [420_000, 9_000],
      ],
      lowerRow: 6_000,
      interpolate: 8_950,
    },
    pointsByRule: { anchor: 400_000, perUnit: 10_000, started: 8_500, whole: 9_000 },
    normClasses: { from: [420_000, 400_000], reached: 'low' },
    completion: { margin: 0 },
  },
  {
    kind: 'untimedTask',
    protocol: { task: 'Climb.', failsWhen: ['Stopping'], stoppingAllowed: false },
    rounding: WHOLE,
    readings: { done: 1 },
    rounded: 1,
    completion: { margin: 0 },
  },
  {
    kind: 'stepTest',
    protocol: {
      startCommands: GO,
      heightMm: 350,
      beatsPerMinute: 92,
      beatsPerCycle: 4,
      durationMs: 240_000,
      pulseAfterMs: 5_000,
      pulseWindowMs: 15_000,
    },
    rounding: WHOLE,
    // 33 beats in 15 s are 132 a minute
    readings: { pulse: 33 },
    rounded: 132,
    singleCut: { cut: 130, margin: -2 },
    cutByBand: { cut: 140, margin: 8 },
    pointsTable: {
      rows: [
        [160, 3_000],
        [140, 4_000],
        [120, 5_000],
      ],
      lowerRow: 4_000,
      interpolate: 4_400,
    },
    pointsByRule: { anchor: 110, perUnit: 10, started: 8_500, whole: 9_000 },
    normClasses: { from: [150, 130], reached: 'middle' },
  },
  {
    kind: 'bodyMeasures',
    protocol: { measures: [{ id: 'waist' }, { id: 'mass' }], judged: { id: 'waist', moreIsBetter: false } },
    rounding: { mode: 'truncate', step: 5 },
    readings: { waist: 887, mass: 80_000 },
    rounded: 885,
    singleCut: { cut: 900, margin: 15 },
    cutByBand: { cut: 880, margin: -5 },
    pointsTable: {
      rows: [
        [1_000, 2_000],
        [800, 4_000],
      ],
      lowerRow: 2_000,
      interpolate: 3_150,
    },
    pointsByRule: { anchor: 800, perUnit: 50, started: 9_000, whole: 9_500 },
    normClasses: { from: [900, 800], reached: 'middle' },
  },
]
