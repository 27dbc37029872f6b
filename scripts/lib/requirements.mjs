/** What a machine needs besides Node.js, installed when it is missing. Only built-in modules may be used here. */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { Obstacle } from './fail.mjs'
import { ROOT } from './paths.mjs'

const OLDEST_NODE = [20, 19]

export const requireNode = () => {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor >= OLDEST_NODE[1])) return
  throw new Obstacle(`Able Gauge needs Node.js ${OLDEST_NODE.join('.')} or newer. This is ${process.versions.node}.`)
}

/** Installs the npm packages when there are none, or when the lock file has changed since. */
export const requirePackages = () => {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex')
  const stamp = path.join(ROOT, 'node_modules', '.able-gauge-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  console.log('Installing npm packages …')
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  if (status !== 0)
    throw new Obstacle(
      'The npm packages could not be installed. Is the npm registry reachable? Run "npm ci" to see more.',
    )
  writeFileSync(stamp, lock)
}

/** Finds the folder with PostgreSQL's programs, installing Debian's package when there is none. */
export const requirePostgres = () => {
  const found = findPostgres()
  if (found) return found
  installDebian(['postgresql'], 'PostgreSQL')
  const installed = findPostgres()
  if (installed) return installed
  throw new Obstacle('PostgreSQL was installed, but initdb and pg_ctl are nowhere to be found.')
}

/** Finds Debian's Chromium without its own windows and menus, which cost a fifth of a test; installs it when there is none. */
export const requireChromium = () => {
  if (!existsSync(CHROMIUM)) installDebian(['chromium-headless-shell'], 'Chromium')
  if (!existsSync(CHROMIUM)) throw new Obstacle(`Chromium was installed, but is not at ${CHROMIUM}.`)
  return CHROMIUM
}

/** What puts a certificate into a browser's store, as a person would in its settings. */
export const requireCertutil = () => {
  if (!existsSync(CERTUTIL)) installDebian(['libnss3-tools'], 'certutil')
  if (!existsSync(CERTUTIL)) throw new Obstacle(`certutil was installed, but is not at ${CERTUTIL}.`)
  return CERTUTIL
}

const CHROMIUM = '/usr/bin/chromium-headless-shell'
const CERTUTIL = '/usr/bin/certutil'

const findPostgres = () => {
  const folders = ['/usr/lib/postgresql/15/bin', '/usr/lib/postgresql/16/bin', '/usr/lib/postgresql/17/bin']
  return [...folders, ...(process.env.PATH ?? '').split(path.delimiter)].find(
    (folder) => existsSync(path.join(folder, 'initdb')) && existsSync(path.join(folder, 'postgres')),
  )
}

const installDebian = (packages, name) => {
  console.log(`Installing ${name} (Debian: ${packages.join(' ')}) …`)
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const apt = (...args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args]
    return spawnSync(command, rest, {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  }
  apt('update')
  const { status, stderr, error } = apt('install', '-y', '--no-install-recommends', ...packages)
  if (status === 0) return
  const why = error?.message ?? stderr?.toString().trim().split('\n').at(-1) ?? 'no reason given'
  throw new Obstacle(
    `${name} is missing and could not be installed (${why}).\n` +
      `Install it yourself, then start again: sudo apt-get install ${packages.join(' ')}`,
  )
}
