/** Builds the web application when anything it is made of has changed. */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { Obstacle } from './fail.mjs'
import { ROOT } from './paths.mjs'

export const WEB_FOLDER = path.join(ROOT, 'web', 'dist')

const SOURCES = [
  'core/src',
  'web/src',
  'web/index.html',
  'web/vite.config.ts',
  'web/serviceWorker.ts',
  'package-lock.json',
]

export const buildWeb = () => {
  const stamp = path.join(WEB_FOLDER, '.built-from')
  const state = stateOf(SOURCES)
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === state) return
  console.log('Building the application …')
  const { status, stdout, stderr } = spawnSync('npm', ['run', 'build', '-w', 'web', '--silent'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
  if (status !== 0) throw new Obstacle(`The application could not be built:\n${stdout}${stderr}`)
  writeFileSync(stamp, state)
}

/** A hash over names, sizes and times of all source files: enough to see a change, quick to take. */
const stateOf = (sources) => {
  const hash = createHash('sha256')
  const visit = (file) => {
    const facts = statSync(path.join(ROOT, file))
    if (facts.isDirectory()) for (const name of readdirSync(path.join(ROOT, file)).sort()) visit(path.join(file, name))
    else hash.update(`${file} ${facts.size} ${facts.mtimeMs}\n`)
  }
  sources.forEach(visit)
  return hash.digest('hex')
}
