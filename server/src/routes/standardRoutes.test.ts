import { afterAll, beforeAll, expect, test } from 'vitest'
import { contentHash } from '@able-gauge/core'
import { plainV2, plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller
beforeAll(async () => {
  server = await openTestServer()
  await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

const V4 = '/api/standards/constabulary-entry/4'
const content = (change: object = {}) => ({ ...plainV3(), version: 4, inForceFrom: '2027-03-01', ...change })

test('a draft is written, changed, and told to the second person who changes it', async () => {
  const made = await officer.call('POST', '/api/standards', {
    id: 'constabulary-entry',
    version: 4,
    content: { name: 'Half written' },
  })
  expect(made).toMatchObject({ status: 201, body: { revision: 1 } })
  expect(await officer.call('PUT', V4, { revision: 1, content: content() })).toMatchObject({ body: { revision: 2 } })
  const second = await officer.call('PUT', V4, { revision: 1, content: { name: 'Mine' } })
  expect(second).toMatchObject({ status: 409, body: { title: 'standard.editedMeanwhile' } })
  expect((await officer.call('GET', V4)).body).toMatchObject({
    state: 'draft',
    revision: 2,
    content: { name: 'Constabulary Entry Standard' },
  })
})

test('a version number is used once, whether drafted or published', async () => {
  for (const version of [3, 4]) {
    const again = await officer.call('POST', '/api/standards', { id: 'constabulary-entry', version, content: {} })
    expect(again).toMatchObject({ status: 409, body: { title: 'standard.exists' } })
  }
})

test('what the check calls an error stops publishing, with its place', async () => {
  const overlapping = await officer.call('POST', `${V4}/publish`, { revision: 2 })
  expect(overlapping).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'inForceFrom', code: 'datesOverlap' }] },
  })
  const broken = content()
  broken.events[1]!.scoring = { ...broken.events[1]!.scoring, unit: 'count' }
  await officer.call('PUT', V4, { revision: 2, content: broken })
  const refused = await officer.call('POST', `${V4}/publish`, { revision: 3 })
  expect(refused).toMatchObject({ status: 422, body: { findings: [{ place: 'events[1].scoring.unit' }] } })
  expect((await officer.call('GET', V4)).body).toMatchObject({ state: 'draft', revision: 3 })
})

test('a published version has the hash of its file and can no longer be changed', async () => {
  const retired = await officer.call('POST', '/api/standards/constabulary-entry/3/retire', {
    lastDay: '2027-02-28',
    reason: 'Version 4 follows.',
  })
  expect(retired.status).toBe(200)
  await officer.call('PUT', V4, { revision: 3, content: content() })
  expect(await officer.call('POST', `${V4}/publish`, { revision: 4 })).toMatchObject({
    status: 200,
    body: { contentHash: contentHash(content()) },
  })
  for (const [method, path, body] of [
    ['PUT', V4, { revision: 4, content: content({ name: 'Changed' }) }],
    ['DELETE', V4, { revision: 4 }],
    ['POST', `${V4}/publish`, { revision: 4 }],
  ] as const) {
    expect(await officer.call(method, path, body)).toMatchObject({ status: 409, body: { title: 'standard.published' } })
  }
  const detail = (await officer.call('GET', V4)).body
  expect(detail).toMatchObject({ state: 'published', publishedBy: expect.any(String) })
  expect(contentHash(detail['content'])).toBe(contentHash(content()))
})

test('the database itself refuses to change a published version', async () => {
  await expect(server.pool.query("update standards set content = '{}'")).rejects.toThrow(/permission denied/)
  await expect(server.pool.query('delete from standards')).rejects.toThrow(/permission denied/)
  await expect(server.pool.query('delete from standard_retirements')).rejects.toThrow(/permission denied/)
})

test('a version is retired once, not before it came into force', async () => {
  const early = await officer.call('POST', `${V4}/retire`, { lastDay: '2027-02-01', reason: 'Too early.' })
  expect(early).toMatchObject({ status: 422, body: { findings: [{ place: 'lastDay' }] } })
  const again = await officer.call('POST', '/api/standards/constabulary-entry/3/retire', {
    lastDay: '2027-01-31',
    reason: 'Again.',
  })
  expect(again).toMatchObject({ status: 409, body: { title: 'standard.retired' } })
})

test('the library lists each version with its state and how long it is in force', async () => {
  await officer.call('POST', '/api/standards', {
    id: 'other',
    version: 1,
    content: { events: 'none yet', inForceFrom: 'x'.repeat(60), organisation: 'y'.repeat(900) },
  })
  const { versions } = (await officer.call('GET', '/api/standards')).body as { versions: object[] }
  expect(versions).toMatchObject([
    { id: 'constabulary-entry', version: 4, state: 'published', inForceTo: null, events: 2, days: 0 },
    {
      id: 'constabulary-entry',
      version: 3,
      state: 'retired',
      inForceFrom: '2026-03-01',
      inForceTo: '2027-02-28',
      days: 1,
    },
    {
      id: 'other',
      version: 1,
      state: 'draft',
      name: 'other',
      organisation: 'y'.repeat(500),
      events: 0,
      inForceFrom: null,
    },
  ])
})

test.each([
  ['no content', { id: 'x', version: 1 }, 'content'],
  ['a list as content', { id: 'x', version: 1, content: [] }, 'content'],
  ['a version of nought', { id: 'x', version: 0, content: {} }, 'version'],
  ['an id with blanks', { id: 'x y', version: 1, content: {} }, 'id'],
  [
    'a name that reaches the prototype',
    JSON.parse('{"id":"x","version":1,"content":{"__proto__":{"a":1}}}'),
    'content.__proto__',
  ],
])('%s is refused with its place', async (_, body, place) => {
  const answer = await officer.call('POST', '/api/standards', body)
  expect(answer).toMatchObject({ status: 422, body: { findings: [{ place }] } })
})

test('an unknown version is told as such', async () => {
  for (const path of [
    '/api/standards/nowhere/1',
    '/api/standards/constabulary-entry/0',
    '/api/standards/constabulary-entry/x',
  ]) {
    expect((await officer.call('GET', path)).status).toBe(404)
  }
})

test('past results are those of signed-off days, without names', async () => {
  const { occasionId } = await addTestDay(server, plainV2(), '2025-09-30', [{ bib: 1 }, { bib: 2, category: 'male' }])
  const results = async () =>
    (await officer.call('GET', '/api/standards/constabulary-entry/2/results')).body['results'] as object[]
  expect(await results()).toEqual([])
  const signed = await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, {
    password: PASSWORD,
    acceptOpen: true,
  })
  expect(signed.status).toBe(201)
  const found = await results()
  expect(found).toHaveLength(2)
  expect(found[0]).toMatchObject({ testDate: '2025-09-30', birthDate: '1999-05-04', measures: {} })
  expect(JSON.stringify(found)).not.toMatch(/Okafor|Tove/)
})

test('a published standard is read by everybody where the house shows it, and nothing else is', async () => {
  const anybody = new Caller(server.address)
  const path = '/api/session/standards/constabulary-entry/3'
  expect((await anybody.call('GET', path)).status).toBe(404)
  const { body } = await officer.call('GET', '/api/house-rules')
  const rules = { ...Object(body['rules']), standardsPublic: true }
  expect((await officer.call('PUT', '/api/house-rules', { revision: body['revision'], rules })).status).toBe(200)
  expect((await anybody.call('GET', '/api/session')).body).toMatchObject({ standardsPublic: true })
  expect(await anybody.call('GET', path)).toMatchObject({
    status: 200,
    body: { content: plainV3(), contentHash: await contentHash(plainV3()) },
  })
  // drafts, names that cannot be, and what there is not are answered alike
  await officer.call('POST', '/api/standards', { id: 'quay-watch', version: 1, content: {} })
  for (const other of [
    'quay-watch/1',
    'constabulary-entry/99',
    'constabulary-entry/0',
    'constabulary-entry/x',
    '%00/1',
  ]) {
    expect([other, (await anybody.call('GET', `/api/session/standards/${other}`)).status]).toEqual([other, 404])
  }
})
