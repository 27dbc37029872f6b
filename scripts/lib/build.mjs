/** Builds the application in the browser, the server and the command line when anything they are made of has changed. */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { Obstacle } from './fail.mjs'
import { ROOT } from './paths.mjs'

export const WEB_FOLDER = path.join(ROOT, 'web', 'dist')
const SERVER_FOLDER = path.join(ROOT, 'server', 'dist')
const CLI_FOLDER = path.join(ROOT, 'cli', 'dist')

/** What can be run of the server: `main`, `prepare`, `addAccount`, `backupFacts`, `restored`. */
export const serverProgram = (name) => path.join(SERVER_FOLDER, `${name}.mjs`)

const WEB_SOURCES = [
  'core/src',
  'web/src',
  'web/index.html',
  'web/vite.config.ts',
  'web/firstPiece.ts',
  'web/public',
  'package-lock.json',
]
const SERVER_SOURCES = ['core/src', 'server/src', 'package-lock.json', 'scripts/lib/build.mjs']
const CLI_SOURCES = ['core/src', 'cli/src', 'package-lock.json', 'scripts/lib/build.mjs']

export const buildWeb = () =>
  whenChanged(WEB_FOLDER, WEB_SOURCES, () => {
    console.log('Building the application …')
    const { status, stdout, stderr } = spawnSync('npm', ['run', 'build', '-w', 'web', '--silent'], {
      cwd: ROOT,
      encoding: 'utf8',
    })
    if (status !== 0) throw new Obstacle(`The application could not be built:\n${stdout}${stderr}`)
  })

/** The server and core in one file for each program, so that starting it reads no TypeScript. */
export const buildServer = () =>
  whenChanged(SERVER_FOLDER, SERVER_SOURCES, () =>
    bundle(SERVER_FOLDER, {
      main: 'server/src/main.ts',
      prepare: 'server/src/prepare.ts',
      addAccount: 'server/src/addAccount.ts',
      backupFacts: 'server/src/backupFacts.ts',
      restored: 'server/src/restored.ts',
      startWorker: 'server/src/work/worker.ts',
    }),
  )

/** The command line likewise. */
export const buildCli = () =>
  whenChanged(CLI_FOLDER, CLI_SOURCES, () => bundle(CLI_FOLDER, { program: 'cli/src/program.ts' }))

const bundle = async (outdir, entryPoints) => {
  // packages may be installed by the command that asks for this
  const { build } = await import('esbuild')
  await build({
    absWorkingDir: ROOT,
    entryPoints,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    alias: {
      '@able-gauge/core/drill': path.join(ROOT, 'core', 'src', 'drill', 'index.ts'),
      '@able-gauge/core/statistics': path.join(ROOT, 'core', 'src', 'insight', 'statistics.ts'),
      '@able-gauge/core': path.join(ROOT, 'core', 'src', 'index.ts'),
    },
    tsconfig: 'tsconfig.node.json',
    sourcemap: true,
    logLevel: 'error',
  })
}

const whenChanged = async (folder, sources, build) => {
  const stamp = path.join(folder, '.built-from')
  const state = stateOf(sources)
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === state) return
  await build()
  writeFileSync(stamp, state)
}

/** Lies beside what it tests, and goes into nothing that is built. */
const TEST = /\.test\.ts$/

/** A hash over names, sizes and times of all source files: enough to see a change, quick to take. */
const stateOf = (sources) => {
  const hash = createHash('sha256')
  const visit = (file) => {
    const facts = statSync(path.join(ROOT, file))
    if (facts.isDirectory()) for (const name of readdirSync(path.join(ROOT, file)).sort()) visit(path.join(file, name))
    else if (!TEST.test(file)) hash.update(`${file} ${facts.size} ${facts.mtimeMs}\n`)
  }
  sources.forEach(visit)
  return hash.digest('hex')
}
