import { afterAll, beforeAll, expect, test } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { listEntries } from '../store/entryStore.ts'

let server: TestServer
let clerk: Caller
let occasionId: string
let entryIds: string[]

beforeAll(async () => {
  server = await openTestServer()
  clerk = await Caller.signedIn(server.address, 'clerk')
  ;({ occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [
    { bib: 1, attendance: 'expected' },
    { bib: 2 },
  ]))
})
afterAll(() => server.close())

const change = (body: object, entryId = entryIds[0]) =>
  clerk.call('PATCH', `/api/occasions/${occasionId}/entries/${entryId}`, body)
const onRecord = async (entryId = entryIds[0]) =>
  (await listEntries(server.pool, occasionId)).find(({ id }) => id === entryId)

test('a check-in changes bib, attendance and note', async () => {
  expect(
    await change({ revision: 1, bib: 28, attendance: 'present', note: 'new shoes', consented: true }),
  ).toMatchObject({
    status: 200,
    body: { revision: 2 },
  })
  expect(await onRecord()).toMatchObject({ bib: 28, attendance: 'present', note: 'new shoes', revision: 2 })
})

test('the second of two people editing is told, and overwrites nothing', async () => {
  const { revision = 0 } = (await onRecord()) ?? {}
  expect((await change({ revision, bib: 28, attendance: 'held', note: 'see medical cover' })).status).toBe(200)
  expect(await change({ revision, bib: 28, attendance: 'absent', note: '' })).toMatchObject({
    status: 409,
    body: { title: 'entry.editedMeanwhile' },
  })
  expect(await onRecord()).toMatchObject({ attendance: 'held', note: 'see medical cover' })
})

test('a bib is worn by one person', async () => {
  const { revision = 0 } = (await onRecord()) ?? {}
  expect(await change({ revision, bib: 2, attendance: 'held', note: '' })).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'bib', code: 'bibTaken' }] },
  })
})

test('a bib can be taken back', async () => {
  const { revision = 0 } = (await onRecord()) ?? {}
  expect((await change({ revision, attendance: 'absent', note: '' })).status).toBe(200)
  expect(await onRecord()).toMatchObject({ bib: null, attendance: 'absent' })
})

test('what is wrong with a change is named, and an unknown entry is not found', async () => {
  const answer = await change({ revision: 0, bib: -1, attendance: 'gone', note: 'x'.repeat(301) })
  expect(answer.body.findings?.map(({ place }) => place).sort()).toEqual(['attendance', 'bib', 'note', 'revision'])
  expect(
    (await change({ revision: 1, attendance: 'present', note: '' }, '01930000-0000-7000-8000-00000000ffff')).status,
  ).toBe(404)
})

test('a change that meets a signature waits for it, and then changes nothing', async () => {
  const { occasionId: day, entryIds: entries } = await addTestDay(server, plainV3(), '2026-11-25', [{ bib: 7 }])
  const signing = await server.owner.connect()
  await signing.query('begin')
  await signing.query('update capture_ledger set closed_at = now() where occasion_id = $1', [day])
  let answered = false
  const late = clerk
    .call('PATCH', `/api/occasions/${day}/entries/${entries[0]}`, {
      revision: 1,
      bib: 8,
      attendance: 'absent',
      note: '',
    })
    .finally(() => (answered = true))
  await new Promise((resolve) => setTimeout(resolve, 150))
  expect(answered).toBe(false)
  await signing.query('commit')
  signing.release()
  expect(await late).toMatchObject({ status: 409, body: { title: 'day.signedOff' } })
  expect((await listEntries(server.pool, day))[0]).toMatchObject({ bib: 7, attendance: 'present', revision: 1 })
})

test('after the signature entries stay as they are', async () => {
  const officer = await Caller.signedIn(server.address, 'officer')
  await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  expect(await change({ revision: 1, bib: 9, attendance: 'present', note: '' }, entryIds[1])).toMatchObject({
    status: 409,
    body: { title: 'day.signedOff' },
  })
})

test('many are said to be late or absent at once; whoever came meanwhile stays here', async () => {
  const day = await addTestDay(server, plainV3(), '2026-11-25', [
    { bib: 1, attendance: 'expected' },
    { bib: 2, attendance: 'late' },
    { bib: 3, attendance: 'present' },
    { bib: 4, attendance: 'expected' },
  ])
  const say = (attendance: string, ids: readonly string[]) =>
    clerk.call('POST', `/api/occasions/${day.occasionId}/attendance`, { entryIds: ids, attendance })
  const attendances = async () =>
    (await listEntries(server.pool, day.occasionId)).map(({ bib, attendance }) => [bib, attendance])
  const [first = '', second = '', third = ''] = day.entryIds
  expect((await say('late', [first, second])).body).toEqual({ changed: 1 })
  expect((await say('absent', [first, second, third])).body).toEqual({ changed: 2 })
  expect(await attendances()).toEqual([
    [1, 'absent'],
    [2, 'absent'],
    [3, 'present'],
    [4, 'expected'],
  ])
  expect((await say('present', [first])).status).toBe(422)
})
