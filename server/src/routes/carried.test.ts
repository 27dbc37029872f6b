/** A retest under a standard that has only what was short done again: entered, judged, signed, and proven elsewhere. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'

const STANDARD = { ...plainV3(), id: 'short-again', retest: { earliestAfterDays: 14, repeats: 'shortEvents' } }
let server: TestServer
let officer: Caller
beforeAll(async () => {
  server = await openTestServer({ limits: NO_LIMITS })
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

/** A figure read off a card, on the day of the test. */
const key = async (dayId: string, entryId: string, eventId: string, slot: string, value: number): Promise<void> => {
  const date = String(
    ((await officer.call('GET', `/api/occasions/${dayId}`)).body['occasion'] as { testDate: string }).testDate,
  )
  // in the morning at the venue, half a day ahead of UTC
  const capture = sentCapture({
    eventId,
    entryId,
    kind: 'read',
    payload: { slot, value },
    atMs: Date.parse(`${date}T00:00:00Z`),
  })
  const { status, body } = await officer.call('POST', `/api/occasions/${dayId}/captures`, { captures: [capture] })
  expect(status, JSON.stringify(body)).toBe(200)
}
const sign = async (occasionId: string): Promise<void> => {
  const signed = await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, {
    password: PASSWORD,
    acceptOpen: true,
  })
  expect(signed.status, JSON.stringify(signed.body)).toBe(201)
}
const verdictsOf = async (occasionId: string) =>
  ((await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)).body['verdicts'] as { verdict: object }[]).map(
    ({ verdict }) => verdict,
  )

test('the retest asks for the run alone, and the day with what stands is proven from its archive', async () => {
  const first = await addTestDay(server, STANDARD, '2026-11-24', [{ bib: 1, attendance: 'present' }])
  const [entryId = ''] = first.entryIds
  await key(first.occasionId, entryId, 'press-ups', 'count', 31)
  await key(first.occasionId, entryId, 'run', 'time', 700_000)
  await sign(first.occasionId)
  expect(await verdictsOf(first.occasionId)).toMatchObject([{ outcome: 'short' }])

  const again = { name: 'Retest', testDate: '2027-01-12', version: 3, withPeople: true }
  const copied = await officer.call('POST', `/api/occasions/${first.occasionId}/copy`, again)
  const dayId = String(copied.body['id'])
  const day = (await officer.call('GET', `/api/occasions/${dayId}`)).body
  const [entry] = day['entries'] as { id: string; revision: number; carried?: object }[]
  expect(entry?.carried).toMatchObject({ 'press-ups': { testDate: '2026-11-24', mark: { kind: 'met', rounded: 31 } } })
  expect(await verdictsOf(dayId)).toMatchObject([{ marks: [{ kind: 'met' }, { kind: 'waiting' }] }])
  // what was done before is told to who works the line, and nobody else
  const figures = [
    { eventId: 'press-ups', value: 31, unit: 'count', testDate: '2026-11-24' },
    { eventId: 'run', value: 700_000, unit: 'ms', testDate: '2026-11-24' },
  ]
  expect(day['earlierFigures']).toEqual({ [entry?.id ?? '']: figures })
  const viewer = await Caller.signedIn(server.address, 'viewer')
  expect((await viewer.call('GET', `/api/occasions/${dayId}`)).body['earlierFigures']).toEqual({})

  // all the same everything again: a choice with a reason
  const choose = (choices: object, revision: number) =>
    officer.call('PATCH', `/api/occasions/${dayId}/entries/${entry?.id ?? ''}`, {
      attendance: 'present',
      consented: true,
      note: '',
      revision,
      choices,
    })
  const none = { variants: {}, alternates: {}, exemptions: {} }
  expect(await choose({ ...none, wholeBattery: true }, 1)).toMatchObject({ status: 422 })
  const chosen = await choose({ ...none, wholeBattery: true, reason: 'asked for it' }, 1)
  expect(chosen.status, JSON.stringify(chosen.body)).toBe(200)
  expect(await verdictsOf(dayId)).toMatchObject([{ marks: [{ kind: 'waiting' }, { kind: 'waiting' }] }])
  expect((await choose(none, 2)).status).toBe(200)

  await key(dayId, entry?.id ?? '', 'run', 'time', 560_000)
  await sign(dayId)
  expect(await verdictsOf(dayId)).toMatchObject([{ outcome: 'met', marks: [{ rounded: 31 }, { rounded: 560_000 }] }])

  const archive = (await officer.call('GET', `/api/occasions/${dayId}/archive`)).body
  const elsewhere = await openTestServer({ limits: NO_LIMITS })
  const other = await Caller.signedIn(elsewhere.address, 'officer')
  expect((await other.call('POST', '/api/archives', { password: PASSWORD, archive })).status).toBe(201)
  const there = (await other.call('GET', `/api/occasions/${dayId}`)).body['entries'] as { carried?: object }[]
  expect(there[0]?.carried).toEqual(entry?.carried)
  await elsewhere.close()
})

test('somebody entered later, by name, has what stands as well; under a standard that repeats all of it, nothing', async () => {
  const { rows } = await server.owner.query<{
    number: string
    given_name: string
    family_name: string
    birth_date: string
  }>(
    `select p.number, p.given_name, p.family_name, p.birth_date::text from people p join entries e on e.person_id = p.id limit 1`,
  )
  const [person] = rows
  const day = await addTestDay(server, STANDARD, '2026-12-20', [])
  const row = {
    number: person?.number,
    givenName: person?.given_name,
    familyName: person?.family_name,
    birthDate: person?.birth_date,
    category: 'female',
  }
  const entered = await officer.call('POST', `/api/occasions/${day.occasionId}/roster`, { waveOf: 4, people: [row] })
  expect(entered.body['outcomes']).toMatchObject([{ kind: 'entered', known: true }])
  const carried = async () =>
    ((await officer.call('GET', `/api/occasions/${day.occasionId}`)).body['entries'] as { carried?: object }[])[0]
      ?.carried
  expect(await carried()).toHaveProperty('press-ups')
  await addTestDay(server, plainV3(), '2026-12-21', [])
  const whole = { standardId: plainV3().id, version: 3 }
  expect((await officer.call('PUT', `/api/occasions/${day.occasionId}/standard`, whole)).status).toBe(204)
  expect(await carried()).toBeUndefined()
})

test('a result that was brought in never stands in place of one that was signed', async () => {
  const { rows } = await server.owner.query<{ verdict: object }>(
    `select verdict from verdict_snapshots where verdict ->> 'outcome' = 'short' limit 1`,
  )
  const day = await addTestDay(server, STANDARD, '2027-02-01', [{ bib: 9, attendance: 'expected' }])
  await server.owner.query(
    `insert into brought_in_results (id, person_id, standard_id, standard_version, test_date, verdict, source, brought_by)
     select gen_random_uuid(), person_id, 'short-again', 3, '2026-01-10', $2, 'a file', $3 from entries where occasion_id = $1`,
    [day.occasionId, rows[0]?.verdict, server.accountIds.officer],
  )
  const again = { name: 'Retest', testDate: '2027-03-01', version: 3, withPeople: true }
  const copied = await officer.call('POST', `/api/occasions/${day.occasionId}/copy`, again)
  const { entries } = (await officer.call('GET', `/api/occasions/${String(copied.body['id'])}`)).body as {
    entries?: object[]
  }
  expect(entries).toHaveLength(1)
  expect(entries?.[0]).not.toHaveProperty('carried')
})
