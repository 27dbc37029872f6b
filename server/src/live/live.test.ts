import { afterAll, beforeAll, expect, test } from 'vitest'
import { captureId, seededRandom } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let occasionId: string
let timer: Caller
const random = seededRandom(5)
const T0 = 1_795_467_600_000

beforeAll(async () => {
  server = await openTestServer()
  timer = await Caller.signedIn(server.address, 'timer')
  ;({ occasionId } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }]))
})
afterAll(() => server.close())

const capture = async (): Promise<void> => {
  const one = {
    id: captureId(T0, random.bytes(16)),
    eventId: 'run',
    kind: 'crossed',
    payload: {},
    deviceId: 'd',
    deviceMs: 0,
    atMs: T0,
    uncertaintyMs: 4,
  }
  const { status } = await timer.call('POST', `/api/occasions/${occasionId}/captures`, { captures: [one] })
  expect(status).toBe(200)
}

/** Follows the day and collects the numbers of the captures that arrive, until there are `count`. */
const follow = async (
  address: string,
  count: number,
  headers: Record<string, string>,
  whenOpen: () => Promise<void>,
): Promise<number[]> => {
  const abort = new AbortController()
  const response = await fetch(`${address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: timer.cookieHeader, ...headers },
    signal: abort.signal,
  })
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader()
  const opened = whenOpen()
  const seqs: number[] = []
  let text = ''
  while (reader && seqs.length < count) {
    const { value, done } = await reader.read()
    if (done) break
    text += value
    const events = text.split('\n\n')
    text = events.pop() ?? ''
    for (const event of events) {
      const data = /^data: (\[.*\])$/m.exec(event)?.[1]
      if (data) seqs.push(...(JSON.parse(data) as { seq: number }[]).map(({ seq }) => seq))
    }
  }
  await opened
  abort.abort()
  return seqs
}

test('a follower gets what is there and what comes', async () => {
  await capture()
  expect(
    await follow(server.address, 3, {}, async () => {
      await capture()
      await capture()
    }),
  ).toEqual([1, 2, 3])
})

test('a follower that comes back goes on after the last number it had', async () => {
  expect(await follow(server.address, 2, { 'Last-Event-ID': '2' }, capture)).toEqual([3, 4])
})

test('two server processes on one database see what the other stores', async () => {
  const other = await server.another()
  expect(await follow(other.address, 2, { 'Last-Event-ID': '3' }, capture)).toEqual([4, 5])
  await other.close()
})
