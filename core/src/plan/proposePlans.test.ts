import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { assignStaff, staffNeeded } from './assignStaff.ts'
import { evenWaves } from './bestWaves.ts'
import { checkTimetable } from './checkTimetable.ts'
import { firstPlan, keepsOrder, planFor } from './dayPlan.ts'
import { improveTimetable } from './improveTimetable.ts'
import { proposePlans, type ProposalTask } from './proposePlans.ts'
import { lateEnds } from './latestEnd.ts'
import { makeTimetable, timeOfDayMs, timetableTask, type TimetableTask } from './timetable.ts'
import { boundForAnyWaves, timetableBound } from './timetableBound.ts'

const MINUTE = 60_000
const standard = demoStandard('constabulary-entry-v3')
const people = (heads: number) => Array.from({ length: heads }, (_, index) => ({ entryId: `p${index}` }))
const grader = (accountId: string, duty = 'grader') => ({ accountId, displayName: accountId, duty })
const STAFF = ['ines', 'joss', 'wanda', 'pell', 'sorrel', 'odile'].map((id) => grader(id))
const proposed = (change: Partial<ProposalTask> = {}) =>
  proposePlans({ standard, plan: firstPlan(standard), people: people(36), staff: STAFF, ...change }, 1)
const freely = { ...standard, order: { kind: 'free' as const } }

test('what is proposed keeps every rule, ends as it says, and is near what nothing can beat', () => {
  for (const { plan, waves, timetable, lengthMs, boundMs } of proposed()) {
    const task = timetableTask(plan, standard, waves)
    expect(makeTimetable(task)).toEqual(timetable)
    expect(checkTimetable(task, timetable)).toEqual([])
    expect(timetable.endMs).toEqual([lengthMs])
    expect(lengthMs).toBeGreaterThanOrEqual(boundMs)
    expect(lengthMs).toBeLessThanOrEqual(1.15 * boundMs)
    expect(waves.flatMap(({ entryIds }) => entryIds).sort()).toEqual(
      people(36)
        .map(({ entryId }) => entryId)
        .sort(),
    )
  }
})

test('one more station stands where it saves most, and is offered only because it ends sooner', () => {
  const [own, more] = proposed()
  expect(own?.changes).toEqual([])
  // the sixth of the staff has no work yet
  expect(more?.changes).toEqual([{ code: 'oneMoreStation', eventId: 'drag', accountId: 'odile' }])
  expect(more?.plan.events.find(({ eventId }) => eventId === 'drag')).toMatchObject({
    stations: 2,
    staff: ['sorrel', 'odile'],
  })
  const few = proposed({ staff: STAFF.slice(0, 5) })[1]
  expect(few?.changes).toMatchObject([{ accountId: null }])
  expect(more?.lengthMs).toBeLessThan(own?.lengthMs ?? 0)
})

test('events are taken in another order only where the standard leaves it free', () => {
  expect(proposed().flatMap(({ plan }) => plan.orders ?? [])).toEqual([])
  const rotated = proposed({ standard: freely }).find(({ changes }) => changes[0]?.code === 'rotated')
  expect(rotated?.plan.orders?.every(({ eventIds }) => keepsOrder(freely, eventIds))).toBe(true)
  expect(rotated?.lengthMs).toBeLessThan(proposed()[0]?.lengthMs ?? 0)
})

test('nobody entered, nothing proposed; one person is one wave', () => {
  expect(proposed({ people: [] })).toEqual([])
  expect(proposed({ people: people(1) })[0]?.waves).toEqual([{ wave: 1, entryIds: ['p0'] }])
})

test('no wave is larger than the start of an event people start together', () => {
  const together = firstPlan(standard).events.find(({ eventId }) => eventId === 'run')?.together ?? 0
  for (const { waves } of proposed({ people: people(60) }))
    expect(Math.max(...waves.map(({ entryIds }) => entryIds.length))).toBeLessThanOrEqual(together)
})

test('waves are even, and those who belong together stand together', () => {
  const mixed = Array.from({ length: 10 }, (_, index) => ({ entryId: `p${index}`, group: index % 2 ? 'men' : 'women' }))
  expect(evenWaves(mixed, 3).map(({ entryIds }) => entryIds)).toEqual([
    ['p0', 'p2', 'p4'],
    ['p6', 'p8', 'p1', 'p3'],
    ['p5', 'p7', 'p9'],
  ])
})

describe('staff', () => {
  const plan = firstPlan(standard)

  test('each event gets as many as its stations and lanes need, evenly, whoever has it as duty first', () => {
    const staff = [...STAFF, grader('edda', 'Grip and kit')]
    const { events } = assignStaff(standard, plan, staff, 24)
    expect(events.find(({ eventId }) => eventId === 'grip')?.staff).toEqual(['edda'])
    for (const planned of events) {
      const event = standard.events.find(({ id }) => id === planned.eventId)
      expect(planned.staff).toHaveLength(event ? staffNeeded(event, planned) : 0)
    }
    expect(new Set(events.flatMap((one) => one.staff)).size).toBeGreaterThanOrEqual(5)
  })

  test('whoever is in charge or checks people in works an event only where nobody else is left', () => {
    const staff = [
      { ...grader('ines'), role: 'officer' as const },
      { ...grader('joss'), role: 'grader' as const },
    ]
    const { events } = assignStaff(standard, plan, staff, 24)
    expect(new Set(events.flatMap((one) => one.staff))).toEqual(new Set(['joss']))
  })

  test('medical cover and whoever is tested stay free, and who was assigned by hand stays', () => {
    const staff = [grader('kester', 'Medical cover'), { ...grader('lumi'), entryId: 'p1' }, grader('joss')]
    const byHand = {
      ...plan,
      events: plan.events.map((one, index) => (index === 0 ? { ...one, staff: ['ines'] } : one)),
    }
    const { events } = assignStaff(standard, byHand, staff, 24)
    expect(events[0]?.staff).toEqual(['ines'])
    expect(new Set(events.slice(1).flatMap((one) => one.staff))).toEqual(new Set(['joss']))
  })
})

test('a plan for a standard whose order is fixed keeps no order of its own', () => {
  const order = { wave: 1, eventIds: [...standard.events.map(({ id }) => id)].reverse() }
  const plan = { ...firstPlan(standard), orders: [order] }
  expect(planFor(freely, plan).orders).toEqual([order])
  expect(planFor(standard, plan).orders).toBeUndefined()
})

const arbitraryTask: fc.Arbitrary<TimetableTask> = fc
  .record({
    events: fc.array(
      fc.record({
        stations: fc.integer({ min: 1, max: 3 }),
        together: fc.integer({ min: 1, max: 6 }),
        slots: fc.integer({ min: 1, max: 12 }),
        rest: fc.integer({ min: 0, max: 12 }),
        staff: fc.uniqueArray(fc.constantFrom('joss', 'wanda', 'pell'), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    groupAt: fc.integer({ min: 1, max: 5 }),
    heads: fc.integer({ min: 1, max: 20 }),
    waves: fc.integer({ min: 1, max: 4 }),
  })
  .map(({ events, groupAt, heads, waves }) => {
    const ids = events.map((_, index) => `e${index}`)
    return {
      events: events.map(({ slots, rest, ...event }, index) => ({
        ...event,
        eventId: `e${index}`,
        slotMs: slots * MINUTE,
        restAfterMs: rest * MINUTE,
        day: 0,
      })),
      groups: [ids.slice(0, groupAt), ids.slice(groupAt)].filter((group) => group.length > 0),
      waves: evenWaves(people(heads), waves),
      pins: [],
      dayStartsMs: [0],
    }
  })

test('however turns and events are put in order, every rule is kept and no bound is beaten', () => {
  fc.assert(
    fc.property(arbitraryTask, fc.integer({ min: 0, max: 1_000 }), (task, seed) => {
      const before = makeTimetable(task).endMs[0] ?? 0
      const { task: found, timetable, lengthMs } = improveTimetable(task, 30, seed)
      expect(checkTimetable(found, timetable)).toEqual([])
      expect(makeTimetable(found)).toEqual(timetable)
      expect(lengthMs).toBeLessThanOrEqual(before)
      expect(lengthMs).toBeGreaterThanOrEqual(timetableBound(found, 0))
      expect(timetableBound(found, 0)).toBeGreaterThanOrEqual(boundForAnyWaves(found, 0))
    }),
    { numRuns: 300 },
  )
})

test('turns of waves that are gone are passed over, and what is not named follows', () => {
  const plan = { ...firstPlan(standard), turns: [9, 2, 9, 1] }
  const task = timetableTask(plan, standard, evenWaves(people(8), 2))
  const { sittings } = makeTimetable(task)
  expect(sittings.slice(0, 2).map(({ wave, eventId }) => [wave, eventId])).toEqual([
    [2, 'press-ups'],
    [1, 'press-ups'],
  ])
  expect(sittings).toHaveLength(2 * standard.events.length)
  expect(checkTimetable(task, { sittings })).toEqual([])
})

const endingBy = (endsBy: string, change: Partial<ProposalTask> = {}) => {
  const plan = firstPlan(standard)
  return proposed({ plan: { ...plan, days: plan.days.map((day) => ({ ...day, endsBy })) }, ...change })
}
const endOf = ({ plan, timetable }: ReturnType<typeof proposed>[number]): number =>
  timeOfDayMs(plan.days[0]?.startsAt ?? '') + (timetable.endMs[0] ?? 0)

test('where all ends later than wanted, as many stations as it takes and an earlier beginning are offered', () => {
  const [own] = proposed()
  const plain = own ? endOf(own) : 0
  // two hours before what the staff there is can do
  const wanted = `${String(Math.floor(plain / (60 * MINUTE)) - 2).padStart(2, '0')}:00`
  const offered = endingBy(wanted)
  const inTime = offered.filter((one) => endOf(one) <= timeOfDayMs(wanted))
  expect(inTime.length).toBeGreaterThanOrEqual(1)
  const sooner = offered.find(({ changes }) => changes.some(({ code }) => code === 'startsEarlier'))
  expect(sooner && endOf(sooner)).toBeLessThanOrEqual(timeOfDayMs(wanted))
  expect(sooner?.lengthMs).toBe(own?.lengthMs)
  // nothing is offered where the day ends in time as it is, to the minute
  const exactly = `${String(Math.floor(plain / (60 * MINUTE))).padStart(2, '0')}:${String(Math.ceil((plain / MINUTE) % 60)).padStart(2, '0')}`
  expect(
    endingBy(exactly)
      .flatMap(({ changes }) => changes)
      .some(({ code }) => code === 'startsEarlier'),
  ).toBe(false)
})

test('nobody is asked to come in the night', () => {
  expect(
    endingBy('06:00')
      .flatMap(({ changes }) => changes)
      .some(({ code }) => code === 'startsEarlier'),
  ).toBe(false)
})

test.each([
  ['11:59', 60_000],
  ['12:00', null],
  ['12:01', null],
])('an end at 12:00 against %s is late by %s', (endsBy, lateMs) => {
  const days = [{ afterDays: 0, musterAt: '08:00', startsAt: '09:00', endsBy }]
  expect(lateEnds({ days }, { endMs: [3 * 60 * MINUTE] })[0]?.lateMs ?? null).toBe(lateMs)
})
