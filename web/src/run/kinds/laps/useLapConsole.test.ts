import { planFor, rehearseWave, seededRandom, type Capture } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { expect, test } from 'vitest'
import type { Day } from '../../../day/day.ts'
import { entry, openDay } from '../../../../testing/openDay.ts'
import { useAgreedClock } from '../../../sync/agreedClock.ts'
import { useLapConsole, type RunEvent } from './useLapConsole.ts'

const run = standardNamed('v3').events[1]
if (run?.protocol.kind !== 'timedDistance') throw new Error('The demo standard changed.')
const event = run as RunEvent

const open = async (captures: readonly Capture[] = [], role: 'timer' | 'viewer' = 'timer') => {
  const entries = [entry(28), entry(31), entry(9), entry(14, { attendance: 'held' }), entry(2, { wave: 2 })]
  const { store, day, server } = await openDay({ entries, captures, role })
  return { lap: useLapConsole(() => day, event), store, server }
}

const startNow = async (lap: Awaited<ReturnType<typeof open>>['lap']) => {
  const moment = useAgreedClock().moment()
  if (moment) await lap.start({ ...moment, atMs: moment.atMs - 60_000 })
}
const lapsOf = (lap: Awaited<ReturnType<typeof open>>['lap'], bib: number) =>
  lap.board.value.runners.find(({ entryId }) => entryId === entry(bib).id)?.lapsDone

/** The plan of a day whose run was measured on a lap of 250 m. */
const published = planFor(standardNamed('v3'), null)
const PLANNED_ON_250: Day['plan'] = {
  plan: {
    ...published,
    events: published.events.map((one) =>
      one.eventId === 'run' ? { ...one, ground: { shape: 'loop', lengthMm: 250_000, surface: 'grass' } } : one,
    ),
  },
  revision: 1,
  editedBy: 'Ines Calloway',
  editedAtMs: 1,
}

test('when a wave is in, the next one is suggested', async () => {
  const stage = { eventId: 'run', deviceId: 'laptop', random: seededRandom(1) }
  const script = { entryId: entry(28).id, finishMs: 500_000 }
  const { lap } = await open(rehearseWave(stage, event.protocol, 1, Date.now() - 700_000, [script]))
  expect(lap.wave.value).toBe(2)
})

test('on the line stand those of the wave who are here, in bib order', async () => {
  const { lap } = await open()
  expect(lap.runners.value.map(({ bib }) => bib)).toEqual([9, 28, 31])
  expect(lap.waves.value).toEqual([1, 2])
})

test('the start names who stood on the line', async () => {
  const { lap, store } = await open()
  await startNow(lap)
  const [start] = store.allIn('run')
  expect(start).toMatchObject({
    kind: 'waveStarted',
    entryId: null,
    payload: { wave: 1, entryIds: [9, 28, 31].map((bib) => entry(bib).id) },
  })
  expect(lap.message.value?.text).toBe('Wave 1 started with 3 runners.')
})

test('on ground of another lap the start tells it, and its laps are shown before as well as after', async () => {
  const { store, day } = await openDay({
    entries: [entry(28)],
    change: { plan: PLANNED_ON_250 },
  })
  const lap = useLapConsole(() => day, event)
  // 2,000 m on 250 m, where the standard speaks of 400 m
  expect([lap.board.value.laps, lap.board.value.runners[0]?.lapsToGo]).toEqual([8, 8])
  await startNow(lap)
  expect(store.allIn('run')[0]).toMatchObject({ kind: 'waveStarted', payload: { lapLengthMm: 250_000 } })
  lap.crossBib(28)
  expect([lap.board.value.laps, lap.board.value.runners[0]?.lapsToGo]).toEqual([8, 7])
})

test('a start that tells no lap was on the published one, whatever the plan says since', async () => {
  const stage = { eventId: 'run', deviceId: 'laptop', random: seededRandom(1) }
  const script = { entryId: entry(28).id, finishMs: 500_000 }
  const { day } = await openDay({
    entries: [entry(28)],
    captures: rehearseWave(stage, event.protocol, 1, Date.now() - 700_000, [script]),
    change: { plan: PLANNED_ON_250 },
  })
  const lap = useLapConsole(() => day, event)
  expect(lap.board.value.laps).toBe(5)
  expect(lap.board.value.runners[0]).toMatchObject({ state: 'home', lapsDone: 5 })
})

test('a bib that is typed is stamped with the moment of the key', async () => {
  const { lap, store } = await open()
  await startNow(lap)
  lap.crossBib(28)
  expect(lapsOf(lap, 28)).toBe(1)
  const crossing = store.allIn('run').find(({ kind }) => kind === 'crossed')
  expect(Math.abs((crossing?.atMs ?? 0) - Date.now())).toBeLessThan(2_000)
  expect(lap.message.value?.text).toMatch(/^28 T\. Number-28: lap 1 at 1:0\d\.\d$/)
})

test('laps to go and what the standard announces are told with the crossing', async () => {
  const { day } = await openDay({ entries: [entry(28)], role: 'timer' })
  const protocol = { ...event.protocol, lapsCalledBy: 'the timer', announcements: [{ atLap: 2, say: 'Keep left' }] }
  const lap = useLapConsole(() => day, { ...event, protocol })
  await startNow(lap)
  lap.crossBib(28)
  expect(lap.message.value?.text).toMatch(/lap 1 at 1:0\d\.\d\. 4 to go$/)
  const moment = useAgreedClock().moment()
  if (moment) lap.crossBib(28, { ...moment, atMs: moment.atMs + 90_000 })
  expect(lap.message.value?.text).toMatch(/lap 2 at 2:3\d\.\d\. (Keep left\. 3 to go|3 to go\. Keep left)$/)
})

test.each([
  ['nobody wears', 99, 'Bib 99 is not entered in wave 1.'],
  ['somebody of another wave wears', 2, 'Bib 2 is not entered in wave 1.'],
  ['somebody held wears', 14, 'Bib 14 is not entered in wave 1.'],
])('a bib %s keeps its time without a bib', async (_, bib, words) => {
  const { lap } = await open()
  await startNow(lap)
  lap.crossBib(bib)
  expect(lap.unassigned.value).toHaveLength(1)
  expect(lap.message.value).toMatchObject({ kind: 'look', text: expect.stringContaining(words) })
})

test('a runner who is home already keeps the time without a bib, and the finish as it is', async () => {
  const stage = { eventId: 'run', deviceId: 'laptop', random: seededRandom(1) }
  const captures = rehearseWave(stage, event.protocol, 1, Date.now() - 700_000, [
    { entryId: entry(28).id, finishMs: 500_000 },
  ])
  const { lap } = await open(captures)
  lap.wave.value = 1
  lap.crossBib(28)
  expect(lap.message.value?.text).toContain('Bib 28 is not on the course any more.')
  expect(lap.board.value.runners[0]).toMatchObject({ state: 'home', elapsedMs: 500_000 })
  expect(lap.unassigned.value).toHaveLength(1)
})

test('presses faster than the disk go each to the runner who is then next', async () => {
  const { lap } = await open()
  await startNow(lap)
  await Promise.all([lap.crossNext(), lap.crossNext(), lap.crossNext()])
  expect([9, 28, 31].map((bib) => lapsOf(lap, bib))).toEqual([1, 1, 1])
})

test('a time first gets its bib later; a wrong bib leaves it waiting', async () => {
  const { lap } = await open()
  await startNow(lap)
  await lap.crossUnknown()
  const captureId = lap.unassigned.value[0]?.captureId ?? ''
  expect(lap.assign(captureId, 99)).toBe(false)
  expect(lap.unassigned.value).toHaveLength(1)
  expect(lap.assign(captureId, 31)).toBe(true)
  expect(lap.unassigned.value).toHaveLength(0)
  expect(lapsOf(lap, 31)).toBe(1)
})

test('undo takes back the last thing, one after the other, and says when nothing is left', async () => {
  const { lap, store } = await open()
  await startNow(lap)
  lap.crossBib(28)
  lap.crossBib(31)
  await lap.undo()
  expect(lap.message.value?.text).toBe('Undone: the crossing of bib 31.')
  expect([lapsOf(lap, 28), lapsOf(lap, 31)]).toEqual([1, 0])
  await Promise.all([lap.undo(), lap.undo()])
  expect(lap.board.value.startedAtMs).toBeNull()
  await lap.undo()
  expect(lap.message.value?.text).toContain('left to undo')
  expect(store.allIn('run')).toHaveLength(6)
})

test("undo leaves another device's captures and an officer's decision alone", async () => {
  const stage = { eventId: 'run', deviceId: 'another', random: seededRandom(1) }
  const captures = rehearseWave(stage, event.protocol, 1, Date.now() - 60_000, [
    { entryId: entry(28).id, finishMs: 500_000 },
  ])
  const { lap } = await open(captures)
  lap.wave.value = 1
  await lap.undo()
  expect(lap.message.value?.text).toContain('Nothing captured on this device')
  expect(lap.board.value.startedAtMs).not.toBeNull()
})

test('somebody who stops leaves the course with the reason and the note', async () => {
  const { lap, store } = await open()
  await startNow(lap)
  await lap.stopRunner(entry(9).id, 'withdrawn', '  Ankle  ')
  expect(lap.board.value.runners.at(-1)).toMatchObject({ state: 'ended', endedBy: 'withdrawn' })
  const stop = store.allIn('run').find(({ kind }) => kind === 'stopped')
  expect(stop).toMatchObject({ payload: { reason: 'withdrawn', note: 'Ankle' } })
  expect(lap.stillOut.value).toBe(2)
})

test('who may only look is offered nothing', async () => {
  const { lap } = await open([], 'viewer')
  expect([lap.mayCapture.value, lap.ready.value]).toEqual([false, false])
})
