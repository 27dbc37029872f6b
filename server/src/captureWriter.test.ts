import { afterAll, beforeAll, expect, test } from 'vitest'
import { captureId, seededRandom, type Capture } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../testing/testServer.ts'
import { makeCaptureWriter } from './captureWriter.ts'
import { addNewPosts, findAllCaptures } from './store/captureStore.ts'

let server: TestServer
const random = seededRandom(17)
const T0 = 1_795_467_600_000

beforeAll(async () => {
  server = await openTestServer()
})
afterAll(() => server.close())

const crossing = (change: Partial<Capture> = {}): Capture =>
  // the change is of the envelope alone
  ({
    id: captureId(T0, random.bytes(16)),
    eventId: 'run',
    entryId: null,
    kind: 'crossed',
    payload: {},
    deviceId: 'test-device',
    deviceMs: 0,
    atMs: T0,
    uncertaintyMs: 4,
    ...change,
  }) as Capture
const day = async (): Promise<string> => (await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])).occasionId
const post = (captures: readonly Capture[]) => ({ captures, token: server.tokenOf('timer'), receivedMs: T0 })

test('posts that arrive together are each stored once, numbered without gaps, in their order', async () => {
  const occasionId = await day()
  const writer = makeCaptureWriter(server.inside.days)
  const posts = Array.from({ length: 60 }, () => [crossing(), crossing()])
  const additions = await Promise.all(posts.map((captures) => writer.add(occasionId, post(captures))))
  expect(additions.every((addition) => addition.kind === 'stored' && addition.added === 2)).toBe(true)
  const recorded = await findAllCaptures(server.pool, occasionId)
  expect(recorded.map(({ seq }) => seq)).toEqual(Array.from({ length: 120 }, (_, index) => index + 1))
  expect(recorded.map(({ id }) => id)).toEqual(posts.flat().map(({ id }) => id))
})
test('the same capture in two posts at once is stored once and answered twice with its number', async () => {
  const occasionId = await day()
  const writer = makeCaptureWriter(server.inside.days)
  const one = crossing()
  const additions = await Promise.all([[one], [one, crossing()], [one]].map((all) => writer.add(occasionId, post(all))))
  const seqs = additions.map((addition) => (addition.kind === 'stored' ? addition.seqs.get(one.id) : addition.kind))
  expect(seqs).toEqual([1, 1, 1])
  expect(await findAllCaptures(server.pool, occasionId)).toHaveLength(2)
})
test('a post that clashes or breaks a constraint fails alone', async () => {
  const occasionId = await day()
  const writer = makeCaptureWriter(server.inside.days)
  const known = crossing()
  const strangerMs = crossing({ entryId: '00000000-0000-4000-8000-00000000dead' })
  const results = await Promise.allSettled([
    writer.add(occasionId, post([known])),
    writer.add(occasionId, post([{ ...known, atMs: T0 + 1 }])),
    writer.add(occasionId, post([strangerMs])),
    writer.add(occasionId, post([crossing()])),
  ])
  expect(results.map((result) => (result.status === 'fulfilled' ? result.value.kind : 'rejected'))).toEqual([
    'stored',
    'differs',
    'rejected',
    'stored',
  ])
  expect((await findAllCaptures(server.pool, occasionId)).map(({ seq }) => seq)).toEqual([1, 2])
})
test('a signed day takes nothing new, and still answers for what it has', async () => {
  const occasionId = await day()
  const writer = makeCaptureWriter(server.inside.days)
  const known = crossing()
  await writer.add(occasionId, post([known]))
  await server.asOwner(`update capture_ledger set closed_at = now() where occasion_id = '${occasionId}'`)
  const [again, fresh] = await Promise.all([
    writer.add(occasionId, post([known])),
    writer.add(occasionId, post([crossing()])),
  ])
  expect([again.kind, fresh.kind]).toEqual(['stored', 'dayClosed'])
})
test('one statement stores what was never sent before, and nothing of what has to be looked at first', async () => {
  const occasionId = await day()
  const [first, second] = [crossing(), crossing()]
  const stored = await addNewPosts(server.pool, occasionId, [post([first]), post([second])])
  expect(stored?.map((addition) => (addition.kind === 'stored' ? [...addition.seqs.values()] : addition.kind))).toEqual(
    [[1], [2]],
  )
  const twice = crossing()
  const withText = crossing({ kind: 'stopped', payload: { reason: 'ended', note: 'slipped' } } as Partial<Capture>)
  for (const captures of [[first], [crossing(), second], [twice, twice], [withText]])
    expect(await addNewPosts(server.pool, occasionId, [post(captures)])).toBeNull()
  await server.asOwner(`update capture_ledger set closed_at = now() where occasion_id = '${occasionId}'`)
  expect(await addNewPosts(server.pool, occasionId, [post([crossing()])])).toBeNull()
  expect((await findAllCaptures(server.pool, occasionId)).map(({ id }) => id)).toEqual([first.id, second.id])
})
test('a grader who is entered is refused for the own wave, and works the other', async () => {
  const { occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [
    { bib: 1, wave: 1 },
    { bib: 2, wave: 2 },
  ])
  await server.asOwner(
    `update accounts set person_id = (select person_id from entries where id = '${entryIds[0]}') where id = '${server.accountIds.grader}'`,
  )
  const grader = await Caller.signedIn(server.address, 'grader')
  const send = ({ entryId, ...rest }: Capture) =>
    grader.call('POST', `/api/occasions/${occasionId}/captures`, {
      captures: [entryId === null ? rest : { ...rest, entryId }],
    })
  const count = (entryId = '') => send(crossing({ eventId: 'press-ups', kind: 'started', entryId } as Partial<Capture>))
  const refused = await count(entryIds[0])
  expect([refused.status, refused.body.title]).toEqual([403, 'access.ownWave'])
  const start = { kind: 'waveStarted', payload: { wave: 1, entryIds: [entryIds[1] ?? ''] } } as Partial<Capture>
  expect((await send(crossing(start))).status).toBe(403)
  expect((await count(entryIds[1])).status).toBe(200)
})
