import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import pino from 'pino'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { makeCaptureWriter } from '../captureWriter.ts'
import { findAllCaptures } from '../store/captureStore.ts'
import { runRehearsals, type RehearsalRunner } from './rehearsalRunner.ts'

let server: TestServer
let timer: Caller
const runners: RehearsalRunner[] = []

beforeAll(async () => {
  server = await openTestServer()
  timer = await Caller.signedIn(server.address, 'timer')
  // publishes the standard
  await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
})
afterAll(async () => {
  for (const runner of runners) await runner.close()
  await server.close()
})

const start = (change: object = {}) =>
  timer.call('POST', '/api/rehearsals', {
    standardId: 'constabulary-entry',
    version: 3,
    people: 4,
    speed: 60,
    seed: 8,
    ...change,
  })
const runHere = (): void => {
  runners.push(
    runRehearsals({ ...server.inside, writer: makeCaptureWriter(server.inside.days) }, pino({ level: 'silent' })),
  )
}

test('a rehearsal becomes a day of made-up people that two processes fill with the same captures, once', async () => {
  const { status, body } = await start()
  expect(status).toBe(201)
  const occasionId = String(body['id'])
  const day = await timer.call('GET', `/api/occasions/${occasionId}`)
  expect(day.body['entries']).toHaveLength(4)
  expect(day.body['occasion']).toMatchObject({ rehearsal: { speed: 60, ownEventId: null } })
  runHere()
  runHere()
  await vi.waitFor(async () => expect((await findAllCaptures(server.pool, occasionId)).length).toBeGreaterThan(10), {
    timeout: 20_000,
    interval: 200,
  })
  const captures = await findAllCaptures(server.pool, occasionId)
  expect(captures.map(({ seq }) => seq)).toEqual(captures.map((_, index) => index + 1))
  expect(new Set(captures.map(({ id }) => id)).size).toBe(captures.length)
})
test('no two of a hundred and twenty made-up people have one name', async () => {
  const { body } = await start({ people: 120, waveOf: 20 })
  const day = await timer.call('GET', `/api/occasions/${String(body['id'])}`)
  const entries = day.body['entries'] as { person: { givenName: string; familyName: string } }[]
  const names = entries.map(({ person }) => `${person.givenName} ${person.familyName}`)
  expect(new Set(names).size).toBe(120)
})
test.each([
  [{ version: 99 }, 'standardId'],
  [{ ownEventId: 'nothing' }, 'ownEventId'],
  [{ speed: 61 }, 'speed'],
  [{ people: 3 }, 'people'],
])('a rehearsal that cannot be is refused with its place: %o', async (change, place) => {
  const { status, body } = await start(change)
  expect(status).toBe(422)
  expect(body.findings?.map((finding) => finding.place)).toContain(place)
})
test('rehearsals are not among past results, and their people are marked as made up', async () => {
  await start()
  const officer = await Caller.signedIn(server.address, 'officer')
  const { body } = await officer.call('GET', '/api/standards/constabulary-entry/3/results')
  expect(JSON.stringify(body)).not.toContain('rehearsal-')
})
