/** Brings the database up to date and, when asked, loads the demo once. Runs before the server, as the database's owner. */
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { runner } from 'node-pg-migrate'
import { inTransaction, openPool } from './database.ts'
import { loadDemo } from './demo/loadDemo.ts'
import { needed } from './environment.ts'

const SQL_FOLDER = path.join(path.dirname(fileURLToPath(import.meta.url)), '..', 'sql')

/** Applies the migrations that are missing, each in a transaction of its own. @param databaseUrl of the owner */
export const migrate = async (databaseUrl: string): Promise<void> => {
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

const prepare = async (): Promise<void> => {
  await migrate(needed(process.env, 'ABLE_GAUGE_OWNER_URL'))
  if (process.env['ABLE_GAUGE_DEMO'] !== '1') return
  const pool = openPool(needed(process.env, 'ABLE_GAUGE_DATABASE_URL'))
  try {
    await inTransaction(pool, loadDemo)
  } finally {
    await pool.end()
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await prepare()
