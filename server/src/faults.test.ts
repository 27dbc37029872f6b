/** What the server does when something around it fails: lost connections, a held row, a full disk, readers that do not read. */
import { createConnection } from 'node:net'
import pg from 'pg'
import { afterAll, beforeAll, expect, inject, test, vi } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type Answer, type TestServer } from '../testing/testServer.ts'
import { databaseFault } from './databaseFault.ts'
import { makeDayQueue } from './dayQueue.ts'
import { NO_LIMITS } from './limits.ts'
import { logError } from './logError.ts'
import { findAllCaptures } from './store/captureStore.ts'

let server: TestServer
let timer: Caller
const [CUTS, CUT_EVERY_MS] = [25, 60]

beforeAll(async () => {
  server = await openTestServer({ limits: { ...NO_LIMITS, slowReaderMs: 300 } })
  timer = await Caller.signedIn(server.address, 'timer')
})
afterAll(() => server.close())

const day = async (): Promise<string> => (await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])).occasionId
const post = (occasionId: string, captures: readonly object[]): Promise<Answer> =>
  timer.call('POST', `/api/occasions/${occasionId}/captures`, { captures })

/** A connection that holds the ledger row of a day until it is let go. */
const holdRow = async (occasionId: string): Promise<() => Promise<void>> => {
  const url = new URL(inject('superUrl'))
  const { rows } = await server.pool.query<{ name: string }>('select current_database() as name')
  url.pathname = `/${rows[0]?.name}`
  const client = new pg.Client({ connectionString: url.href })
  await client.connect()
  await client.query('begin')
  await client.query('select 1 from capture_ledger where occasion_id = $1 for update', [occasionId])
  return async () => {
    await client.query('rollback')
    await client.end()
  }
}

test('connections that are cut in the middle of posts cost an answer and never the process', async () => {
  const occasionId = await day()
  const sent = Array.from({ length: 120 }, () => sentCapture())
  const statuses: number[] = []
  const cut = (async () => {
    for (let turn = 0; turn < CUTS; turn++) {
      await server.asOwner(
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
      )
      await new Promise((resolve) => setTimeout(resolve, CUT_EVERY_MS))
    }
  })()
  await Promise.all(
    Array.from({ length: 6 }, async (_, worker) => {
      for (const one of sent.filter((_each, index) => index % 6 === worker)) {
        // a device sends again until it is told that the capture is stored
        for (let status = 0; status !== 200;) {
          const answer = await post(occasionId, [one])
          ;({ status } = answer)
          statuses.push(status)
          if (status !== 200) expect(answer.headers.get('Retry-After')).toMatch(/^\d+$/)
        }
      }
    }),
  )
  await cut
  expect(new Set(statuses.filter((status) => status !== 200 && status !== 503))).toEqual(new Set())
  await vi.waitFor(async () => {
    const ids = (await findAllCaptures(server.pool, occasionId)).map(({ id }) => id)
    expect(ids.sort()).toEqual(sent.map(({ id }) => id).sort())
  })
}, 60_000)

test('one held row refuses its own day with a reason and slows no other', async () => {
  const [held, other] = [await day(), await day()]
  const letGo = await holdRow(held)
  const waiting = Array.from({ length: 30 }, () => post(held, [sentCapture()]))
  const order: string[] = []
  const all = Promise.all(waiting).then((answers) => {
    order.push('held')
    return answers
  })
  for (let index = 0; index < 20; index++) expect((await post(other, [sentCapture()])).status).toBe(200)
  expect((await timer.call('GET', `/api/occasions/${held}`)).status).toBe(200)
  order.push('other')
  const answers = await all
  await letGo()
  expect(order).toEqual(['other', 'held'])
  expect(new Set(answers.map(({ status, body }) => `${status} ${body.title}`))).toEqual(new Set(['503 server.busy']))
  expect((await post(held, [sentCapture()])).status).toBe(200)
  expect(await findAllCaptures(server.pool, held)).toHaveLength(1)
})

test('a queue that is full, or too long, says so and lets the next in its turn', async () => {
  const queue = makeDayQueue(server.pool, { mostWaiting: 1, longestMs: 50 })
  let release = (): void => undefined
  const first = queue.run('a', () => new Promise<string>((resolve) => (release = () => resolve('first'))))
  const second = queue.run('a', async () => 'second')
  await expect(queue.run('a', async () => 'third')).rejects.toThrow('wait for this day already')
  await expect(second).rejects.toThrow('written to by others for 50 ms')
  const fourth = queue.run('a', async () => 'fourth')
  release()
  expect(await Promise.all([first, fourth])).toEqual(['first', 'fourth'])
})

test('a follower that reads nothing is let go', async () => {
  const occasionId = await day()
  const { hostname, port } = new URL(server.address)
  const socket = createConnection({ host: hostname, port: Number(port) })
  socket.pause()
  socket.write(
    `GET /api/occasions/${occasionId}/live HTTP/1.1\r\nHost: ${hostname}:${port}\r\nCookie: ${timer.cookieHeader}\r\n\r\n`,
  )
  const gone = new Promise<void>((resolve) => socket.on('close', () => resolve()).on('error', () => undefined))
  // far more than the buffers between two sockets hold
  for (let index = 0; index < 40; index++) {
    const batch = Array.from({ length: 500 }, () => ({
      ...sentCapture(),
      kind: 'voided',
      payload: { captureId: sentCapture().id, reason: 'x'.repeat(300) },
    }))
    await server.inside.writer.add(occasionId, {
      // kind and payload belong together
      captures: batch.map((one) => ({ ...one, entryId: null })) as never,
      token: server.tokenOf('timer'),
      receivedMs: MORNING_MS,
    })
  }
  await vi.waitFor(
    async () => {
      const open = await new Promise<number>((resolve) =>
        server.inside.http.getConnections((_error, count) => resolve(count)),
      )
      expect(open).toBeLessThan(3)
    },
    { timeout: 5_000 },
  )
  socket.resume()
  await gone
})

test.each([
  [Object.assign(new pg.DatabaseError('no space left', 0, 'error'), { code: '53100' }), 'diskFull'],
  [Object.assign(new Error('write'), { code: 'ENOSPC' }), 'diskFull'],
  [Object.assign(new pg.DatabaseError('terminating', 0, 'error'), { code: '57P01' }), 'unavailable'],
  [Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }), 'unavailable'],
  [new Error('Connection terminated unexpectedly'), 'unavailable'],
  [new AggregateError([Object.assign(new Error('connect'), { code: 'ECONNREFUSED' })]), 'unavailable'],
  [Object.assign(new pg.DatabaseError('lock', 0, 'error'), { code: '55P03' }), 'busy'],
  [Object.assign(new pg.DatabaseError('long', 0, 'error'), { code: '57014' }), 'busy'],
  [Object.assign(new pg.DatabaseError('range', 0, 'error'), { code: '22003' }), 'refusedValue'],
  [Object.assign(new pg.DatabaseError('twice', 0, 'error'), { code: '23505' }), 'conflict'],
  [Object.assign(new pg.DatabaseError('syntax', 0, 'error'), { code: '42601' }), null],
  [new Error('anything else'), null],
])('%s is told apart', (error, fault) => {
  expect(databaseFault(error)).toBe(fault)
})

test('the log has one short line for an error, without the values that were refused', () => {
  const error = Object.assign(
    new pg.DatabaseError('invalid input syntax for type uuid: "Tove Okafor-Lind"', 0, 'error'),
    {
      code: '22P02',
      table: 'people',
      client: { secrets: 'x'.repeat(8_000) },
      detail: 'Key (number)=(T-12) already exists.',
    },
  )
  const line = JSON.stringify(logError(error))
  expect(line).toContain('22P02')
  expect(line).toContain('people')
  expect(line).not.toMatch(/Tove|T-12|xxx/)
  expect(line.length).toBeLessThan(400)
})
