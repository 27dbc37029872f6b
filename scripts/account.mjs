/** npm run account -- --name N --display "D" --role R: adds an account to the database without demo data. */
import { spawnSync } from 'node:child_process'
import path from 'node:path'
import { createInterface } from 'node:readline/promises'
import util from 'node:util'
import { buildServer, serverProgram } from './lib/build.mjs'
import { Obstacle, run } from './lib/fail.mjs'
import { DATA, ROOT } from './lib/paths.mjs'
import { openCluster } from './lib/postgres.mjs'
import { requireNode, requirePackages, requirePostgres } from './lib/requirements.mjs'
import { prepareDatabase } from './lib/server.mjs'

const DATABASE = 'able_gauge'
const HELP = `npm run account -- --name sign.in.name --display "Full Name" --role administrator|officer|grader|timer|clerk|records|viewer
The password is asked for, or read from the environment variable ABLE_GAUGE_PASSWORD.`

const readOptions = () => {
  try {
    return util.parseArgs({
      options: { name: { type: 'string' }, display: { type: 'string' }, role: { type: 'string' } },
    }).values
  } catch (error) {
    throw new Obstacle(`${error.message}\n\n${HELP}`)
  }
}

const askPassword = async () => {
  if (process.env.ABLE_GAUGE_PASSWORD) return process.env.ABLE_GAUGE_PASSWORD
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  const password = await terminal.question('Password (12 characters or more): ')
  terminal.close()
  return password
}

await run(async () => {
  requireNode()
  const { name, display, role } = readOptions()
  if (!name || !display || !role) throw new Obstacle(HELP)
  requirePackages()
  const bin = requirePostgres()
  await buildServer()
  const cluster = await openCluster(bin, path.join(DATA, 'postgres'))
  try {
    await cluster.makeDatabase(DATABASE)
    prepareDatabase(cluster, DATABASE, false)
    const { status } = spawnSync(process.execPath, [serverProgram('addAccount'), name, display, role], {
      cwd: ROOT,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: {
        ...process.env,
        ABLE_GAUGE_OWNER_URL: cluster.ownerUrl(DATABASE),
        ABLE_GAUGE_PASSWORD: await askPassword(),
      },
    })
    if (status !== 0) process.exitCode = 1
  } finally {
    // a cluster that a running program uses stays up for it
    if (!cluster.wasRunning) cluster.stop()
  }
})
