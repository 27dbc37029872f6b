/** A protocol of each kind to begin a new event with; every figure is there to be changed. */
import type { EventKind } from './protocol.ts'

const START = ['Get ready', 'Set', 'Go']
const BEGIN = ['Into position', 'Begin']
const REPETITIONS = {
  startCommands: START,
  countsWhen: 'Describe the point of the movement at which it counts.',
  restAllowed: 'nowhere',
  refusals: [{ id: 'depth', label: 'Not low enough' }],
  cautionsAllowed: 1,
}

const TEMPLATES: Readonly<Record<EventKind, object>> = {
  repetitionsInTime: { ...REPETITIONS, durationMs: 60_000 },
  repetitionsToFailure: { ...REPETITIONS, endsWhen: ['Stops'] },
  repetitionsToCadence: { ...REPETITIONS, beatsPerMinute: 40, beatsPerRepetition: 2, missedBeatsAllowed: 1 },
  heldPosition: {
    startCommands: BEGIN,
    position: 'Describe the position.',
    cautionsAllowed: 1,
    endsWhen: ['Position lost'],
  },
  timedDistance: { by: 'run', distanceMm: 2_000_000, lapLengthMm: 400_000, startCommands: START },
  distanceInTime: { startCommands: START, durationMs: 720_000, lapLengthMm: 400_000, markEveryMm: 10_000 },
  progressiveShuttle: {
    startCommands: START,
    lineDistanceMm: 20_000,
    speeds: { firstMetresPerHour: 8_500, secondMetresPerHour: 9_000, stepMetresPerHour: 500 },
    zoneMm: 1_000,
    missesAllowed: 1,
    counts: 'lastShuttle',
  },
  sprint: { startCommands: START, distanceMm: 100_000, legs: 1, attemptsAllowed: 1, select: 'best', timing: 'hand' },
  attempts: { startCommands: [], unit: 'mm', attemptsAllowed: 3, sides: 'none', select: 'best', resolution: 10 },
  heaviestLift: {
    startCommands: [],
    goodWhen: 'Describe a good lift.',
    startLoadG: 40_000,
    incrementG: 5_000,
    restMs: 300_000,
    failuresAllowed: 1,
  },
  stationCourse: {
    startCommands: START,
    stations: [{ id: 'station-1', name: 'Station 1', task: 'Describe the task.' }],
    clockStopsWhen: 'Describe the exact moment.',
  },
  workChain: {
    startCommands: START,
    segments: [
      { id: 'run', name: 'Run', distanceMm: 400_000 },
      { id: 'work', name: 'Work', repetitions: 20, setsAllowed: true },
    ],
  },
  untimedTask: { task: 'Describe the task.', failsWhen: ['Stopping'], stoppingAllowed: false },
  stepTest: {
    startCommands: BEGIN,
    heightMm: 300,
    beatsPerMinute: 96,
    beatsPerCycle: 4,
    durationMs: 180_000,
    pulseAfterMs: 5_000,
    pulseWindowMs: 30_000,
  },
  bodyMeasures: { measures: [{ id: 'mass' }, { id: 'height' }] },
}

/** A plain protocol of a kind, new each time. */
export const protocolTemplate = (kind: EventKind): object => structuredClone({ kind, ...TEMPLATES[kind] })
