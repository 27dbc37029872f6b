import { afterAll, beforeAll, expect, test } from 'vitest'
import { captureId, seededRandom, type Capture } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { inTransaction } from '../database.ts'
import { addCaptures, findAllCaptures } from './captureStore.ts'

let server: TestServer
let occasionId: string
const random = seededRandom(3)
const T0 = 1_795_467_600_000

beforeAll(async () => {
  server = await openTestServer()
  ;({ occasionId } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }]))
})
afterAll(() => server.close())

const crossing = (): Capture => ({
  id: captureId(T0, random.bytes(16)),
  eventId: 'run',
  entryId: null,
  kind: 'crossed',
  payload: {},
  deviceId: 'test-device',
  deviceMs: 0,
  atMs: T0,
  uncertaintyMs: 4,
})
const add = (captures: Capture[]) =>
  inTransaction(server.pool, (db) =>
    addCaptures(db, occasionId, { captures, token: server.tokenOf('timer'), receivedMs: T0 }),
  )

test.each([
  ['update captures set at_ms = 0'],
  ['delete from captures'],
  ['truncate captures'],
  ['update standards set content_hash = content_hash'],
  ['delete from standards'],
  ['update verdict_snapshots set verdict = verdict'],
  ['delete from verdict_snapshots'],
  ['delete from sign_offs'],
  ['update sign_offs set signed_at = now()'],
  ['drop table captures'],
  ['alter table captures disable trigger all'],
  ['insert into captures (id) values (gen_random_uuid())'],
  ['update capture_ledger set closed_at = null'],
  ["update accounts set role = 'officer'"],
  [
    "insert into accounts (id, sign_in_name, display_name, role, password_hash) values (gen_random_uuid(), 'x', 'x', 'officer', 'x')",
  ],
  ['select password_hash from accounts'],
  ['select * from sessions'],
  ['insert into sessions (token_hash, account_id, expires_at) select null, id, now() from accounts'],
  ['insert into day_records (id) values (gen_random_uuid())'],
  ['insert into sign_offs (occasion_id) values (gen_random_uuid())'],
  ['insert into amendments (id) values (gen_random_uuid())'],
  ['update people_changes set reason = reason'],
  ['delete from day_annex'],
  ['update security_events set kind = kind'],
  ['delete from security_events'],
  ["select store_captures(gen_random_uuid(), '[]')"],
  ["select live_account('x')"],
  ["insert into station_codes (code, occasion_id) values ('ABCDEF', gen_random_uuid())"],
])('the application may not: %s', async (sql) => {
  await expect(server.pool.query(sql)).rejects.toThrow(/permission denied|must be owner/)
})

test('many senders at once get numbers without gaps and without doubles', async () => {
  const batches = Array.from({ length: 24 }, () => Array.from({ length: 5 }, crossing))
  const shared = crossing()
  await Promise.all(batches.map((batch) => add([...batch, shared])))
  const seqs = (await findAllCaptures(server.pool, occasionId)).map(({ seq }) => seq)
  expect(seqs).toEqual(Array.from({ length: 24 * 5 + 1 }, (_, index) => index + 1))
})

test('a request that fails half way leaves nothing behind', async () => {
  const before = (await findAllCaptures(server.pool, occasionId)).length
  const broken = { ...crossing(), entryId: '01930000-0000-7000-8000-00000000ffff' }
  await expect(add([crossing(), broken])).rejects.toThrow('foreign key')
  expect(await findAllCaptures(server.pool, occasionId)).toHaveLength(before)
  expect(await add([crossing()])).toMatchObject({ kind: 'stored', added: 1 })
})

test('once the log is closed nothing new is added', async () => {
  const known = crossing()
  await add([known])
  await server.asOwner(`update capture_ledger set closed_at = now() where occasion_id = '${occasionId}'`)
  const [fresh, { seq }] = [crossing(), (await findAllCaptures(server.pool, occasionId)).at(-1) ?? { seq: 0 }]
  expect(await add([fresh])).toEqual({ kind: 'dayClosed', seqs: new Map() })
  expect(await add([known, fresh])).toEqual({ kind: 'dayClosed', seqs: new Map([[known.id, seq]]) })
  expect(await add([known])).toMatchObject({ kind: 'stored', added: 0 })
})
