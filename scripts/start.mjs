/** npm start: from a machine with Node.js alone to the running application. */
import { readFileSync } from 'node:fs'
import path from 'node:path'
import util from 'node:util'
import { buildServer, buildWeb, WEB_FOLDER } from './lib/build.mjs'
import { Obstacle, run } from './lib/fail.mjs'
import { DATA } from './lib/paths.mjs'
import { isFree } from './lib/ports.mjs'
import { openCluster } from './lib/postgres.mjs'
import { requireNode, requirePackages, requirePostgres } from './lib/requirements.mjs'
import { prepareDatabase, startServer } from './lib/server.mjs'

const HELP = `npm start -- [--fresh] [--empty] [--port N] [--host ADDRESS]
  --fresh   forget everything and load the demo anew
  --empty   no demo data and no demo accounts; add an account with "npm run account"
  --port    where to serve (default 4680)
  --host    address to serve on (default 127.0.0.1)`

const options = () => {
  try {
    const { values } = util.parseArgs({
      options: {
        fresh: { type: 'boolean', default: false },
        empty: { type: 'boolean', default: false },
        port: { type: 'string', default: '4680' },
        host: { type: 'string', default: '127.0.0.1' },
        help: { type: 'boolean', default: false },
      },
    })
    return values
  } catch (error) {
    throw new Obstacle(`${error.message}\n\n${HELP}`)
  }
}

const untilStopped = (child) =>
  new Promise((resolve, reject) => {
    let asked = false
    const stop = () => {
      asked = true
      child.kill('SIGTERM')
    }
    process.on('SIGINT', stop)
    process.on('SIGTERM', stop)
    process.on('SIGHUP', stop)
    watchParent(stop)
    child.once('exit', (code, signal) => {
      if (asked || code === 0) resolve()
      else
        reject(
          new Obstacle(
            `The server ended by itself (${signal ?? `exit code ${code}`}). Everything stored is kept; start it again.`,
          ),
        )
    })
  })

/**
 * When npm is killed outright it cannot pass a signal on. This process notices that npm, or the shell npm put in between,
 * is no longer its ancestor, and stops.
 */
const watchParent = (stop) => {
  if (!process.env.npm_lifecycle_event) return
  const parent = process.ppid
  const grandparent = parentOf(parent)
  setInterval(() => {
    if (process.ppid !== parent || parentOf(parent) !== grandparent) stop()
  }, 500).unref()
}

/** The parent of a process, or null where the system does not tell. */
const parentOf = (pid) => {
  try {
    return Number(/^PPid:\s*(\d+)$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1])
  } catch (error) {
    if (error.code === 'ENOENT' || error.code === 'ESRCH') return null
    throw error
  }
}

const greet = (host, port, empty) => {
  console.log(`\nAble Gauge is running at http://${host}:${port}\n`)
  if (empty) console.log('No demo data. Add an account with: npm run account\n')
  else {
    console.log('Demo sign-ins, all with the password tarn-isles-demo:')
    console.log('  ines.calloway-brandt   officer in charge')
    console.log('  joss.adair-nakata      grader')
    console.log('  pell.varga             timer')
    console.log('  odile.harrow           check-in clerk')
    console.log('  kester.munro-vale      viewer (records office)\n')
  }
  console.log('Press Ctrl-C to stop. Data stays in .data/ until "npm start -- --fresh".')
}

await run(async () => {
  requireNode()
  const { fresh, empty, port: portText, host, help } = options()
  if (help) {
    console.log(HELP)
    return
  }
  const port = Number(portText)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Obstacle(`"${portText}" is not a port. Expected 1 to 65535.`)
  if (!(await isFree(port, host))) {
    throw new Obstacle(
      `Port ${port} on ${host} is taken, perhaps by Able Gauge itself in another window.\n` +
        `Stop that program, or choose another port: npm start -- --port ${port + 1}`,
    )
  }
  requirePackages()
  const bin = requirePostgres()
  await buildWeb()
  await buildServer()
  const cluster = await openCluster(bin, path.join(DATA, 'postgres'))
  // the demo has a database of its own, so that real records and made-up ones never share one
  const database = empty ? 'able_gauge' : 'able_gauge_demo'
  try {
    if (fresh) await cluster.dropDatabase(database)
    await cluster.makeDatabase(database)
    prepareDatabase(cluster, database, !empty)
    const { child } = await startServer(cluster, database, { host, port, webFolder: WEB_FOLDER, demo: !empty })
    greet(host, port, empty)
    await untilStopped(child)
  } finally {
    cluster.stop()
  }
})
