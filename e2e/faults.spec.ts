/**
 * Nothing is lost: sixty runners over five laps through two browsers, while the server is killed ten times, PostgreSQL
 * three times, the network is cut for a minute, one browser is reloaded and the other closed for good with captures on
 * its disk. What each browser made is noted as it is written to its disk; the record has to hold exactly that.
 */
import { spawnSync, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium, type BrowserContext, type Page } from '@playwright/test'
import type { Capture, RecordedCapture, Standard, Verdict } from '@able-gauge/core'
import { CHROMIUM_ARGS } from '../scripts/lib/browser.mjs'
import { WEB_FOLDER } from '../scripts/lib/build.mjs'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { backUp, restore } from '../scripts/lib/keep.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requireChromium, requirePostgres } from '../scripts/lib/requirements.mjs'
import { KEY_FILE, startServer } from '../scripts/lib/server.mjs'
import { openTestCluster, TEMPLATE } from '../scripts/lib/testHouse.mjs'
import { PASSWORD } from './app.ts'
import { expect, test } from '@playwright/test'

test.use({ serviceWorkers: 'allow' })

const CUT_MS = 60_000
const [SERVER_KILLS, DATABASE_KILLS] = [10, 3]
/** The waves of the first browser; the second has two more. */
const FIRST_WAVES = [1, 2, 3]
const [CUT_WAVE, CLOSED_WAVE] = [4, 5]
const LAPS = 5
const WAVE_OF = 12
const RUNNERS = CLOSED_WAVE * WAVE_OF

interface Entry {
  readonly id: string
  readonly bib: number
  readonly wave: number
  readonly category: string
  readonly ageYears: number
  readonly ageCountedOn: string
  readonly bodyMassG: number | null
}
interface DayAnswer {
  readonly occasion: { readonly testDate: string }
  readonly standard: Standard
  readonly entries: readonly Entry[]
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** A server and a PostgreSQL of its own, both of which can be ended as a power cut would. */
const openWorld = async () => {
  const bin = requirePostgres()
  const cluster = await openCluster(bin, path.join(DATA, 'faults-postgres'))
  const database = `able_gauge_faults_${Date.now()}`
  const backup = path.join(DATA, `${database}.backup`)
  const keys = { passphrase: 'one of these days', keyFile: KEY_FILE }
  await backUp(await openTestCluster(), bin, TEMPLATE, backup, keys)
  await restore(cluster, bin, database, backup, keys)
  rmSync(backup)
  const port = await freePort()
  const start = async (): Promise<ChildProcess> =>
    (await startServer(cluster, database, { host: '127.0.0.1', port, webFolder: WEB_FOLDER, demo: true })).child
  let child = await start()
  const killServer = async (): Promise<void> => {
    if (child.exitCode !== null || child.signalCode !== null) return
    const ended = once(child, 'exit')
    child.kill('SIGKILL')
    await ended
  }
  return {
    address: `http://127.0.0.1:${port}`,
    killServer,
    startServer: async () => {
      child = await start()
    },
    killDatabase: async () => {
      const [pid] = readFileSync(path.join(DATA, 'faults-postgres', 'data', 'postmaster.pid'), 'utf8').split('\n')
      process.kill(Number(pid), 'SIGKILL')
      // its children notice that it is gone and end; where nobody collects the dead, its lock would seem to be held
      await wait(800)
      rmSync(path.join(DATA, 'faults-postgres', 'data', 'postmaster.pid'), { force: true })
      cluster.startAgain()
    },
    close: async () => {
      await killServer()
      await cluster.dropDatabase(database)
      cluster.stop()
    },
  }
}

/** A browser with a disk of its own, which outlives its windows. What it writes into the outbox is noted. */
const openBrowser = async (profile: string, address: string, noted: Map<string, Capture>): Promise<BrowserContext> => {
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: requireChromium(),
    args: CHROMIUM_ARGS,
    baseURL: address,
    viewport: { width: 1280, height: 800 },
  })
  await context.exposeBinding('noteCapture', (_, capture: Capture) => void noted.set(capture.id, capture))
  await context.addInitScript(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, value: unknown, ...rest: [IDBValidKey?]) {
      const { capture, state } = Object(value) as { capture?: unknown; state?: string }
      const { noteCapture } = window as unknown as { noteCapture?: (capture: unknown) => void }
      if (state === 'waiting') noteCapture?.(capture)
      return put.call(this, value, ...rest)
    }
  })
  return context
}

const signIn = async (context: BrowserContext, signInName: string): Promise<void> => {
  await context.request.post('/api/session', { data: { signInName, password: PASSWORD } })
}
const openRun = async (page: Page, day: string): Promise<void> => {
  await page.goto(`/days/${day}/run/run`)
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible({ timeout: 30_000 })
}
const startWave = async (page: Page, wave: number): Promise<void> => {
  await page.getByRole('button', { name: `Wave ${wave}`, exact: true }).click()
  await expect(page.getByText(`Wave ${wave}: ${WAVE_OF} on the line`)).toBeVisible()
  await page.keyboard.press('s')
  await expect(page.getByText(`Wave ${wave}, started`)).toBeVisible()
}
const chooseWave = (page: Page, wave: number): Promise<void> =>
  page.getByRole('button', { name: `Wave ${wave}`, exact: true }).click()
const stampLap = async (page: Page, wave: number): Promise<void> => {
  for (let runner = 1; runner <= WAVE_OF; runner++) {
    await page.keyboard.type(String((wave - 1) * WAVE_OF + runner))
    await page.keyboard.press('Enter')
  }
}
const allHome = (page: Page): Promise<void> => expect(page.locator('.tile.home')).toHaveCount(WAVE_OF)
const nothingWaits = (page: Page): Promise<void> =>
  expect(page.locator('.saved:visible')).toContainText('All saved.', { timeout: 60_000 })

const judged = (day: object): Map<string, Verdict> => {
  const { stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', path.join('e2e', 'judge.ts')], {
    cwd: ROOT,
    input: JSON.stringify(day),
    encoding: 'utf8',
    maxBuffer: 100_000_000,
  })
  if (stdout === '') throw new Error(`Nothing was judged. ${stderr}`)
  return new Map(JSON.parse(stdout) as [string, Verdict][])
}

const leftOpen: (() => Promise<unknown>)[] = []
// also after a failure, so that a second try does not meet the servers and windows of the first
test.afterEach(async () => {
  for (const close of leftOpen.splice(0).reverse()) await close()
})

test('sixty runners through kills, cuts, a reload and a closed browser: every capture once, and the same verdicts', async () => {
  test.setTimeout(300_000)
  const world = await openWorld()
  leftOpen.push(world.close)
  const profiles = [
    mkdtempSync(path.join(tmpdir(), 'able-gauge-a-')),
    mkdtempSync(path.join(tmpdir(), 'able-gauge-b-')),
  ]
  leftOpen.push(() => Promise.all(profiles.map((profile) => rm(profile, { recursive: true, force: true }))))
  const [profileA = '', profileB = ''] = profiles
  const noted = new Map<string, Capture>()
  const first = await openBrowser(profileA, world.address, noted)
  leftOpen.push(() => first.close())
  await signIn(first, 'joss.adair-nakata')
  const wish = {
    standardId: 'constabulary-entry',
    version: 3,
    people: RUNNERS,
    speed: 1,
    seed: 3,
    ownEventId: 'all-events',
  }
  const { id: day } = (await (await first.request.post('/api/rehearsals', { data: wish })).json()) as { id: string }
  const second = await openBrowser(profileB, world.address, noted)
  leftOpen.push(() => second.close())
  await signIn(second, 'wanda.lofthouse')
  const pages = [await first.newPage(), await second.newPage()] as const
  for (const page of pages) {
    await openRun(page, day)
    // the application has to be on the device before servers and networks go
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  }
  let undisturbed = false

  const kills = async (): Promise<void> => {
    for (let kill = 1; kill <= SERVER_KILLS; kill++) {
      await wait(1_500)
      await world.killServer()
      if (kill % 3 === 0 && kill <= 3 * DATABASE_KILLS) await world.killDatabase()
      await wait(1_000)
      await world.startServer()
    }
    undisturbed = true
  }
  const runFirst = async (): Promise<void> => {
    const [page] = pages
    for (const wave of FIRST_WAVES) {
      await startWave(page, wave)
      for (let lap = 1; lap <= LAPS; lap++) {
        await stampLap(page, wave)
        await wait(1_500)
        if (wave === 2 && lap === 2) {
          await page.reload()
          await expect(page.getByText(/Wave \d, started/)).toBeVisible({ timeout: 30_000 })
          await chooseWave(page, wave)
        }
      }
      await allHome(page)
    }
    await expect.poll(() => undisturbed, { timeout: 120_000 }).toBe(true)
    await nothingWaits(page)
  }
  const runSecond = async (): Promise<void> => {
    const [, page] = pages
    await startWave(page, CUT_WAVE)
    await stampLap(page, CUT_WAVE)
    await second.setOffline(true)
    const cutMs = Date.now()
    for (let lap = 2; lap <= 3; lap++) await stampLap(page, CUT_WAVE)
    // nobody reloads within the twentieth of a second in which a stamp is on its way to the disk, and its dot is hollow
    await expect(page.getByText(new RegExp(`^${CUT_WAVE * WAVE_OF} .*: lap 3 at`))).toBeVisible()
    await expect(page.locator('.crossings .held')).toHaveCount(0)
    // a reload without a network: the page, the day and what was captured are all on the device
    await page.reload()
    await expect(page.getByText(`Wave ${CUT_WAVE}, started`)).toBeVisible({ timeout: 30_000 })
    await chooseWave(page, CUT_WAVE)
    for (let lap = 4; lap <= LAPS; lap++) await stampLap(page, CUT_WAVE)
    await allHome(page)
    await wait(Math.max(0, CUT_MS - (Date.now() - cutMs)))
    await second.setOffline(false)
    await expect.poll(() => undisturbed, { timeout: 120_000 }).toBe(true)
    await nothingWaits(page)
    await startWave(page, CLOSED_WAVE)
    await second.setOffline(true)
    for (let lap = 1; lap <= LAPS; lap++) await stampLap(page, CLOSED_WAVE)
    await allHome(page)
    await expect(page.getByText(/waiting on this device/)).toBeVisible()
    await second.close()
  }
  await Promise.all([kills(), runFirst(), runSecond()])

  const again = await openBrowser(profileB, world.address, noted)
  leftOpen.push(() => again.close())
  const page = await again.newPage()
  await openRun(page, day)
  await nothingWaits(page)

  const recorded: RecordedCapture[] = []
  for (let after = 0, more = true; more; after = recorded.at(-1)?.seq ?? 0) {
    const answer = await page.request.get(`/api/occasions/${day}/captures?after=${after}`)
    const read = (await answer.json()) as { captures: RecordedCapture[]; more: boolean }
    recorded.push(...read.captures)
    more = read.more
  }
  // the starts and everybody's laps, each once, and nothing besides
  expect(recorded).toHaveLength(CLOSED_WAVE + RUNNERS * LAPS)
  expect(new Set(recorded.map(({ id }) => id))).toEqual(new Set(noted.keys()))
  expect(recorded.map(({ seq }) => seq)).toEqual(recorded.map((_, index) => index + 1))
  for (const { id, atMs, entryId, kind } of recorded) {
    expect({ atMs, entryId, kind }).toEqual({
      atMs: noted.get(id)?.atMs,
      entryId: noted.get(id)?.entryId,
      kind: noted.get(id)?.kind,
    })
  }
  // judged from what the browsers made, as if nothing had come between them and the record
  const { occasion, standard, entries } = (await (await page.request.get(`/api/occasions/${day}`)).json()) as DayAnswer
  const candidates = entries.map(({ id, bodyMassG, ...entry }) => ({
    ...entry,
    entryId: id,
    ...(bodyMassG === null ? {} : { bodyMassG }),
  }))
  const expected = judged({ standard, testDate: occasion.testDate, candidates, captures: [...noted.values()] })
  const { verdicts } = (await (await page.request.get(`/api/occasions/${day}/verdicts`)).json()) as {
    verdicts: { entryId: string; verdict: Verdict }[]
  }
  expect(verdicts).toHaveLength(RUNNERS)
  for (const { entryId, verdict } of verdicts) {
    expect(verdict).toEqual(expected.get(entryId))
    expect(verdict.marks.find(({ eventId }) => eventId === 'run')?.kind).toMatch(/^(met|short)$/)
  }
})
