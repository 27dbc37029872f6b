/** A standard with one event of each kind, and a day of made-up people to work it with. */
import type { APIRequestContext } from '@playwright/test'
import { expect, PASSWORD } from './app.ts'

const START = ['Ready', 'Go']
const REPETITIONS = {
  startCommands: START,
  countsWhen: 'Arms straight at the top.',
  restAllowed: 'up',
  refusals: [
    { id: 'depth', label: 'Not low enough' },
    { id: 'body-line', label: 'Body not straight' },
  ],
  cautionsAllowed: 2,
}
const PROTOCOLS: readonly {
  readonly id: string
  readonly name: string
  readonly protocol: object
  readonly step?: number
  readonly restAfterMs?: number
}[] = [
  {
    id: 'press-ups',
    name: 'Press-ups',
    protocol: { kind: 'repetitionsInTime', ...REPETITIONS, durationMs: 40_000 },
    restAfterMs: 3_600_000,
  },
  {
    id: 'pull-ups',
    name: 'Pull-ups',
    protocol: { kind: 'repetitionsToFailure', ...REPETITIONS, endsWhen: ['Leaves the bar'] },
  },
  {
    id: 'curl-ups',
    name: 'Curl-ups',
    protocol: {
      kind: 'repetitionsToCadence',
      ...REPETITIONS,
      beatsPerMinute: 44,
      beatsPerRepetition: 2,
      missedBeatsAllowed: 1,
    },
  },
  {
    id: 'hold',
    name: 'Trunk hold',
    protocol: {
      kind: 'heldPosition',
      startCommands: START,
      position: 'On the forearms, body straight.',
      clearBefore: ['No pain in the back on a gentle trial of the position.'],
      cautionsAllowed: 1,
      endsWhen: ['Hips touch the mat'],
      capMs: 60_000,
    },
  },
  {
    id: 'run',
    name: 'Run 800 m',
    protocol: { kind: 'timedDistance', distanceMm: 800_000, lapLengthMm: 400_000, startCommands: START },
  },
  {
    id: 'minute-run',
    name: 'Minute run',
    protocol: {
      kind: 'distanceInTime',
      startCommands: START,
      durationMs: 60_000,
      lapLengthMm: 200_000,
      markEveryMm: 10_000,
    },
  },
  {
    id: 'shuttle',
    name: 'Shuttle',
    protocol: {
      kind: 'progressiveShuttle',
      startCommands: START,
      lineDistanceMm: 20_000,
      levels: [
        { metresPerHour: 3_600, shuttles: 2 },
        { metresPerHour: 4_000, shuttles: 2 },
        { metresPerHour: 4_500, shuttles: 2 },
      ],
      zoneMm: 1_000,
      missesAllowed: 1,
      counts: 'lastShuttle',
    },
  },
  {
    id: 'sprint',
    name: 'Zigzag',
    protocol: {
      kind: 'sprint',
      startCommands: START,
      distanceMm: 60_000,
      legs: 6,
      attemptsAllowed: 2,
      select: 'best',
      timing: 'either',
    },
  },
  {
    id: 'grip',
    name: 'Grip',
    protocol: {
      kind: 'attempts',
      startCommands: [],
      unit: 'g',
      attemptsAllowed: 2,
      sides: 'each',
      select: 'best',
      ofSides: 'lesser',
      resolution: 100,
    },
  },
  {
    id: 'lift',
    name: 'Box lift',
    protocol: {
      kind: 'heaviestLift',
      startCommands: [],
      goodWhen: 'Box on the shelf.',
      startLoadG: 20_000,
      incrementG: 5_000,
      restMs: 60_000,
      failuresAllowed: 1,
    },
  },
  {
    id: 'course',
    name: 'Drill yard',
    protocol: {
      kind: 'stationCourse',
      startCommands: START,
      stations: [
        {
          id: 'stairs',
          name: 'Stairs',
          task: 'To the beat.',
          faultsAllowed: 2,
          fault: 'touches the rail',
          rate: { stepsPerMinute: 54, durationMs: 30_000 },
        },
        { id: 'drums', name: 'Drums', task: 'Carry both.', failsAtOnce: ['Drops a drum'] },
        { id: 'dummy', name: 'Dummy', task: 'Drag it over the line.' },
      ],
      clockStopsWhen: 'Heels over the line.',
      limitMs: 555_000,
    },
  },
  {
    id: 'chain',
    name: 'Work chain',
    protocol: {
      kind: 'workChain',
      startCommands: START,
      segments: [
        { id: 'out', name: 'Run out', distanceMm: 400_000 },
        { id: 'squats', name: 'Squats', repetitions: 6, setsAllowed: true },
        { id: 'back', name: 'Run back', distanceMm: 400_000 },
      ],
      limitMs: 600_000,
    },
  },
  {
    id: 'crawl',
    name: 'Dark crawl',
    protocol: {
      kind: 'untimedTask',
      task: 'Follow the rope by touch.',
      failsWhen: ['Turns back'],
      stoppingAllowed: false,
    },
  },
  {
    id: 'step',
    name: 'Step test',
    protocol: {
      kind: 'stepTest',
      startCommands: START,
      heightMm: 350,
      beatsPerMinute: 92,
      beatsPerCycle: 4,
      durationMs: 30_000,
      pulseAfterMs: 10_000,
      pulseWindowMs: 30_000,
    },
  },
  {
    id: 'body',
    name: 'Body measures',
    protocol: { kind: 'bodyMeasures', measures: [{ id: 'mass' }, { id: 'height' }] },
  },
]

const STANDARD = {
  format: 'able-gauge/standard/1',
  id: 'every-kind',
  name: 'One of each kind',
  organisation: 'Tarn Isles testing office',
  version: 1,
  inForceFrom: '2026-01-01',
  source: 'Made up to practise every console.',
  ageRule: { countedOn: 'testDate', leapDayBirthday: '1 March' },
  categories: [{ id: 'open', name: 'Open' }],
  events: PROTOCOLS.map(({ id, name, protocol, restAfterMs = 0 }) => ({
    id,
    name,
    protocol,
    restAfterMs,
    rounding: { mode: 'truncate', step: 1 },
    scoring: { kind: 'effort' },
  })),
  combination: { kind: 'everyEventMet' },
  retest: { earliestAfterDays: 14 },
  uncertainty: { handTimingMs: 0, nearTheCut: 'flag' },
}

const answered = async (answer: { ok: () => boolean; text: () => Promise<string>; json: () => Promise<unknown> }) => {
  if (!answer.ok()) throw new Error(await answer.text())
  return answer.json()
}

/** Publishes it, unless it is there already. */
export const publishEveryKind = async (request: APIRequestContext): Promise<void> => {
  await request.post('/api/session', { data: { signInName: 'ines.calloway-brandt', password: PASSWORD } })
  const known = await request.get('/api/standards/every-kind/1')
  if (known.ok()) return
  const draft = (await answered(
    await request.post('/api/standards', { data: { id: 'every-kind', version: 1, content: STANDARD } }),
  )) as { revision: number }
  await answered(await request.post('/api/standards/every-kind/1/publish', { data: { revision: draft.revision } }))
}

/** A day on which every event is worked by hand, `speed` times as fast as the clock. @returns its id */
export const practiceDay = async (request: APIRequestContext, speed: number, people = 4): Promise<string> => {
  const wish = { standardId: 'every-kind', version: 1, people, speed, seed: 5, ownEventId: 'all-events' }
  const { id } = (await answered(await request.post('/api/rehearsals', { data: wish }))) as { id: string }
  expect(id).toBeTruthy()
  return id
}
