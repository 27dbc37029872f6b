/** npm start: from a machine with Node.js alone to the running application. */
import { randomInt, X509Certificate } from 'node:crypto'
import { accessSync, constants, readdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import util from 'node:util'
import { buildServer, buildWeb, WEB_FOLDER } from './lib/build.mjs'
import { Obstacle, run } from './lib/fail.mjs'
import { checkBackup } from './lib/backup.mjs'
import { backUp, restore } from './lib/keep.mjs'
import { askPassphrase } from './lib/passphrase.mjs'
import { DATA } from './lib/paths.mjs'
import { isFree } from './lib/ports.mjs'
import { openCluster } from './lib/postgres.mjs'
import { requireNode, requirePackages, requirePostgres } from './lib/requirements.mjs'
import { KEY_FILE, prepareDatabase, startServer } from './lib/server.mjs'

const HELP = `npm start -- [--fresh] [--empty] [--field] [--port N] [--https-port N] [--host ADDRESS]
  --fresh   forget everything and load the demo anew
  --empty   no demo data and no demo accounts; a new house is set up on screen, with a code shown here
  --field   for phones on the same network: serves on all addresses of this machine, over https as well
  --backup-to FOLDER  writes a backup there every ten minutes, the last twelve of them; asks for a passphrase
  --port    where to serve (default 4680)
  --https-port  where to serve https on a field (default 4643)
  --host    address to serve on (default 127.0.0.1)`

const options = () => {
  try {
    const { values } = util.parseArgs({
      options: {
        fresh: { type: 'boolean', default: false },
        empty: { type: 'boolean', default: false },
        field: { type: 'boolean', default: false },
        'backup-to': { type: 'string' },
        port: { type: 'string', default: '4680' },
        'https-port': { type: 'string', default: '4643' },
        host: { type: 'string' },
        help: { type: 'boolean', default: false },
      },
    })
    return values
  } catch (error) {
    throw new Obstacle(`${error.message}\n\n${HELP}`)
  }
}

/** What ends the server: whoever stops the program, or a restore that was asked for on screen. */
const openStop = () => {
  const state = { stopped: false, restore: null, child: null }
  const stop = () => {
    state.stopped = true
    state.child?.kill('SIGTERM')
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  process.on('SIGHUP', stop)
  watchParent(stop)
  return state
}

const untilEnded = (child, state) =>
  new Promise((resolve, reject) => {
    state.child = child
    if (state.stopped) child.kill('SIGTERM')
    child.once('exit', (code, signal) => {
      if (state.stopped || state.restore || code === 0) resolve()
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

/** Where backups go by themselves, and with which passphrase. @throws Obstacle when nothing can be written there */
const openKeeper = async (folder) => {
  const target = path.resolve(folder)
  try {
    accessSync(target, constants.W_OK)
  } catch (error) {
    throw new Obstacle(`Backups cannot be written to ${target}: ${error.message}`)
  }
  return { folder: target, passphrase: await askPassphrase(true) }
}

const BACKUP_EVERY_MS = 600_000
const BACKUPS_KEPT = 12

/** A backup now and every ten minutes; one that fails is told and tried again. @returns what ends it, once none is under way */
const keepBackups = ({ cluster, bin, database }, { folder, passphrase }, tell) => {
  const own = new RegExp(`^${database}-\\d{14}\\.backup$`)
  const once = async () => {
    try {
      const stamp = new Date().toISOString().replace(/\D/g, '').slice(0, 14)
      await backUp(cluster, bin, database, path.join(folder, `${database}-${stamp}.backup`), {
        passphrase,
        keyFile: KEY_FILE,
      })
      const old = readdirSync(folder)
        .filter((name) => own.test(name))
        .sort()
        .slice(0, -BACKUPS_KEPT)
      for (const name of old) rmSync(path.join(folder, name))
      tell({ backedUp: { atMs: Date.now(), folder, failure: null } })
    } catch (error) {
      tell({ backedUp: { atMs: Date.now(), folder, failure: error.message } })
      console.error(`No backup at ${new Date().toLocaleTimeString()}: ${error.message}`)
    }
  }
  let underWay = once()
  const timer = setInterval(() => {
    underWay = once()
  }, BACKUP_EVERY_MS)
  return () => {
    clearInterval(timer)
    return underWay
  }
}

/** Makes the backups the server is asked for on screen; whoever asked takes the file away. */
const backUpFor = async ({ cluster, bin, database }, { id, passphrase }, tell) => {
  const file = path.join(DATA, `asked-${id}.backup`)
  try {
    await backUp(cluster, bin, database, file, { passphrase, keyFile: KEY_FILE })
    tell({ kept: { id, result: file } })
  } catch (error) {
    console.error(`No backup: ${error.message}`)
    rmSync(file, { force: true })
    tell({ kept: { id, failure: error.message } })
  }
}

/** Long enough for the answer to reach whoever asked. */
const ANSWER_MS = 1_500

/** Looks at a backup that was sent on screen, and ends the server if it is right: it is put back once nobody uses the database. */
const restoreFor = async (stop, { id, file, passphrase }, tell) => {
  try {
    const { counts } = await checkBackup(file, passphrase)
    const { days, people, captures } = counts
    tell({ kept: { id, result: { days, people, captures } } })
    setTimeout(() => {
      stop.restore = { file, passphrase }
      stop.child?.kill('SIGTERM')
    }, ANSWER_MS)
  } catch (error) {
    tell({ kept: { id, failure: error.message } })
  }
}

/** Puts the backup in place that was asked for. @returns how it went, for the house room */
const restoreNow = async ({ cluster, bin, database }, { file, passphrase }) => {
  try {
    const { counts, replaced } = await restore(cluster, bin, database, file, { passphrase, keyFile: KEY_FILE })
    console.log(`Restored on screen: ${counts.days} days, ${counts.people} people. Before, it was ${replaced}.`)
    return { atMs: Date.now(), failure: null }
  } catch (error) {
    console.error(`Not restored: ${error.message}`)
    return { atMs: Date.now(), failure: error.message }
  } finally {
    rmSync(file, { force: true })
  }
}

const portIn = (text) => {
  const port = Number(text)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Obstacle(`"${text}" is not a port. Expected 1 to 65535.`)
  return port
}

/** The certificates of the field, by packages that may have been installed just now. */
const openField = async (httpsPort) => {
  const { fieldAddresses, openAuthority } = await import('./lib/authority.mjs')
  const folder = path.join(DATA, 'field')
  const addresses = fieldAddresses()
  const { authorityFile } = await openAuthority(folder, addresses)
  return { folder, addresses, httpsPort, authorityFile }
}

/** What whoever stands beside the laptop needs: the address, to be scanned, and the authority's fingerprint. */
const invite = async ({ addresses, httpsPort, authorityFile }, port) => {
  const [address] = addresses
  if (!address) {
    console.log('This machine is on no local network yet. Join one, or open a hotspot, and start again.\n')
    return
  }
  const { default: QRCode } = await import('qrcode')
  console.log(await QRCode.toString(`http://${address}:${port}/connect`, { type: 'terminal', small: true }))
  console.log('Devices on the same network:')
  for (const one of addresses) console.log(`  http://${one}:${port}   https://${one}:${httpsPort}`)
  const { fingerprint256 } = new X509Certificate(readFileSync(authorityFile))
  console.log(`Fingerprint of the authority (SHA-256):\n  ${fingerprint256}\n`)
}

/** Twelve letters and digits that nobody mistakes for each other, in groups to be read out. */
const SIGNS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789'
const newSetUpCode = () =>
  Array.from(
    { length: 12 },
    (_, index) => (index % 4 === 0 && index > 0 ? '-' : '') + SIGNS[randomInt(SIGNS.length)],
  ).join('')

/** Whether nobody looks after the house yet, as the server knows. */
const isUnfounded = async (host, port) => {
  const answer = await fetch(`http://${host}:${port}/api/session`)
  return (await answer.json()).isUnfounded === true
}

const greet = async (host, port, empty, setUpCode) => {
  console.log(`\nAble Gauge is running at http://${host}:${port}\n`)
  if (empty) {
    if (await isUnfounded(host, port)) {
      console.log('Nobody looks after this house yet. Set it up here:')
      console.log(`  http://${host}:${port}/set-up#${setUpCode}`)
      console.log(`  code ${setUpCode}, good once, until the program is started again\n`)
    }
  } else {
    console.log('Demo sign-ins, all with the password tarn-isles-demo:')
    console.log('  ines.calloway-brandt   officer in charge')
    console.log('  joss.adair-nakata      grader')
    console.log('  pell.varga             timer')
    console.log('  odile.harrow           check-in clerk')
    console.log('  edda.farquhar          records officer')
    console.log('  thora.lindqvist-may    administrator')
    console.log('  kester.munro-vale      viewer (read only)\n')
  }
  console.log('Press Ctrl-C to stop. Data stays in .data/ until "npm start -- --fresh".')
}

await run(async () => {
  requireNode()
  const {
    fresh,
    empty,
    field: inField,
    port: portText,
    'https-port': httpsText,
    'backup-to': backupTo,
    host: wanted,
    help,
  } = options()
  if (help) {
    console.log(HELP)
    return
  }
  const host = wanted ?? (inField ? '0.0.0.0' : '127.0.0.1')
  const [port, httpsPort] = [portIn(portText), portIn(httpsText)]
  if (!(await isFree(port, host))) {
    throw new Obstacle(
      `Port ${port} on ${host} is taken, perhaps by Able Gauge itself in another window.\n` +
        `Stop that program, or choose another port: npm start -- --port ${port + 1}`,
    )
  }
  if (inField && !(await isFree(httpsPort, host)))
    throw new Obstacle(`Port ${httpsPort} is taken. Choose another for https: --https-port ${httpsPort + 1}`)
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
    const setUpCode = newSetUpCode()
    const keeper = backupTo === undefined ? null : await openKeeper(backupTo)
    prepareDatabase(cluster, database, !empty, empty ? setUpCode : '')
    const field = inField ? await openField(httpsPort) : null
    const near = host === '0.0.0.0' ? '127.0.0.1' : host
    const stop = openStop()
    const house = { cluster, bin, database }
    const settings = { host, port, webFolder: WEB_FOLDER, demo: !empty, field }
    let restored = null
    do {
      const { child } = await startServer(cluster, database, settings)
      const tell = (message) => void (child.connected && child.send(message))
      child.on('message', ({ backUp: backUpAsked, restore: restoreAsked }) => {
        if (backUpAsked) void backUpFor(house, backUpAsked, tell)
        if (restoreAsked) void restoreFor(stop, restoreAsked, tell)
      })
      if (restored) tell({ restored })
      else {
        await greet(near, port, empty, setUpCode)
        if (field) await invite(field, port)
      }
      const endBackups = keeper ? keepBackups(house, keeper, tell) : () => undefined
      await untilEnded(child, stop)
      await endBackups()
      const wanted = stop.restore
      stop.restore = null
      restored = wanted && !stop.stopped ? await restoreNow(house, wanted) : null
    } while (restored && !stop.stopped)
  } finally {
    cluster.stop()
  }
})
