/**
 * Captures through one server process into PostgreSQL, each posted alone, with 20 people watching live: how many a second,
 * as a share of what pgbench inserts row by row into the same table; and how long one takes from tap to stored at 50 a second.
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync, chmodSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { captureId, seededRandom } from '@able-gauge/core'
import { buildServer } from '../scripts/lib/build.mjs'
import { DATA } from '../scripts/lib/paths.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requirePostgres } from '../scripts/lib/requirements.mjs'
import { prepareDatabase, startServer } from '../scripts/lib/server.mjs'

const DAY = '01930000-0000-7000-8000-000000002026'
const VIEWERS = 20
const POSTERS = 32
const SECONDS = 6
/** Captures that wait at a device while its last post is under way, when everybody taps at once. */
const TOGETHER = 8
const random = seededRandom(11)

const bin = requirePostgres()
const cluster = await openCluster(bin, path.join(DATA, 'bench-postgres'))
const database = `able_gauge_bench_${Date.now()}`
await cluster.makeDatabase(database)
await buildServer()
prepareDatabase(cluster, database, true)
const port = await freePort()
const { child } = await startServer(cluster, database, { host: '127.0.0.1', port, webFolder: DATA, demo: true })
const agent = new Agent({ keepAlive: true, maxSockets: 64 })
let cookie = ''

const ask = (method: string, url: string, body?: unknown): Promise<{ status: number; cookie: string; text: string }> =>
  new Promise((resolve, reject) => {
    const headers = { 'Content-Type': 'application/json', Cookie: cookie }
    const sent = request({ port, host: '127.0.0.1', method, path: url, agent, headers }, (response) => {
      let text = ''
      response.on('data', (part: Buffer) => (text += String(part)))
      response.on('end', () =>
        resolve({ status: response.statusCode ?? 0, cookie: response.headers['set-cookie']?.[0] ?? '', text }),
      )
    })
    sent.on('error', reject)
    sent.end(body === undefined ? undefined : JSON.stringify(body))
  })

/** A viewer counts what it sees, so that nobody is served nothing. */
const watchLive = (): { seen: () => number; stop: () => void } => {
  let seen = 0
  const open = request({
    port,
    host: '127.0.0.1',
    path: `/api/occasions/${DAY}/live?after=999999999`,
    headers: { Cookie: cookie },
  })
  open.on('response', (response) => response.on('data', (part: Buffer) => (seen += part.length)))
  open.on('error', () => undefined)
  open.end()
  return { seen: () => seen, stop: () => open.destroy() }
}

const capture = (): object => {
  const atMs = Date.now()
  return {
    id: captureId(atMs, random.bytes(16)),
    eventId: 'run',
    kind: 'crossed',
    payload: {},
    deviceId: 'bench',
    deviceMs: 0,
    atMs,
    uncertaintyMs: 4,
  }
}

const post = async (count = 1): Promise<number> => {
  const captures = Array.from({ length: count }, capture)
  const began = performance.now()
  const { status, text } = await ask('POST', `/api/occasions/${DAY}/captures`, { captures })
  if (status !== 200) throw new Error(`A capture was not stored: ${status} ${text}`)
  return performance.now() - began
}

const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * share)] ?? 0

/** @param together how many each device has waiting when it sends; a device sends all that waits */
const rateOfServer = async (together: number): Promise<number> => {
  let stored = 0
  const untilMs = performance.now() + SECONDS * 1000
  await Promise.all(
    Array.from({ length: POSTERS }, async () => {
      while (performance.now() < untilMs) {
        await post(together)
        stored += together
      }
    }),
  )
  return stored / SECONDS
}

const rateOfPgbench = async (): Promise<number> => {
  const folder = mkdtempSync(path.join(tmpdir(), 'able-gauge-bench-'))
  const script = path.join(folder, 'insert.sql')
  const { default: pg } = await import('pg')
  const client = new pg.Client({ connectionString: cluster.superUrl(database) })
  await client.connect()
  const actor = (await client.query<{ id: string }>('select id from accounts limit 1')).rows[0]?.id ?? ''
  // the application itself may not: what is compared is a bare insert, without a rule
  await client.query('create sequence bench_seq start 100000000')
  await client.end()
  writeFileSync(
    script,
    `insert into captures (id, occasion_id, seq, event_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, actor_id, received_ms)
     values (gen_random_uuid(), '${DAY}', nextval('bench_seq'), 'run', 'crossed', '{}', 'bench', 0, 0, 4, '${actor}', 0);\n`,
  )
  chmodSync(folder, 0o755)
  const { stdout, stderr } = spawnSync(
    path.join(bin, 'pgbench'),
    ['-n', '-f', script, '-c', '16', '-j', '2', '-T', String(SECONDS), cluster.superUrl(database)],
    { encoding: 'utf8' },
  )
  rmSync(folder, { recursive: true })
  const rate = Number(/tps = ([\d.]+)/.exec(stdout)?.[1])
  if (!Number.isFinite(rate)) throw new Error(`pgbench gave no figure: ${stderr}`)
  return rate
}

const signedIn = await ask('POST', '/api/session', {
  signInName: 'ines.calloway-brandt',
  password: 'tarn-isles-demo',
})
cookie = signedIn.cookie.split(';')[0] ?? ''
const viewers = Array.from({ length: VIEWERS }, watchLive)
await rateOfServer(1)
const alone = await rateOfServer(1)
const together = await rateOfServer(TOGETHER)

const latencies: number[] = []
const pending: Promise<unknown>[] = []
for (let tap = 0; tap < 500; tap++) {
  pending.push(post().then((ms) => latencies.push(ms)))
  await new Promise((resolve) => setTimeout(resolve, 20))
}
await Promise.all(pending)
for (const { stop } of viewers) stop()

const inserted = await rateOfPgbench()
const line = (name: string, figure: string): void => console.log(name.padEnd(58) + figure)
const share = (rate: number): string => `${rate.toFixed(0)}, ${(rate / inserted).toFixed(2)} of pgbench`
console.log(`${VIEWERS} viewers, ${POSTERS} devices that post without a pause, on the cores this program runs on too`)
line('pgbench, single-row inserts of the same table, a second', inserted.toFixed(0))
line('captures stored a second, each posted alone', `${share(alone)} (asked: 500)`)
line(`captures stored a second, ${TOGETHER} waiting at each device`, `${share(together)} (asked: 0.40)`)
line('tap to stored at 50 a second, 99th percentile', `${percentile(latencies, 0.99).toFixed(1)} ms (asked: below 50)`)
line('tap to stored at 50 a second, median', `${percentile(latencies, 0.5).toFixed(1)} ms`)

child.kill('SIGTERM')
agent.destroy()
await cluster.dropDatabase(database)
cluster.stop()
