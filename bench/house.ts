/** A house of its own for a bench: its database, an officer, a server that counts nobody's requests. */
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import pino from 'pino'
import { parseStandard, type Capture, type Standard } from '@able-gauge/core'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requirePostgres } from '../scripts/lib/requirements.mjs'
import { hashPassword } from '../server/src/access/password.ts'
import { LONG, openPool, type Pool } from '../server/src/database.ts'
import { NO_LIMITS } from '../server/src/limits.ts'
import { openServer } from '../server/src/openServer.ts'
import { migrate } from '../server/src/prepare.ts'
import { addAccount } from '../server/src/store/accountStore.ts'

const PASSWORD = 'a password for benches'

export const entryStandard = (): Standard => {
  const parsed = parseStandard(
    JSON.parse(readFileSync(path.join(ROOT, 'demo/standards/constabulary-entry-v3.json'), 'utf8')),
  )
  if (!parsed.ok) throw new Error('The demo standard is unsound.')
  return parsed.value
}

export interface BenchHouse {
  readonly owner: Pool
  /** Of the officer. */
  readonly accountId: string
  /** Starts the server and signs the officer in. @returns how to ask it */
  readonly serve: () => Promise<(path: string, init?: RequestInit) => Promise<Response>>
  readonly sign: string
  /** Until what was loaded is on the disk, and the database has nothing else to do. */
  readonly settle: () => Promise<void>
  readonly close: () => Promise<void>
}

export const openHouse = async (database: string): Promise<BenchHouse> => {
  const cluster = await openCluster(requirePostgres(), path.join(DATA, 'bench-postgres'))
  await cluster.dropDatabase(database)
  await cluster.makeDatabase(database)
  await migrate(cluster.ownerUrl(database))
  const owner = openPool(cluster.ownerUrl(database), 2, { ...LONG, statementMs: 3_600_000 })
  const accountId = randomUUID()
  await addAccount(owner, {
    id: accountId,
    signInName: 'officer',
    displayName: 'The officer',
    role: 'officer',
    passwordHash: await hashPassword(PASSWORD),
    isDemo: false,
  })
  let closing: () => Promise<void> = () => Promise.resolve()
  return {
    owner,
    accountId,
    sign: JSON.stringify({ password: PASSWORD, acceptOpen: true }),
    serve: async () => {
      const opened = await openServer({
        databaseUrl: cluster.appUrl(database),
        demo: false,
        webFolder: null,
        log: pino({ level: 'error' }),
        limits: NO_LIMITS,
      })
      closing = () => opened.close()
      await new Promise<void>((resolve) => opened.http.listen(0, '127.0.0.1', resolve))
      const address = `http://127.0.0.1:${(opened.http.address() as AddressInfo).port}/api/`
      const json = { 'Content-Type': 'application/json' }
      const body = JSON.stringify({ signInName: 'officer', password: PASSWORD })
      const signedIn = await fetch(`${address}session`, { method: 'POST', headers: json, body })
      const headers = { ...json, Cookie: signedIn.headers.get('Set-Cookie')?.split(';')[0] ?? '' }
      return (asked, init = {}) => fetch(address + asked, { headers, ...init })
    },
    settle: async () => {
      await owner.query('vacuum analyze')
      await cluster.asSuperuser(async (query) => void (await query('checkpoint')))
    },
    close: async () => {
      await closing()
      await owner.end()
      cluster.stop()
    },
  }
}

/** Puts captures on record as they are, from the first number on. */
export const putOnRecord = async (
  owner: Pool,
  occasionId: string,
  accountId: string,
  captures: readonly Capture[],
): Promise<void> => {
  for (let from = 0; from < captures.length; from += 5_000) {
    const some = captures.slice(from, from + 5_000).map((capture, index) => ({ ...capture, seq: from + index + 1 }))
    await owner.query(
      `insert into captures (id, occasion_id, seq, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, actor_id, received_ms)
       select c.id, $1, c.seq, c."eventId", c."entryId", c.kind, c.payload, c."deviceId", c."deviceMs", c."atMs", c."uncertaintyMs", $2, c."atMs" + 20
         from jsonb_to_recordset($3) c (id uuid, seq integer, "eventId" text, "entryId" uuid, kind text, payload jsonb, "deviceId" text, "deviceMs" bigint, "atMs" bigint, "uncertaintyMs" integer)`,
      [occasionId, accountId, JSON.stringify(some)],
    )
  }
  await owner.query('update capture_ledger set last_seq = $2 where occasion_id = $1', [occasionId, captures.length])
}
