import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { compareStandards } from '../insight/compareStandards.ts'
import { sayOrder } from '../words/sayOrder.ts'
import { checkStandard } from './check.ts'
import { eventsBefore, orderGroups, type BatteryOrder } from './order.ts'

const standard = demoStandard('constabulary-entry-v3')
const [a = '', b = '', ...others] = standard.events.map(({ id }) => id)
const ordered = (order: BatteryOrder) => ({ ...standard, order })
const groups = (...eventIds: string[][]) =>
  ordered({ kind: 'groups', groups: eventIds.map((ids) => ({ eventIds: ids })) })
const faultsOf = (order: BatteryOrder) => checkStandard(ordered(order)).filter(({ code }) => code === 'orderGroups')

test('what has to be done before what, for each order', () => {
  expect(eventsBefore(standard).size).toBe(0)
  expect(eventsBefore(ordered({ kind: 'free' })).get(b)).toEqual([])
  expect(eventsBefore(ordered({ kind: 'listed' })).get(b)).toEqual([a])
  expect(eventsBefore(groups([a, b], others)).get(b)).toEqual([])
  expect(eventsBefore(groups([a, b], others)).get(others[0] ?? '')).toEqual([a, b])
  expect(orderGroups(standard).flat()).toEqual([a, b, ...others])
})

test('groups hold every event once, as they are listed; anything else stops publishing', () => {
  expect(faultsOf({ kind: 'groups', groups: [{ eventIds: [a, b] }, { eventIds: others }] })).toEqual([])
  expect(faultsOf({ kind: 'groups', groups: [{ eventIds: [a] }, { eventIds: others }] })).toMatchObject([
    { severity: 'error', place: 'order.groups', what: expect.stringContaining('is in no group') },
  ])
  expect(faultsOf({ kind: 'groups', groups: [{ eventIds: others }, { eventIds: [a, b] }] })).toHaveLength(1)
  expect(faultsOf({ kind: 'groups' })).toHaveLength(1)
  expect(faultsOf({ kind: 'free', groups: [{ eventIds: [a] }, { eventIds: [b, ...others] }] })).toHaveLength(1)
  expect(faultsOf({ kind: 'listed' })).toEqual([])
})

test('the printed standard says it, and two versions say what changed', () => {
  const [first, second] = standard.events.map(({ name }) => name)
  expect(sayOrder(standard)).toEqual([])
  expect(sayOrder({ ...standard, order: { kind: 'free' }, occasionDays: 3 })).toEqual([
    'The events are done in any order.',
    'Everything is done on one day or spread, at most 3 days after the first.',
  ])
  expect(sayOrder(groups([a, b], others))[0]).toMatch(`Order: ${first} and ${second} in any order, then `)
  const told = (before: typeof standard, after: typeof standard) =>
    compareStandards(before, after).changes.map(({ what }) => what)
  expect(told(standard, ordered({ kind: 'free' }))).toContain('The events are done in any order.')
  expect(told(ordered({ kind: 'free' }), standard)).toContain(
    'Nothing is said of the order. Before: The events are done in any order.',
  )
})
