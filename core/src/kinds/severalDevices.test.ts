/** Several devices on one event: what one saw twice counts once, and what one takes back the others do not keep. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { at as stampAt, ENTRY } from '../../testing/stamped.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { inputsIn } from '../judge/inputsOf.ts'
import { PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import { protocolTemplate } from './protocolTemplates.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { Capture, Observation } from '../capture/capture.ts'
import { lapBoard } from './timedDistance/lapBoard.ts'
import { measureEntry } from './measureEntry.ts'
import { settleCaptures, voidedIds } from '../capture/settleCaptures.ts'

/** On the device of the timer, where nothing else is said. */
const at = (afterMs: number, observation: Observation, change: Partial<Capture> = {}): Capture =>
  stampAt(afterMs, observation, { deviceId: 'one', ...change } as Partial<Capture>)
const BEN = '00000000-0000-4000-8000-000000000009'
const eventOf = (kind: EventKind, change: object = {}): StandardEvent => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  return { id: 'event', protocol: parsed.value } as StandardEvent // measuring asks nothing else of it
}
// 800 m in two laps
const RUN = eventOf('timedDistance', { distanceMm: 800_000, lapLengthMm: 400_000 })
const measured = (captures: readonly Capture[], event = RUN, entryId = ENTRY) =>
  measureEntry(event, { entryId, wave: 1 }, settleCaptures(captures))

const on = (deviceId: string, more: Partial<Pick<Capture, 'clockRun' | 'uncertaintyMs' | 'entryId'>> = {}) => ({
  deviceId,
  ...more,
})
const started = (afterMs: number, deviceId = 'one') =>
  at(afterMs, { kind: 'waveStarted', payload: { wave: 1, entryIds: [ENTRY, BEN] } }, { deviceId, entryId: null })
const crossing = (afterMs: number, change: object = {}, watch?: 1 | 2 | 3) =>
  at(afterMs, { kind: 'crossed', payload: watch ? { watch } : {} }, change)
const voiding = (target: Capture, afterMs: number, deviceId = 'one') =>
  at(afterMs, { kind: 'voided', payload: { captureId: target.id, reason: 'wrong' } }, { deviceId, entryId: null })

test('a second device that stamps watch 1 too adds no laps, and the timer’s own stamp counts', () => {
  const timer = [crossing(90_000), crossing(190_000)]
  const second = [crossing(89_900, on('two')), crossing(190_080, on('two'))]
  const measure = measured([started(0), ...timer, ...second])
  expect(measure).toMatchObject({ kind: 'complete', value: 190_000, reading: { splitsMs: [90_000, 100_000] } })
  expect(measure.notes).toEqual([{ code: 'stampedTwice', count: 2 }])
  // whoever started is not at the line: the first stamp of each crossing counts
  expect(measured([started(0, 'three'), ...timer, ...second])).toMatchObject({
    value: 190_000,
    reading: { splitsMs: [89_900, 100_100] },
  })
})

test.each([
  // within 5 s another device means the same crossing, beyond it the next one
  [4_999, 'running'],
  [5_000, 'running'],
  [5_001, 'complete'],
] as const)('a stamp of another device %i ms later: %s', (laterMs, kind) => {
  expect(measured([started(0), crossing(90_000), crossing(90_000 + laterMs, on('two'))]).kind).toBe(kind)
})

test('two stamps of one device are two crossings, however near, and one device may go on for another', () => {
  expect(measured([started(0), crossing(90_000), crossing(90_300)]).kind).toBe('complete')
  expect(measured([started(0), crossing(90_000), crossing(190_000, on('two'))])).toMatchObject({ value: 190_000 })
})

test('the board counts a crossing that two devices stamped once', () => {
  const captures = settleCaptures([started(0), crossing(90_000), crossing(90_200, on('two'))])
  const { runners, crossings } = lapBoard(
    RUN.protocol as Extract<Protocol, { kind: 'timedDistance' }>,
    1,
    [{ entryId: ENTRY, wave: 1 }],
    captures,
    200_000,
  )
  expect(runners).toMatchObject([{ lapsDone: 1, lapsToGo: 1 }])
  expect(crossings).toMatchObject([{ lap: 1, elapsedMs: 90_000 }])
})

test('laps of a distance in a time that two devices stamped count once', () => {
  const twelve = eventOf('distanceInTime', { durationMs: 720_000, lapLengthMm: 400_000, markEveryMm: 10_000 })
  const laps = [100_000, 200_000].flatMap((ms) => [crossing(ms), crossing(ms + 150, on('two'))])
  expect(measured([started(0), ...laps], twelve)).toMatchObject({ kind: 'running', soFar: 2 })
})

test('a false start that is voided takes with it what another device gave of it, and the new start stands', () => {
  const [first, twin, anew] = [started(0), started(300, 'two'), started(59_600)]
  const finish = [crossing(150_000), crossing(249_600)]
  const voided = voiding(first, 10_000, 'officer')
  expect(measured([first, twin, voided, anew, ...finish])).toMatchObject({ kind: 'complete', value: 190_000 })
  // the other way round too, and it comes back when the void is voided
  expect(measured([first, twin, voiding(twin, 10_000), anew, ...finish])).toMatchObject({ value: 190_000 })
  expect(measured([first, twin, voided, voiding(voided, 11_000), ...finish])).toMatchObject({ value: 249_600 })
})

test('a start given at once after the void, on another device, is a new one', () => {
  const [first, anew] = [started(0), started(3_000, 'two')]
  const finish = [crossing(100_000, on('two')), crossing(193_000, on('two'))]
  expect(measured([first, voiding(first, 2_000), anew, ...finish])).toMatchObject({ value: 190_000 })
})

test('a start of one candidate that is voided takes with it that of a second grader', () => {
  const reps = eventOf('repetitionsInTime')
  const [mine, theirs] = [at(0, { kind: 'started', payload: {} }), at(400, { kind: 'started', payload: {} }, on('two'))]
  expect(measured([mine, theirs, voiding(mine, 5_000)], reps).kind).toBe('notStarted')
  const ben = at(400, { kind: 'started', payload: {} }, on('two', { entryId: BEN }))
  expect(measured([mine, ben, voiding(mine, 5_000)], reps, BEN).kind).toBe('running')
})

test('a void of a void counts whatever the clocks say', () => {
  const stamp = crossing(90_000)
  const voided = voiding(stamp, 100_000)
  // made later, by a clock that is 10 ms behind
  const back = voiding(voided, 99_990, 'two')
  expect(voidedIds([stamp, voided, back])).toEqual(new Set([voided.id]))
  const again = voiding(back, 99_980, 'three')
  expect(voidedIds([again, back, voided, stamp])).toEqual(new Set([stamp.id, back.id]))
})

test('whichever way voids name each other, they are looked at in any order with one result', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(12), fc.nat(100_000)), { minLength: 1, maxLength: 13 }),
      fc.integer(),
      (voids, seed) => {
        const stamp = crossing(90_000)
        const made = voids.map(([, afterMs]) => voiding(stamp, afterMs))
        // each names one of the others, itself or the stamp
        const all: Capture[] = [
          stamp,
          ...made.map((one, index) => ({
            ...one,
            payload: { captureId: (made[(voids[index]?.[0] ?? 0) % (made.length + 1)] ?? stamp).id, reason: 'x' },
          })),
        ] as Capture[] // voids with another target
        const shuffled = [...all].sort((a, b) => (a.id + seed > b.id + seed ? 1 : -1)).reverse()
        const ids = [...voidedIds(all)].sort()
        expect([...voidedIds(shuffled)].sort()).toEqual(ids)
      },
    ),
  )
})

test('across a reload one device is no surer than its two agreements', () => {
  const start = { ...started(0), clockRun: 'before', uncertaintyMs: 20 }
  const finish = (clockRun: string) => [
    crossing(90_000),
    crossing(190_000, on('one', { clockRun, uncertaintyMs: 1_050 })),
  ]
  expect(measured([start, ...finish('before')])).toMatchObject({ clockUncertaintyMs: 0 })
  expect(measured([start, ...finish('after')])).toMatchObject({ clockUncertaintyMs: 1_070 })
})

const entered = (afterMs: number, slot: string, value: number) =>
  at(afterMs, { kind: 'read', payload: { slot, value } })
const WATCHED = eventOf('timedDistance', {
  distanceMm: 800_000,
  lapLengthMm: 400_000,
  watchRule: { watches: 3, ofTwo: 'slower', ofThree: 'middle' },
})

test('a backup time typed for somebody who has finished stands beside the stamp, and the two combine', () => {
  const stamps = [started(0), crossing(90_000), crossing(190_000)]
  expect(measured([...stamps, entered(300_000, 'time-watch-2', 190_300)], WATCHED)).toMatchObject({
    kind: 'complete',
    value: 190_300,
    reading: {
      taken: [
        { slot: 'time', value: 190_000, stamped: true },
        { slot: 'time-watch-2', value: 190_300 },
      ],
    },
  })
  // the middle of three: stamped 190.0, stamped by watch 3 190.2, typed 190.3
  const third = crossing(190_200, on('three'), 3)
  expect(measured([...stamps, third, entered(300_000, 'time-watch-2', 190_300)], WATCHED)).toMatchObject({
    value: 190_200,
  })
  // a figure for the timer's own watch takes the place of the stamp
  expect(measured([...stamps, entered(300_000, 'time', 191_000)], WATCHED)).toMatchObject({ value: 191_000 })
  // and a backup alone is no finish
  expect(measured([started(0), crossing(90_000), entered(300_000, 'time-watch-2', 190_300)], WATCHED).kind).toBe(
    'running',
  )
})

test('a stamp that was put to another runner is among the inputs of both', () => {
  const stamp = crossing(90_000)
  const assigned = at(95_000, { kind: 'assigned', payload: { captureId: stamp.id } }, { entryId: BEN })
  const undone = voiding(assigned, 96_000)
  const other = crossing(91_000, on('one', { entryId: BEN }))
  const inputs = inputsIn([stamp, other, assigned, { ...undone, entryId: BEN }])
  expect(inputs(ENTRY).map(({ id }) => id)).toEqual([stamp.id, assigned.id, undone.id])
  expect(inputs(BEN).map(({ id }) => id)).toEqual([stamp.id, other.id, assigned.id, undone.id])
})
