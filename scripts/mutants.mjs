/**
 * npm run mutants [-- FOLDER …]: changes core in small ways and looks whether a test notices, folder by folder. A long run; results are kept,
 * so that the next one looks only at what changed.
 */
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { Obstacle, run } from './lib/fail.mjs'
import { DATA, ROOT } from './lib/paths.mjs'
import { requireNode, requirePackages } from './lib/requirements.mjs'

const FOLDERS = ['quantity', 'capture', 'kinds', 'judge', 'standard']
const KEPT = path.join(DATA, 'mutants')
const NOTICED = new Set(['Killed', 'Timeout'])
const UNNOTICED = new Set(['Survived', 'NoCoverage'])

/** @returns how many changes of a folder a test noticed, of how many that could be tried */
const scoreOf = (folder) => {
  const report = path.join(KEPT, `${folder.replaceAll('/', '-')}-report.json`)
  const files = existsSync(report) ? Object.values(JSON.parse(readFileSync(report, 'utf8')).files) : []
  const statuses = files.flatMap(({ mutants }) => mutants.map(({ status }) => status))
  const noticed = statuses.filter((status) => NOTICED.has(status)).length
  return { noticed, of: noticed + statuses.filter((status) => UNNOTICED.has(status)).length }
}

await run(async () => {
  requireNode()
  requirePackages()
  mkdirSync(KEPT, { recursive: true })
  const named = process.argv.slice(2)
  const folders = named.length > 0 ? named : FOLDERS
  const unknown = folders.find((folder) => !existsSync(path.join(ROOT, 'core', 'src', folder)))
  if (unknown) throw new Obstacle(`core/src has no folder "${unknown}".`)
  for (const folder of folders) {
    spawnSync(process.execPath, [path.join('node_modules', '@stryker-mutator', 'core', 'bin', 'stryker.js'), 'run'], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ABLE_GAUGE_MUTANTS: folder },
    })
  }
  let [noticed, of] = [0, 0]
  for (const folder of folders) {
    const score = scoreOf(folder)
    console.log(`${folder}: ${score.noticed} of ${score.of} noticed`)
    noticed += score.noticed
    of += score.of
  }
  console.log(`\n${of === 0 ? 0 : Math.round((1_000 * noticed) / of) / 10} % noticed`)
})
