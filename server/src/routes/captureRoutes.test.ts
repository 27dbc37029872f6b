import { afterAll, beforeAll, expect, test } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { findAllCaptures } from '../store/captureStore.ts'

let server: TestServer
let timer: Caller
let path: string
let occasionId: string
let entryIds: string[]

beforeAll(async () => {
  server = await openTestServer()
  timer = await Caller.signedIn(server.address, 'timer')
  ;({ occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [
    { bib: 28 },
    { bib: 31 },
    { bib: null },
  ]))
  path = `/api/occasions/${occasionId}/captures`
})
afterAll(() => server.close())

const crossing = (change: object = {}) => ({ ...sentCapture({ deviceMs: 12 }), clockRun: 'page-7', ...change })
const stored = async () => (await findAllCaptures(server.pool, occasionId)).length

test('captures are numbered in order without gaps, with who sent them and when', async () => {
  const captures = [crossing({ entryId: entryIds[0] }), crossing(), crossing({ bib: 31 })]
  const before = await stored()
  const { status, body } = await timer.call('POST', path, { captures })
  expect(status).toBe(200)
  expect(body['captures']).toEqual(captures.map(({ id }, index) => ({ id, seq: before + index + 1, annexed: false })))
  const kept = (await findAllCaptures(server.pool, occasionId)).slice(-3)
  expect(kept.map(({ entryId }) => entryId)).toEqual([entryIds[0], null, entryIds[1]])
  expect(kept[0]).toMatchObject({
    actorId: server.accountIds.timer,
    atMs: MORNING_MS,
    uncertaintyMs: 4,
    deviceMs: 12,
    clockRun: 'page-7',
  })
  expect(Math.abs((kept[0]?.receivedMs ?? 0) - Date.now())).toBeLessThan(60_000)
})

test('the same capture sent twice, also twice in one request, is stored once', async () => {
  const capture = crossing({ bib: 28 })
  const before = await stored()
  const first = await timer.call('POST', path, { captures: [capture, capture] })
  const second = await timer.call('POST', path, { captures: [capture] })
  expect(second.body['captures']).toEqual([(first.body['captures'] as object[])[0]])
  expect(await stored()).toBe(before + 1)
})

test('an id on record with other content is refused', async () => {
  const capture = crossing({ bib: 28 })
  await timer.call('POST', path, { captures: [capture] })
  const before = await stored()
  const answer = await timer.call('POST', path, { captures: [crossing(), { ...capture, atMs: MORNING_MS + 1 }] })
  expect(answer).toMatchObject({
    status: 409,
    body: { title: 'capture.differs', findings: [{ place: 'captures[1].id' }] },
  })
  expect(await stored()).toBe(before)
})

test('text that is not JSON is refused by name, and nothing is stored', async () => {
  const before = await stored()
  const answer = await timer.call('POST', path, '{"captures": [')
  expect(answer).toMatchObject({
    status: 400,
    body: { title: 'input.notJson', findings: [{ place: 'body', expected: 'JSON' }] },
  })
  expect(answer.headers.get('Content-Type')).toContain('application/problem+json')
  expect(await stored()).toBe(before)
})

const FAULTS: readonly (readonly [string, string, unknown])[] = [
  ['no captures', 'captures', {}],
  ['an empty list', 'captures', { captures: [] }],
  ['a list as body', '', [1]],
  ['an unknown property', 'colour', { captures: [crossing()], colour: 'red' }],
  ['an unknown property of a capture', 'captures[1].speed', { captures: [crossing(), crossing({ speed: 3 })] }],
  ['a bib that is not entered', 'captures[1].bib', { captures: [crossing(), crossing({ bib: 99 })] }],
  [
    'an entry of another day',
    'captures[0].entryId',
    { captures: [crossing({ entryId: '01930000-0000-7000-8000-00000000ffff' })] },
  ],
  ['an event the standard does not hold', 'captures[0].eventId', { captures: [crossing({ eventId: 'sack-race' })] }],
  ['a count in a run', 'captures[0].kind', { captures: [crossing({ kind: 'counted', bib: 28 })] }],
  [
    'a start of press-ups for nobody',
    'captures[0].entryId',
    { captures: [crossing({ eventId: 'press-ups', kind: 'started' })] },
  ],
  [
    'a refusal the protocol does not know',
    'captures[0].payload.reason',
    { captures: [crossing({ eventId: 'press-ups', kind: 'refused', payload: { reason: 'hair' }, bib: 28 })] },
  ],
  [
    'a wave with a stranger',
    'captures[0].payload.entryIds[0]',
    {
      captures: [
        crossing({ kind: 'waveStarted', payload: { wave: 1, entryIds: ['01930000-0000-7000-8000-00000000ffff'] } }),
      ],
    },
  ],
  ['a time as text', 'captures[0].atMs', { captures: [crossing({ atMs: '9:40' })] }],
  [
    'a bib and an entry',
    'captures[0].bib',
    { captures: [crossing({ bib: 28, entryId: '01930000-0000-7000-8000-00000000ffff' })] },
  ],
]

test.each(FAULTS)('%s is refused at "%s", and nothing is stored', async (_, place, body) => {
  const before = await stored()
  const answer = await timer.call('POST', path, body)
  expect(answer.status).toBe(422)
  expect(answer.body.title).toBe('input.invalid')
  expect(answer.body.findings?.map((finding) => finding.place)).toContain(place)
  expect(await stored()).toBe(before)
})

test('a day that does not exist is not found', async () => {
  expect((await timer.call('POST', '/api/occasions/nowhere/captures', { captures: [crossing()] })).status).toBe(404)
  expect((await timer.call('GET', '/api/occasions/01930000-0000-7000-8000-00000000ffff')).status).toBe(404)
})

test('only the officer decides and disqualifies', async () => {
  const officer = await Caller.signedIn(server.address, 'officer')
  const decided = crossing({ kind: 'decided', payload: { as: 'met', reason: 'Backup watch.' }, bib: 28 })
  const disqualified = crossing({ kind: 'stopped', payload: { reason: 'disqualified' }, bib: 28 })
  for (const capture of [decided, disqualified]) {
    expect(await timer.call('POST', path, { captures: [capture] })).toMatchObject({
      status: 403,
      body: { title: 'capture.officerOnly' },
    })
    expect((await officer.call('POST', path, { captures: [capture] })).status).toBe(200)
  }
})

test('captures are read page by page after a number', async () => {
  const all = await timer.call('GET', path)
  const after = await timer.call('GET', `${path}?after=2`)
  expect((all.body['captures'] as { seq: number }[]).slice(2)).toEqual(after.body['captures'])
  expect((await timer.call('GET', `${path}?after=-1`)).status).toBe(422)
})

test('an officer decides by a word or by a measure, one of the two', async () => {
  const officer = await Caller.signedIn(server.address, 'officer')
  const post = (payload: object) =>
    officer.call('POST', path, {
      captures: [crossing({ kind: 'decided', bib: 28, payload: { reason: 'Backup watch.', ...payload } })],
    })
  expect((await post({ value: 580_000 })).status).toBe(200)
  expect((await post({ as: 'short' })).status).toBe(200)
  for (const wrong of [{}, { as: 'met', value: 580_000 }, { as: 'open' }, { value: 0.5 }]) {
    expect((await post(wrong)).status, JSON.stringify(wrong)).toBe(422)
  }
})
