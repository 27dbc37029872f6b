/**
 * A day of 100,000 captures and 200 people: verdicts, archive, proof and signature while everything else goes on. Prints
 * figures, and the slowest of one hundred of other requests beside each.
 */
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import pino from 'pino'
import { captureId, parseStandard, rehearseDay, seededRandom, type Capture } from '@able-gauge/core'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requirePostgres } from '../scripts/lib/requirements.mjs'
import { hashPassword } from '../server/src/access/password.ts'
import { openPool } from '../server/src/database.ts'
import { LIMITS } from '../server/src/limits.ts'
import { openServer } from '../server/src/openServer.ts'
import { migrate } from '../server/src/prepare.ts'
import { addAccount } from '../server/src/store/accountStore.ts'
import { addEntry } from '../server/src/store/entryStore.ts'
import { addOccasion, addStaffMember } from '../server/src/store/occasionStore.ts'
import { addPerson } from '../server/src/store/personStore.ts'
import { addStandard } from '../server/src/store/standardStore.ts'

const [PEOPLE, CAPTURES] = [200, 100_000]
const PASSWORD = 'a password for benches'
const DATABASE = 'able_gauge_big_day'
const random = seededRandom(100_000)

const parsed = parseStandard(
  JSON.parse(readFileSync(path.join(ROOT, 'demo/standards/constabulary-entry-v3.json'), 'utf8')),
)
if (!parsed.ok) throw new Error('The demo standard is unsound.')
const standard = parsed.value

const cluster = await openCluster(requirePostgres(), path.join(DATA, 'bench-postgres'))
await cluster.dropDatabase(DATABASE)
await cluster.makeDatabase(DATABASE)
await migrate(cluster.ownerUrl(DATABASE))
const owner = openPool(cluster.ownerUrl(DATABASE), 2)
const accountId = randomUUID()
await addAccount(owner, {
  id: accountId,
  signInName: 'officer',
  displayName: 'The officer',
  role: 'officer',
  passwordHash: await hashPassword(PASSWORD),
  isDemo: false,
})
await addStandard(owner, standard)
const occasionId = randomUUID()
const testDate = new Date().toISOString().slice(0, 10)
const startMs = Date.parse(`${testDate}T00:00:00Z`)
await addOccasion(owner, {
  id: occasionId,
  name: 'A big day',
  venue: 'Fallow Point track',
  zone: 'UTC',
  testDate,
  standardId: standard.id,
  standardVersion: standard.version,
})
await addStaffMember(owner, occasionId, accountId, 'officer in charge')
const people = []
for (let index = 0; index < PEOPLE; index++) {
  const [id, personId] = [randomUUID(), randomUUID()]
  await addPerson(owner, {
    id: personId,
    number: `B-${index}`,
    givenName: 'Lumi',
    familyName: `Ardent-${index}`,
    birthDate: '1999-05-04',
  })
  const entry = { wave: 1 + Math.floor(index / 12), category: index % 2 ? 'male' : 'female', bodyMassG: 70_000 }
  await addEntry(owner, { id, occasionId, personId, bib: index + 1, attendance: 'present', note: '', ...entry })
  people.push({ entryId: id, ageYears: 27, ageCountedOn: testDate, ...entry })
}
const made = rehearseDay(standard, people, 7, startMs, null)
const repeated = made.filter(({ kind }) => kind === 'counted' || kind === 'crossed')
const captures: Capture[] = [...made]
for (let index = 0; captures.length < CAPTURES; index++) {
  const one = repeated[index % repeated.length]
  if (one) captures.push({ ...one, id: captureId(one.atMs, random.bytes(16)), atMs: one.atMs + (index % 900) })
}
for (let from = 0; from < captures.length; from += 5_000) {
  await owner.query(
    `insert into captures (id, occasion_id, seq, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, actor_id, received_ms)
     select c.id, $1, c.seq, c."eventId", c."entryId", c.kind, c.payload, c."deviceId", c."deviceMs", c."atMs", c."uncertaintyMs", $2, c."atMs" + 20
       from jsonb_to_recordset($3) c (id uuid, seq integer, "eventId" text, "entryId" uuid, kind text, payload jsonb, "deviceId" text, "deviceMs" bigint, "atMs" bigint, "uncertaintyMs" integer)`,
    [
      occasionId,
      accountId,
      JSON.stringify(
        captures.slice(from, from + 5_000).map((capture, index) => ({ ...capture, seq: from + index + 1 })),
      ),
    ],
  )
}
await owner.query('update capture_ledger set last_seq = $2 where occasion_id = $1', [occasionId, captures.length])

const opened = await openServer({
  databaseUrl: cluster.appUrl(DATABASE),
  demo: false,
  webFolder: null,
  log: pino({ level: 'warn' }),
  limits: { ...LIMITS, costly: 1e9 },
})
await new Promise<void>((resolve) => opened.http.listen(0, '127.0.0.1', resolve))
const address = `http://127.0.0.1:${(opened.http.address() as AddressInfo).port}`
const json = { 'Content-Type': 'application/json' }
const signedIn = await fetch(`${address}/api/session`, {
  method: 'POST',
  headers: json,
  body: JSON.stringify({ signInName: 'officer', password: PASSWORD }),
})
const headers = { ...json, Cookie: signedIn.headers.get('Set-Cookie')?.split(';')[0] ?? '' }

/** How long something takes, and how long other requests take meanwhile. */
const timed = async (what: string, ask: () => Promise<Response>): Promise<void> => {
  let busy = true
  const others: number[] = []
  const asking = (async () => {
    while (busy) {
      const began = performance.now()
      await (await fetch(`${address}/api/time`, { headers })).arrayBuffer()
      others.push(performance.now() - began)
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
  })()
  const began = performance.now()
  const response = await ask()
  const bytes = (await response.arrayBuffer()).byteLength
  const seconds = (performance.now() - began) / 1_000
  busy = false
  await asking
  others.sort((a, b) => a - b)
  const p99 = others[Math.floor(others.length * 0.99)] ?? 0
  console.log(
    `${what}: ${response.status}, ${seconds.toFixed(2)} s, ${(bytes / 1e6).toFixed(1)} MB; ` +
      `others meanwhile p99 ${p99.toFixed(0)} ms, slowest ${(others.at(-1) ?? 0).toFixed(0)} ms of ${others.length}`,
  )
}
const get = (path: string) => () => fetch(`${address}/api/occasions/${occasionId}/${path}`, { headers })

console.log(`${captures.length} captures, ${PEOPLE} people`)
await timed('verdicts, first', get('verdicts'))
await timed('verdicts, warm', get('verdicts'))
await fetch(`${address}/api/occasions/${occasionId}/captures`, {
  method: 'POST',
  headers,
  body: JSON.stringify({
    captures: [
      {
        ...made[0],
        entryId: made[0]?.entryId ?? undefined,
        id: captureId(Date.now(), random.bytes(16)),
        atMs: Date.now(),
        kind: 'sensed',
        payload: { instrument: 'x', quantity: 'time', value: 1, resolution: 1 },
      },
    ],
  }),
})
await timed('verdicts, one capture later', get('verdicts'))
await timed('archive', get('archive'))
await timed('sign-off', () =>
  fetch(`${address}/api/occasions/${occasionId}/sign-off`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ password: PASSWORD, acceptOpen: true }),
  }),
)
await timed('proof', get('proof'))
await timed('verdicts, signed', get('verdicts'))
await opened.close()
await owner.end()
cluster.stop()
