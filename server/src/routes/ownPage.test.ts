/** A candidate's own page: opened by its link and the date of birth alone, for results that are signed and a log of one's own. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'

let server: TestServer
let officer: Caller
let personId = ''
let occasionId = ''
const BORN = '1999-05-04'
const nobody = (): Caller => new Caller(server.address)
const open = (code: string, birthDate = BORN) => nobody().call('POST', '/api/session/own', { code, birthDate })
const newLink = async (): Promise<string> =>
  String((await officer.call('POST', `/api/people/${personId}/own-page`)).body['code'])

beforeAll(async () => {
  server = await openTestServer({ limits: NO_LIMITS })
  officer = await Caller.signedIn(server.address, 'officer')
  const day = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1, birthDate: BORN }])
  occasionId = day.occasionId
  const [entryId = ''] = day.entryIds
  const { rows } = await server.owner.query<{ person_id: string }>('select person_id from entries where id = $1', [
    entryId,
  ])
  personId = rows[0]?.person_id ?? ''
  await officer.call('POST', `/api/occasions/${occasionId}/captures`, {
    captures: [sentCapture({ kind: 'stopped', payload: { reason: 'didNotFinish' }, entryId, eventId: 'run' })],
  })
})
afterAll(() => server.close())

test('the page shows what is signed, and nothing before; what the office did to the record stays there', async () => {
  const code = await newLink()
  const before = await open(code)
  expect(before).toMatchObject({ status: 200, body: { record: { person: { id: personId }, tests: [] } } })
  await officer.call('PATCH', `/api/people/${personId}`, { rank: 'Recruit', reason: 'a note of the office' })
  await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  const { body } = await open(code)
  expect(body).toMatchObject({
    record: { tests: [{ testDate: '2026-11-24', verdict: { outcome: expect.any(String) } }], changes: [] },
    standard: { id: 'constabulary-entry', version: 3 },
    coming: [],
  })
  expect(JSON.stringify(body)).not.toContain('a note of the office')
})

test('a test of one’s own is kept apart, without an account', async () => {
  const code = await newLink()
  const test = {
    standardId: 'constabulary-entry',
    standardVersion: 3,
    eventId: 'press-ups',
    testDate: '2026-12-01',
    figures: [{ slot: 'count', value: 31 }],
    witness: '',
    note: 'at home',
  }
  const log = (birthDate: string, change: object = {}) =>
    nobody().call('POST', '/api/session/own/self-tests', { key: { code, birthDate }, test: { ...test, ...change } })
  expect((await log('1999-05-05')).status).toBe(401)
  expect((await log(BORN, { eventId: 'no-such' })).status).toBe(422)
  const answer = await log(BORN)
  expect(answer.status, JSON.stringify(answer.body)).toBe(201)
  const { body } = await officer.call('GET', `/api/people/${personId}`)
  expect(body['selfTests']).toMatchObject([{ eventId: 'press-ups', note: 'at home', mark: { kind: 'met' } }])
})

test('a wrong date and a wrong link are refused alike; too many wrong dates end the link', async () => {
  const code = await newLink()
  const wrong = await open(code, '1999-05-05')
  const noLink = await open('no-such-link')
  expect([wrong.status, wrong.body]).toEqual([noLink.status, noLink.body])
  for (let guess = 0; guess < 7; guess++) await open(code, `1980-01-0${guess + 1}`)
  expect((await open(code)).status).toBe(401)
  expect((await open(await newLink())).status).toBe(200)
})

test('links end when they are withdrawn, when their time is over, and when the person is erased', async () => {
  const [one, two] = [await newLink(), await newLink()]
  expect((await officer.call('DELETE', `/api/people/${personId}/own-page`)).status).toBe(204)
  expect([(await open(one)).status, (await open(two)).status]).toEqual([401, 401])
  const three = await newLink()
  await server.owner.query('update own_pages set ends_at = now()')
  expect((await open(three)).status).toBe(401)
  const four = await newLink()
  expect((await officer.call('POST', `/api/people/${personId}/erase`, { reason: 'asked for' })).status).toBe(204)
  expect((await open(four)).status).toBe(401)
})
