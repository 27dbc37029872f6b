import { randomUUID } from 'node:crypto'
import { afterEach, expect, test } from 'vitest'
import {
  doubtfulCases,
  timeBoundsOf,
  type DayOnRecord,
  type DayRecordEntry,
  type Occasion,
  type Standard,
} from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type TestServer } from '../testing/testServer.ts'
import { findAllCaptures } from './store/captureStore.ts'

const QUIET: DayOnRecord = { records: [], captures: [], bounds: null, testDate: '2026-11-24', testedBefore: {} }
const HOUR_MS = 3_600_000

let server: TestServer
let wallMs: number
let monotonicMs: number
const time = { wallMs: () => wallMs, monotonicMs: () => monotonicMs, bootId: randomUUID() }

const open = async (): Promise<void> => {
  wallMs = MORNING_MS
  monotonicMs = 5_000
  server = await openTestServer({ time: { ...time, bootId: randomUUID() } })
}
afterEach(() => server.close())

const pass = (ms: number): void => {
  wallMs += ms
  monotonicMs += ms
}
const servedMs = async (caller: Caller): Promise<number> =>
  Number((await caller.call('GET', '/api/time')).body['serverMs'])
const capture = (kind: string, entryId: string, atMs: number, payload: object = {}) =>
  sentCapture({ kind, payload, atMs, eventId: 'press-ups', entryId })
const recordsOf = async (caller: Caller, occasionId: string) =>
  (await caller.call('GET', `/api/occasions/${occasionId}`)).body['records'] as DayRecordEntry[]

test('the wall clock is put an hour ahead during a run: time goes on, the log says so, what spans it is doubtful', async () => {
  await open()
  const grader = await Caller.signedIn(server.address, 'grader')
  const { occasionId, entryIds, standard } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }, { bib: 2 }])
  const [before = '', across = ''] = entryIds
  const send = (...captures: object[]) => grader.call('POST', `/api/occasions/${occasionId}/captures`, { captures })
  await send(capture('started', before, MORNING_MS), capture('stopped', before, MORNING_MS + 900, { reason: 'ended' }))
  pass(1_000)
  await send(capture('started', across, MORNING_MS + 1_000))
  expect(await servedMs(grader)).toBe(MORNING_MS + 1_000)
  pass(300)
  wallMs += HOUR_MS
  await server.lookAtClock()
  pass(300)
  expect(await servedMs(grader)).toBe(MORNING_MS + 1_600)
  await send(capture('stopped', across, MORNING_MS + 1_600, { reason: 'ended' }))
  const records = await recordsOf(grader, occasionId)
  expect(records.map(({ content, actor, atMs }) => [content, actor, atMs])).toEqual([
    [{ kind: 'clockStepped', byMs: HOUR_MS }, 'The server', MORNING_MS + 1_300],
  ])
  const captures = await findAllCaptures(server.pool, occasionId)
  expect(doubtfulCases(standard, new Map(), { ...QUIET, records, captures })).toEqual([
    { entryId: across, eventId: 'press-ups', kind: 'clockStepped', byMs: HOUR_MS },
  ])
})

test('a clock that is steered a little is no step, and a step is written once however often it is looked at', async () => {
  await open()
  const grader = await Caller.signedIn(server.address, 'grader')
  const { occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  const started = capture('started', entryIds[0] ?? '', MORNING_MS)
  await grader.call('POST', `/api/occasions/${occasionId}/captures`, { captures: [started] })
  wallMs += 499
  await server.lookAtClock()
  expect(await recordsOf(grader, occasionId)).toEqual([])
  wallMs -= HOUR_MS
  await server.lookAtClock()
  await server.lookAtClock()
  expect((await recordsOf(grader, occasionId)).map(({ content }) => content)).toEqual([
    { kind: 'clockStepped', byMs: -HOUR_MS },
  ])
})

test('with nothing under way the wall clock is followed', async () => {
  await open()
  const grader = await Caller.signedIn(server.address, 'grader')
  wallMs += HOUR_MS
  await server.lookAtClock()
  expect(await servedMs(grader)).toBe(MORNING_MS + HOUR_MS)
})

test('a correction dated to the end of time does not overrule the one that follows it', async () => {
  await open()
  const [grader, officer] = [
    await Caller.signedIn(server.address, 'grader'),
    await Caller.signedIn(server.address, 'officer'),
  ]
  const { occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  const [entryId = ''] = entryIds
  const path = `/api/occasions/${occasionId}/captures`
  const counted = capture('counted', entryId, MORNING_MS + 500)
  const late = capture('voided', entryId, 8_640_000_000_000_000, { captureId: counted.id, reason: 'by mistake' })
  pass(2_000)
  const start = capture('started', entryId, MORNING_MS)
  const stop = capture('stopped', entryId, MORNING_MS + 900, { reason: 'ended' })
  expect((await grader.call('POST', path, { captures: [start, counted, stop, late] })).status).toBe(200)
  pass(2_000)
  const brought = capture('voided', entryId, MORNING_MS + 3_900, { captureId: late.id, reason: 'it did count' })
  expect((await grader.call('POST', path, { captures: [brought] })).status).toBe(200)
  const { body } = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)
  const [{ verdict }] = body['verdicts'] as [{ verdict: { marks: { measured?: number }[] } }]
  expect(verdict.marks[0]?.measured).toBe(1)
  const day = (await officer.call('GET', `/api/occasions/${occasionId}`)).body as unknown as {
    occasion: Occasion
    standard: Standard
    records: DayRecordEntry[]
  }
  const bounds = timeBoundsOf(day.occasion, day.standard, day.records)
  const captures = await findAllCaptures(server.pool, occasionId)
  expect(captures.find(({ id }) => id === late.id)?.atMs).toBe(8_640_000_000_000_000)
  expect(doubtfulCases(day.standard, new Map(), { ...QUIET, captures, bounds })).toEqual([
    { entryId, eventId: 'press-ups', kind: 'untimely', count: 1 },
  ])
})
