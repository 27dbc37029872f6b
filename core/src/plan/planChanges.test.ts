import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { firstPlan, type DayPlan, type EventPlan } from './dayPlan.ts'
import { kitList } from './kitList.ts'
import { mergePlans, planChanges } from './planChanges.ts'

const standard = demoStandard('constabulary-entry-v3')
const base = firstPlan(standard)
const change = (plan: DayPlan, eventId: string, fields: Partial<EventPlan>): DayPlan => ({
  ...plan,
  events: plan.events.map((one) => (one.eventId === eventId ? { ...one, ...fields } : one)),
})
const named = { standard, staffName: (id: string) => `Staff ${id}` }

test('each change is one sentence that names the event', () => {
  const after = change(change(base, 'run', { stations: 2, staff: ['a'] }), 'grip', { place: 'Hall' })
  const moved: DayPlan = {
    ...after,
    days: [{ afterDays: 0, musterAt: '07:00', startsAt: '08:00' }],
    pins: [{ eventId: 'run', wave: 2, startMs: 0 }],
  }
  expect(planChanges(base, moved, named).map(({ sentence }) => sentence)).toEqual([
    'Muster at 07:00, events from 08:00',
    'Grip: at Hall',
    'Run 2,000 m: 2 stations',
    'Run 2,000 m: Staff a',
    'Run 2,000 m, wave 2: put to a time of its own',
  ])
  expect(planChanges(moved, moved, named)).toEqual([])
})
test('changes of two people at different places are laid on top of each other', () => {
  const mine = { ...change(base, 'run', { stations: 2 }), pins: [{ eventId: 'run', wave: 1, startMs: 60_000 }] }
  const theirs = change(base, 'grip', { place: 'Hall' })
  const { plan, clashes } = mergePlans(base, mine, theirs)
  expect(clashes).toEqual([])
  expect(planChanges(base, plan, named)).toHaveLength(3)
})
test('where both changed the same to different ends, mine stands and the place is named', () => {
  const mine = change(base, 'run', { stations: 2, place: 'North' })
  const theirs = change(base, 'run', { stations: 3, place: 'North' })
  const { plan, clashes } = mergePlans(base, mine, theirs)
  expect(clashes).toEqual(['events.run.stations'])
  expect(plan.events.find(({ eventId }) => eventId === 'run')).toMatchObject({ stations: 2, place: 'North' })
})
test('a pin both took off stays off, and one only they took off goes', () => {
  const pinned = { ...base, pins: [{ eventId: 'run', wave: 1, startMs: 0 }] }
  expect(mergePlans(pinned, pinned, base).plan.pins).toEqual([])
  expect(mergePlans(pinned, base, pinned).plan.pins).toEqual([])
})
test('the kit is counted by stations and heads', () => {
  const items = kitList(standard, change(base, 'grip', { stations: 3 }), 24)
  expect(items.find(({ item }) => item === 'Hand dynamometer')).toMatchObject({ count: 3, events: ['Grip'] })
  // press-ups, trunk hold, drag: one each; two for the run
  expect(items.find(({ item }) => item === 'Stopwatch')).toMatchObject({ count: 5 })
  // a mass is no number of things
  expect(items.find(({ item }) => item === '70 kg dummy')).toMatchObject({ count: 1 })
  expect(items.find(({ item }) => item === 'Bib')).toMatchObject({ count: 27, events: [] })
})

test.each([
  ['day', 2, 0, 2],
  ['station', 3, 0, 15],
  ['head', 1, 25, 30],
  // a part of a thing is a whole one
  ['head', 1, 1, 25],
] as const)(
  'what the house brings by %s, %i each with %i in a hundred to spare, is %i',
  (per, count, sparePercent, expected) => {
    const items = kitList(standard, base, 24, [{ item: 'Radio', per, count, sparePercent }])
    expect(items.filter(({ events }) => events.length === 0)).toEqual([{ item: 'Radio', count: expected, events: [] }])
  },
)
