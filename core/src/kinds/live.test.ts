import { expect, test } from 'vitest'
import { at, bare, crossed, ENTRY, ended, faulted, lifted, passed, waveStarted } from '../../testing/stamped.ts'
import { protocolTemplate } from './protocolTemplates.ts'
import { PROTOCOLS, type EventKind, type Protocol, type ProtocolOf } from './kinds.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { measureEntry } from './measureEntry.ts'
import type { Capture } from '../capture/capture.ts'
import { followChain } from './workChain/referee.ts'
import { followCourse } from './stationCourse/referee.ts'
import { followLifts } from './heaviestLift/referee.ts'
import { followShuttle } from './progressiveShuttle/referee.ts'
import { followSteps } from './stepTest/referee.ts'

const protocolOf = <Kind extends EventKind>(kind: Kind, change: object = {}): ProtocolOf<Kind> => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  // the class of a kind was chosen by that kind
  return parsed.value as ProtocolOf<Kind>
}
const measured = (
  protocol: Protocol,
  captures: readonly Capture[],
  start: Capture = waveStarted(),
  asOfMs: number | null = null,
) => measureEntry({ protocol }, { entryId: ENTRY, wave: 1 }, [start, ...captures], asOfMs)
const valueOf = (protocol: Protocol, captures: readonly Capture[], start?: Capture) => {
  const measure = measured(protocol, captures, start)
  return measure.kind === 'complete' ? measure.value : measure.kind
}

// held position

const hold = protocolOf('heldPosition', { cautionsAllowed: 1, capMs: 240_000 })

test('a hold lasts from the start to the moment it is lost', () => {
  expect(valueOf(hold, [bare(0, 'started'), ended(92_400)])).toBe(92_400)
  expect(valueOf(hold, [bare(0, 'started')])).toBe('running')
})
test('a hold is ended by the caution over the limit, at its moment', () => {
  expect(valueOf(hold, [bare(0, 'started'), bare(30_000, 'cautioned')])).toBe('running')
  expect(valueOf(hold, [bare(0, 'started'), bare(30_000, 'cautioned'), bare(61_200, 'cautioned')])).toBe(61_200)
})
test('nobody holds beyond the cap: just under, exactly on, just over', () => {
  for (const [stoppedMs, heldMs] of [
    [239_999, 239_999],
    [240_000, 240_000],
    [240_001, 240_000],
  ] as const) {
    expect(valueOf(hold, [bare(0, 'started'), ended(stoppedMs)])).toBe(heldMs)
  }
})
test('a backup watch on a hold is combined by the rule of the standard, the slower of two by default', () => {
  const stamps = [bare(0, 'started'), ended(92_400), crossed(92_700, 2)]
  expect(valueOf(hold, stamps)).toBe(92_700)
  const mean = protocolOf('heldPosition', { watchRule: { watches: 2, ofTwo: 'mean', ofThree: 'middle' } })
  expect(valueOf(mean, stamps)).toBe(92_550)
})
test('two devices that start and stop leave the doubt of both their clocks', () => {
  const stop = at(92_400, { kind: 'stopped', payload: { reason: 'ended' } }, { deviceId: 'device-2', uncertaintyMs: 9 })
  expect(measured(hold, [bare(0, 'started'), stop])).toMatchObject({ kind: 'complete', clockUncertaintyMs: 13 })
})
test('a stop for safety ends a hold without a figure', () => {
  const stop = at(50_000, { kind: 'stopped', payload: { reason: 'safety' } })
  expect(measured(hold, [bare(0, 'started'), stop])).toMatchObject({ kind: 'ended', reason: 'safety' })
})

// distance in a time

const twelve = protocolOf('distanceInTime', { durationMs: 720_000, lapLengthMm: 400_000, markEveryMm: 10_000 })
const standingAt = (beyondLineMm: number) => at(725_000, { kind: 'markedAt', payload: { beyondLineMm } })

test('whole laps before the limit and the mark beyond the line make the distance', () => {
  const laps = [120_000, 240_000, 360_000, 480_000, 600_000].map((ms) => crossed(ms))
  expect(valueOf(twelve, [...laps, standingAt(230_000)], waveStarted())).toBe(2_230_000)
})
test('a line crossed exactly at the limit counts, a millisecond later it does not', () => {
  expect(valueOf(twelve, [crossed(720_000), standingAt(0)], waveStarted())).toBe(400_000)
  expect(valueOf(twelve, [crossed(720_001), standingAt(390_000)], waveStarted())).toBe(390_000)
})
test('without the mark there is no distance yet', () => {
  expect(valueOf(twelve, [crossed(120_000)], waveStarted())).toBe('running')
})

// progressive shuttle: 20 m, two shuttles of 10 s and three of 8 s

const shuttle = protocolOf('progressiveShuttle', {
  speeds: undefined,
  levels: [
    { metresPerHour: 7_200, shuttles: 2 },
    { metresPerHour: 9_000, shuttles: 3 },
  ],
  missesAllowed: 1,
})
test('a second miss in a row puts a runner out, at the shuttle before the first of them', () => {
  // signals at 10, 20, 28, 36, 44 s: missed at 28 and at 36
  expect(valueOf(shuttle, [bare(28_900, 'missed'), bare(36_500, 'missed')], waveStarted())).toBe(102)
})
test('misses that are not in a row leave a runner in', () => {
  const misses = [bare(20_500, 'missed'), bare(36_400, 'missed')]
  expect(valueOf(shuttle, misses, waveStarted())).toBe('running')
  expect(valueOf(shuttle, [...misses, ended(43_999)], waveStarted())).toBe(201)
})
test('two touches for one line are one miss', () => {
  expect(valueOf(shuttle, [bare(28_100, 'missed'), bare(28_800, 'missed')], waveStarted())).toBe('running')
})
test('whoever steps out is measured at the last signal: just before it, exactly on it', () => {
  expect(valueOf(shuttle, [ended(27_999)], waveStarted())).toBe(102)
  expect(valueOf(shuttle, [ended(28_000)], waveStarted())).toBe(201)
})
test('only the last completed level counts where the standard says so', () => {
  const byLevel = { ...shuttle, counts: 'lastCompletedLevel' as const }
  expect(valueOf(byLevel, [ended(36_000)], waveStarted())).toBe(1)
  expect(valueOf(byLevel, [ended(44_000)], waveStarted())).toBe(2)
})
test('a runner who reaches the end of the schedule is out by that', () => {
  expect(followShuttle(shuttle, [ended(44_000)], waveStarted()).end?.by).toBe('schedule')
})

// sprint

const sprint = protocolOf('sprint', { attemptsAllowed: 2, select: 'best' })
test('the better of two tries counts, and a try that runs waits', () => {
  const first = [bare(0, 'started'), crossed(9_400)]
  expect(valueOf(sprint, first)).toBe(9_400)
  expect(valueOf(sprint, [...first, bare(60_000, 'started')])).toBe('running')
  expect(valueOf(sprint, [...first, bare(60_000, 'started'), crossed(68_900)])).toBe(8_900)
})
test('a start before the finish is a false start: the try begins anew', () => {
  expect(valueOf(sprint, [bare(0, 'started'), bare(20_000, 'started'), crossed(29_300)])).toBe(9_300)
})
test('the slower of two watches counts', () => {
  const watched = protocolOf('sprint', { watchRule: { watches: 2, ofTwo: 'slower', ofThree: 'middle' } })
  expect(valueOf(watched, [bare(0, 'started'), crossed(9_400), crossed(9_550, 2)])).toBe(9_550)
})
test('tries beyond those allowed are left out', () => {
  const tries = [0, 1, 2].flatMap((n) => [bare(n * 60_000, 'started'), crossed(n * 60_000 + 9_000 - n * 100)])
  expect(valueOf(sprint, tries)).toBe(8_900)
})

// heaviest lift: from 40 kg by 5 kg, one failure allowed

const lift = protocolOf('heaviestLift', { startLoadG: 40_000, incrementG: 5_000, failuresAllowed: 1, restMs: 300_000 })
test('the last good lift counts once the misses are used up', () => {
  const lifts = [lifted(0, 40_000, true), lifted(1_000, 45_000, false), lifted(2_000, 45_000, true)]
  expect(valueOf(lift, lifts)).toBe('running')
  expect(valueOf(lift, [...lifts, lifted(3_000, 50_000, false)])).toBe(45_000)
})
test('the next load is a step up after a good lift and the same after a miss, after the rest', () => {
  expect(followLifts(lift, [])).toMatchObject({ nextLoadG: 40_000, restedAtMs: null })
  const good = followLifts(lift, [lifted(0, 40_000, true)])
  expect(good.nextLoadG).toBe(45_000)
  expect(followLifts(lift, [lifted(0, 40_000, false)]).nextLoadG).toBe(40_000)
  expect((good.restedAtMs ?? 0) - (good.lifts[0]?.atMs ?? 0)).toBe(300_000)
})
test('somebody who lifts nothing well has lifted nothing, which is a figure', () => {
  expect(valueOf(lift, [lifted(0, 40_000, false), lifted(1_000, 40_000, false)])).toBe(0)
})

// station course

const stations = [
  { id: 'stairs', name: 'Stairs', task: 'Climb.', faultsAllowed: 2 },
  { id: 'drums', name: 'Drums', task: 'Carry.' },
  { id: 'dummy', name: 'Dummy', task: 'Drag.' },
]
const course = protocolOf('stationCourse', { stations })
const through = [bare(0, 'started'), passed(150_000, 'stairs'), passed(240_000, 'drums'), passed(400_250, 'dummy')]
test('the clock of a course runs from the start to the last station', () => {
  expect(valueOf(course, through)).toBe(400_250)
  expect(valueOf(course, through.slice(0, 3))).toBe('running')
})
test('a station stamped before its turn does not count', () => {
  const captures = [bare(0, 'started'), passed(100_000, 'drums'), passed(150_000, 'stairs'), passed(240_000, 'drums')]
  expect(followCourse(course, captures)).toMatchObject({ current: { id: 'dummy' }, outOfOrder: ['drums'] })
  expect(measured(course, captures).notes).toEqual([{ code: 'outOfOrder', part: 'drums' }])
})
test('the fault over what is allowed ends the course at once, the last allowed one does not', () => {
  const faults = [bare(0, 'started'), faulted(10_000, 'stairs'), faulted(20_000, 'stairs')]
  expect(measured(course, faults).kind).toBe('running')
  expect(measured(course, [...faults, faulted(30_000, 'stairs')])).toMatchObject({
    kind: 'ended',
    reason: 'failed',
    notes: [{ code: 'faultsTooMany', where: 'Stairs', faults: 3, allowed: 2 }],
  })
})

// work chain: run, five squats, run

const chain = protocolOf('workChain', {
  segments: [
    { id: 'out', name: 'Out', distanceMm: 400_000 },
    { id: 'squats', name: 'Squats', repetitions: 5, setsAllowed: true },
    { id: 'back', name: 'Back', distanceMm: 400_000 },
  ],
})
const squats = [92_000, 94_000, 96_000, 110_000, 112_000].map((ms) => bare(ms, 'counted'))
test('a chain is complete with its last segment, and repetitions open the next by themselves', () => {
  const captures = [bare(0, 'started'), passed(90_000, 'out'), ...squats, passed(205_500, 'back')]
  expect(valueOf(chain, captures)).toBe(205_500)
  expect(followChain(chain, captures).parts[1]).toMatchObject({ sets: [3, 2], completeAfterMs: 112_000 })
})
test('work before its segment is open does not count', () => {
  const captures = [bare(0, 'started'), ...squats.map((squat) => ({ ...squat, atMs: squat.atMs - 60_000 }))]
  expect(followChain(chain, [...captures, passed(80_000, 'back')])).toMatchObject({ open: 0, outOfOrder: ['back'] })
})

// step test: four minutes, pulse for 30 s from 5 s after

const steps = protocolOf('stepTest', { durationMs: 240_000, pulseAfterMs: 5_000, pulseWindowMs: 30_000 })
test('beats count within the window, both ends included', () => {
  const beats = [244_999, 245_000, 260_000, 275_000, 275_001].map((ms) => bare(ms, 'counted'))
  expect(followSteps(steps, [bare(0, 'started'), ...beats]).beats).toBe(3)
})
test('an early stop is measured to its moment and gives no pulse', () => {
  expect(followSteps(steps, [bare(0, 'started'), ended(100_000)])).toMatchObject({
    stoppedAfterMs: 100_000,
    pulseFromMs: null,
  })
  expect(measured(steps, [bare(0, 'started'), ended(100_000)])).toMatchObject({ reason: 'didNotFinish' })
})
test('the count that is entered is judged by the minute', () => {
  const read = at(276_000, { kind: 'read', payload: { slot: 'pulse', value: 61 } })
  expect(valueOf(steps, [bare(0, 'started'), ended(240_000), read])).toBe(122)
})

// repetitions

test('repetitions to a cadence end with the missed beat that is one too many', () => {
  const cadence = protocolOf('repetitionsToCadence', { missedBeatsAllowed: 1 })
  const captures = [bare(0, 'started'), bare(2_000, 'counted'), bare(4_000, 'missed'), bare(6_000, 'counted')]
  expect(measured(cadence, captures).kind).toBe('running')
  expect(measured(cadence, [...captures, bare(8_000, 'missed'), bare(9_000, 'counted')])).toMatchObject({
    kind: 'complete',
    value: 2,
    reading: { endedBy: 'missedBeats' },
    notes: [{ code: 'countedAfterEnd', count: 1 }],
  })
})
test('repetitions to failure go on without a clock, and stop at their cap', () => {
  const pullUps = protocolOf('repetitionsToFailure', { capRepetitions: 3 })
  const counted = [60_000, 4_000_000, 9_000_000].map((ms) => bare(ms, 'counted'))
  expect(measured(pullUps, [bare(0, 'started'), ...counted.slice(0, 2)]).kind).toBe('running')
  expect(measured(pullUps, [bare(0, 'started'), ...counted])).toMatchObject({
    value: 3,
    reading: { endedBy: 'cap' },
  })
})
test('where the clock stands during rests, the time stood is added at the end', () => {
  const inTime = protocolOf('repetitionsInTime', { durationMs: 60_000, clockRunsOn: false })
  const captures = [bare(0, 'started'), bare(20_000, 'paused'), bare(35_000, 'resumed'), bare(75_000, 'counted')]
  expect(measured(inTime, captures)).toMatchObject({ kind: 'running', soFar: 1 })
  expect(measured({ ...inTime, clockRunsOn: true }, captures)).toMatchObject({ kind: 'complete', value: 0 })
})
test('a figure from a card takes the place of what was counted', () => {
  const protocol = protocolOf('repetitionsInTime')
  const event = { id: 'event', protocol } as Parameters<typeof measureEntry>[0]
  const read = at(90_000, { kind: 'read', payload: { slot: 'count', value: 31 } })
  const measure = measureEntry(event, { entryId: read.entryId ?? '', wave: 1 }, [
    bare(0, 'started'),
    bare(2_000, 'counted'),
    read,
  ])
  expect(measure).toMatchObject({ kind: 'complete', value: 31 })
})

// timed distance with backups

const run = protocolOf('timedDistance', { distanceMm: 800_000, lapLengthMm: 400_000 })
test('a backup watch near the finish is combined with the timer, the slower of two', () => {
  const captures = [crossed(90_000), crossed(180_000), crossed(180_240, 2)]
  expect(measured(run, captures)).toMatchObject({
    value: 180_240,
    reading: { watches: { timesMs: [180_000, 180_240], by: 'slower' } },
  })
})
test('the middle of three watches counts, and a backup stamp far from the finish is not meant for it', () => {
  const three = [crossed(90_000), crossed(180_000), crossed(180_240, 2), crossed(179_900, 3)]
  expect(measured(run, three)).toMatchObject({ value: 180_000 })
  const far = [crossed(90_000), crossed(180_000), crossed(174_999, 2)]
  expect(measured(run, far)).toMatchObject({ value: 180_000 })
})
test('a lap that was put in later is told, and the finish is as stamped', () => {
  const put = at(90_000, { kind: 'crossed', payload: { estimated: true } })
  expect(measured(run, [put, crossed(180_000)])).toMatchObject({
    value: 180_000,
    notes: [{ code: 'stampEstimated', laps: [1] }],
  })
})
