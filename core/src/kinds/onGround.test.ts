import { expect, test } from 'vitest'
import { crossed, ENTRY, at, waveStarted } from '../../testing/stamped.ts'
import type { Capture } from '../capture/capture.ts'
import { PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import { lapBoard } from './timedDistance/lapBoard.ts'
import type { TimedDistance } from './timedDistance/protocol.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { measureEntry } from './measureEntry.ts'
import { protocolTemplate } from './protocolTemplates.ts'
import { rulingFor } from './rulingFor.ts'

const protocolOf = (kind: EventKind, change: object): Protocol => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  return parsed.value
}
const RUN = protocolOf('timedDistance', { distanceMm: 2_000_000, lapLengthMm: 400_000, lapsCalledBy: 'the timer' })
const TWELVE = protocolOf('distanceInTime', { durationMs: 720_000, lapLengthMm: 400_000, markEveryMm: 1_000 })

const RUNNER = { entryId: ENTRY, wave: 1 }
const startOn = (lapLengthMm?: number): Extract<Capture, { kind: 'waveStarted' }> => {
  const start = waveStarted()
  return lapLengthMm === undefined ? start : { ...start, payload: { ...start.payload, lapLengthMm } }
}
const laps = (count: number, lapMs: number): Capture[] =>
  Array.from({ length: count }, (_, index) => crossed((index + 1) * lapMs))
const measured = (protocol: Protocol, captures: readonly Capture[]) =>
  measureEntry({ protocol }, RUNNER, captures, null)

test('2,000 m on a lap of 333 m are seven crossings, the first after 2 m', () => {
  const start = startOn(333_000)
  const first = crossed(1_000)
  const six = laps(6, 90_000)
  expect(measured(RUN, [start, first, ...six.slice(0, 5)])).toMatchObject({ kind: 'running', soFar: 6, of: 7 })
  expect(measured(RUN, [start, first, ...six])).toMatchObject({
    kind: 'complete',
    value: 540_000,
    notes: [{ code: 'measuredLap', lapMm: 333_000, publishedMm: 400_000 }],
  })
  // on the published lap the fifth of these would have been the finish
  expect(measured(RUN, [startOn(), first, ...six])).toMatchObject({ kind: 'complete', value: 360_000 })
})

test('2,000 m on a lap of 500 m are four crossings, and nobody is asked for a fifth', () => {
  expect(measured(RUN, [startOn(500_000), ...laps(4, 140_000)])).toMatchObject({ kind: 'complete', value: 560_000 })
  const [runner] = lapBoard(RUN as TimedDistance, 1, [RUNNER], [startOn(500_000), ...laps(1, 140_000)], 560_000).runners
  expect(runner).toMatchObject({ lapsDone: 1, lapsToGo: 3 })
  // three laps more at the pace of the first
  expect(runner?.dueAtMs).toBe(startOn().atMs + 280_000)
})

test('what is called at a lap, and how soon somebody can be round, go by the lap that is run', () => {
  const { calls } = rulingFor({ protocol: RUN }, { ...RUNNER, category: 'open' }, laps(1, 140_000), 0, startOn(500_000))
  expect(calls).toMatchObject([{ code: 'lapsToGo', figures: { laps: 3 } }])
  // 200 m in 25 s is quick, 400 m in 25 s is quicker than anybody
  const doubtsOn = (lap?: number) => measured(RUN, [startOn(lap), ...laps(1, 25_000)]).doubts ?? []
  expect(doubtsOn(200_000)).toEqual([])
  expect(doubtsOn()).toMatchObject([{ code: 'soonerThanAnybody' }])
})

test('a distance in a time is made of the laps that were run', () => {
  const mark = at(721_000, { kind: 'markedAt', payload: { beyondLineMm: 120_000 } })
  const captures = [...laps(7, 100_000), mark]
  // 7 × 333 m and 120 m; 7 × 400 m and 120 m
  expect(measured(TWELVE, [startOn(333_000), ...captures])).toMatchObject({ kind: 'complete', value: 2_451_000 })
  expect(measured(TWELVE, [startOn(), ...captures])).toMatchObject({ kind: 'complete', value: 2_920_000 })
  // a mark beyond the lap of this ground is asked about
  const beyond = at(721_000, { kind: 'markedAt', payload: { beyondLineMm: 350_000 } })
  expect(measured(TWELVE, [startOn(333_000), beyond]).doubts).toMatchObject([{ code: 'outsideSense' }])
  expect(measured(TWELVE, [startOn(), beyond]).doubts).toBeUndefined()
})
