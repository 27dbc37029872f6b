/** A day copied, put under another standard, cancelled and taken back; a rehearsal thrown away with all there is of it. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest'
import { firstPlan } from '@able-gauge/core'
import { plainV2, plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type Answer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller
let day: Awaited<ReturnType<typeof addTestDay>>
const path = (rest = '', id = day.occasionId): string => `/api/occasions/${id}${rest}`

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
  await addTestDay(server, plainV2(), '2024-05-21', [])
})
afterAll(() => server.close())
beforeEach(async () => {
  day = await addTestDay(server, plainV3(), '2026-11-24', [
    { bib: 7, wave: 1 },
    { bib: 8, wave: 2, category: 'male' },
  ])
})
const captureOne = (): Promise<Answer> =>
  officer.call('POST', path('/captures'), {
    captures: [sentCapture({ kind: 'started', payload: {}, entryId: day.entryIds[0] ?? '', eventId: 'press-ups' })],
  })

test('a copy has place, plan and staff of the day it is of, its people where wanted, and nothing that happened', async () => {
  const plan = firstPlan(day.standard)
  await officer.call('PUT', path('/plan'), { revision: 0, plan })
  await captureOne()
  const copy = async (withPeople: boolean): Promise<Answer['body']> => {
    const body = { name: 'Group B', testDate: '2027-05-04', version: 3, withPeople }
    const { status, body: made } = await officer.call('POST', path('/copy'), body)
    expect(status).toBe(201)
    return (await officer.call('GET', path('', String(made['id'])))).body
  }
  const full = await copy(true)
  expect(full).toMatchObject({
    occasion: {
      name: 'Group B',
      venue: 'Fallow Point track',
      testDate: '2027-05-04',
      standardVersion: 3,
      signedOff: null,
    },
    plan: { plan: { events: plan.events }, revision: 1 },
  })
  const entries = full['entries'] as { bib: number; wave: number; category: string; attendance: string }[]
  expect(entries.map(({ bib, wave, category, attendance }) => [bib, wave, category, attendance])).toEqual([
    [7, 1, 'female', 'expected'],
    [8, 2, 'male', 'expected'],
  ])
  const staff = full['staff'] as { role: string; duty: string }[]
  expect(staff.map(({ role, duty }) => `${role}: ${duty}`)).toEqual([
    'officer: officer in charge',
    'grader: grader',
    'timer: timer',
    'clerk: clerk',
  ])
  expect((await copy(false))['entries']).toEqual([])
  const { body } = await officer.call('POST', path('/copy'), {
    name: 'x',
    testDate: '2027-05-04',
    version: 9,
    withPeople: false,
  })
  expect(body.findings).toMatchObject([{ place: 'version', code: 'unknownStandard' }])
})

test('another standard until the first capture, when its categories fit those entered; choices go', async () => {
  await officer.call('PUT', path('/plan'), { revision: 0, plan: firstPlan(day.standard) })
  await server.owner.query(`update entries set choices = jsonb_set(choices, '{variants}', '{"press-ups":"knees"}')`)
  const to = (version: number): Promise<Answer> =>
    officer.call('PUT', path('/standard'), { standardId: 'constabulary-entry', version })
  expect((await to(2)).status).toBe(204)
  const { body } = await officer.call('GET', path())
  expect(body).toMatchObject({ occasion: { standardVersion: 2 }, plan: { revision: 2 } })
  expect(body['entries']).toMatchObject([{ choices: { variants: {} } }, { choices: { variants: {} } }])
  await server.owner.query(`update entries set category = 'open' where id = $1`, [day.entryIds[0]])
  expect(await to(3)).toMatchObject({ status: 422, body: { findings: [{ found: 'somebody entered as open' }] } })
  await server.owner.query(`update entries set category = 'female' where id = $1`, [day.entryIds[0]])
  await captureOne()
  expect(await to(3)).toMatchObject({ status: 409, body: { title: 'day.begun' } })
})

test('a cancelled day says why, takes nothing more, and takes place again when that is taken back', async () => {
  expect((await officer.call('PUT', path('/cancellation'), { reason: '' })).status).toBe(422)
  expect((await officer.call('PUT', path('/cancellation'), { reason: 'Storm warning' })).status).toBe(204)
  const { body } = await officer.call('GET', path())
  expect(body['occasion']).toMatchObject({ cancelled: { by: 'The officer', reason: 'Storm warning' } })
  // a device that did not know sends on; it is kept beside the day
  expect((await captureOne()).status).toBe(200)
  const captured = async (): Promise<unknown> => (await officer.call('GET', path('/captures'))).body['captures']
  expect(await captured()).toEqual([])
  expect(await officer.call('PATCH', path(), { name: 'Other' })).toMatchObject({ body: { title: 'day.cancelled' } })
  expect(await officer.call('PUT', path('/cancellation'), { reason: 'again' })).toMatchObject({ status: 409 })
  expect((await officer.call('DELETE', path('/cancellation'))).status).toBe(204)
  expect((await officer.call('DELETE', path('/cancellation'))).status).toBe(404)
  expect(await captured()).toMatchObject([{ kind: 'started', actorId: server.accountIds.officer, seq: 1 }])
  expect((await officer.call('GET', path('/annex'))).body['captures']).toEqual([])
  expect((await captureOne()).status).toBe(200)
  expect(await officer.call('PUT', path('/cancellation'), { reason: 'Storm' })).toMatchObject({
    status: 409,
    body: { title: 'day.begun' },
  })
})

test('of a rehearsal that is thrown away nothing is left, and no other day can be', async () => {
  const made = await officer.call('POST', '/api/rehearsals', {
    standardId: 'constabulary-entry',
    version: 3,
    people: 4,
    speed: 1,
    ownEventId: 'all-events',
  })
  const id = String(made.body['id'])
  const { body } = await officer.call('GET', path('', id))
  const [entry] = body['entries'] as { id: string }[]
  const { body: station } = await officer.call('POST', path('/stations', id), {
    eventIds: ['press-ups'],
    role: 'grader',
  })
  const guest = new Caller(server.address)
  await guest.call('POST', '/api/session/station', { code: station['code'], name: 'Guest', device: randomUUID() })
  const captures = [sentCapture({ kind: 'started', payload: {}, entryId: entry?.id ?? '', eventId: 'press-ups' })]
  expect((await guest.call('POST', path('/captures', id), { captures })).status).toBe(200)
  await officer.call('POST', path('/records', id), {
    id: randomUUID(),
    content: { kind: 'holdRaised', entryId: entry?.id, reason: 'limps' },
  })
  expect((await officer.call('DELETE', `/api/rehearsals/${day.occasionId}`)).status).toBe(404)
  expect((await officer.call('DELETE', `/api/rehearsals/${id}`)).status).toBe(204)
  expect((await officer.call('GET', path('', id))).status).toBe(404)
  expect((await guest.call('GET', path('', id))).status).toBe(401)
  const { rows } = await server.owner.query<{ left: number }>(
    `select (select count(*) from people where made_up)::integer + (select count(*) from rehearsals)::integer as left`,
  )
  expect(rows[0]?.left).toBe(0)
  // the day that is none is as it was
  expect((await officer.call('GET', path())).status).toBe(200)
})
