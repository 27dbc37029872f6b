/** Prepares the database and runs the server as a child process. */
import { spawn, spawnSync } from 'node:child_process'
import path from 'node:path'
import { serverProgram } from './build.mjs'
import { Obstacle } from './fail.mjs'
import { DATA, ROOT } from './paths.mjs'

/** The key of this installation: whoever has it can sign days as this installation. */
export const KEY_FILE = path.join(DATA, 'signing-key.pem')

/** Errors name their place in the sources; what lives for one request is cleared away in larger lots, and so less often. */
const NODE = ['--enable-source-maps', '--max-semi-space-size=32']

/**
 * Migrates and, with `demo`, loads the demo once.
 * @param setUpCode lets whoever knows it make the first administrator, while there is none
 */
export const prepareDatabase = (cluster, database, demo, setUpCode = '') => {
  const { status } = spawnSync(process.execPath, [...NODE, serverProgram('prepare')], {
    cwd: ROOT,
    stdio: 'inherit',
    env: {
      ...process.env,
      ABLE_GAUGE_OWNER_URL: cluster.ownerUrl(database),
      ABLE_GAUGE_DATABASE_URL: cluster.appUrl(database),
      ABLE_GAUGE_DEMO: demo ? '1' : '0',
      ABLE_GAUGE_KEY_FILE: KEY_FILE,
      ABLE_GAUGE_SET_UP_CODE: setUpCode,
    },
  })
  if (status !== 0) throw new Obstacle('The database could not be brought up to date. The reason stands above.')
}

/**
 * Starts the server; it knows only the application's role.
 * @param field where a field is served as well: the folder of its certificates, the machine's addresses, the port for https
 * @returns the child process and the port it listens on
 */
export const startServer = (cluster, database, { host, port, webFolder, demo, field = null }) =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [...NODE, serverProgram('main')], {
      cwd: ROOT,
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      env: {
        ...process.env,
        ABLE_GAUGE_DATABASE_URL: cluster.appUrl(database),
        ABLE_GAUGE_HOST: host,
        ABLE_GAUGE_PORT: String(port),
        ABLE_GAUGE_DEMO: demo ? '1' : '0',
        ABLE_GAUGE_KEY_FILE: KEY_FILE,
        ABLE_GAUGE_WEB: webFolder,
        ...(field && {
          ABLE_GAUGE_FIELD_FOLDER: field.folder,
          ABLE_GAUGE_FIELD_ADDRESSES: field.addresses.join(','),
          ABLE_GAUGE_HTTPS_PORT: String(field.httpsPort),
        }),
      },
    })
    child.once('message', ({ listening }) => resolve({ child, port: listening }))
    child.once('exit', (code) =>
      reject(new Obstacle(`The server ended at once with exit code ${code}. The reason stands above.`)),
    )
  })
