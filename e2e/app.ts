/** The real application for one test file: its own database with the demo, its own server process. */
import { spawnSync, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { test as base, type APIRequestContext, type Page } from '@playwright/test'
import type { RecordedCapture } from '@able-gauge/core'
import { openAuthority } from '../scripts/lib/authority.mjs'
import { serverProgram, WEB_FOLDER } from '../scripts/lib/build.mjs'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { prepareDatabase, startServer } from '../scripts/lib/server.mjs'
import { openTestCluster, TEMPLATE } from '../scripts/lib/testHouse.mjs'

export const DAY = '01930000-0000-7000-8000-000000002026'
export const EARLIER_DAY = '01930000-0000-7000-8000-000000002025'
export const OFFICER = 'ines.calloway-brandt'
export const PASSWORD = 'tarn-isles-demo'
/** What the terminal shows while a house without the demo has no administrator. */
export const SET_UP_CODE = 'TEST-CODE-ONLY'

export interface App {
  readonly address: string
  /** Ends the server as a power cut would. */
  readonly kill: () => Promise<void>
  readonly startAgain: () => Promise<void>
  /** The built application it serves: its own, for tests that put a newer one there. */
  readonly webFolder: string
  /** Where it serves https, by which authority; null outside a field. */
  readonly field: { readonly httpsPort: number; readonly authorityFile: string } | null
}

interface WorkerFixtures {
  app: App
  room: string
  /** Whether the database holds the demo; without it there is one officer and nothing else. */
  demo: boolean
  /** Whether it serves a field as well, for the addresses of this machine alone. */
  inField: boolean
  /** Whether it serves a copy of the built application, which the test may change. */
  ownCopy: boolean
}

export const test = base.extend<{ signedIn: (signInName: string) => Promise<void> }, WorkerFixtures>({
  // test files that name a different room never share an application
  room: ['shared', { option: true, scope: 'worker' }],
  demo: [true, { option: true, scope: 'worker' }],
  inField: [false, { option: true, scope: 'worker' }],
  ownCopy: [false, { option: true, scope: 'worker' }],
  app: [
    async ({ room, demo, inField, ownCopy }, use, worker) => {
      const cluster = await openTestCluster()
      const database = `able_gauge_e2e_${room}_${worker.workerIndex}_${Date.now()}`
      await cluster.makeDatabase(database, demo ? TEMPLATE : undefined)
      if (!demo) {
        prepareDatabase(cluster, database, false, SET_UP_CODE)
        addOfficer(cluster.ownerUrl(database))
      }
      const port = await freePort()
      const webFolder = ownCopy ? mkdtempSync(path.join(tmpdir(), 'able-gauge-web-')) : WEB_FOLDER
      if (ownCopy) cpSync(WEB_FOLDER, webFolder, { recursive: true })
      const field = inField ? await openField() : null
      const start = async (): Promise<ChildProcess> =>
        (await startServer(cluster, database, { host: '127.0.0.1', port, webFolder, demo, field })).child
      let child = await start()
      const kill = async (): Promise<void> => {
        const ended = once(child, 'exit')
        child.kill('SIGKILL')
        await ended
      }
      await use({
        address: `http://127.0.0.1:${port}`,
        kill,
        startAgain: async () => {
          child = await start()
        },
        webFolder,
        field,
      })
      await kill()
      if (ownCopy) rmSync(webFolder, { recursive: true })
      await cluster.dropDatabase(database)
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ app }, use) => use(app.address),
  signedIn: async ({ page }, use) => {
    await use(async (signInName) => {
      await page.request.post('/api/session', { data: { signInName, password: PASSWORD } })
    })
  },
})

/** Certificates of a machine that is called field.test. */
const openField = async () => {
  const folder = path.join(DATA, 'e2e-field')
  const { authorityFile } = await openAuthority(folder, ['127.0.0.1'], ['field.test'])
  return { folder, addresses: ['127.0.0.1'], httpsPort: await freePort(), authorityFile }
}

/** As somebody who sets the program up would, with `npm run account`. */
const addOfficer = (ownerUrl: string): void => {
  spawnSync(process.execPath, [serverProgram('addAccount'), OFFICER, 'Ines Calloway-Brandt', 'officer'], {
    cwd: ROOT,
    env: { ...process.env, ABLE_GAUGE_OWNER_URL: ownerUrl, ABLE_GAUGE_PASSWORD: PASSWORD },
  })
}

export { expect } from '@playwright/test'

/** Everything on record about a day. */
export const capturesOf = async (request: APIRequestContext, day = DAY): Promise<RecordedCapture[]> => {
  const answer = await request.get(`/api/occasions/${day}/captures`)
  return ((await answer.json()) as { captures: RecordedCapture[] }).captures
}

/** The id of the entry that wears a bib. */
export const entryWithBib = async (request: APIRequestContext, bib: number): Promise<string> => {
  const answer = await request.get(`/api/occasions/${DAY}`)
  const { entries } = (await answer.json()) as { entries: { id: string; bib: number }[] }
  return entries.find((entry) => entry.bib === bib)?.id ?? ''
}

/** Waits until nothing captured waits on this device any more. */
export const allSaved = async (page: Page): Promise<void> => {
  await page.locator('.saved:visible', { hasText: /All saved\./ }).waitFor({ timeout: 20_000 })
}

/** Waits until S starts on this console: its own code comes a little later than the frame of the page. */
export const mayStart = (page: Page): Promise<void> => page.locator('kbd', { hasText: /^S$/ }).first().waitFor()
