/** What the house asks of practice, what a set is worth as it was sent, and an event as it is practised on. */
import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import {
  isFresh,
  makeDrill,
  practiceEvent,
  practisedAs,
  practisedFor,
  saidAlike,
  scoreBody,
  unpractised,
  type LatestMark,
  type WorkedDrill,
} from './index.ts'

const CONSTABULARY = demoStandard('constabulary-entry-v3')
const eventOf = (id: string, standard = CONSTABULARY) => {
  const event = [...standard.events, ...(standard.alternateEvents ?? [])].find((one) => one.id === id)
  if (!event) throw new Error(`No event ${id}.`)
  return event
}
const PRESS_UPS = eventOf('press-ups')
const DAY = 86_400_000
const NOW = Date.UTC(2026, 10, 27)
const ASKED = { atLeastHundredths: 80, level: 3, withinDays: 30 }
const mark = (change: Partial<LatestMark> = {}): LatestMark => ({
  accountId: 'joss',
  what: 'pressUp',
  level: 3,
  mark: 0.8,
  doneAtMs: NOW - 30 * DAY,
  ...change,
})

test.each([
  ['just good, hard and new enough', {}, true],
  ['a hundredth below', { mark: 0.79 }, false],
  ['rounded as it is shown', { mark: 0.7951 }, true],
  ['an easier level', { level: 2 }, false],
  ['a harder one', { level: 5 }, true],
  ['a moment too old', { doneAtMs: NOW - 30 * DAY - 1 }, false],
  ['with nothing to tell apart', { mark: null }, false],
] as const)('a mark is fresh: %s', (_, change, fresh) => {
  expect(isFresh(mark(change), ASKED, NOW)).toBe(fresh)
})

test('practice is missed in what is graded by eye, of whoever works it', () => {
  const { events } = CONSTABULARY
  const names = (marks: readonly LatestMark[]): string[] =>
    unpractised('joss', events, marks, ASKED, NOW).map(({ id }) => id)
  expect(names([])).toEqual(['press-ups', 'trunk-hold'])
  expect(names([mark()])).toEqual(['trunk-hold'])
  expect(names([mark({ accountId: 'wanda' })])).toEqual(['press-ups', 'trunk-hold'])
  expect(names([mark(), mark({ what: 'trunkHold' })])).toEqual([])
  // a figure that is read, and a finish, ask for no eye for form
  expect(practisedFor(eventOf('grip'))).toBeNull()
  expect(practisedFor(eventOf('reach', demoStandard('active-staff-check-v1')))).toBeNull()
})

test('a run is practised as a finish, a swim not at all', () => {
  const guard = demoStandard('guard-service-v4')
  expect(practisedAs(eventOf('run', guard))).toEqual(['finishLine'])
  expect(practisedAs(eventOf('swim', guard))).toEqual([])
  expect(practisedAs(eventOf('pull-ups', guard))[0]).toBe('pullUp')
})

const SET = { what: 'pressUp', level: 2, seed: 11, lanes: 2, ends: [{ atMs: null }, { atMs: null }] } as const
const worked = (answerOf: (sound: boolean, reason: string) => string): WorkedDrill => ({
  ...SET,
  answers: makeDrill(PRESS_UPS.protocol, { movement: 'pressUp', level: 2, seed: 11, lanes: 2 })
    .lanes.flatMap(({ items }, lane) =>
      items.map(({ decideAtMs, fault }) => ({
        lane,
        atMs: decideAtMs + 300,
        answer: answerOf(fault === null, fault?.reasonId ?? ''),
      })),
    )
    // whoever sends them in any order is scored the same
    .reverse(),
})

test('a set is worth what was pressed, in whatever order it arrives', () => {
  const worth = scoreBody(
    PRESS_UPS,
    worked((sound, reason) => (sound ? 'counted' : reason)),
  )
  expect(worth).toMatchObject({ mark: 1, reactionMs: 300 })
  expect(worth.counted).toBe(worth.truly)
  expect(() =>
    scoreBody(
      eventOf('grip'),
      worked(() => 'counted'),
    ),
  ).toThrow('not practised')
})

test('two who say the same agree in everything, two who say the opposite in nothing', () => {
  const [right, opposite] = [
    worked((sound, reason) => (sound ? 'counted' : reason)),
    worked((sound) => (sound ? 'depth' : 'counted')),
  ]
  expect(saidAlike(PRESS_UPS, right, right)).toBe(1)
  expect(saidAlike(PRESS_UPS, right, opposite)).toBeLessThan(0)
  expect(saidAlike(eventOf('run'), { ...right, what: 'finishLine' }, { ...right, what: 'finishLine' })).toBeNull()
})

test('an event is practised by its own rules, but for what would end a set before its end', () => {
  expect(practiceEvent(PRESS_UPS).protocol).toMatchObject({ cautionsAllowed: 2 })
  expect(practiceEvent(eventOf('trunk-hold')).protocol).toMatchObject({ cautionsAllowed: 20 })
  expect(practiceEvent(eventOf('run')).protocol).toMatchObject({
    distanceMm: 60_000,
    lapLengthMm: 60_000,
  })
  const asked = { ...PRESS_UPS, restAfterMs: 60_000, protocol: { ...PRESS_UPS.protocol, clearBefore: ['No pain'] } }
  const practised = practiceEvent(asked)
  expect(practised.restAfterMs).toBeUndefined()
  expect(practised.protocol.clearBefore).toBeUndefined()
})
