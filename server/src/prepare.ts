/** Brings the database up to date and, when asked, loads the demo once. Runs before the server, as the database's owner. */
import { readdirSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { runner } from 'node-pg-migrate'
import { inTransaction, LONG, openPool } from './database.ts'
import { loadDemo } from './demo/loadDemo.ts'
import { needed } from './environment.ts'
import { SQL_FOLDER } from './folders.ts'
import { openSigner } from './signer.ts'
import { isUnfounded, keepSetUpCode } from './store/keptAccountStore.ts'
import { writeMissingDays } from './writtenResults.ts'

/** Applies the migrations that are missing, each in a transaction of its own. @param databaseUrl of the owner */
export const migrate = async (databaseUrl: string): Promise<void> => {
  await refuseNewer(databaseUrl)
  await runner({
    databaseUrl,
    dir: SQL_FOLDER,
    direction: 'up',
    migrationsTable: 'migrations',
    checkOrder: true,
    singleTransaction: false,
    log: () => undefined,
  })
}

/** A program older than its database does not know what is kept there, and must not write beside it. @throws Error */
const refuseNewer = async (databaseUrl: string): Promise<void> => {
  const pool = openPool(databaseUrl, 1)
  try {
    const { rows: tables } = await pool.query<{ known: boolean }>(
      `select to_regclass('public.migrations') is not null as known`,
    )
    if (!tables[0]?.known) return
    const { rows } = await pool.query<{ name: string }>('select name from migrations order by id')
    const own = new Set(readdirSync(SQL_FOLDER).map((file) => path.parse(file).name))
    const newer = rows.map(({ name }) => name).filter((name) => !own.has(name))
    if (newer.length === 0) return
    throw new Error(
      `The database was made by a newer Able Gauge (it has ${newer.join(', ')}). Nothing was changed. ` +
        'Start the newer program, or give this one a database of its own.',
    )
  } finally {
    await pool.end()
  }
}

const prepare = async (): Promise<void> => {
  const ownerUrl = needed(process.env, 'ABLE_GAUGE_OWNER_URL')
  await migrate(ownerUrl)
  const pool = openPool(ownerUrl, 2, LONG)
  try {
    const code = process.env['ABLE_GAUGE_SET_UP_CODE']
    if (code && (await isUnfounded(pool))) await keepSetUpCode(pool, code)
    if (process.env['ABLE_GAUGE_DEMO'] === '1')
      await inTransaction(pool, (db) => loadDemo(db, openSigner(process.env['ABLE_GAUGE_KEY_FILE'] ?? null)))
    await writeMissingDays(pool, (days) =>
      console.log(`Writing the results of ${days} signed ${days === 1 ? 'day' : 'days'} for Insight …`),
    )
  } finally {
    await pool.end()
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await prepare()
