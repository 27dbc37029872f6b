/** One throw-away PostgreSQL for all browser tests; each test file gets a copy of one database with the demo. */
import { buildWeb } from '../scripts/lib/build.mjs'
import { prepareTemplate } from '../scripts/lib/testHouse.mjs'

export default async (): Promise<() => void> => {
  await buildWeb()
  const cluster = await prepareTemplate()
  return () => cluster.stop()
}
