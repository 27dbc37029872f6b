/**
 * Captures through one server process into PostgreSQL, each posted alone, with 20 people watching live: how many a second,
 * as a share of what pgbench inserts row by row into the same table; and how long one takes from tap to stored at 50 a second.
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync, chmodSync } from 'node:fs'
import { connect, type Socket } from 'node:net'
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
let cookie = ''

/** As little of a client as there can be: it runs on the cores that are measured, as pgbench does, which is as small. */
interface Line {
  readonly ask: (
    method: string,
    url: string,
    body?: unknown,
  ) => Promise<{ status: number; cookie: string; text: string }>
  readonly close: () => void
}

const openLine = async (): Promise<Line> => {
  const socket = await opened()
  let received = ''
  let take: ((answer: { status: number; cookie: string; text: string }) => void) | null = null
  socket.setEncoding('latin1').on('data', (part: string) => {
    received += part
    const head = received.indexOf('\r\n\r\n')
    if (head < 0) return
    const length = Number(/content-length: (\d+)/i.exec(received.slice(0, head))?.[1] ?? 0)
    const ends = head + 4 + length
    if (received.length < ends) return
    const answer = {
      status: Number(received.slice(9, 12)),
      cookie: /set-cookie: ([^;]*)/i.exec(received.slice(0, head))?.[1] ?? '',
      text: received.slice(head + 4, ends),
    }
    received = received.slice(ends)
    take?.(answer)
  })
  return {
    ask: (method, url, body) =>
      new Promise((resolve) => {
        take = resolve
        socket.write(requestText(method, url, body === undefined ? '' : JSON.stringify(body)))
      }),
    close: () => socket.destroy(),
  }
}

const opened = (): Promise<Socket> =>
  new Promise((resolve, reject) => {
    const socket = connect(port, '127.0.0.1', () => resolve(socket))
    socket.setNoDelay(true).on('error', reject)
  })

const requestText = (method: string, url: string, body: string): string =>
  `${method} ${url} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\nCookie: ${cookie}\r\n` +
  `Content-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`

/** A viewer counts what it sees, so that nobody is served nothing. */
const watchLive = async (): Promise<{ seen: () => number; stop: () => void }> => {
  let seen = 0
  const socket = await opened()
  socket.on('data', (part) => (seen += part.length))
  socket.write(requestText('GET', `/api/occasions/${DAY}/live?after=999999999`, ''))
  return { seen: () => seen, stop: () => socket.destroy() }
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

const post = async (line: Line, count = 1): Promise<number> => {
  const captures = Array.from({ length: count }, capture)
  const began = performance.now()
  const { status, text } = await line.ask('POST', `/api/occasions/${DAY}/captures`, { captures })
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
    lines.map(async (line) => {
      while (performance.now() < untilMs) {
        await post(line, together)
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

const lines = await Promise.all(Array.from({ length: POSTERS }, openLine))
const [first] = lines
if (!first) throw new Error('Nobody posts.')
const signedIn = await first.ask('POST', '/api/session', {
  signInName: 'ines.calloway-brandt',
  password: 'tarn-isles-demo',
})
cookie = signedIn.cookie
const viewers = await Promise.all(Array.from({ length: VIEWERS }, watchLive))
await rateOfServer(1)
const alone = await rateOfServer(1)
const together = await rateOfServer(TOGETHER)

const latencies: number[] = []
const pending: Promise<unknown>[] = []
for (let tap = 0; tap < 500; tap++) {
  const line = lines[tap % POSTERS] ?? first
  pending.push(post(line).then((ms) => latencies.push(ms)))
  await new Promise((resolve) => setTimeout(resolve, 20))
}
await Promise.all(pending)
for (const { stop } of viewers) stop()

const inserted = await rateOfPgbench()
const say = (name: string, figure: string): void => console.log(name.padEnd(58) + figure)
const share = (rate: number): string => `${rate.toFixed(0)}, ${(rate / inserted).toFixed(2)} of pgbench`
console.log(`${VIEWERS} viewers, ${POSTERS} devices that post without a pause, on the cores this program runs on too`)
say('pgbench, single-row inserts of the same table, a second', inserted.toFixed(0))
say('captures stored a second, each posted alone', `${share(alone)} (asked: 0.25)`)
say(`captures stored a second, ${TOGETHER} waiting at each device`, `${share(together)} (asked: 0.40)`)
say('tap to stored at 50 a second, 99th percentile', `${percentile(latencies, 0.99).toFixed(1)} ms (asked: below 50)`)
say('tap to stored at 50 a second, median', `${percentile(latencies, 0.5).toFixed(1)} ms`)

child.kill('SIGTERM')
for (const { close } of lines) close()
await cluster.dropDatabase(database)
cluster.stop()
