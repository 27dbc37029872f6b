/** The variant used is recorded and never mixed in comparisons: no figure of an event is of another form of it. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { EventCount } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller

const STANDARD = (() => {
  const plain = plainV3() as { events: { id: string; scoring: object; variants?: object[] }[] }
  const [pressUps] = plain.events
  if (!pressUps) throw new Error('The standard has no press-ups.')
  pressUps.variants = [{ id: 'knees', name: 'On the knees', scoring: pressUps.scoring }]
  return plain
})()

const ask = async (path: string) => (await officer.call('GET', `/api/insight/${path}`)).body

/** A day of two; the second does press-ups on the knees, twenty more of them. */
const signedDay = async (testDate: string, best: number, personIds: readonly string[] = []): Promise<string[]> => {
  const day = await addTestDay(server, STANDARD, testDate, [{ bib: 1 }, { bib: 2 }])
  const [, onKnees = ''] = day.entryIds
  const choices = { variants: { 'press-ups': 'knees' }, alternates: {}, exemptions: {}, reason: 'wrist' }
  const chosen = await officer.call('PATCH', `/api/occasions/${day.occasionId}/entries/${onKnees}`, {
    attendance: 'present',
    consented: true,
    note: '',
    revision: 1,
    choices,
  })
  expect(chosen.status, JSON.stringify(chosen.body)).toBe(200)
  for (const [at, personId] of personIds.entries())
    await server.owner.query('update entries set person_id = $1 where id = $2', [personId, day.entryIds[at]])
  const captures = day.entryIds.flatMap((entryId, at) => [
    sentCapture({ eventId: 'press-ups', kind: 'read', payload: { slot: 'count', value: best + 20 * at }, entryId }),
    sentCapture({ eventId: 'run', kind: 'read', payload: { slot: 'time', value: 500_000 }, entryId }),
  ])
  expect((await officer.call('POST', `/api/occasions/${day.occasionId}/captures`, { captures })).status).toBe(200)
  const signed = await officer.call('POST', `/api/occasions/${day.occasionId}/sign-off`, {
    password: PASSWORD,
    acceptOpen: false,
  })
  expect(signed.status, JSON.stringify(signed.body)).toBe(201)
  const { rows } = await server.owner.query<{ person_id: string }>(
    'select person_id from entries where occasion_id = $1 order by bib',
    [day.occasionId],
  )
  return rows.map((row) => row.person_id)
}

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
  await signedDay('2026-11-24', 28, await signedDay('2026-11-23', 26))
})
afterAll(() => server.close())

test('the sums of an event leave another form out, and say how many', async () => {
  const { byEvent } = (await ask('results')) as unknown as { byEvent: readonly EventCount[] }
  const counts = byEvent.map(({ eventId, met, otherForms }) => [eventId, met, otherForms])
  expect(counts).toEqual([
    ['press-ups', 2, 2],
    ['run', 4, 0],
  ])
  const columns = byEvent[0]?.strip?.columns ?? []
  expect(columns.reduce((all, { met, short }) => all + met + short, 0)).toBe(2)
})

test('groups, years and changes are of the event as it stands', async () => {
  const { groups } = (await ask('events')) as unknown as {
    groups: readonly { eventId: string; by: string; met: number; of: number }[]
  }
  expect(groups.filter(({ by }) => by === 'category')).toEqual([
    { eventId: 'press-ups', by: 'category', key: 'female', met: 2, of: 2 },
    { eventId: 'run', by: 'category', key: 'female', met: 4, of: 4 },
  ])
  expect(await ask('progress?event=press-ups')).toMatchObject({
    people: 1,
    changes: [{ first: 26, last: 28 }],
    years: [{ mean: 27, results: 2 }],
  })
  expect(await ask('progress?event=run')).toMatchObject({ people: 2, years: [{ results: 4 }] })
})

test('the people behind a figure are those who did it as it stands', async () => {
  expect(await ask('people?event=press-ups')).toMatchObject({ inAll: 2, people: [{ value: 28 }, { value: 26 }] })
})

test('a line of the data names the form', async () => {
  const response = await fetch(`${server.address}/api/insight/data`, { headers: { Cookie: officer.cookieHeader } })
  const [heading = '', ...lines] = (await response.text()).split('\r\n').map((line) => line.split(','))
  const at = heading.indexOf('forms')
  expect(lines.map((line) => [line[at], line[heading.indexOf('press-ups_count')]]).sort()).toEqual([
    ['', '26'],
    ['', '28'],
    ['press-ups: knees', '46'],
    ['press-ups: knees', '48'],
  ])
})
