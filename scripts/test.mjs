/**
 * npm test: every check from a bare machine, ending with one line "N passed, N failed". Types, lint, format and import
 * rules run beside the unit tests, which wait for databases now and then; the browser tests have the machine to themselves.
 * `npm run test:long` does the same at full length: fuzzing, faults, pictures of twins.
 */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { run } from './lib/fail.mjs'
import { DATA, ROOT } from './lib/paths.mjs'
import { requireChromium, requireNode, requirePackages, requirePostgres } from './lib/requirements.mjs'

const REPORTS = path.join(DATA, 'reports')

/**
 * One command beside others: its words are kept until it has ended. Without a report it counts as one check; with one, each
 * test in it counts.
 */
const quietCheck = ({ name, command, args, env = {}, report, count }) =>
  new Promise((resolve) => {
    if (report) rmSync(report, { force: true })
    const began = Date.now()
    let words = ''
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    })
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (words += text))
    child.once('close', (status) => {
      const seconds = Math.round((Date.now() - began) / 1000)
      console.log(`\n== ${name}\n${words}   ${status === 0 ? 'passed' : 'FAILED'} in ${seconds} s`)
      if (!report) return resolve(status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 })
      const counted = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 }
      // a run that broke off counts as a failure even when no single test does
      resolve(status !== 0 && counted.failed === 0 ? { ...counted, failed: 1 } : counted)
    })
  })

/** One after the other. */
const inTurn = async (checks) => {
  const results = []
  for (const check of checks) results.push(await quietCheck(check))
  return results
}

const node = (name, file, ...args) => ({
  name,
  command: process.execPath,
  args: [path.join('node_modules', file), ...args],
})
const vitestReport = path.join(REPORTS, 'vitest.json')
const browserReport = path.join(REPORTS, 'browser.json')
const long = process.argv.includes('--long')
/** How much is asked of tests that can ask more or less. */
const LENGTH = long ? { ABLE_GAUGE_LONG: '1', ABLE_GAUGE_FUZZ: '20000' } : {}

await run(async () => {
  requireNode()
  requirePackages()
  requirePostgres()
  requireChromium()
  mkdirSync(REPORTS, { recursive: true })
  console.log('Each part is shown when it is done.')
  const unit = quietCheck({
    ...node(
      'Unit, database and HTTP tests',
      'vitest/vitest.mjs',
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${vitestReport}`,
    ),
    env: LENGTH,
    report: vitestReport,
    count: ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
  })
  const built = quietCheck({ name: 'Build', command: process.execPath, args: [path.join('scripts', 'build.mjs')] })
  const others = built.then(() =>
    inTurn([
      {
        name: 'Demo for the browser tests',
        command: process.execPath,
        args: [path.join('scripts', 'prepareTests.mjs')],
      },
      // what is written for one platform is checked in one go, so that what all share is read once
      node('Types: core, server, cli', 'typescript-native/bin/tsc', '-p', 'tsconfig.node.json'),
      node('Types: bench, e2e', 'typescript-native/bin/tsc', '-p', 'tsconfig.driven.json'),
      { name: 'Types: web', command: process.execPath, args: [path.join('scripts', 'screenTypes.mjs')] },
      ...(long ? [node('Types: web, by the slower compiler', 'vue-tsc/bin/vue-tsc.js', '-p', 'web')] : []),
      node(
        'Import rules',
        'dependency-cruiser/bin/dependency-cruise.mjs',
        '--config',
        '.dependency-cruiser.cjs',
        'core/src',
        'server/src',
        'cli/src',
        'web/src',
      ),
      node('Unused exports and files', 'knip/bin/knip.js', '--include', 'exports,types,files'),
      node('Lint', 'oxlint/bin/oxlint'),
      node('Lint: screens', 'eslint/bin/eslint.js', '.', '--max-warnings', '0'),
      node('Format', 'oxfmt/bin/oxfmt', '--check', '.'),
    ]),
  )
  // what measures its own turns is not to be hurried by a browser beside it
  await unit
  // the last of the others may still run
  await built
  const browser = await quietCheck({
    ...node('Browser tests', '@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts'),
    env: { ...LENGTH, ABLE_GAUGE_REPORT: browserReport },
    report: browserReport,
    count: ({ stats }) => {
      if (stats.flaky > 0) console.log(`   ${stats.flaky} passed only at the second try`)
      return { passed: stats.expected + stats.flaky, failed: stats.unexpected + stats.skipped }
    },
  })
  const results = [await unit, await built, ...(await others), browser]
  const total = (key) => results.reduce((sum, result) => sum + result[key], 0)
  const [passed, failed] = [total('passed'), total('failed')]
  console.log(`\n${passed} passed, ${failed} failed`)
  if (failed > 0) process.exitCode = 1
})
