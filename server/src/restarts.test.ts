/**
 * PostgreSQL is restarted five times and killed three times while captures are posted at fifty a second: the server process
 * never ends, every acknowledged capture is stored once, streams come back, no answer is a 500. Asked by `npm run test:long`;
 * in between the faults of a browser's day keep watch.
 */
import { readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { captureId, seededRandom, type RecordedCapture } from '@able-gauge/core'
import { DATA } from '../../scripts/lib/paths.mjs'
import { freePort } from '../../scripts/lib/ports.mjs'
import { openCluster, type Cluster } from '../../scripts/lib/postgres.mjs'
import { requirePostgres } from '../../scripts/lib/requirements.mjs'
import { prepareDatabase, startServer } from '../../scripts/lib/server.mjs'
import { Caller } from '../testing/testServer.ts'

const LONG = process.env['ABLE_GAUGE_LONG'] === '1'
const [RESTARTS, KILLS] = [5, 3]
const EVERY_MS = 20
const APART_MS = 3_000
const FOLDER = path.join(DATA, 'restart-postgres')
const DAY = '01930000-0000-7000-8000-000000002026'
const random = seededRandom(53)

let cluster: Cluster
let database: string
let address: string
let server: Awaited<ReturnType<typeof startServer>>['child']

beforeAll(async () => {
  cluster = await openCluster(requirePostgres(), FOLDER)
  database = `able_gauge_restarts_${Date.now()}`
  await cluster.makeDatabase(database)
  prepareDatabase(cluster, database, LONG)
  const port = await freePort()
  ;({ child: server } = await startServer(cluster, database, { host: '127.0.0.1', port, webFolder: '', demo: true }))
  address = `http://127.0.0.1:${port}`
})
afterAll(async () => {
  server.kill('SIGKILL')
  await cluster.dropDatabase(database)
  cluster.stop()
})

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** As a power cut would. */
const killDatabase = async (): Promise<void> => {
  const lock = path.join(FOLDER, 'data', 'postmaster.pid')
  process.kill(Number(readFileSync(lock, 'utf8').split('\n')[0]), 'SIGKILL')
  // its children notice that it is gone and end; where nobody collects the dead, its lock would seem to be held
  await wait(800)
  rmSync(lock, { force: true })
  cluster.startAgain()
}

test.runIf(LONG)(
  `${RESTARTS} restarts and ${KILLS} kills of PostgreSQL under fifty posts a second`,
  async () => {
    let ended = false
    server.once('exit', () => (ended = true))
    const timer = new Caller(address)
    await timer.call('POST', '/api/session', { signInName: 'pell.varga', password: 'tarn-isles-demo' })
    const acknowledged = new Set<string>()
    const statuses = new Map<number, number>()
    const followed = new Set<string>()
    let going = true
    let posts = true

    const post = async (): Promise<void> => {
      const id = captureId(Date.now(), random.bytes(16))
      const atMs = Date.now()
      const capture = {
        id,
        eventId: 'run',
        kind: 'crossed',
        payload: {},
        deviceId: 'd',
        deviceMs: 0,
        atMs,
        uncertaintyMs: 9,
      }
      const { status } = await timer.call('POST', `/api/occasions/${DAY}/captures`, { captures: [capture] })
      statuses.set(status, (statuses.get(status) ?? 0) + 1)
      if (status === 200) acknowledged.add(id)
    }
    /** A browser that comes back with the last number it has. */
    const follow = async (): Promise<void> => {
      let last = ''
      while (going) {
        const stop = new AbortController()
        const ending = setInterval(() => going || stop.abort(), 200)
        try {
          const { body, status } = await fetch(`${address}/api/occasions/${DAY}/live`, {
            headers: { Cookie: timer.cookieHeader, ...(last ? { 'Last-Event-ID': last } : {}) },
            signal: stop.signal,
          })
          let text = ''
          for await (const chunk of (status === 200 ? body : null)?.pipeThrough(new TextDecoderStream()) ?? []) {
            text += chunk
            const events = text.split('\n\n')
            text = events.pop() ?? ''
            for (const event of events) {
              const data = /^data: (\[.*\])$/m.exec(event)?.[1]
              if (data) for (const { id } of JSON.parse(data) as RecordedCapture[]) followed.add(id)
              last = /^id: (\d+)$/m.exec(event)?.[1] ?? last
            }
          }
        } catch (error) {
          if (!(error instanceof Error)) throw error
        } finally {
          clearInterval(ending)
        }
        await wait(200)
      }
    }
    const posting = (async () => {
      const all: Promise<void>[] = []
      while (posts) {
        all.push(post())
        await wait(EVERY_MS)
      }
      await Promise.all(all)
    })()
    const following = follow()

    for (let turn = 0; turn < RESTARTS; turn++) {
      await wait(APART_MS)
      cluster.stop()
      cluster.startAgain()
    }
    for (let turn = 0; turn < KILLS; turn++) {
      await wait(APART_MS)
      await killDatabase()
    }
    await wait(2 * APART_MS)
    posts = false
    await posting
    // whoever follows has a moment to hear of the last of them
    await wait(APART_MS)
    going = false
    await following

    expect(ended).toBe(false)
    expect([...statuses.keys()].filter((status) => status !== 200 && status !== 503)).toEqual([])
    expect(acknowledged.size).toBeGreaterThan(100)
    const stored: string[] = []
    for (let after = 0, more = true; more;) {
      const { body } = await timer.call('GET', `/api/occasions/${DAY}/captures?after=${after}`)
      stored.push(...(body['captures'] as RecordedCapture[]).map(({ id }) => id))
      ;[after, more] = [Number(body['lastSeq'] ?? after), body['more'] === true]
    }
    expect(new Set(stored).size).toBe(stored.length)
    expect([...acknowledged].filter((id) => !stored.includes(id))).toEqual([])
    expect([...acknowledged].filter((id) => !followed.has(id))).toEqual([])
  },
  240_000,
)

test('a server that is started before PostgreSQL answers waits for it', async () => {
  cluster.stop()
  const port = await freePort()
  const starting = startServer(cluster, database, { host: '127.0.0.1', port, webFolder: '', demo: true })
  await wait(1_500)
  cluster.startAgain()
  const { child } = await starting
  expect((await fetch(`http://127.0.0.1:${port}/api/time`)).status).toBe(401)
  child.kill('SIGKILL')
}, 60_000)
