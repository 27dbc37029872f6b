import { expect, test } from 'vitest'
import { ASSUMED_HABITS, learnHabits, type Habits, type PastStart } from './habits.ts'
import { simulateDays, type SoFar } from './simulateDays.ts'
import { makeTimetable, type TimetableTask } from './timetable.ts'
import { whatWouldHelp } from './whatWouldHelp.ts'

const MINUTE = 60_000
const people = (count: number) => Array.from({ length: count }, (_, index) => `p${index}`)
const event = (eventId: string, change: Partial<TimetableTask['events'][number]> = {}) => ({
  eventId,
  stations: 1,
  together: 1,
  slotMs: 2 * MINUTE,
  staff: [],
  day: 0,
  restAfterMs: 0,
  ...change,
})
const task = (events: TimetableTask['events'], heads = 6): TimetableTask => ({
  events,
  waves: [{ wave: 1, entryIds: people(heads) }],
  pins: [],
  dayStartsMs: [0],
})
/** Everybody comes in time and every start takes what is planned. */
const EXACT: Habits = { ...ASSUMED_HABITS, absentPercent: 0, latePercent: 0, stoppedPercent: 0 }
const MINUTES: Readonly<Record<string, number>> = { grip: 2, run: 12, drag: 2 }
const exactly = (...ids: string[]): Habits =>
  exactlyMinutes(Object.fromEntries(ids.map((id) => [id, MINUTES[id] ?? 2])))
const exactlyMinutes = (minutes: Readonly<Record<string, number>>): Habits => ({
  ...EXACT,
  slots: Object.entries(minutes).map(([eventId, each]) => ({
    eventId,
    usualMs: each * MINUTE,
    ownMs: each * MINUTE,
    spreadPercent: 0,
    peopleTenths: eventId === 'run' ? 60 : 10,
    from: 20,
  })),
})
const simulated = (one: TimetableTask, habits: Habits, soFar?: SoFar, days = 50) =>
  simulateDays(one, makeTimetable(one), habits, { day: 0, days, seed: 7, ...(soFar ? { soFar } : {}) })

test('with people in time and starts as planned, every day is the timetable', () => {
  const plain = task([event('grip', { restAfterMs: 3 * MINUTE }), event('run', { together: 6, slotMs: 12 * MINUTE })])
  const { endsMs, likelyMs, middleMs } = simulated(plain, exactly('grip', 'run'))
  // six at the grip, 12 minutes; the last rests until 15, and all run until 27
  expect(new Set(endsMs)).toEqual(new Set([27 * MINUTE]))
  expect([likelyMs, middleMs]).toEqual([27 * MINUTE, 27 * MINUTE])
})

test('the queue stands where the next event is slower, and its length is counted', () => {
  const slower = task([event('grip', { slotMs: MINUTE }), event('drag', { slotMs: 4 * MINUTE })], 5)
  const { events } = simulated(slower, exactlyMinutes({ grip: 1, drag: 4 }))
  // ready at 1, 2, 3, 4, 5 minutes; begun at 1, 5, 9, 13, 17: 0, 3, 6, 9 and 12 minutes of waiting
  expect(events.map(({ eventId, waitMs }) => [eventId, waitMs / MINUTE])).toEqual([
    ['grip', 0],
    ['drag', 6],
  ])
  // at 5 minutes the second has just begun and three wait
  expect(events[1]?.most).toBe(3)
})

test('one more station where people wait is what helps, by the time it saves', () => {
  const slower = task([event('grip', { slotMs: MINUTE }), event('drag', { slotMs: 4 * MINUTE })], 5)
  const habits = exactlyMinutes({ grip: 1, drag: 4 })
  // at one station until 21 minutes; at two: 1-5, 2-6, 5-9, 6-10, 9-13
  expect(whatWouldHelp(slower, simulated(slower, habits), habits, { day: 0, days: 20, seed: 7 })).toMatchObject([
    { code: 'oneMoreStation', eventId: 'drag', savesMs: 8 * MINUTE },
  ])
})

test('whoever does not come leaves a gap, and the day is shorter; one who comes late makes it longer', () => {
  const plain = task([event('grip')])
  expect(simulated(plain, { ...exactly('grip'), absentPercent: 100 }).middleMs).toBe(0)
  const absent = simulated(plain, { ...exactly('grip'), absentPercent: 50 }, undefined, 400)
  expect(absent.middleMs).toBeGreaterThan(4 * MINUTE)
  expect(absent.middleMs).toBeLessThan(8 * MINUTE)
  const late = simulated(plain, { ...exactly('grip'), latePercent: 100, latestMs: 60 * MINUTE })
  expect(late.middleMs).toBeGreaterThan(30 * MINUTE)
})

test('whoever stops at an event does not come to the next', () => {
  const two = task([event('grip'), event('drag')])
  const { events } = simulated(two, { ...exactly('grip', 'drag'), stoppedPercent: 100 })
  expect(events.map(({ queue }) => Math.max(...queue.map(({ high }) => high)))).toEqual([0, 0])
  expect(simulated(two, { ...exactly('grip', 'drag'), stoppedPercent: 100 }).middleMs).toBe(12 * MINUTE)
})

test('somebody on the staff of two events is not at both', () => {
  const shared = task([event('grip', { staff: ['joss'] }), event('drag', { staff: ['joss'] })], 3)
  expect(simulated(shared, exactly('grip', 'drag')).middleMs).toBe(12 * MINUTE)
})

test('longer and wider habits make later and less certain days; the same seed gives the same days', () => {
  const plain = task([event('grip')], 20)
  const slow: Habits = {
    ...EXACT,
    slots: [{ eventId: 'grip', usualMs: 3 * MINUTE, ownMs: 3 * MINUTE, spreadPercent: 40, peopleTenths: 10, from: 30 }],
  }
  const days = simulated(plain, slow, undefined, 300)
  // the mean of a lognormal is the usual value times exp(σ²/2): 20 · 2 · 1.5 · 1.083 = 65 minutes
  const mean = days.endsMs.reduce((sum, one) => sum + one, 0) / days.endsMs.length / MINUTE
  expect(mean).toBeGreaterThan(62)
  expect(mean).toBeLessThan(68)
  expect(days.likelyMs).toBeGreaterThan(days.middleMs)
  expect(simulated(plain, slow, undefined, 300)).toEqual(days)
})

test('a day under way: what is done stands, what is under way ends no sooner than now, the rest follows', () => {
  const plain = task([event('grip')], 4)
  const soFar: SoFar = {
    nowMs: 10 * MINUTE,
    done: new Map([
      ['p0 grip', { fromMs: 5 * MINUTE, toMs: 8 * MINUTE }],
      ['p1 grip', { fromMs: 8 * MINUTE, toMs: null }],
    ]),
    out: new Set(['p3']),
  }
  // p1 until 10 as planned, p2 until 12; p3 is not here
  expect(simulated(plain, exactly('grip'), soFar).middleMs).toBe(12 * MINUTE)
})

const startsEvery = (distances: readonly number[], occasionId = 'day', deviceId = 'tablet'): PastStart[] => {
  let atMs = 0
  return [0, ...distances].map((ms) => ({
    occasionId,
    eventId: 'grip',
    deviceId,
    atMs: (atMs += ms),
    people: 1,
    ownMs: null,
  }))
}
const slots = (starts: readonly PastStart[]) =>
  learnHabits(starts, { entered: 20, came: 18 }).slots.find(({ eventId }) => eventId === 'grip')

test('how long a start takes is learnt from the distances of starts at one station', () => {
  const learnt = slots(startsEvery(Array.from({ length: 10 }, () => 3 * MINUTE)))
  expect(learnt).toEqual({
    eventId: 'grip',
    usualMs: 3 * MINUTE,
    ownMs: 3 * MINUTE,
    spreadPercent: 0,
    peopleTenths: 10,
    from: 10,
  })
  const spread = slots(startsEvery(Array.from({ length: 10 }, (_, index) => (index % 2 ? 4 : 1) * MINUTE)))
  // half of them one minute, half of them four: usually two, give or take ln 2 = 0.69 with one degree of freedom less
  expect(spread).toEqual({
    eventId: 'grip',
    usualMs: 2 * MINUTE,
    ownMs: 2 * MINUTE,
    spreadPercent: 73,
    peopleTenths: 10,
    from: 10,
  })
})

test('a break, another station, another day and several people of one start are no distance', () => {
  const usual = Array.from({ length: 9 }, () => 2 * MINUTE)
  const mixed = [
    ...startsEvery([...usual, 60 * MINUTE, 1_000]),
    ...startsEvery([], 'day', 'phone'),
    ...startsEvery([], 'another day'),
  ]
  expect(slots(mixed)).toMatchObject({ usualMs: 2 * MINUTE, spreadPercent: 0, from: 9 })
})

test('too few starts teach nothing, and who did not come is learnt', () => {
  expect(slots(startsEvery([MINUTE, MINUTE]))).toBeUndefined()
  expect(learnHabits([], { entered: 20, came: 18 }).absentPercent).toBe(10)
  expect(learnHabits([], { entered: 2, came: 0 })).toEqual(ASSUMED_HABITS)
})

test('starts of one person say nothing of starts of four: those take what is planned', () => {
  const four = task([event('hold', { together: 4, slotMs: 5 * MINUTE })], 4)
  const one: Habits = {
    ...EXACT,
    slots: [{ eventId: 'hold', usualMs: MINUTE, ownMs: MINUTE, spreadPercent: 0, peopleTenths: 10, from: 40 }],
  }
  expect(simulated(four, one, undefined, 200).middleMs).toBeGreaterThan(4 * MINUTE)
  const alike = { ...one, slots: one.slots.map((slot) => ({ ...slot, peopleTenths: 35 })) }
  expect(simulated(four, alike).middleMs).toBe(MINUTE)
})

test('people begun within a breath of each other are one start, and waves count their people', () => {
  const pairs = Array.from({ length: 10 }, (_, index) => (index % 2 ? 1_000 : 3 * MINUTE))
  // nineteen people in fourteen starts
  expect(slots(startsEvery([...pairs, ...Array.from({ length: 8 }, () => 3 * MINUTE)]))?.peopleTenths).toBe(14)
  const waves = startsEvery(Array.from({ length: 9 }, () => 12 * MINUTE)).map((start) => ({ ...start, people: 12 }))
  expect(slots(waves)?.peopleTenths).toBe(120)
})

test('whoever has done their own rests while the station is still made ready for the next', () => {
  const two = task([event('grip', { slotMs: 2 * MINUTE }), event('drag', { slotMs: MINUTE })], 2)
  const quick: Habits = {
    ...EXACT,
    slots: [
      { eventId: 'grip', usualMs: 2 * MINUTE, ownMs: MINUTE, spreadPercent: 0, peopleTenths: 10, from: 40 },
      { eventId: 'drag', usualMs: MINUTE, ownMs: MINUTE, spreadPercent: 0, peopleTenths: 10, from: 40 },
    ],
  }
  // the second begins at two minutes, is done at three, and at the drag until four
  expect(simulated(two, quick).middleMs).toBe(4 * MINUTE)
  const known = startsEvery(Array.from({ length: 9 }, () => 3 * MINUTE)).map((start) => ({ ...start, ownMs: MINUTE }))
  expect(slots(known)?.ownMs).toBe(MINUTE)
})
