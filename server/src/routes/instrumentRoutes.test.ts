import { afterAll, beforeAll, expect, test } from 'vitest'
import { simulateInstrument } from '@able-gauge/core'
import { KIND_CASES, plainEvent, plainStandard } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { findAllCaptures } from '../store/captureStore.ts'

let server: TestServer
let grader: Caller
let day: { occasionId: string; entryIds: string[] }

beforeAll(async () => {
  server = await openTestServer()
  grader = await Caller.signedIn(server.address, 'grader')
  const of = (kind: string) => {
    const found = KIND_CASES.find((one) => one.kind === kind)
    if (!found) throw new Error(`No case of ${kind}.`)
    return plainEvent(found, { kind: 'effort' }, kind.toLowerCase())
  }
  const standard = plainStandard([of('attempts'), of('timedDistance')])
  day = await addTestDay(server, standard, '2026-11-24', [{ bib: 4 }, { bib: 7 }])
})
afterAll(() => server.close())

const send = (lines: readonly unknown[], eventId = 'attempts') =>
  grader.call(
    'POST',
    `/api/occasions/${day.occasionId}/events/${eventId}/instruments`,
    lines.map((line) => (typeof line === 'string' ? line : JSON.stringify(line))).join('\n'),
    { 'Content-Type': 'application/x-ndjson' },
  )

test('lines become captures with instrument and resolution, and lines sent again are known', async () => {
  const lines = simulateInstrument('dynamometer', 4, 5)
  expect((await send(lines)).body).toEqual({ stored: 5, known: 0 })
  expect((await send([...lines, ...simulateInstrument('dynamometer', 5, 6).slice(5)])).body).toEqual({
    stored: 1,
    known: 5,
  })
  const captures = await findAllCaptures(server.pool, day.occasionId)
  expect(captures[0]).toMatchObject({
    kind: 'sensed',
    entryId: null,
    deviceId: 'instrument dynamometer-1',
    payload: { quantity: 'force', value: lines[0]?.value, resolution: 100 },
  })
})
test('a bib reader stamps whom it saw, at the moment it tells', async () => {
  const line = { kind: 'bibReader', instrument: 'mat-1', line: 1, bib: 7, atMs: 1_795_467_600_000 }
  expect((await send([line], 'timeddistance')).body).toEqual({ stored: 1, known: 0 })
  const captures = await findAllCaptures(server.pool, day.occasionId)
  expect(captures.at(-1)).toMatchObject({
    kind: 'crossed',
    entryId: day.entryIds[1],
    atMs: line.atMs,
    uncertaintyMs: 20,
  })
})
test.each([
  ['not JSON', ['{'], 'line 1'],
  ['another property', [{ kind: 'gate', instrument: 'g', line: 1, value: 1, resolution: 1, speed: 3 }], 'line 1.speed'],
  ['a line without a value', [{ kind: 'gate', instrument: 'g', line: 1 }], 'line 1'],
  ['an unknown bib', [{ kind: 'bibReader', instrument: 'm', line: 2, bib: 99 }], 'line 1.bib'],
  ['a reader where nobody crosses', [{ kind: 'bibReader', instrument: 'm', line: 3, bib: 4 }], 'line 1.kind'],
  ['nothing', [], 'body'],
])('%s is refused with its line, and nothing is stored', async (_, lines, place) => {
  const before = (await findAllCaptures(server.pool, day.occasionId)).length
  const { status, body } = await send(lines, place === 'line 1.bib' ? 'timeddistance' : 'attempts')
  expect(status).toBe(422)
  expect(body.findings?.some((finding) => finding.place.startsWith(place))).toBe(true)
  expect(await findAllCaptures(server.pool, day.occasionId)).toHaveLength(before)
})
