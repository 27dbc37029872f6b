/** Backing a house up and restoring it: what both commands, and their tests, do with a cluster. */
import { spawn, spawnSync } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import { setTimeout } from 'node:timers/promises'
import { checkBackup, readBackup, writeBackup } from './backup.mjs'
import { serverProgram } from './build.mjs'
import { Obstacle } from './fail.mjs'
import { ROOT } from './paths.mjs'
import { prepareDatabase } from './server.mjs'

/** Runs a program of the server as the database's owner. @returns what it prints, read as JSON */
const asOwner = (cluster, database, program, { input = '', keyFile }) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--enable-source-maps', serverProgram(program)], {
    cwd: ROOT,
    input,
    encoding: 'utf8',
    maxBuffer: 256 * 1024 * 1024,
    env: { ...process.env, ABLE_GAUGE_OWNER_URL: cluster.ownerUrl(database), ABLE_GAUGE_KEY_FILE: keyFile },
  })
  if (status !== 0) throw new Obstacle(`The database could not be read (${program}):\n${stderr}`)
  return JSON.parse(stdout || 'null')
}

/**
 * @param file to write
 * @param keyFile of this installation, whose public key the backup names
 * @param withKey whether the private key goes along, so that the restored house goes on signing as this one
 */
export const backUp = async (cluster, bin, database, file, { passphrase, keyFile, withKey = false }) => {
  const { counts, publicKey } = asOwner(cluster, database, 'backupFacts', { keyFile })
  const manifest = { counts, publicKey, ...(withKey ? { privateKey: readFileSync(keyFile, 'utf8') } : {}) }
  const dump = begin(cluster, bin, database, 'pg_dump', ['-Fc'])
  const whole = async function* () {
    yield* dump.child.stdout
    const failure = await dump.ended
    if (failure !== null) throw new Obstacle(`PostgreSQL could not write the backup:\n${failure}`)
  }
  try {
    await writeBackup(file, passphrase, manifest, whole())
  } finally {
    // where the disk is full it would wait for somebody to read on
    dump.child.kill()
  }
  return { made: counts }
}

/**
 * Begins one of PostgreSQL's programs as the database's owner. The password stands in its environment, where other users of the machine do
 * not see it.
 * @returns the process, and, once it has ended, what it said if it failed
 */
const begin = (cluster, bin, database, program, args) => {
  const { hostname, port, username, password } = new URL(cluster.ownerUrl(database))
  const child = spawn(path.join(bin, program), [...args, '-d', database], {
    env: { PATH: process.env.PATH, PGHOST: hostname, PGPORT: port, PGUSER: username, PGPASSWORD: password },
  })
  let said = ''
  child.stderr.on('data', (chunk) => (said += chunk))
  const ended = once(child, 'close').then(
    ([code]) => (code === 0 ? null : said),
    (error) => error.message,
  )
  return { child, ended }
}

const takeIn = async (cluster, bin, database, file, passphrase) => {
  const taking = begin(cluster, bin, database, 'pg_restore', ['--exit-on-error'])
  taking.child.stdout.resume()
  // what it does not read to the end it says itself
  await readBackup(file, passphrase, (dump) => pipeline(dump, taking.child.stdin).catch(() => undefined))
  const failure = await taking.ended
  if (failure !== null) throw new Obstacle(`PostgreSQL could not take the backup in. Nothing was replaced.\n${failure}`)
}

const isThere = async (cluster, database) => {
  let found = false
  await cluster.asSuperuser(async (query) => {
    found = (await query('select 1 from pg_database where datname = $1', [database])).rowCount > 0
  })
  return found
}

/** A program that has just ended is seen for a moment longer. */
const SEEN_FOR_MS = 5_000

const refuseInUse = (cluster, database) =>
  cluster.asSuperuser(async (query) => {
    const isUsed = async () =>
      (await query('select 1 from pg_stat_activity where datname = $1', [database])).rowCount > 0
    for (const endMs = Date.now() + SEEN_FOR_MS; Date.now() < endMs && (await isUsed());) await setTimeout(200)
    if (await isUsed()) throw new Obstacle('The program is running on this database. Stop it (Ctrl-C), then restore.')
  })

/**
 * Restores a house: beside what is there first, and in its place once everything went well. What was there keeps a name of its own.
 * @returns what was restored, how many erasures were done again, and the name of the database that was replaced
 */
export const restore = async (cluster, bin, database, file, { passphrase, keyFile, withKey = false }) => {
  const beside = `${database}_restoring`
  const manifest = await checkBackup(file, passphrase)
  if (withKey && !manifest.privateKey)
    throw new Obstacle('The backup holds no private key: it was made without --with-key. Restore without it as well.')
  await refuseInUse(cluster, database)
  const before = (await isThere(cluster, database)) ? asOwner(cluster, database, 'backupFacts', { keyFile }) : null
  await cluster.dropDatabase(beside)
  await cluster.makeDatabase(beside)
  try {
    await takeIn(cluster, bin, beside, file, passphrase)
    // brings an older one up to date, and refuses a newer one
    prepareDatabase(cluster, beside, false)
    // with the key of the backup this house stays who it was, and has no former one
    const formerKey = withKey ? null : manifest.publicKey
    const input = JSON.stringify({ erasures: before?.erasures ?? [], formerKey })
    const { erased } = asOwner(cluster, beside, 'restored', { input, keyFile })
    const replaced = before ? asideOf(database) : null
    await putInPlace(cluster, beside, database, replaced)
    if (withKey) replaceKey(keyFile, manifest.privateKey)
    return { counts: manifest.counts, erased, replaced }
  } catch (error) {
    await cluster.dropDatabase(beside)
    throw error
  }
}

/** What the database that was there is called from now on. */
const asideOf = (database) => `${database}_before_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}`

/** Both names change, or neither does. */
const putInPlace = (cluster, beside, database, aside) =>
  cluster.asSuperuser(async (query) => {
    await query('begin')
    if (aside !== null) await query(`alter database ${database} rename to ${aside}`)
    await query(`alter database ${beside} rename to ${database}`)
    await query('commit')
  })

/** The key that was there keeps a name of its own: what it signed is proven by its public half alone, but nobody destroys a key. */
const replaceKey = (keyFile, pem) => {
  if (existsSync(keyFile)) {
    const known = readFileSync(keyFile, 'utf8')
    if (known === pem) return
    writeFileSync(`${keyFile}.${Date.now()}`, known, { mode: 0o600, flag: 'wx' })
  }
  writeFileSync(keyFile, pem, { mode: 0o600 })
}
