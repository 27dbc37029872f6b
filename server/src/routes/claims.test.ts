/** Whom each device has open: two never get the same next candidate by themselves, and who is silent loses the claim. */
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest'
import { CLAIM_ENDS_MS, type Claim } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type Answer, type TestServer } from '../../testing/testServer.ts'
import { inTransaction } from '../database.ts'
import { listClaims, setClaims } from '../store/claimStore.ts'

let server: TestServer
let occasionId: string
let entryIds: string[]
let grader: Caller
let timer: Caller

beforeAll(async () => {
  server = await openTestServer()
  grader = await Caller.signedIn(server.address, 'grader')
  timer = await Caller.signedIn(server.address, 'timer')
})
afterAll(() => server.close())
beforeEach(async () => {
  const bibs = Array.from({ length: 8 }, (_, index) => ({ bib: index + 1 }))
  ;({ occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', bibs))
})

const claim = (caller: Caller, device: string, ids: readonly string[], more: object = {}): Promise<Answer> =>
  caller.call('PUT', `/api/occasions/${occasionId}/devices/${device}/claims`, {
    eventId: 'press-ups',
    entryIds: ids,
    ...more,
  })
const holdersIn = ({ body }: Answer) =>
  (body['claims'] as Claim[]).map(({ entryId, deviceId }) => `${entryIds.indexOf(entryId) + 1} ${deviceId}`).sort()

test('of devices that want the same next candidate at the same moment one gets it', async () => {
  const wanted = entryIds.slice(0, 1)
  const answers = await Promise.all(
    Array.from({ length: 8 }, (_, index) => claim(grader, `phone-${index}`, wanted, { unlessTaken: true })),
  )
  expect(answers.map(({ status }) => status)).toEqual(Array.from({ length: 8 }, () => 200))
  const holders = new Set(answers.flatMap(holdersIn))
  expect(holders.size).toBe(1)
})

test('whoever opens somebody deliberately is let in, and both are told of each other', async () => {
  await claim(grader, 'one', entryIds.slice(0, 1))
  const both = await claim(timer, 'two', entryIds.slice(0, 1))
  expect(holdersIn(both)).toEqual(['1 one', '1 two'])
  expect(both.body['claims']).toContainEqual(expect.objectContaining({ deviceId: 'one', by: 'The grader' }))
})

test('whoever had somebody first keeps them, also when another opens them meanwhile', async () => {
  const wanted = { eventId: 'press-ups', entryIds: entryIds.slice(0, 1) }
  const set = (deviceId: string, nowMs: number, unlessTaken: boolean) =>
    inTransaction(server.pool, (db) =>
      setClaims(db, occasionId, { deviceId, accountId: server.accountIds.grader }, { ...wanted, unlessTaken }, nowMs),
    )
  await set('one', 1_000, true)
  await set('two', 2_000, false)
  // the renewal of the first is no new wish
  await set('one', CLAIM_ENDS_MS, true)
  const holders = await listClaims(server.pool, occasionId, 1_500 + CLAIM_ENDS_MS)
  expect(holders.map(({ deviceId }) => deviceId)).toEqual(['one', 'two'])
})

test('what a device has open takes the place of what it had, in other events too', async () => {
  await claim(grader, 'one', entryIds.slice(0, 3))
  expect(holdersIn(await claim(grader, 'one', entryIds.slice(2, 4)))).toEqual(['3 one', '4 one'])
  expect(holdersIn(await claim(grader, 'one', entryIds.slice(0, 1), { eventId: 'run' }))).toEqual(['1 one'])
  expect(holdersIn(await claim(grader, 'one', []))).toEqual([])
})

test('a device that is silent for longer than half a minute holds nobody any more', async () => {
  const wanted = { eventId: 'press-ups', entryIds: entryIds.slice(0, 1), unlessTaken: true }
  const by = (deviceId: string) => ({ deviceId, accountId: server.accountIds.grader })
  const at = (deviceId: string, nowMs: number) =>
    inTransaction(server.pool, (db) => setClaims(db, occasionId, by(deviceId), wanted, nowMs))
  const holders = async (nowMs: number) =>
    (await listClaims(server.pool, occasionId, nowMs)).map(({ deviceId, sinceMs }) => [deviceId, sinceMs])
  expect(await at('one', 1_000)).toBe(true)
  expect(await at('one', 9_000)).toBe(false)
  expect(await at('two', 9_000 + CLAIM_ENDS_MS)).toBe(false)
  expect(await holders(9_000 + CLAIM_ENDS_MS)).toEqual([['one', 1_000]])
  expect(await holders(9_001 + CLAIM_ENDS_MS)).toEqual([])
  expect(await at('two', 9_001 + CLAIM_ENDS_MS)).toBe(true)
  expect(await holders(9_001 + CLAIM_ENDS_MS)).toEqual([['two', 9_001 + CLAIM_ENDS_MS]])
})

test('what is nobody here or no event is refused with its place, and nothing is stored', async () => {
  const stranger = '00000000-0000-4000-8000-00000000abcd'
  const refused = await claim(grader, 'one', [entryIds[0] ?? '', stranger], { eventId: 'swim' })
  expect(refused.status).toBe(422)
  expect(refused.body['findings']).toMatchObject([{ place: 'eventId' }, { place: 'entryIds[1]' }])
  expect(holdersIn(await claim(timer, 'two', []))).toEqual([])
})

test('whoever follows the day hears who is where, at once and with each change', async () => {
  await claim(grader, 'one', entryIds.slice(0, 1))
  const abort = new AbortController()
  const response = await fetch(`${server.address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: timer.cookieHeader },
    signal: abort.signal,
  })
  let text = ''
  let asked = false
  for await (const chunk of response.body?.pipeThrough(new TextDecoderStream()) ?? []) {
    text += chunk
    if (text.includes('"two"')) break
    if (!asked && text.includes('event: claims')) {
      asked = true
      await claim(timer, 'two', entryIds.slice(1, 2))
    }
  }
  abort.abort()
  const told = [...text.matchAll(/^event: claims\ndata: (.*)$/gm)].map(([, data]) => JSON.parse(data ?? '') as Claim[])
  expect(told.map((claims) => claims.map(({ deviceId }) => deviceId).sort())).toEqual([['one'], ['one', 'two']])
})
