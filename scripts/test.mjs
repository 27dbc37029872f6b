/** npm test: every check from a bare machine, ending with one line "N passed, N failed". */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import path from 'node:path'
import { run } from './lib/fail.mjs'
import { DATA, ROOT } from './lib/paths.mjs'
import { requireChromium, requireNode, requirePackages, requirePostgres } from './lib/requirements.mjs'

const REPORTS = path.join(DATA, 'reports')

/** One command, whose words appear as it speaks. Without a report it counts as one check; with one, each test in it counts. */
const check = (name, command, args, { env = {}, report, count } = {}) => {
  console.log(`\n== ${name}`)
  if (report) rmSync(report, { force: true })
  const began = Date.now()
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  })
  console.log(`   ${status === 0 ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`)
  if (!report) return status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }
  const counted = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 }
  // a run that broke off counts as a failure even when no single test does
  return status !== 0 && counted.failed === 0 ? { ...counted, failed: 1 } : counted
}

/** One command beside others: its words are kept until it has ended. */
const quietCheck = ([name, command, args]) =>
  new Promise((resolve) => {
    const began = Date.now()
    let words = ''
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] })
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (words += text))
    child.once('close', (status) => {
      const seconds = Math.round((Date.now() - began) / 1000)
      console.log(`\n== ${name}\n${words}   ${status === 0 ? 'passed' : 'FAILED'} in ${seconds} s`)
      resolve(status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 })
    })
  })

/** As many at once as there are processors; each takes the next that waits. */
const checkTogether = async (checks) => {
  const waiting = [...checks]
  const results = []
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) results.push(await quietCheck(next))
  }
  await Promise.all(Array.from({ length: Math.min(4, availableParallelism()) }, work))
  return results
}

const node = (file, ...args) => [process.execPath, [path.join('node_modules', file), ...args]]
const vitestReport = path.join(REPORTS, 'vitest.json')
const browserReport = path.join(REPORTS, 'browser.json')

await run(async () => {
  requireNode()
  requirePackages()
  requirePostgres()
  requireChromium()
  mkdirSync(REPORTS, { recursive: true })
  const results = [
    ...(await checkTogether([
      // the longest first, so that nothing long is left over at the end
      ['Format', ...node('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
      ['Types: web', ...node('vue-tsc/bin/vue-tsc.js', '-p', 'web')],
      ['Lint', ...node('eslint/bin/eslint.js', '.', '--max-warnings', '0')],
      // what is written for one platform is checked in one go, so that what all share is read once
      ['Types: core, server, cli', ...node('typescript/bin/tsc', '-p', 'tsconfig.node.json')],
      ['Types: bench, e2e', ...node('typescript/bin/tsc', '-p', 'tsconfig.driven.json')],
      [
        'Import rules',
        ...node(
          'dependency-cruiser/bin/dependency-cruise.mjs',
          '--config',
          '.dependency-cruiser.cjs',
          'core/src',
          'server/src',
          'cli/src',
          'web/src',
        ),
      ],
    ])),
    check(
      'Unit, database and HTTP tests',
      ...node('vitest/vitest.mjs', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${vitestReport}`),
      {
        report: vitestReport,
        count: ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
      },
    ),
    check('Browser tests', ...node('@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts'), {
      env: { ABLE_GAUGE_REPORT: browserReport },
      report: browserReport,
      count: ({ stats }) => {
        if (stats.flaky > 0) console.log(`   ${stats.flaky} passed only at the second try`)
        return { passed: stats.expected + stats.flaky, failed: stats.unexpected + stats.skipped }
      },
    }),
  ]
  const total = (key) => results.reduce((sum, result) => sum + result[key], 0)
  const [passed, failed] = [total('passed'), total('failed')]
  console.log(`\n${passed} passed, ${failed} failed`)
  if (failed > 0) process.exitCode = 1
})
