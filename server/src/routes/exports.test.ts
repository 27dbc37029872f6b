/** What is kept, taken out: the register, everything of a unit, everything of one person. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { FIRST_HOUSE_RULES } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller
let records: Caller
const unit = { north: randomUUID(), south: randomUUID() }
let personId = ''

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
  records = await Caller.signedIn(server.address, 'records')
  const administrator = await Caller.signedIn(server.address, 'administrator')
  for (const [name, id] of Object.entries(unit))
    await administrator.call('PUT', `/api/units/${id}`, { name, parentId: null, isClosed: false })
  const { occasionId, entryIds } = await addTestDay(
    server,
    plainV3(),
    '2026-11-24',
    [{ bib: 1 }, { bib: 2 }],
    unit.north,
  )
  await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 3 }], unit.south)
  const [entryId = ''] = entryIds
  const path = `/api/occasions/${occasionId}`
  await officer.call('POST', `${path}/captures`, {
    captures: [
      sentCapture({ kind: 'started', payload: {}, entryId, eventId: 'press-ups' }),
      sentCapture({
        kind: 'stopped',
        payload: { reason: 'withdrawn', note: 'felt faint' },
        entryId,
        eventId: 'press-ups',
      }),
    ],
  })
  await officer.call('POST', `${path}/records`, {
    id: randomUUID(),
    content: { kind: 'holdRaised', entryId, reason: 'heart murmur' },
  })
  const answers = FIRST_HOUSE_RULES.screening.map(({ id }) => ({ questionId: id, answer: 'yes' }))
  await officer.call('PUT', `${path}/entries/${entryId}/screening`, { answers })
  await officer.call('POST', `${path}/sign-off`, { password: 'a password for tests', acceptOpen: true })
  const { rows } = await server.owner.query<{ person_id: string }>('select person_id from entries where id = $1', [
    entryId,
  ])
  personId = rows[0]?.person_id ?? ''
})
afterAll(() => server.close())

test('the register comes whole, or of one unit', async () => {
  const count = async (query: string): Promise<number> =>
    ((await records.call('GET', `/api/register${query}`)).body['people'] as unknown[]).length
  expect([await count(''), await count(`?unit=${unit.north}`), await count(`?unit=${unit.south}`)]).toEqual([3, 2, 1])
  for (const query of [`?unit=${randomUUID()}`, '?unit=north'])
    expect((await records.call('GET', `/api/register${query}`)).status).toBe(404)
})

test('everything of a unit is one file, each person with every test as it was signed', async () => {
  const { body } = await records.call('GET', `/api/register/everything?unit=${unit.north}`)
  expect(body).toMatchObject({ format: 'able-gauge/people/1', unit: unit.north })
  const people = body['people'] as { person: { id: string }; tests: { verdict: { outcome: string } | null }[] }[]
  expect(people).toHaveLength(2)
  const own = people.find(({ person }) => person.id === personId)
  expect(own?.tests).toMatchObject([{ testDate: '2026-11-24', verdict: { outcome: 'withdrawn' } }])
})

test('everything about one person: entries, captures, what was noted, with texts; screening answers by an officer alone', async () => {
  const path = `/api/people/${personId}/everything`
  const { body } = await officer.call('GET', path)
  expect(body).toMatchObject({
    format: 'able-gauge/person/1',
    person: { id: personId },
    entries: [{ bib: 1, category: 'female', test_date: '2026-11-24' }],
    captures: [{ kind: 'started' }, { kind: 'stopped', payload: { note: 'felt faint' } }],
    // the answers that need clearance hold somebody as well
    records: [{ content: { reason: 'heart murmur' } }, { content: { reason: expect.stringContaining('clearance') } }],
    screenings: [{ answers: expect.arrayContaining([{ questionId: 'faint', answer: 'yes' }]) }],
  })
  const other = (await records.call('GET', path)).body
  expect(other).toMatchObject({ screenings: [], left: expect.stringContaining('officer') })
  await vi.waitFor(async () => {
    const log = await officer.call('GET', '/api/security-events')
    expect(JSON.stringify(log.body)).toContain('person.exported')
  })
})
