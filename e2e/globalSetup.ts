/** One throw-away PostgreSQL for all browser tests; each test file gets a copy of one database with the demo. */
import path from 'node:path'
import { buildServer, buildWeb } from '../scripts/lib/build.mjs'
import { DATA } from '../scripts/lib/paths.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requirePostgres } from '../scripts/lib/requirements.mjs'
import { prepareDatabase } from '../scripts/lib/server.mjs'
import { TEMPLATE } from './template.ts'

export default async (): Promise<() => void> => {
  await buildWeb()
  await buildServer()
  const cluster = await openCluster(requirePostgres(), path.join(DATA, 'e2e-postgres'))
  await cluster.dropDatabase(TEMPLATE)
  await cluster.makeDatabase(TEMPLATE)
  prepareDatabase(cluster, TEMPLATE, true)
  return () => cluster.stop()
}
