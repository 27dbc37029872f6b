/** The database with the demo that every file of browser tests gets a copy of. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { buildServer, serverProgram } from './build.mjs'
import { DATA } from './paths.mjs'
import { openCluster } from './postgres.mjs'
import { requirePostgres } from './requirements.mjs'
import { prepareDatabase } from './server.mjs'

export const TEMPLATE = 'able_gauge_e2e_template'
const STAMP = path.join(DATA, 'e2e-template.json')
/** The demo is of today. */
const FRESH_FOR_MS = 3_600_000

export const openTestCluster = () => openCluster(requirePostgres(), path.join(DATA, 'e2e-postgres'), { lasting: false })

/** Makes it, unless it was made within the hour by the same program. */
export const prepareTemplate = async () => {
  await buildServer()
  const cluster = await openTestCluster()
  const builtFrom = readFileSync(path.join(path.dirname(serverProgram('prepare')), '.built-from'), 'utf8')
  const made = existsSync(STAMP) ? JSON.parse(readFileSync(STAMP, 'utf8')) : null
  if (made?.builtFrom === builtFrom && Date.now() - made.atMs < FRESH_FOR_MS) return cluster
  await cluster.dropDatabase(TEMPLATE)
  await cluster.makeDatabase(TEMPLATE)
  prepareDatabase(cluster, TEMPLATE, true)
  writeFileSync(STAMP, JSON.stringify({ builtFrom, atMs: Date.now() }))
  return cluster
}
