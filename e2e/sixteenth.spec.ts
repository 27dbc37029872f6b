/**
 * A sixteenth kind, walked as `CONTRIBUTING.md` says, in a copy of the house: two folders and a line in each table. It is
 * published, planned, worked by hand at its own console, and judged.
 */
import { execFileSync } from 'node:child_process'
import { cpSync, mkdirSync, readdirSync, rmSync, symlinkSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from '@playwright/test'
import { WEB_FOLDER } from '../scripts/lib/build.mjs'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { addKindToCore, addKindToWeb } from '../scripts/sixteenth/addKind.mjs'
import { openTestCluster, TEMPLATE } from '../scripts/lib/testHouse.mjs'
import { OFFICER, PASSWORD } from './app.ts'

const HOUSE = path.join(DATA, 'sixteenth-house')
const COPIED = [
  'core',
  'server',
  'web',
  'scripts',
  'package.json',
  'package-lock.json',
  'tsconfig.json',
  'tsconfig.node.json',
  'demo',
]
/** What a folder holds that is made, not written. */
const MADE = /(^|\/)(dist|node_modules)(\/|$)/

/** The packages as they are, with the house's own parts in place of ours. */
const linkPackages = (): void => {
  const packages = path.join(HOUSE, 'node_modules')
  mkdirSync(path.join(packages, '@able-gauge'), { recursive: true })
  for (const name of readdirSync(path.join(ROOT, 'node_modules')))
    if (name !== '@able-gauge') symlinkSync(path.join(ROOT, 'node_modules', name), path.join(packages, name))
  for (const part of ['core', 'server', 'web'])
    symlinkSync(path.join(HOUSE, part), path.join(packages, '@able-gauge', part))
}

const EVENT = {
  id: 'one-leg',
  name: 'One leg',
  protocol: { kind: 'balance', startCommands: ['Ready', 'Begin'], capMs: 60_000, touchesAllowed: 1 },
  rounding: { mode: 'truncate', step: 1_000 },
  scoring: { kind: 'singleCut', unit: 'ms', atLeast: 30_000 },
}
const STANDARD = {
  format: 'able-gauge/standard/1',
  id: 'one-leg-test',
  name: 'One leg test',
  organisation: 'Tarn Isles testing office',
  version: 1,
  inForceFrom: '2026-01-01',
  source: 'Made up.',
  ageRule: { countedOn: 'testDate', leapDayBirthday: '1 March' },
  categories: [{ id: 'female', name: 'Female' }],
  events: [EVENT],
  combination: { kind: 'everyEventMet' },
  retest: { earliestAfterDays: 14 },
  uncertainty: { handTimingMs: 0, nearTheCut: 'flag' },
}

test.use({ actionTimeout: 15_000 })
test.beforeAll(() => rmSync(HOUSE, { recursive: true, force: true }))
test.afterAll(() => rmSync(HOUSE, { recursive: true, force: true }))

test('a sixteenth kind is published, worked by hand and judged', { tag: '@long' }, async ({ browser }) => {
  test.setTimeout(240_000)
  for (const part of COPIED)
    cpSync(path.join(ROOT, part), path.join(HOUSE, part), {
      recursive: true,
      filter: (from) => !MADE.test(path.relative(ROOT, from)),
    })
  mkdirSync(path.join(HOUSE, '.data'))
  linkPackages()
  addKindToCore(HOUSE)
  addKindToWeb(HOUSE)
  const run = (...args: string[]): string => execFileSync(process.execPath, args, { cwd: HOUSE, encoding: 'utf8' })
  run('scripts/screenTypes.mjs')
  run(
    '--input-type=module',
    '-e',
    "const { buildServer, buildWeb } = await import('./scripts/lib/build.mjs'); await buildWeb(); await buildServer()",
  )

  const cluster = await openTestCluster()
  const database = `able_gauge_e2e_sixteenth_${Date.now()}`
  await cluster.makeDatabase(database, TEMPLATE)
  const { startServer } = (await import(
    path.join(HOUSE, 'scripts/lib/server.mjs')
  )) as typeof import('../scripts/lib/server.mjs')
  const port = await freePort()
  const webFolder = path.join(HOUSE, path.relative(ROOT, WEB_FOLDER))
  const { child } = await startServer(cluster, database, { host: '127.0.0.1', port, webFolder, demo: true })
  try {
    const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` })
    const ask = async (address: string, data: object): Promise<Record<string, unknown>> => {
      const answer = await context.request.post(address, { data })
      expect([address, answer.ok(), await answer.text()]).toEqual([address, true, expect.anything()])
      return (await answer.json()) as Record<string, unknown>
    }
    await ask('/api/session', { signInName: OFFICER, password: PASSWORD })
    const { id: standardId, version } = STANDARD
    await ask('/api/standards', { id: standardId, version, content: STANDARD })
    const page = await context.newPage()
    await page.goto(`/standards/${standardId}/${version}/edit`)
    await expect(page.getByText('One leg').first()).toBeVisible()
    await ask(`/api/standards/${standardId}/${version}/publish`, { revision: 1 })
    await page.goto(`/standards/${standardId}/${version}`)
    await expect(page.getByText('1 touches are allowed.')).toBeVisible()

    const wish = { standardId, version, people: 4, speed: 1, seed: 5, ownEventId: EVENT.id }
    const { id: day } = await ask('/api/rehearsals', wish)
    await page.goto(`/days/${String(day)}/run/${EVENT.id}`)
    await expect(page.getByRole('button', { name: 'Start' })).toBeVisible()
    await page.keyboard.press(' ')
    await expect(page.getByText('Touch', { exact: true })).toBeVisible()
    await page.waitForTimeout(1_200)
    await page.keyboard.press(' ')
    await page.waitForTimeout(1_200)
    await page.keyboard.press(' ')
    await expect(page.getByText(/short/i).first()).toBeVisible()
    await page.goto(`/days/${String(day)}/verdicts`)
    await expect(page.getByText(/0:0[234]/).first()).toBeVisible()
  } finally {
    child.kill('SIGKILL')
    await cluster.dropDatabase(database)
  }
})
