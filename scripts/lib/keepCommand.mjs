/** What the commands that back a house up and restore it have in common: a file, two options, a passphrase, the cluster. */
import path from 'node:path'
import util from 'node:util'
import { buildServer } from './build.mjs'
import { Obstacle, run } from './fail.mjs'
import { askPassphrase } from './passphrase.mjs'
import { DATA } from './paths.mjs'
import { openCluster } from './postgres.mjs'
import { requireNode, requirePackages, requirePostgres } from './requirements.mjs'
import { KEY_FILE } from './server.mjs'

const optionsOf = (help) => {
  try {
    return util.parseArgs({
      allowPositionals: true,
      options: { 'with-key': { type: 'boolean', default: false }, demo: { type: 'boolean', default: false } },
    })
  } catch (error) {
    throw new Obstacle(`${error.message}\n\n${help}`)
  }
}

/**
 * @param help said when the command cannot be understood
 * @param isNew whether the passphrase is chosen now
 * @param work is given the cluster, the folder of PostgreSQL's programs, the database, the file as named, and the keys
 */
export const keepCommand = ({ help, isNew, work }) =>
  run(async () => {
    requireNode()
    const { values, positionals } = optionsOf(help)
    const [file] = positionals
    if (!file) throw new Obstacle(help)
    requirePackages()
    const bin = requirePostgres()
    await buildServer()
    const keys = { passphrase: await askPassphrase(isNew), keyFile: KEY_FILE, withKey: values['with-key'] }
    const cluster = await openCluster(bin, path.join(DATA, 'postgres'))
    try {
      await work({
        cluster,
        bin,
        database: values.demo ? 'able_gauge_demo' : 'able_gauge',
        file: path.resolve(file),
        keys,
      })
    } finally {
      // a cluster that a running program uses stays up for it
      if (!cluster.wasRunning) cluster.stop()
    }
  })
