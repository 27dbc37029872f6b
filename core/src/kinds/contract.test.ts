/** What every kind keeps, whatever happens in whatever order: one contract over all of them. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { START_MS } from '../../testing/stamped.ts'
import type { Capture, Observation } from '../capture/capture.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { REFEREE_CODES } from '../referee/codes.ts'
import { NOTHING_OUTSIDE } from '../referee/ruling.ts'
import { EVENT_KINDS, kindOf, PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import type { Measure } from './measure.ts'
import { measureEntry } from './measureEntry.ts'
import { protocolTemplate } from './protocolTemplates.ts'
import { rulingFor } from './rulingFor.ts'

const ANNA = { entryId: 'anna', wave: 1, category: 'female' }

/** Protocols with as many rules as they can have, short enough for a few captures to reach their ends. */
const RULES: Readonly<Partial<Record<EventKind, object>>> = {
  repetitionsInTime: {
    durationMs: 60_000,
    longestPauseMs: 8_000,
    restart: { times: 1, withinFirst: 3, keepsCautions: false },
  },
  repetitionsToFailure: { capMs: 50_000, capRepetitions: 6, longestPauseMs: 9_000 },
  repetitionsToCadence: { missedBeatsAllowed: 2, capRepetitions: 5 },
  heldPosition: { capMs: 40_000, cautionsAllowed: 1 },
  timedDistance: { distanceMm: 900_000, lapLengthMm: 400_000, limitMs: 240_000, cautionsAllowed: 1 },
  distanceInTime: { durationMs: 120_000, cautionsAllowed: 1 },
  progressiveShuttle: { speeds: undefined, levels: [{ metresPerHour: 7_200, shuttles: 5 }], missesAllowed: 1 },
  sprint: { attemptsAllowed: 2, distanceMm: 40_000 },
  heaviestLift: { failuresAllowed: 1, restMs: 20_000 },
  stationCourse: {
    stations: [
      { id: 'stairs', name: 'Stairs', task: 'Up.', rate: { stepsPerMinute: 54, durationMs: 20_000 }, faultsAllowed: 1 },
      { id: 'blows', name: 'Blows', task: 'Strike.', tally: 3 },
      { id: 'drag', name: 'Drag', task: 'Drag.' },
    ],
    limitMs: 150_000,
    cautionsAllowed: 2,
  },
  workChain: {
    segments: [
      { id: 'squats', name: 'Squats', repetitions: 4, setsAllowed: false, refusals: [{ id: 'depth', label: 'Depth' }] },
      { id: 'run', name: 'Run', distanceMm: 100_000 },
    ],
    limitMs: 120_000,
    cautionsAllowed: 1,
  },
  untimedTask: { stoppingAllowed: false },
  stepTest: { durationMs: 20_000, pulseAfterMs: 2_000, pulseWindowMs: 15_000, ifStopped: { atLeastMs: 10_000 } },
}

const protocolOf = (kind: EventKind): Protocol => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...RULES[kind] })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  return parsed.value
}

const made = (index: number, atMs: number, observation: Observation, device = 'one', more: object = {}): Capture =>
  // an observation is a kind with its payload
  ({
    id: String(index).padStart(6, '0'),
    eventId: 'event',
    entryId: observation.kind === 'waveStarted' ? null : 'anna',
    deviceId: device,
    clockRun: `run of ${device}`,
    deviceMs: atMs - START_MS,
    atMs,
    uncertaintyMs: 20,
    ...observation,
    ...more,
  }) as Capture

/** What can be pressed, a reading or two, and ends an officer gives. */
const pressable = (protocol: Protocol): Observation[] => {
  const kind = kindOf(protocol)
  return [
    ...kind.actions(protocol),
    ...kind.actions(protocol),
    ...kind.slots(protocol).map(({ id }): Observation => ({ kind: 'read', payload: { slot: id, value: 100 } })),
    { kind: 'stopped', payload: { reason: 'withdrawn' } },
    { kind: 'stopped', payload: { reason: 'disqualified' } },
  ]
}

/** A start, then presses at random moments. */
const course = (protocol: Protocol): fc.Arbitrary<Capture[]> => {
  const press = fc.record({
    what: fc.constantFrom(...pressable(protocol)),
    afterMs: fc.integer({ min: 50, max: 25_000 }),
  })
  const begin: Observation = kindOf(protocol).startsTogether
    ? { kind: 'waveStarted', payload: { wave: 1, entryIds: ['anna'] } }
    : (kindOf(protocol).actions(protocol)[0] ?? { kind: 'started', payload: {} })
  return fc.array(press, { maxLength: 14 }).map((presses) => {
    let atMs = START_MS
    return [
      made(0, atMs, begin),
      ...presses.map(({ what, afterMs }, index) => made(index + 1, (atMs += afterMs), what)),
    ]
  })
}

/** The measure alone, without what was noticed on the way. */
const figures = ({ notes: _notes, doubts: _doubts, changesAtMs: _changes, ...figure }: Measure): object => figure

const measure = (protocol: Protocol, captures: readonly Capture[], asOfMs: number | null = null): Measure =>
  measureEntry({ protocol }, ANNA, settleCaptures(captures), asOfMs)

const startIn = (captures: readonly Capture[]): Capture | undefined =>
  captures.find(({ kind }) => kind === 'waveStarted')
const ruling = (protocol: Protocol, captures: readonly Capture[], nowMs: number) =>
  rulingFor(
    { protocol },
    ANNA,
    captures.filter(({ entryId }) => entryId !== null),
    nowMs,
    startIn(captures),
    { ...NOTHING_OUTSIDE, deviceId: 'one' },
  )
const lastMs = (captures: readonly Capture[]): number => captures.at(-1)?.atMs ?? START_MS

describe.each(EVENT_KINDS)('%s', (kind) => {
  const protocol = protocolOf(kind)
  const held = kindOf(protocol).held

  test('the order of arrival changes nothing', () => {
    fc.assert(
      fc.property(
        course(protocol).chain((captures) =>
          fc.tuple(fc.constant(captures), fc.shuffledSubarray(captures, { minLength: captures.length })),
        ),
        ([captures, shuffled]) => {
          expect(measure(protocol, shuffled)).toEqual(measure(protocol, captures))
        },
      ),
      { numRuns: 60 },
    )
  })

  test('it stays as it is until the moment it says, and passes on to its end', () => {
    fc.assert(
      fc.property(course(protocol), fc.integer({ min: 0, max: 300_000 }), (captures, laterMs) => {
        let atMs = lastMs(captures)
        for (let passes = 0; passes < 50; passes++) {
          const { changesAtMs } = ruling(protocol, captures, atMs)
          const until = Math.min(changesAtMs ?? Infinity, atMs + laterMs)
          // what is due at a moment has still to wait for captures of it
          expect(figures(measure(protocol, captures, until))).toEqual(figures(measure(protocol, captures, atMs)))
          if (changesAtMs === null) return
          expect(changesAtMs).toBeGreaterThanOrEqual(atMs)
          atMs = changesAtMs + 1
        }
        throw new Error('It does not come to an end.')
      }),
      { numRuns: 60 },
    )
  })

  test('a press does what the ruling says it may', () => {
    fc.assert(
      fc.property(course(protocol), fc.integer({ min: 1, max: 20_000 }), (captures, waitMs) => {
        const nowMs = lastMs(captures) + waitMs
        const before = measure(protocol, captures, nowMs)
        const { may, holder } = ruling(protocol, captures, nowMs)
        for (const action of kindOf(protocol).actions(protocol)) {
          const key = 'part' in action.payload ? `${action.kind} ${action.payload.part}` : action.kind
          const permission = may[key]
          const pressed = [...captures, made(900, nowMs, action, holder ?? 'one')]
          const after = measure(protocol, pressed, nowMs)
          if (permission?.kind !== 'refused') continue
          // refused: nothing but what is told of it may differ
          expect(figures(after), key).toEqual(figures(before))
          const told = after.doubts?.some(({ captures: [id] }) => id === '000900') ?? false
          expect(told, key).toBe(REFEREE_CODES[permission.why.code] === 'againstRule')
        }
      }),
      { numRuns: 60 },
    )
  })

  test('a question that was answered takes the doubt away, and nothing else', () => {
    fc.assert(
      fc.property(course(protocol), (captures) => {
        const doubted = measure(protocol, captures)
        const codes = [...new Set(doubted.doubts?.map(({ code }) => code) ?? [])]
        const answered = measure(
          protocol,
          captures.map((capture) => ({ ...capture, despite: codes })),
        )
        expect(figures(answered)).toEqual(figures(doubted))
        expect(answered.doubts?.filter(({ code }) => REFEREE_CODES[code] === 'hardToBelieve') ?? []).toEqual([])
      }),
      { numRuns: 60 },
    )
  })

  test('a capture given twice, and voided twice, is as given and voided once', () => {
    fc.assert(
      fc.property(course(protocol), fc.nat(), (captures, pick) => {
        const target = captures[pick % captures.length]
        const voids = [1, 2].map((index) =>
          made(900 + index, lastMs(captures) + index, {
            kind: 'voided',
            payload: { captureId: target?.id ?? '', reason: 'no' },
          }),
        )
        const once = measure(protocol, [...captures, ...voids.slice(0, 1)])
        expect(measure(protocol, [...captures, ...captures, ...voids])).toEqual(once)
      }),
      { numRuns: 60 },
    )
  })

  test.runIf(held)('what another device counts beside it is shown and never added', () => {
    fc.assert(
      fc.property(
        course(protocol),
        fc.array(fc.record({ pick: fc.nat(), afterMs: fc.integer({ min: 1, max: 60_000 }) }), { maxLength: 8 }),
        (captures, others) => {
          const shared = kindOf(protocol)
            .actions(protocol)
            .filter((action) => held?.has(action.kind))
          const fromMs = START_MS
          const beside = others.map(({ pick, afterMs }, index) =>
            made(
              500 + index,
              fromMs + afterMs,
              shared[pick % shared.length] ?? { kind: 'counted', payload: {} },
              'two',
            ),
          )
          expect(figures(measure(protocol, [...captures, ...beside]))).toEqual(figures(measure(protocol, captures)))
        },
      ),
      { numRuns: 60 },
    )
  })
})

test('whoever takes over goes on from the count that stood, or from the figure they state', () => {
  const protocol = protocolOf('repetitionsToCadence')
  const press = (index: number, afterMs: number, observation: Observation, device: string): Capture =>
    made(index, START_MS + afterMs, observation, device)
  const counted: Observation = { kind: 'counted', payload: {} }
  const taken = (payload: { counted?: number }): Measure =>
    measure(protocol, [
      press(0, 0, { kind: 'started', payload: {} }, 'one'),
      press(1, 2_000, counted, 'one'),
      press(2, 4_000, counted, 'one'),
      press(3, 5_000, { kind: 'tookOver', payload }, 'two'),
      press(4, 6_000, counted, 'two'),
      press(5, 8_000, counted, 'one'),
      press(6, 9_000, { kind: 'stopped', payload: { reason: 'ended' } }, 'one'),
    ])
  expect(taken({})).toMatchObject({ kind: 'complete', value: 3 })
  expect(taken({ counted: 1 })).toMatchObject({ kind: 'complete', value: 2 })
  // the first device's third is its own count now
  expect(taken({ counted: 1 }).doubts).toMatchObject([{ code: 'countsDiffer', figures: { first: 2, second: 3 } }])
})
