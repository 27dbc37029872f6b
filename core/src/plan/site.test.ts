import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { firstPlan, planFor, type DayPlan } from './dayPlan.ts'
import { planChanges, mergePlans } from './planChanges.ts'
import { farthestFrom, firstSite, footprintOf, siteContradictions, siteFindings, wayLengthMm } from './site.ts'

const standard = demoStandard('constabulary-entry-v3')
const plan = firstPlan(standard)
const M = 1_000

test('ground is drawn to scale: a lap by its quarters, lines by their length, a station by its mats', () => {
  // 400 m: two straights of 100 m, two half circles of 100 m, whose radius is 100/π
  expect(footprintOf({ shape: 'loop', lengthMm: 400 * M, surface: '' })).toEqual({
    shape: 'loop',
    alongMm: 100 * M + 2 * 31_831,
    acrossMm: 2 * 31_831,
  })
  expect(footprintOf({ shape: 'shuttle', lengthMm: 20 * M, surface: '' }, 2)).toEqual({
    shape: 'line',
    alongMm: 20 * M,
    acrossMm: 5 * M,
  })
  expect(footprintOf(undefined, 3)).toEqual({ shape: 'area', alongMm: 12 * M, acrossMm: 4 * M })
})

test('a plan to begin with holds every event once, inside its edges', () => {
  const site = firstSite(standard, plan)
  expect(site.marks.map(({ eventId }) => eventId)).toEqual(standard.events.map(({ id }) => id))
  const found = siteFindings(standard, plan, site)
  expect(found.filter(({ code }) => code !== 'missing')).toEqual([])
  expect(found.map((one) => (one.code === 'missing' ? one.kind : one.code))).toEqual([
    'muster',
    'briefing',
    'medical',
    'defibrillator',
    'water',
  ])
  expect(
    siteContradictions(
      site,
      standard.events.map(({ id }) => id),
      'plan.site',
    ),
  ).toEqual([])
})

const SITE = {
  widthMm: 100 * M,
  depthMm: 60 * M,
  marks: [
    { id: 'at-grip', kind: 'event' as const, eventId: 'grip', xMm: 10 * M, yMm: 10 * M },
    { id: 'aed', kind: 'defibrillator' as const, xMm: 40 * M, yMm: 50 * M },
  ],
  ways: [{ from: 'at-grip', to: 'aed' }],
}

test('ways are as long as they are, and help is as far as its farthest event', () => {
  // 30 m across and 40 m down
  expect(wayLengthMm(SITE, SITE.ways[0] ?? { from: '', to: '' })).toBe(50 * M)
  expect(wayLengthMm(SITE, { from: 'at-grip', to: 'gone' })).toBeNull()
  // half of the four metres of the station on top
  expect(farthestFrom(SITE, plan, 'defibrillator')).toEqual({ eventId: 'grip', distanceMm: 52 * M })
  expect(farthestFrom(SITE, plan, 'water')).toBeNull()
})

test.each([
  [2 * M, false],
  [2 * M - 2, true],
])('a station with its middle at %s mm is outside: %s', (xMm, isOutside) => {
  const site = {
    ...SITE,
    marks: [{ ...SITE.marks[0], id: 'at-grip', kind: 'event' as const, eventId: 'grip', xMm, yMm: 10 * M }],
  }
  expect(siteFindings(standard, plan, site).some(({ code }) => code === 'outside')).toBe(isOutside)
})

test('what contradicts itself is told in its place', () => {
  const marks = [
    { id: 'a', kind: 'water' as const, eventId: 'grip', xMm: 0, yMm: 0 },
    { id: 'a', kind: 'event' as const, eventId: 'rowing', xMm: 0, yMm: 0 },
  ]
  expect(
    siteContradictions({ ...SITE, marks, ways: [{ from: 'a', to: 'b' }] }, ['grip'], 'plan.site').map(
      ({ place, code }) => [place, code],
    ),
  ).toEqual([
    ['plan.site.marks[0].eventId', 'event'],
    ['plan.site.marks[1].id', 'repeated'],
    ['plan.site.marks[1].eventId', 'unknown'],
    ['plan.site.ways[0]', 'unknown'],
  ])
})

test('a site plan is a change of its own, and goes with the changes of somebody else', () => {
  const named = { standard, staffName: () => 'Joss' }
  const mine: DayPlan = { ...plan, site: SITE }
  expect(planChanges(plan, mine, named).map(({ sentence }) => sentence)).toEqual(['The site plan was drawn'])
  const days = [{ afterDays: 0, musterAt: '07:30', startsAt: '08:30', endsBy: '12:00' }]
  const merged = mergePlans(plan, mine, { ...plan, days })
  expect(merged).toEqual({ plan: { ...plan, days, site: SITE }, clashes: [] })
})

test('a plan copied to another battery loses the events it has not got, and the ways to them', () => {
  const other = { ...standard, events: standard.events.filter(({ id }) => id !== 'grip') }
  expect(planFor(other, { ...plan, site: SITE }).site).toEqual({ ...SITE, marks: [SITE.marks[1]], ways: [] })
})
