import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { firstPlan, type DayPlan, type EventPlan } from './dayPlan.ts'
import { planFindings, sayPlanFinding, type PlannedStaff } from './planFindings.ts'

const V3 = standardNamed('v3')
const joss: PlannedStaff = { accountId: 'joss', displayName: 'Joss', duty: 'grader' }
const pell: PlannedStaff = { accountId: 'pell', displayName: 'Pell', duty: 'timer' }
const runa: PlannedStaff = { accountId: 'runa', displayName: 'Runa', duty: 'Medical cover' }
const STAFF = [joss, pell, runa]

const plan = (change: Readonly<Record<string, Partial<EventPlan>>> = {}): DayPlan => {
  const first = firstPlan(V3)
  const staffed: Readonly<Record<string, string[]>> = { 'press-ups': ['joss'], run: ['pell'] }
  return {
    ...first,
    events: first.events.map((one) => ({
      ...one,
      together: one.eventId === 'run' ? 12 : 1,
      slotMs: 900_000,
      staff: staffed[one.eventId] ?? [],
      ...change[one.eventId],
    })),
  }
}
const found = (change: Parameters<typeof plan>[0] = {}, staff: readonly PlannedStaff[] = STAFF, entered = 24) =>
  planFindings(V3, plan(change), staff, entered)

test('a plan in which everybody has work and time finds nothing', () => {
  expect(found()).toEqual([])
})

test.each([
  ['nobody at an event', { run: { staff: [] } }, { code: 'nobodyAssigned', eventId: 'run' }],
  ['a run for one at a time', { run: { together: 1 } }, { code: 'oneAtATime', eventId: 'run' }],
  [
    'eight lanes for one grader',
    { 'press-ups': { together: 8 } },
    { code: 'tooFewStaff', eventId: 'press-ups', staff: 1, needed: 2 },
  ],
  [
    'three stations for one grader',
    { 'press-ups': { stations: 3 } },
    { code: 'tooFewStaff', eventId: 'press-ups', staff: 1, needed: 3 },
  ],
  ['a slot shorter than its event', { 'press-ups': { slotMs: 10_000 } }, { code: 'slotTooShort', slotMs: 10_000 }],
  ['somebody who left', { run: { staff: ['pell', 'gone'] } }, { code: 'leftTheStaff', eventId: 'run' }],
  [
    'the only medical cover at work',
    { run: { staff: ['runa'] } },
    { code: 'medicalCoverBusy', eventId: 'run', accountId: 'runa' },
  ],
] as const)('%s is found', (_, change, expected) => {
  expect(found(change as Parameters<typeof plan>[0])).toMatchObject([expected])
})

test('two at a station for four lanes each are enough for eight', () => {
  expect(found({ 'press-ups': { together: 8, staff: ['joss', 'pell'] } })).toEqual([])
})

test('no medical cover, and candidates among the staff, are told', () => {
  expect(found({}, [joss, pell])).toEqual([{ code: 'noMedicalCover' }])
  const tested = { ...pell, entryId: 'e7' }
  expect(found({}, [joss, tested, runa])).toEqual([{ code: 'tested', eventId: 'run', accountId: 'pell' }])
})

test('with one person entered a run for one is no fault', () => {
  expect(found({ run: { together: 1 } }, STAFF, 1)).toEqual([])
})

test('each finding is a sentence that names event and person', () => {
  const say = (finding: Parameters<typeof sayPlanFinding>[0]): string =>
    sayPlanFinding(
      finding,
      (id) => (id === 'run' ? 'Run' : id),
      (id) => (id === 'pell' ? 'Pell Varga' : id),
    )
  expect(say({ code: 'nobodyAssigned', eventId: 'run' })).toBe('Run: nobody is assigned.')
  expect(say({ code: 'slotTooShort', eventId: 'run', slotMs: 60_000, leastMs: 120_000 })).toBe(
    'Run: one start is given 1:00, the event alone takes 2:00.',
  )
  expect(say({ code: 'tested', eventId: 'run', accountId: 'pell' })).toContain('Pell Varga is tested on this day')
})
