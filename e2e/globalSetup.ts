/** One throw-away PostgreSQL for all browser tests; each test file has a database of its own on it. */
import path from 'node:path'
import { buildWeb } from '../scripts/lib/build.mjs'
import { DATA } from '../scripts/lib/paths.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requirePostgres } from '../scripts/lib/requirements.mjs'

export default async (): Promise<() => void> => {
  buildWeb()
  const cluster = await openCluster(requirePostgres(), path.join(DATA, 'e2e-postgres'))
  return () => cluster.stop()
}
