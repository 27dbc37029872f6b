/** A throw-away PostgreSQL for the tests, with one migrated database that every test file gets a copy of. */
import path from 'node:path'
import type { TestProject } from 'vitest/node'
import { DATA } from '../../scripts/lib/paths.mjs'
import { openCluster } from '../../scripts/lib/postgres.mjs'
import { requirePostgres } from '../../scripts/lib/requirements.mjs'
import { migrate } from '../src/prepare.ts'

declare module 'vitest' {
  interface ProvidedContext {
    superUrl: string
    appUrl: string
    ownerUrl: string
    template: string
  }
}

const TEMPLATE = 'able_gauge_template'

export default async (project: TestProject): Promise<() => void> => {
  const cluster = await openCluster(requirePostgres(), path.join(DATA, 'test-postgres'), { lasting: false })
  await cluster.dropDatabase(TEMPLATE)
  await cluster.makeDatabase(TEMPLATE)
  await migrate(cluster.ownerUrl(TEMPLATE))
  project.provide('superUrl', cluster.superUrl('postgres'))
  project.provide('appUrl', cluster.appUrl('DATABASE'))
  project.provide('ownerUrl', cluster.ownerUrl('DATABASE'))
  project.provide('template', TEMPLATE)
  return () => cluster.stop()
}
