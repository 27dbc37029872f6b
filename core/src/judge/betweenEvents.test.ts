import { expect, test } from 'vitest'
import type { Capture, Observation } from '../capture/capture.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { doubtsBetween } from './betweenEvents.ts'
import type { Mark } from './mark.ts'
import { startsOnRecord } from './startsOnRecord.ts'
import type { BatteryOrder } from '../standard/order.ts'

const CHECKS = ['No pain in the back.', 'No pain in the knees.']
const events = [
  { id: 'run', restAfterMs: 300_000, protocol: {} },
  { id: 'press-ups', restAfterMs: 0, protocol: {} },
  { id: 'pull-ups', protocol: { clearBefore: CHECKS } },
] as unknown as StandardEvent[] // nothing else of an event is asked

const mark = (eventId: string, fromMs: number, toMs: number | null): Mark => ({
  eventId,
  kind: 'waiting',
  cut: null,
  trace: [],
  span: { fromMs, toMs },
})
let made = 0
const capture = (
  eventId: string,
  entryId: string | null,
  observation: Observation,
  more: Partial<Capture> = {},
): Capture => ({
  id: `capture-${(made += 1)}`,
  eventId,
  entryId,
  deviceId: 'tablet',
  deviceMs: 0,
  atMs: made,
  uncertaintyMs: 0,
  ...more,
  ...observation,
})
const started: Observation = { kind: 'started', payload: {} }
const between = (marks: readonly Mark[], captures: readonly Capture[] = []) =>
  doubtsBetween({ events }, 'anna', marks, startsOnRecord(captures))

test.each([
  [299_999, [{ kind: 'restNotKept', eventId: 'press-ups', afterEventId: 'run', leftMs: 1 }]],
  [300_000, []],
  [300_001, []],
])('begun %i ms after the end of an event with five minutes of rest', (restedMs, doubts) => {
  expect(between([mark('press-ups', 600_000 + restedMs, null), mark('run', 0, 600_000)])).toEqual(doubts)
})

test('begun while still at another is told, and an event without stamps tells nothing', () => {
  const { span: _span, ...read } = mark('pull-ups', 0, 0)
  expect(between([mark('run', 0, null), mark('press-ups', 60_000, 90_000), read])).toEqual([
    { kind: 'elsewhere', eventId: 'press-ups', afterEventId: 'run' },
  ])
})

test('the rest that counts is that of the event done before, not of the one listed before', () => {
  expect(between([mark('run', 200_000, 300_000), mark('press-ups', 0, 100_000)])).toEqual([])
})

test('a rest, or another event, that was asked about and answered is no doubt; another answer does not help', () => {
  const early = [mark('run', 0, 600_000), mark('press-ups', 700_000, null)]
  const answering = (...despite: string[]) => [capture('press-ups', 'anna', started, { despite })]
  expect(between(early, answering('resting'))).toEqual([])
  expect(between(early, answering('underWayElsewhere'))).toHaveLength(1)
  expect(between(early, [capture('press-ups', 'bela', started, { despite: ['resting'] })])).toHaveLength(1)
  const both = [mark('run', 0, null), mark('press-ups', 700_000, null)]
  expect(between(both, answering('underWayElsewhere'))).toEqual([])
  const start: Observation = { kind: 'waveStarted', payload: { wave: 1, entryIds: ['anna'] } }
  expect(between(early, [capture('press-ups', null, start, { despite: ['resting'] })])).toEqual([])
})

test('whoever began without having been found clear is doubtful, and a clearance that was taken back is none', () => {
  const begun = [mark('pull-ups', 0, null)]
  const cleared = capture('pull-ups', null, { kind: 'cleared', payload: { entryIds: ['anna', 'bela'] } })
  expect(between(begun)).toEqual([{ kind: 'notClear', eventId: 'pull-ups', checks: 2 }])
  expect(between(begun, [cleared])).toEqual([])
  const voided = capture('pull-ups', null, { kind: 'voided', payload: { captureId: cleared.id, reason: 'pain' } })
  expect(between(begun, [cleared, voided])).toHaveLength(1)
  expect(between(begun, [{ ...cleared, eventId: 'run' }])).toHaveLength(1)
  // no second press answers it
  expect(between(begun, [capture('pull-ups', 'anna', started, { despite: ['notClear'] })])).toHaveLength(1)
})

const ordered = (order: BatteryOrder | undefined, ...marks: readonly Mark[]) =>
  doubtsBetween({ events, ...(order ? { order } : {}) }, 'anna', marks, startsOnRecord([])).filter(
    ({ kind }) => kind === 'outOfTurn',
  )
const waiting = (eventId: string): Mark => ({ eventId, kind: 'waiting', cut: null, trace: [] })
const GROUPS: BatteryOrder = {
  kind: 'groups',
  groups: [{ eventIds: ['run', 'press-ups'] }, { eventIds: ['pull-ups'] }],
}

test.each([
  ['nothing published', undefined, []],
  ['any order', { kind: 'free' as const }, []],
  ['as listed', { kind: 'listed' as const }, [{ kind: 'outOfTurn', eventId: 'press-ups', beforeEventId: 'run' }]],
  ['groups that hold both', GROUPS, []],
])('press-ups begun while the run waits, %s', (_, order, doubts) => {
  expect(ordered(order, waiting('run'), mark('press-ups', 0, 60_000))).toEqual(doubts)
  // begun later is begun too late as well
  expect(ordered(order, mark('run', 900_000, null), mark('press-ups', 0, 60_000))).toEqual(doubts)
})

test('a later group begun before an earlier one is over is told once, whatever the order within', () => {
  const doubts = ordered(GROUPS, mark('press-ups', 0, 60_000), mark('pull-ups', 900_000, null), waiting('run'))
  expect(doubts).toEqual([{ kind: 'outOfTurn', eventId: 'pull-ups', beforeEventId: 'run' }])
})

test('an event nobody asks of this person, or that stands from before, is not waited for', () => {
  const exempt: Mark = {
    ...waiting('run'),
    kind: 'exempt',
    exemptionId: 'knee',
    fixedCentipoints: null,
    total: 'unchanged',
  }
  expect(ordered({ kind: 'listed' }, exempt, mark('press-ups', 0, 60_000))).toEqual([])
})
