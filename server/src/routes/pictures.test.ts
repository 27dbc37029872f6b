/** Pictures as they come in: the mark of the house and what is kept with a self-test, written anew, and nothing else let in. */
import sharp, { type Metadata, type Sharp } from 'sharp'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { FIRST_HOUSE_RULES } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'

let server: TestServer
let officer: Caller
beforeAll(async () => {
  server = await openTestServer({ limits: NO_LIMITS })
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

const nobody = (): Caller => new Caller(server.address)
const drawn = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 4, background: '#0f6b57' } })
const base64 = async (image: Sharp): Promise<string> => (await image.toBuffer()).toString('base64')
const fetched = async (path: string): Promise<Metadata> => {
  const response = await fetch(server.address + path, { headers: { Cookie: officer.cookieHeader } })
  expect(response.status).toBe(200)
  return sharp(Buffer.from(await response.arrayBuffer())).metadata()
}

test('a mark is made small and written anew; nothing of what the file said beside it stays', async () => {
  const told = drawn(1_200, 300).withExif({ IFD0: { Copyright: 'somebody', ImageDescription: 'at home' } })
  expect(await nobody().call('GET', '/api/session/mark')).toMatchObject({ status: 404 })
  expect((await officer.call('PUT', '/api/house-mark', { image: await base64(told.jpeg()) })).status).toBe(204)
  const mark = await fetched('/api/session/mark')
  expect(mark).toMatchObject({ format: 'png', width: 480, height: 120 })
  expect(mark.exif).toBeUndefined()
  expect((await nobody().call('GET', '/api/session')).body['markSinceMs']).toEqual(expect.any(Number))
  expect((await officer.call('DELETE', '/api/house-mark')).status).toBe(204)
  expect((await nobody().call('GET', '/api/session')).body['markSinceMs']).toBeNull()
})

test('what is no picture, breaks off, draws by itself or unpacks to more than a camera takes is refused', async () => {
  const whole = await drawn(400, 400).png().toBuffer()
  const vast = await sharp({ create: { width: 9_000, height: 9_000, channels: 3, background: 'red' } })
    .png({ palette: true, colours: 2 })
    .toBuffer()
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="file:///etc/passwd"/></svg>'
  const files = {
    nothing: Buffer.alloc(0),
    text: Buffer.from('no picture'),
    half: whole.subarray(0, whole.length / 2),
    svg: Buffer.from(svg),
    vast,
  }
  for (const [name, file] of Object.entries(files)) {
    const answer = await officer.call('PUT', '/api/house-mark', { image: file.toString('base64') })
    expect([name, answer.status, answer.body.findings?.[0]?.place]).toEqual([name, 422, 'image'])
  }
})

test('a self-test keeps its picture, its form and what put it right; goals stand on the own page', async () => {
  const born = '1999-05-04'
  const day = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1, birthDate: born }])
  const [entryId = ''] = day.entryIds
  const stopped = sentCapture({ kind: 'stopped', payload: { reason: 'didNotFinish' }, entryId, eventId: 'run' })
  await officer.call('POST', `/api/occasions/${day.occasionId}/captures`, { captures: [stopped] })
  await officer.call('POST', `/api/occasions/${day.occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  const { rows } = await server.owner.query<{ id: string }>('select person_id as id from entries where id = $1', [
    entryId,
  ])
  const personId = rows[0]?.id ?? ''
  const code = String((await officer.call('POST', `/api/people/${personId}/own-page`)).body['code'])
  const key = { code, birthDate: born }
  const logged = {
    standardId: 'constabulary-entry',
    standardVersion: 3,
    eventId: 'press-ups',
    testDate: '2026-12-01',
    figures: [{ slot: 'count', value: 13 }],
    witness: '',
    note: '',
  }
  const log = (change: object) =>
    nobody().call('POST', '/api/session/own/self-tests', { key, test: { ...logged, ...change } })
  const first = await log({ picture: await base64(drawn(3_000, 4_000).png()) })
  expect(first.status).toBe(201)
  const id = String(first.body['id'])
  expect(await log({ picture: 'bm8gcGljdHVyZQ==' })).toMatchObject({ status: 422 })
  expect(await log({ variantId: 'no-such-form' })).toMatchObject({ status: 422 })
  expect(await log({ replaces: '01930000-0000-4000-8000-000000000000' })).toMatchObject({ status: 422 })
  expect((await log({ figures: [{ slot: 'count', value: 31 }], replaces: id })).status).toBe(201)
  // put right once: the second would leave two that stand
  expect(await log({ replaces: id })).toMatchObject({ status: 422 })
  const { body } = await officer.call('GET', `/api/people/${personId}`)
  expect(body['selfTests']).toMatchObject([
    { id, hasPicture: true, read: [{ label: expect.any(String), value: 13, unit: 'count' }] },
    { replaces: id, hasPicture: false, mark: { kind: 'met', rounded: 31 } },
  ])
  expect(await fetched(`/api/people/${personId}/self-tests/${id}/picture`)).toMatchObject({
    format: 'jpeg',
    height: 1_400,
    width: 1_050,
  })
  const picture = (asked: object) =>
    fetch(`${server.address}/api/session/own/picture`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ testId: id, ...asked }),
    })
  expect((await picture({ key })).status).toBe(200)
  expect((await picture({ key: { ...key, birthDate: '1999-05-05' } })).status).toBe(401)

  const goal = { standardId: 'constabulary-entry', eventId: 'press-ups', value: 40, byDate: '2027-03-01' }
  const goals = async () => (await nobody().call('POST', '/api/session/own', key)).body['goals']
  expect((await nobody().call('POST', '/api/session/own/goals', { key, goal })).status).toBe(204)
  const later = { ...goal, value: 42 }
  expect((await nobody().call('POST', '/api/session/own/goals', { key, goal: later })).status).toBe(204)
  expect(await goals()).toEqual([later])
  const elsewhere = { ...goal, eventId: 'rope-climb' }
  expect((await nobody().call('POST', '/api/session/own/goals', { key, goal: elsewhere })).status).toBe(422)
  const end = { key, standardId: goal.standardId, eventId: goal.eventId }
  expect((await nobody().call('POST', '/api/session/own/goals/end', end)).status).toBe(204)
  expect(await goals()).toEqual([])

  await nobody().call('POST', '/api/session/own/goals', { key, goal })
  await officer.call('POST', `/api/people/${personId}/erase`, { reason: 'asked for' })
  const { rows: left } = await server.owner.query(
    'select 1 from self_test_pictures union all select 1 from own_goals union all select 1 from self_tests',
  )
  expect(left).toEqual([])
})

test('sheets of a day carry links of their own, for nobody of another day', async () => {
  const day = await addTestDay(server, plainV3(), '2026-11-25', [{ bib: 1, birthDate: '1998-01-02' }, { bib: 2 }])
  const other = await addTestDay(server, plainV3(), '2026-11-26', [{ bib: 1 }])
  const entryIds = [...day.entryIds, ...other.entryIds]
  const { status, body } = await officer.call('POST', `/api/occasions/${day.occasionId}/own-pages`, { entryIds })
  const links = body['links'] as { entryId: string; code: string }[]
  expect([status, links.map(({ entryId }) => entryId)]).toEqual([201, day.entryIds])
  const opened = await nobody().call('POST', '/api/session/own', { code: links[0]?.code, birthDate: '1998-01-02' })
  expect(opened.status).toBe(200)
  const rules = { ...FIRST_HOUSE_RULES, publicAddress: 'https://tests.example/' }
  const written = await officer.call('PUT', '/api/house-rules', { rules, revision: 0 })
  expect(written).toMatchObject({ status: 422, body: { findings: [{ place: 'rules.publicAddress' }] } })
})
